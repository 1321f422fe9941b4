import * as fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import * as Y from 'yjs';
import {
  addElement,
  clipElements,
  ELEMENT_KINDS,
  elementKind,
  elementWords,
  kindName,
  linesOn,
  pasteElements,
  plain,
  readDeck,
  readElement,
  readPlainDeck,
  studentView,
  tableText,
  type Deck,
  type ElementKind,
  type NewElement,
  type SlideElement,
} from '../index.js';
import { deck, slide } from '../testing/builder.js';
import { BASE } from './base.js';
import { told } from '../parts/told.js';

const asset = { hash: 'a'.repeat(64), width: 40, height: 30, isAnimated: false };
const box = { x: 10, y: 20, w: 300, h: 200 };
/** The least that can be said of a new thing of each kind. */
const NEW: Record<ElementKind, object> = {
  text: { style: 'body' },
  shape: { shape: 'ellipse' },
  picture: { asset },
  hotspot: {},
  line: {},
  ink: {},
  media: { media: { hash: 'b'.repeat(64), type: 'audio/ogg', size: 9, seconds: 1 } },
  table: { text: tableText([['a', 'b']]) },
  formula: {},
  chart: { decimal: '.' },
  closeup: {},
  credits: {},
  group: {},
  zone: { layer: 'pieces' },
  question: {
    question: { kind: 'textEntry', answers: [], points: 1 },
  },
};

function fresh(kind: ElementKind, more: object = {}): { doc: Y.Doc; element: SlideElement } {
  const doc = deck(slide('s'));
  const plan = { kind, layer: 'content', box, id: 'it', ...NEW[kind], ...more };
  expect(addElement(doc, 's', plan as NewElement).ok).toBe(true);
  if (kind === 'group') {
    // A group is one by what is in it.
    const member = { kind: 'text', style: 'body', layer: 'content', box, groupId: 'it' };
    addElement(doc, 's', member as NewElement);
  }
  return { doc, element: readDeck(doc).slides.s!.elements.find(({ id }) => id === 'it')! };
}

const mapOf = (doc: Y.Doc): Y.Map<unknown> =>
  ((doc.getMap('slides').get('s') as Y.Map<unknown>).get('elements') as Y.Map<unknown>).get(
    'it',
  ) as Y.Map<unknown>;

describe.each(ELEMENT_KINDS)('%s', (kind) => {
  test('a new one has a value in each of its fields, and writes down none that is standard', () => {
    const { doc, element } = fresh(kind);
    const fields = [...Object.keys(BASE), ...Object.keys(elementKind(kind).fields)];
    expect(Object.keys(element).sort()).toEqual([...fields, 'id', 'kind'].sort());
    expect(Object.values(element)).not.toContain(undefined);
    const always = ['kind', 'layer', 'box', 'order', 'text', 'strokes'];
    const said = Object.keys(NEW[kind]);
    for (const key of mapOf(doc).keys()) expect([...always, ...said]).toContain(key);
  });

  test('what it says itself is read the same when all of it is written down again', () => {
    const { element } = fresh(kind, { name: 'one', rotation: 30, opacity: 0.5, isLocked: true });
    const { order: _order, ...rest } = element;
    expect(fresh(kind, rest).element).toEqual({ ...element, order: expect.any(String) as string });
  });

  test('whatever stands in its fields, it is read within its bounds or not at all', () => {
    const odd = fc.oneof(
      fc.anything(),
      fc.double(),
      fc.constant(-0),
      fc.constant('x'.repeat(9999)),
    );
    const keys = [...Object.keys(BASE), ...Object.keys(elementKind(kind).fields)];
    const standard = fresh(kind).element as unknown as Record<string, unknown>;
    fc.assert(
      fc.property(fc.dictionary(fc.constantFrom(...keys), odd), (raw) => {
        const given = new Map<string, unknown>(Object.entries({ ...NEW[kind], ...raw, kind }));
        const read = readElement('it', given) as unknown as Record<string, unknown> | undefined;
        if (!read) return;
        for (const [key, value] of Object.entries(read)) {
          expect(value).toBeDefined();
          if (typeof standard[key] !== 'object') expect(typeof value).toBe(typeof standard[key]);
          if (typeof value === 'number') expect(Number.isFinite(value)).toBe(true);
          if (typeof value === 'string') expect(value.length).toBeLessThanOrEqual(5000 * 4);
        }
      }),
      { numRuns: 60 },
    );
  });

  test('students get every field of it, locked, and nothing that is withheld', () => {
    const { doc, element } = fresh(kind, {
      expects: ['secret'],
      key: { kind: 'textEntry', answers: ['secret'] },
      explanation: 'secret',
    });
    const view = studentView(readDeck(doc)).slides.s!.elements.find(({ id }) => id === 'it')!;
    expect(Object.keys(view)).toEqual(Object.keys(element));
    expect(view.isLocked).toBe(true);
    expect(JSON.stringify(view)).not.toContain('secret');
  });

  test('it has a name, words when it is asked for them, and a look that is among its fields', () => {
    const { element } = fresh(kind, { name: 'a thing', text: plain('') });
    expect(kindName(element)).toMatch(/^[A-Z]/);
    expect(typeof elementWords(element)).toBe('string');
    expect(Array.isArray(linesOn(element))).toBe(true);
    expect(Object.keys(element)).toEqual(
      expect.arrayContaining([...elementKind(kind).look] as string[]),
    );
  });
});

test('a copy names the copies of what the first one named', () => {
  const doc = deck(slide('s'));
  const put = (plan: object): unknown => addElement(doc, 's', plan as NewElement);
  put({ kind: 'text', style: 'body', layer: 'pieces', box, id: 'crab' });
  put({ kind: 'zone', layer: 'pieces', box, id: 'pool', expects: ['crab'], takes: ['crab'] });
  put({ kind: 'line', layer: 'content', box, id: 'wire', from: { elementId: 'crab', x: 0, y: 0 } });
  const clip = clipElements(readDeck(doc), 'd', 's', ['crab', 'pool', 'wire']);
  const pasted = pasteElements(doc, 's', clip, 'd');
  if (!pasted.ok) throw new Error(told(pasted));
  const copies = readDeck(doc).slides.s!.elements.filter(({ id }) =>
    pasted.elementIds.includes(id),
  );
  const crab = copies.find(({ kind }) => kind === 'text')!.id;
  const zone = copies.find((one) => one.kind === 'zone')!;
  const line = copies.find((one) => one.kind === 'line')!;
  expect([zone.expects, zone.takes, line.from?.elementId]).toEqual([[crab], [crab], crab]);
});

/** What was '' where nothing is said is null by now. */
const SINCE_NULL = new Set(['family', 'align', 'upright', 'trunkId', 'theme', 'before']);

describe('a document and an edition written before kinds had folders', () => {
  const file = join(dirname(fileURLToPath(import.meta.url)), '../testing/beforeFolders.json');
  const { update, deck, given } = JSON.parse(readFileSync(file, 'utf8'), (key, value: unknown) =>
    SINCE_NULL.has(key) && value === '' ? null : value,
  ) as { update: string; deck: Deck; given: Deck };
  for (const read of [deck, given]) {
    read.theme = { ref: 'paper', amount: 'none', own: {} };
    Object.assign(read, { turn: 'cut', numbering: null, layouts: {} });
  }
  for (const slide of [deck, given].flatMap(({ slides }) => Object.values(slides))) {
    slide.setOut = null;
    slide.scenery = null;
    Object.assign(slide, { turn: null, ownLayout: null, hidesNumber: false });
    for (const element of slide.elements) {
      Object.assign(element, { setOut: null, comes: 0 });
      // What is left to the theme was once nought, and no letters.
      const fields = element as unknown as Record<string, unknown>;
      for (const key of ['size', 'leading', 'gap', 'colour']) {
        if (fields[key] === 0 || fields[key] === '') fields[key] = null;
      }
      if (element.kind === 'text') element.stands = 'bare';
      if (element.kind === 'picture') element.matters = null;
    }
  }

  test('are read as they were, and given to students as they were', () => {
    const doc = new Y.Doc();
    Y.applyUpdate(doc, Buffer.from(update, 'base64'));
    expect(JSON.parse(JSON.stringify(readDeck(doc)))).toEqual(deck);
    expect(JSON.parse(JSON.stringify(studentView(readDeck(doc))))).toEqual(given);
  });

  test('the plain deck of an edition says the same', () => {
    expect(JSON.parse(JSON.stringify(readPlainDeck(deck)))).toEqual(deck);
    // A theme was once a name, and night a theme.
    expect(readPlainDeck({ ...deck, theme: 'paper' }).theme).toEqual(deck.theme);
    expect(readPlainDeck({ ...deck, theme: 'night' }).theme.ref).toBe('paper/dark');
  });
});
