import { deckNamed, choice, element, pattern, slide, text } from '../testing/builder.js';
import { studentView } from '../lesson/studentView.js';
import { readDeck } from './readDeck.js';
import { readPlainDeck } from './plainDeck.js';
import { addSection } from './sections/sectionCommands.js';
import { addCloseUpStop, addTrail } from './trails/trailCommands.js';

const box = { x: 100, y: 100, w: 200, h: 80 };

function storm() {
  const doc = deckNamed(
    'Storm',
    slide(
      'pier',
      text('Hold on', { id: 'story', box }),
      element({ kind: 'closeup', layer: 'content', id: 'look', name: 'the lamp', box }),
      element({ kind: 'zone', layer: 'pieces', id: 'boat', box, expects: ['oar'] }),
      choice('Row out', 'sea'),
    ),
    slide('sea', pattern()),
  );
  addSection(doc, { id: 'wet', name: 'Wet', slideIds: ['sea'] });
  addTrail(doc, { id: 'short', name: 'Short', slideIds: ['pier', 'sea'] });
  addCloseUpStop(doc, 'short', 'pier', 'look');
  return doc;
}

describe('readPlainDeck', () => {
  test('gives back a deck as an edition keeps it', () => {
    const deck = readDeck(storm());
    expect(readPlainDeck(JSON.parse(JSON.stringify(deck)))).toEqual(deck);
  });

  test('what students get of it is the same, without keys', () => {
    const deck = readDeck(storm());
    const again = readPlainDeck(JSON.parse(JSON.stringify(deck)));
    expect(studentView(again)).toEqual(studentView(deck));
    expect(JSON.stringify(studentView(again))).not.toContain('oar');
  });

  test('understands what older versions wrote', () => {
    const old = {
      title: 'Old',
      theme: 'paper',
      startSlideId: 'a',
      links: {},
      slides: {
        a: {
          id: 'a',
          title: 'A',
          layout: 'text',
          fill: '#223344',
          elements: [
            { id: 'l', kind: 'line', layer: 'content', box, slope: 'up', colour: '', weight: 4 },
            {
              id: 'p',
              kind: 'picture',
              layer: 'content',
              box,
              alt: 'sea',
              asset: { hash: 'a'.repeat(64), width: 10, height: 10, isAnimated: false },
              credit: 'Ann',
              licence: 'cc-by',
            },
          ],
        },
      },
    };
    const [line, picture] = readPlainDeck(old).slides.a!.elements;
    expect(readPlainDeck(old).slides.a!.ground.fill).toBe('#223344');
    expect(line).toMatchObject({
      points: [
        { x: 0, y: 1 },
        { x: 1, y: 0 },
      ],
    });
    expect(picture).toMatchObject({ credit: { author: 'Ann', licence: 'cc-by' } });
  });

  test.each([null, 7, 'deck', [], { slides: { a: 3 } }, { slides: { a: { elements: 'x' } } }])(
    'nothing that is no deck breaks it: %j',
    (value) => {
      expect(() => readPlainDeck(value)).not.toThrow();
    },
  );
});

describe('addCloseUpStop', () => {
  test('comes after the last stop on its slide', () => {
    const [trail] = readDeck(storm()).trails;
    expect(trail!.stops.map(({ slideId, closeUpId }) => [slideId, closeUpId])).toEqual([
      ['pier', null],
      ['pier', 'look'],
      ['sea', null],
    ]);
  });

  test('refuses what is no close-up', () => {
    const doc = storm();
    expect(addCloseUpStop(doc, 'short', 'pier', 'story').ok).toBe(false);
    expect(addCloseUpStop(doc, 'none', 'pier', 'look').ok).toBe(false);
  });
});

test('students learn which section lies in which, and no names', () => {
  const view = studentView(readDeck(storm()));
  expect(view.sections).toEqual({
    wet: { id: 'wet', name: '', tint: 'petrol', parentId: null, isFolded: false, minutes: null },
  });
});
