import { Checker, elementOf, isInTheWay, readDeck, setBox, type SlideElement } from '../index.js';
import { choice, deck, element, ending, slide } from '../testing/builder.js';

const ELSEWHERE = { x: 900, y: 600, w: 200, h: 60 };

/** A slide with a choice, and a thing that lies over all of it. */
function under(thing: object): { findings: string[]; over: SlideElement } {
  const bare = readDeck(deck(slide('a: Pier', choice('Row out', 'b')), slide('b: Sea', ending())));
  const carrier = Object.values(bare.links)[0]!.carrier;
  const { box } = bare.slides.a!.elements.find(
    ({ id }) => carrier.kind === 'element' && id === carrier.elementId,
  )!;
  const doc = deck(
    slide(
      'a: Pier',
      choice('Row out', 'b'),
      element({ layer: 'content', ...thing, id: 'over', box: ELSEWHERE } as never),
    ),
    slide('b: Sea', ending()),
  );
  setBox(doc, 'a', 'over', box);
  elementOf(doc, 'a', 'over')!.set('order', 'zz');
  const made = readDeck(doc);
  return {
    findings: new Checker().check(made).findings.map(({ kind }) => kind),
    over: made.slides.a!.elements.find(({ id }) => id === 'over')!,
  };
}

test.each([
  ['a zone', { kind: 'zone', layer: 'pieces' }, false],
  ['a close-up', { kind: 'closeup' }, false],
  ['a line', { kind: 'line' }, false],
  ['words without a ground', { kind: 'text', style: 'body' }, false],
  ['words on a card', { kind: 'text', style: 'body', fill: '#FFFFFF' }, true],
  ['a shape', { kind: 'shape', shape: 'ellipse' }, true],
  ['a shape that is seen through', { kind: 'shape', shape: 'ellipse', fill: 'none' }, false],
  ['a piece', { kind: 'text', style: 'body', layer: 'pieces' }, true],
])(
  '%s over a choice: Check says that it is covered just when the stage lets nobody through',
  (_name, thing, is) => {
    const { findings, over } = under(thing);
    expect(isInTheWay(over)).toBe(is);
    expect(findings.includes('covered')).toBe(is);
  },
);
