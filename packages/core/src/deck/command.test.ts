import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import * as Y from 'yjs';
import * as core from '../index.js';
import {
  addSection,
  addTrail,
  clipElements,
  clipSlides,
  createHistory,
  gateFor,
  gateOf,
  plain,
  readDeck,
  refusalOf,
  REFUSALS,
  refuse,
  run,
  setAside,
  setElement,
  told,
  toSlide,
  type Command,
  type Finding,
  type RefusalCode,
} from '../index.js';
import {
  choice,
  choiceQuestion,
  deck,
  element,
  ending,
  must,
  pattern,
  slide,
  text,
  zone,
} from '../testing/builder.js';
import { plain as words } from '../parts/richText.js';

const box = { x: 96, y: 200, w: 200, h: 80 };
const FINDING: Finding = { kind: 'dead-end', slideId: 'sea', message: '' } as unknown as Finding;

/** A deck with one of everything that a command is about. */
function harbour(): Y.Doc {
  const cell = (said: string) => ({ type: 'tableCell', content: words(said).content });
  const table = { type: 'table', content: [{ type: 'tableRow', content: [cell('a'), cell('b')] }] };
  const doc = deck(
    slide(
      'pier: The pier',
      text('The boat lies still. The tide is low.', { id: 't' }),
      text('Another.', { id: 'u', box }),
      element({ kind: 'shape', shape: 'rectangle', layer: 'content', id: 's', box }),
      element({
        kind: 'table',
        layer: 'content',
        id: 'cells',
        box,
        text: { type: 'doc', content: [table] },
      } as core.NewElement),
      element({
        kind: 'ink',
        layer: 'content',
        id: 'ink',
        box,
        frame: box,
        strokes: [0, 1].map(() => ({
          points: [1, 1, 9, 9],
          weight: 4,
          colour: '',
          isMarker: false,
        })),
      } as unknown as core.NewElement),
      element({ kind: 'closeup', layer: 'content', id: 'near', box } as core.NewElement),
      element({ kind: 'group', layer: 'content', id: 'g' } as core.NewElement),
      ...['m', 'n'].map((id) =>
        element({
          kind: 'shape',
          shape: 'ellipse',
          layer: 'content',
          id,
          box,
          groupId: 'g',
        } as core.NewElement),
      ),
      choice('Row out', 'sea', 'row'),
    ),
    slide(
      'sea: At sea',
      choiceQuestion('q', 'Who?', ['*A gull', 'A tern']),
      zone('z', 'Here', box),
    ),
    slide('end: Home', ending()),
    slide('page: A page', pattern()),
  );
  must(addTrail(doc, { id: 'walk', name: 'Short', slideIds: ['pier', 'sea'] }));
  must(addSection(doc, { id: 'part', name: 'Part', slideIds: ['sea'] }));
  return doc;
}

const stop = (doc: Y.Doc, at: number): string => readDeck(doc).trails[0]!.stops[at]!.id;
type Given = (doc: Y.Doc) => unknown[];
const always =
  (...given: unknown[]): Given =>
  () =>
    given;

/** Makes a layout of how the pier is laid. */
function withLayout(doc: Y.Doc): string {
  const kept = core.keepLayout(doc, 'pier', 'Mine');
  if (!kept.ok) throw new Error(told(kept));
  return kept.id;
}

/** What each command takes where it applies, and one way in which it is refused. `null`: it always applies. */
const CASES: Record<string, [Given, null | [Given, RefusalCode]]> = {
  addStarter: [always({ id: 'x', title: 'X', build: () => [] }), null],
  addAsked: [
    always({ kind: 'choice', prompt: 'Who?', lines: ['a', 'b'], zones: [] }),
    [always({ kind: 'choice', prompt: 'Who?', lines: ['a'], zones: [] }), 'asked.lines'],
  ],
  addTrail: [always({ name: 'Long' }), [always({ name: ' ' }), 'trail.name']],
  addStop: [always('walk', 'end'), [always('walk', 'none'), 'slide.gone']],
  addCloseUpStop: [always('walk', 'pier', 'near'), [always('walk', 'pier', 't'), 'closeUp.gone']],
  removeStop: [(doc) => ['walk', stop(doc, 0)], [always('walk', 'none'), 'stop.gone']],
  moveStop: [(doc) => ['walk', stop(doc, 0), null], [always('walk', 'none', null), 'stop.gone']],
  setTrail: [always('walk', { name: 'Longer' }), [always('walk', { name: '' }), 'trail.name']],
  setDefaultTrail: [always('walk'), [always('none'), 'trail.gone']],
  duplicateTrail: [always('walk'), [always('none'), 'trail.gone']],
  removeTrail: [always('walk'), [always('none'), 'trail.gone']],
  rewriteText: [always('pier', 't', 'Other.'), [always('pier', 's2', 'x'), 'thing.gone']],
  addSection: [
    always({ name: 'More', slideIds: ['end'] }),
    [always({ name: 'More', slideIds: [] }), 'section.empty'],
  ],
  setSection: [
    always('part', { name: 'P' }),
    [always('part', { parentId: 'part' }), 'section.ring'],
  ],
  putIntoSection: [always(['pier'], 'part'), [always(['pier'], 'none'), 'section.gone']],
  removeSection: [always('part'), [always('none'), 'section.gone']],
  setLayout: [always('pier', 'two-columns'), [always('pier', 'none'), 'deck.layout']],
  takeLayout: [always('pier', 'section'), [always('pier', 'none'), 'deck.layout']],
  pasteSlides: [
    (doc) => [clipSlides(readDeck(doc), 'd', ['pier']), 'd', { dx: 0, dy: 0 }],
    [always({ deckId: '', slides: [], links: [] }, 'd', { dx: 0, dy: 0 }), 'slides.none'],
  ],
  duplicateSlides: [always(['pier', 'sea']), [always(['none']), 'slide.gone']],
  addSlide: [always({ title: 'New' }), [always({ id: 'pier', title: 'x' }), 'slide.double']],
  renameSlide: [always('pier', 'The quay'), [always('none', 'x'), 'slide.gone']],
  setSlideFlag: [always('pier', 'isReady', true), [always('none', 'isReady', true), 'slide.gone']],
  setNotes: [always('pier', 'Ask.'), [always('none', 'x'), 'slide.gone']],
  setStart: [always('sea'), [always('none'), 'slide.gone']],
  moveCards: [always([{ slideId: 'pier', x: 5, y: 900 }]), null],
  removeSlides: [always(['sea']), [always(['none']), 'slide.gone']],
  renameDeck: [always('Other'), [always('  '), 'deck.name']],
  setGround: [always(['pier'], { tint: '#123456' }), [always(['none'], {}), 'slide.gone']],
  setTheme: [always('paper/dark'), [always('none'), 'deck.theme']],
  takeTheme: [
    always(core.ownOf('harbour'), 'paper', null, 'own'),
    [always(core.ownOf('harbour'), 'paper', 'none'), 'slide.gone'],
  ],
  changeTheme: [
    (doc) => {
      must(core.takeTheme(doc, core.ownOf('harbour'), 'paper', null, 'own'));
      return ['own', core.ownOf('meadow')];
    },
    [always('paper', core.ownOf('meadow')), 'deck.theme'],
  ],
  removeTheme: [
    (doc) => {
      must(core.takeTheme(doc, core.ownOf('harbour'), 'paper', null, 'own'));
      return ['own'];
    },
    [always('paper'), 'deck.theme'],
  ],
  setTurn: [always('pier', 'fade'), [always('none', 'fade'), 'slide.gone']],
  setNumbering: [always('sea'), [always('none'), 'slide.gone']],
  keepLayout: [always('pier', 'Mine'), [always('none', 'Mine'), 'slide.gone']],
  relayLayout: [
    (doc) => {
      withLayout(doc);
      must(core.setBox(doc, 'pier', 't', { x: 8, y: 300, w: 400, h: 80 }));
      return ['pier'];
    },
    [always('pier'), 'deck.layout'],
  ],
  changeLayout: [
    (doc) => [withLayout(doc), { label: 'Ours' }],
    [always('none', { label: 'Ours' }), 'deck.layout'],
  ],
  applyLayout: [(doc) => [['sea'], withLayout(doc)], [always(['sea'], 'none'), 'deck.layout']],
  removeLayout: [(doc) => [withLayout(doc)], [always('none'), 'deck.layout']],
  setSlideTheme: [always('pier', 'paper/dark'), [always('pier', 'none'), 'deck.theme']],
  setThemeForAll: [always('paper/dark'), [always('none'), 'deck.theme']],
  setScenery: [always(null, 'quiet'), [always('none', 'quiet'), 'slide.gone']],
  pasteElements: [
    (doc) => ['sea', clipElements(readDeck(doc), 'd', 'pier', ['s']), 'd'],
    [always('sea', { deckId: '', elements: [], links: [] }, 'd'), 'thing.nonePasted'],
  ],
  duplicateElements: [always('pier', ['s']), [always('pier', ['none']), 'thing.gone']],
  fillCells: [
    always('pier', 'cells', [['x', 'y', 'z']]),
    [
      always(
        'pier',
        'cells',
        Array.from({ length: 99 }, () => ['x']),
      ),
      'table.cells',
    ],
  ],
  setBox: [
    always('pier', 's', { ...box, x: 9 }),
    [always('pier', 's', { ...box, w: 1 }), 'thing.size'],
  ],
  setPlaces: [
    always('pier', [{ elementId: 's', box: { ...box, x: 9 } }]),
    [always('pier', [{ elementId: 's', box: { ...box, x: 1e6 } }]), 'thing.far'],
  ],
  setLayer: [always('pier', ['s'], 'pieces'), [always('pier', ['m'], 'pieces'), 'group.member']],
  reorder: [always('pier', 's', 'front'), [always('pier', 'none', 'front'), 'thing.gone']],
  group: [always('pier', ['s', 'u']), [always('pier', ['s']), 'group.few']],
  ungroup: [always('pier', ['g']), [always('pier', ['s']), 'group.none']],
  moveLayer: [always('pier', 'content'), [always('pier', 'background'), 'slide.noScenery']],
  setInk: [always('pier', 't', '#123456'), [always('pier', 'none', ''), 'thing.gone']],
  giveLook: [
    always('pier', ['s'], { kind: 'shape', settings: { fill: '#123456' } }),
    [always('pier', ['s'], { kind: 'shape', settings: {} }), 'thing.look'],
  ],
  addElement: [
    always('pier', { kind: 'shape', shape: 'ellipse', layer: 'content', box }),
    [always('pier', { kind: 'shape', id: 's', layer: 'content', box }), 'thing.double'],
  ],
  setElement: [always('pier', 's', { name: 'Rock' }), [always('pier', 'none', {}), 'thing.gone']],
  setElements: [
    always('pier', ['s', 't'], { name: 'x' }),
    [always('pier', ['no'], {}), 'thing.gone'],
  ],
  setText: [
    always('pier', 't', plain('Other.')),
    [always('pier', 'none', plain('')), 'thing.gone'],
  ],
  removeElements: [always('pier', ['s']), [always('pier', ['none']), 'thing.gone']],
  addStroke: [
    always('pier', 'ink', { points: [2, 2, 3, 3], weight: 4, colour: '', isMarker: false }, box),
    [always('pier', 's', { points: [] }, box), 'thing.gone'],
  ],
  rubOut: [always('pier', 'ink', [0]), [always('pier', 's', [0]), 'thing.gone']],
  setQuestion: [
    (doc) => {
      const asked = readDeck(doc).slides.sea!.elements.find(({ id }) => id === 'q')!;
      return ['sea', 'q', { question: 'question' in asked && asked.question, key: null }];
    },
    [always('sea', 'z', { question: null, key: null }), 'thing.gone'],
  ],
  setLanguage: [always('de'), [always('xx'), 'deck.language']],
  addChoice: [
    always('pier', 'Wait'),
    [always('pier', 'Wait', { slideId: 'no' }), 'link.slideGone'],
  ],
  addChoiceTo: [
    always('pier', 'Wait', toSlide('end')),
    [always('pier', 'Wait', { kind: 'web', address: 'no where' }), 'address.spaces'],
  ],
  linkElement: [
    always('pier', 's', toSlide('end')),
    [always('pier', 'cells', toSlide('end')), 'link.kind'],
  ],
  linkOption: [
    always('sea', 'q', 'a', toSlide('end')),
    [always('sea', 'q', 'x', toSlide('end')), 'link.optionGone'],
  ],
  linkWordsOf: [
    always('pier', 't', 'The boat', toSlide('end')),
    [always('pier', 't', 'A whale', toSlide('end')), 'link.otherWords'],
  ],
  addWordLink: [
    always({ linkId: 'w', from: 'pier', elementId: 't', target: toSlide('end'), words: 'boat' }),
    [
      always({ linkId: 'w', from: 'pier', elementId: 't', target: toSlide('no'), words: 'boat' }),
      'link.slideGone',
    ],
  ],
  linkSlides: [always('pier', 'end'), [always('pier', 'no'), 'link.slideGone']],
  retarget: [always('row', toSlide('end')), [always('none', toSlide('end')), 'link.gone']],
  moveLink: [always('row', 'end'), [always('row', 'none'), 'slide.gone']],
  rewordLink: [always('row', 'Take the boat'), [always('row', ' '), 'link.wording']],
  markPlayed: [always('row', true), [always('none', true), 'link.gone']],
  removeLink: [always('row'), [always('none'), 'link.gone']],
  addLeaf: [
    (doc) => [readDeck(doc).slides.page, 1],
    [(doc) => [readDeck(doc).slides.pier, 1], 'leaf.closed'],
  ],
  removeLeaf: [always('page'), [always('none'), 'leaf.gone']],
  answer: [always('q', { kind: 'choice', optionIds: ['a'] }, 1), null],
  draft: [always('q', { kind: 'choice', optionIds: ['a'] }, 1), null],
  visit: [always('sea', 'row', 1), null],
  goBack: [
    (doc) => {
      core.visit(doc, 'pier', 'start', 1);
      core.visit(doc, 'sea', 'row', 2);
      return [3];
    },
    [always(1), 'walk.start'],
  ],
  voteFor: [always('pier', 'row'), null],
  place: [always('sea', { z: { x: 1, y: 1 } }, 1), null],
  addPlaced: [
    always('pier', { kind: 'closeup', layer: 'content', id: 'fresh', box } as core.NewElement),
    [always('none', { kind: 'closeup', layer: 'content', box } as core.NewElement), 'slide.gone'],
  ],
  setOut: [always(['pier']), [always(['none']), 'slide.gone']],
  setOutAgain: [
    (doc) => {
      must(core.setOut(doc, ['pier']));
      must(core.addChoice(doc, 'pier', 'Wait', { slideId: 'sea' }));
      return [['pier']];
    },
    null,
  ],
  leaveAsItLies: [
    (doc) => {
      must(core.setOut(doc, ['pier']));
      return ['pier'];
    },
    [always('none'), 'slide.gone'],
  ],
  takeUp: [always('pier', ['t']), [always('pier', ['none']), 'thing.gone']],
  applyPlan: [
    always({ steps: [{ do: 'title', slideId: 'sea', title: 'Out' }], removed: [], cut: [] }),
    null,
  ],
  applyMend: [
    always({ label: '', do: 'split', slideId: 'pier', elementId: 't' }),
    [always({ label: '', do: 'split', slideId: 'pier', elementId: 'u' }), 'text.oneSentence'],
  ],
  setAside: [always(FINDING, 'It is meant so.'), [always(FINDING, ' '), 'aside.reason']],
  takeUpAgain: [
    (doc) => {
      must(setAside(doc, FINDING, 'So.'));
      return [FINDING];
    },
    [always(FINDING), 'aside.not'],
  ],
};

type Any = Command<unknown[]>;
const COMMANDS = Object.values(core).filter(
  (one): one is Any => typeof one === 'function' && 'needs' in one,
);
const state = (doc: Y.Doc): string => Buffer.from(Y.encodeStateAsUpdate(doc)).toString('base64');

test('every command is in this table', () => {
  expect(COMMANDS.map(({ name }) => name).sort()).toEqual(Object.keys(CASES).sort());
});

describe.each(COMMANDS.map((command) => [command.name, command] as const))(
  '%s',
  (name, command) => {
    const [good, bad] = CASES[name]!;
    const writer = gateOf(['owner', 'student']);

    test('asking whether it applies changes nothing; running it does, in one step that is taken back', () => {
      const doc = harbour();
      const given = good(doc);
      const history = createHistory(doc);
      const [before, read] = [state(doc), readDeck(doc)];
      expect(refusalOf(writer, doc, command, ...given)).toBeNull();
      expect(state(doc)).toBe(before);
      let steps = 0;
      doc.on('afterTransaction', ({ changed }) => void (steps += changed.size > 0 ? 1 : 0));
      expect(run(writer, doc, command, ...given)).toMatchObject({ ok: true });
      expect(state(doc)).not.toBe(before);
      expect(steps).toBe(1);
      if (command.needs !== 'deck:write') return;
      history.undo();
      expect(readDeck(doc)).toEqual(read);
      expect(history.canUndo()).toBe(false);
    });

    test('whoever may only look is refused, and nothing changes', () => {
      const doc = harbour();
      const given = good(doc);
      const before = state(doc);
      for (const gate of [gateOf([]), gateOf(['viewer']), gateOf(['commenter', 'waiting'])]) {
        expect(refusalOf(gate, doc, command, ...given)).toEqual(refuse('role.no'));
        expect(run(gate, doc, command, ...given)).toEqual(refuse('role.no'));
      }
      expect(state(doc)).toBe(before);
    });

    test('a gate of one ability lets through what needs that and nothing else', () => {
      const doc = harbour();
      const given = good(doc);
      const mayPass = command.needs === 'folio:write';
      const asked = refusalOf(gateFor('folio:write'), doc, command, ...given);
      expect(asked).toEqual(mayPass ? null : refuse('role.no'));
      expect(refusalOf(gateFor(), doc, command, ...given)).toEqual(refuse('role.no'));
    });

    test('what is refused is refused alike when it is asked and when it is run, and changes nothing', () => {
      if (!bad) return;
      const [given, code] = bad;
      const doc = harbour();
      const args = given(doc);
      const before = state(doc);
      const asked = refusalOf(writer, doc, command, ...args);
      expect(asked?.code).toBe(code);
      expect(run(writer, doc, command, ...args)).toEqual(asked);
      expect(state(doc)).toBe(before);
      expect(told(asked!)).toMatch(/^[A-Z“].*\.$/);
      expect(told(asked!)).not.toMatch(/[{}]|undefined/);
    });
  },
);

test('a locked thing, a full trail: what is said names what it is about', () => {
  const doc = harbour();
  must(setElement(doc, 'pier', 's', { isLocked: true }));
  expect(core.removeElements.applies(doc, 'pier', ['s'])).toEqual(refuse('thing.locked'));
  expect(told(refuse('trail.full', { most: 2000 }))).toBe('A trail has 2000 stops at the most.');
});

test('the catalogue holds sentences, and another one can be spoken', () => {
  for (const sentence of Object.values(REFUSALS)) expect(sentence).toMatch(/^([A-Z]|\{\{|“).*\.$/);
  const german = { ...REFUSALS, 'trail.full': 'Ein Pfad hat höchstens {{most}} Halte.' };
  expect(told(refuse('trail.full', { most: 9 }), german)).toBe('Ein Pfad hat höchstens 9 Halte.');
});

test('what is said above a command names every refusal in it', () => {
  // Each of them with what stands above it.
  const room = fileURLToPath(new URL('..', import.meta.url));
  const sources = readdirSync(room, { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('.ts') && !file.endsWith('.test.ts'))
    .map((file) => readFileSync(join(room, file), 'utf8'));
  const found = sources.flatMap((source) => [
    ...source.matchAll(
      /(\/\*\*(?:(?!\*\/)[^])*\*\/\n)?export const (\w+) = command\([^]*?\n\}?\);\n/g,
    ),
  ]);
  expect(found.length).toBe(COMMANDS.length);
  const unsaid = found.flatMap(([whole, said = '', name]) =>
    [...whole.slice(said.length).matchAll(/refuse\('([\w.]+)'/g)]
      .filter(([, code]) => !said.includes(`\`${code!}\``))
      .map(([, code]) => `${name!}: ${code!}`),
  );
  expect(unsaid).toEqual([]);
});
