import fc from 'fast-check';
import * as Y from 'yjs';
import {
  addElement,
  addSlide,
  createHistory,
  duplicateElements,
  elementWords,
  readDeck,
  removeElements,
  type Deck,
  type NewElement,
} from '../index.js';
import { elementOf } from './document.js';
import { fragmentOf } from '../elements/fields.js';
import { deck, slide, text } from '../testing/builder.js';

const TYPING = 'typing';
const WORDS: NewElement = {
  kind: 'text',
  layer: 'content',
  style: 'body',
  box: { x: 20, y: 30, w: 300, h: 60 },
};

const hear = (to: Y.Doc, from: Y.Doc): void =>
  Y.applyUpdate(to, Y.encodeStateAsUpdate(from, Y.encodeStateVector(to)));

const wordsIn = (read: Deck): string =>
  Object.values(read.slides)
    .flatMap(({ elements }) => elements.map(elementWords))
    .join(' · ');

/** Every text of a document, with the slide and the thing that it is in. */
function texts(doc: Y.Doc): { slideId: string; elementId: string; fragment: Y.XmlFragment }[] {
  return Object.values(readDeck(doc).slides)
    .flatMap(({ id: slideId, elements }) => elements.map(({ id }) => ({ slideId, elementId: id })))
    .flatMap(({ slideId, elementId }) => {
      const element = elementOf(doc, slideId, elementId);
      const fragment = element && fragmentOf(element);
      return fragment ? [{ slideId, elementId, fragment }] : [];
    });
}

/** As an editor does: into the first line, or into a new one where there is none. */
function type(fragment: Y.XmlFragment, words: string): void {
  fragment.doc!.transact(() => {
    const line = fragment.length > 0 ? fragment.get(0) : new Y.XmlElement('paragraph');
    if (fragment.length === 0) fragment.insert(0, [line]);
    if (!(line instanceof Y.XmlElement)) return;
    const run = line.length > 0 ? line.get(0) : new Y.XmlText();
    if (line.length === 0) line.insert(0, [run]);
    if (run instanceof Y.XmlText) run.insert(run.length, words);
  }, TYPING);
}

function two(): { ines: Y.Doc; tomas: Y.Doc } {
  const ines = deck(slide('a', text('One', { id: 'x0' })));
  const tomas = new Y.Doc();
  hear(tomas, ines);
  return { ines, tomas };
}

test('an undo takes back her words and leaves those that another wrote between them', () => {
  const { ines, tomas } = two();
  const history = createHistory(ines, [TYPING]);
  addElement(ines, 'a', { ...WORDS, id: 'new' });
  type(texts(ines).find(({ elementId }) => elementId === 'new')!.fragment, 'High at six.');
  hear(tomas, ines);
  type(texts(tomas).find(({ elementId }) => elementId === 'new')!.fragment, ' Low at noon.');
  hear(ines, tomas);
  while (history.canUndo()) history.undo();
  hear(tomas, ines);
  for (const doc of [ines, tomas]) {
    const kept = readDeck(doc).slides.a!.elements.find(({ id }) => id === 'new')!;
    expect(elementWords(kept)).toBe('Low at noon.');
    expect(kept).toMatchObject(WORDS);
  }
  while (history.canRedo()) history.redo();
  expect(wordsIn(readDeck(ines))).toContain('High at six. Low at noon.');
});

test('a step of which nothing may go takes no earlier step along', () => {
  const { ines, tomas } = two();
  const history = createHistory(ines, [TYPING]);
  let told = 0;
  history.subscribe(() => told++);
  const made = addSlide(ines, { title: 'Fog', layout: 'empty' });
  if (!made.ok) throw new Error('no slide');
  addElement(ines, made.slideId, { ...WORDS, id: 'new' });
  hear(tomas, ines);
  type(texts(tomas).find(({ elementId }) => elementId === 'new')!.fragment, 'Low at noon.');
  hear(ines, tomas);
  while (history.canUndo()) history.undo();
  expect(wordsIn(readDeck(ines))).toContain('Low at noon.');
  expect(readDeck(ines).slides[made.slideId]!.elements).toMatchObject([WORDS]);
  expect(told).toBeGreaterThan(2);
  expect(history.canUndo()).toBe(false);
});

test('what nobody else has written in goes with its undo, whoever else is there', () => {
  const { ines, tomas } = two();
  const history = createHistory(ines, [TYPING]);
  const made = addSlide(ines, { title: 'Fog', layout: 'text' });
  if (!made.ok) throw new Error('no slide');
  hear(tomas, ines);
  type(texts(tomas).find(({ elementId }) => elementId === 'x0')!.fragment, ' more');
  hear(ines, tomas);
  history.undo();
  expect(Object.keys(readDeck(ines).slides)).toEqual(['a']);
});

const act = fc.record({
  what: fc.constantFrom(
    ...([
      'slide',
      'text',
      'type',
      'copy',
      'erase',
      'undo',
      'undo',
      'undo all',
      'redo',
      'his',
      'his',
      'hisText',
    ] as const),
  ),
  at: fc.nat(20),
});

test('whatever she does and undoes, no word is lost that another wrote', () => {
  fc.assert(
    fc.property(fc.array(act, { minLength: 3, maxLength: 25 }), (acts) => {
      const { ines, tomas } = two();
      const history = createHistory(ines, [TYPING]);
      const his: string[] = [];
      acts.forEach(({ what, at }, turn) => {
        const doc = what.startsWith('his') ? tomas : ines;
        const all = texts(doc);
        const one = all[at % Math.max(1, all.length)];
        const slideIds = Object.keys(readDeck(doc).slides).sort();
        const slideId = slideIds[at % slideIds.length]!;
        if (what === 'slide') addSlide(ines, { title: `S${turn}`, layout: 'text' });
        if (what === 'text' || what === 'hisText') {
          addElement(doc, slideId, { ...WORDS, id: `t${turn}` });
          const made = texts(doc).find(({ elementId }) => elementId === `t${turn}`);
          if (what === 'hisText' && made) {
            his.push(`his${turn}.`);
            type(made.fragment, `his${turn}.`);
          }
        }
        if (what === 'type' && one) type(one.fragment, `mine${turn}.`);
        if (what === 'his' && one) {
          his.push(`his${turn}.`);
          type(one.fragment, `his${turn}.`);
        }
        if (what === 'copy' && one) duplicateElements(ines, one.slideId, [one.elementId]);
        // What is erased on purpose goes with all that is in it.
        if (what === 'erase' && one && !/his/.test(one.fragment.toString())) {
          removeElements(ines, one.slideId, [one.elementId]);
        }
        if (what === 'undo') history.undo();
        if (what === 'undo all') while (history.canUndo()) history.undo();
        if (what === 'redo') history.redo();
        hear(tomas, ines);
        hear(ines, tomas);
        for (const words of his) expect(wordsIn(readDeck(ines))).toContain(words);
        expect(readDeck(ines)).toEqual(readDeck(tomas));
      });
    }),
    { numRuns: 100 },
  );
});
