import * as fc from 'fast-check';
import * as Y from 'yjs';
import {
  addElement,
  addLeaf,
  answer,
  FolioProjection,
  goBack,
  leafOnPattern,
  leafTitle,
  place,
  placementsMap,
  plain,
  readDeck,
  readFolio,
  removeLeaf,
  setText,
  standing,
  visit,
  walkArray,
  type Question,
} from '../index.js';
import {
  choice,
  choiceQuestion,
  deck,
  pattern,
  piece,
  question,
  slide,
  text,
  zone,
} from '../testing/builder.js';
import { told } from '../parts/told.js';

const at = 1_700_000_000_000;
const edition = readDeck(
  deck(
    slide('pier', choice('Row', 'sea')),
    slide(
      'sea',
      choiceQuestion('q', 'Which?', ['*this', 'that']),
      piece('oar', 'oar', { x: 0, y: 0, w: 100, h: 40 }),
      zone('boat', 'boat', { x: 400, y: 400, w: 300, h: 200 }),
    ),
    slide(
      'page: My page',
      pattern(),
      text('Write here', { id: 'body', box: { x: 10, y: 20, w: 300, h: 90 } }),
    ),
  ),
);

describe('the walk', () => {
  test('back retraces it and stops at its beginning', () => {
    const doc = new Y.Doc();
    for (const id of ['a', 'b', 'c']) visit(doc, id, 'start', at);
    expect(goBack(doc, at).ok).toBe(true);
    expect(standing(readFolio(doc).walk)).toEqual({ here: 'b', back: 'a' });
    visit(doc, 'd', 'l1', at);
    expect(standing(readFolio(doc).walk)).toEqual({ here: 'd', back: 'b' });
    goBack(doc, at);
    goBack(doc, at);
    expect(standing(readFolio(doc).walk)).toEqual({ here: 'a', back: null });
    expect(goBack(doc, at)).toMatchObject({ ok: false });
  });

  test('however one goes and comes back, every step is kept and here is the last', () => {
    fc.assert(
      fc.property(
        fc.array(fc.oneof(fc.constantFrom('a', 'b', 'c'), fc.constant('back')), { maxLength: 30 }),
        (steps) => {
          const doc = new Y.Doc();
          visit(doc, 'start', 'start', at);
          const stack = ['start'];
          for (const s of steps) {
            if (s === 'back') {
              if (goBack(doc, at).ok) stack.pop();
            } else {
              visit(doc, s, 'l', at);
              stack.push(s);
            }
          }
          expect(standing(readFolio(doc).walk)).toEqual({
            here: stack.at(-1),
            back: stack.at(-2) ?? null,
          });
        },
      ),
    );
  });
});

describe('leaves', () => {
  test('are made from patterns only and carry their scenery', () => {
    const doc = new Y.Doc();
    expect(addLeaf(doc, edition.slides.pier!, at).ok).toBe(false);
    const added = addLeaf(doc, edition.slides.page!, at, 'leaf1');
    if (!added.ok) throw new Error(told(added));
    const [title, body] = readFolio(doc).leaves[0]!.elements;
    expect(body?.box).toEqual({ x: 10, y: 20, w: 300, h: 90 });
    setText(doc, 'leaf1', title!.id, plain('Gulls'));
    const leaf = readFolio(doc).leaves[0]!;
    expect(leafTitle(leaf)).toBe('Gulls');
    const drawn = leafOnPattern(leaf, edition.slides.page);
    expect(drawn.elements.map((e) => e.id)).toEqual(leaf.elements.map((e) => e.id));
    removeLeaf(doc, 'leaf1');
    expect(readFolio(doc).leaves).toEqual([]);
  });

  test('nothing in a leaf lies under or replaces the pattern’s scenery', () => {
    const doc = new Y.Doc();
    const scene = readDeck(
      deck(slide('page', pattern(), text('Scenery', { id: 'hill', style: 'caption' }))),
    ).slides.page!;
    addLeaf(doc, scene, at, 'leaf1');
    addElement(doc, 'leaf1', {
      kind: 'text',
      style: 'body',
      layer: 'background',
      box: { x: 0, y: 0, w: 50, h: 50 },
      text: plain('mine'),
    });
    const drawn = leafOnPattern(readFolio(doc).leaves[0]!, scene);
    expect(drawn.elements[0]!.id).toBe('hill');
    expect(drawn.elements.every((e) => e.layer === 'content')).toBe(true);
  });
});

describe('projection', () => {
  test('tells only what changed, marked', () => {
    const doc = new Y.Doc();
    const projection = new FolioProjection(doc, edition);
    visit(doc, 'pier', 'start', at);
    visit(doc, 'sea', 'l', at + 1);
    answer(doc, 'q', { kind: 'choice', optionIds: ['a'] }, at);
    place(doc, 'sea', { oar: { x: 450, y: 450 } });
    expect(projection.take()).toEqual({
      answers: [{ questionId: 'q', answer: { kind: 'choice', optionIds: ['a'] }, score: 1, at }],
      placements: [{ slideId: 'sea', elementId: 'oar', x: 450, y: 450, zoneId: 'boat' }],
      votes: [],
      visits: [
        { seq: 0, slideId: 'pier', via: 'start', at },
        { seq: 1, slideId: 'sea', via: 'l', at: at + 1 },
      ],
    });
    expect(projection.take()).toEqual({ answers: [], placements: [], votes: [], visits: [] });
    answer(doc, 'q', { kind: 'choice', optionIds: ['b'] }, at);
    expect(projection.take().answers).toEqual([
      { questionId: 'q', answer: { kind: 'choice', optionIds: ['b'] }, score: 0, at },
    ]);
  });

  test('where the pieces of a slide lie answers its sort question, whatever a device says', () => {
    const asks: Question = { kind: 'sort', credit: 'piece', points: 1, pieces: [], zones: [] };
    const sorting = readDeck(
      deck(
        slide(
          'sea',
          piece('oar', 'oar', { x: 10, y: 600, w: 100, h: 50 }),
          zone('boat', 'the boat', { x: 400, y: 400, w: 300, h: 200 }, ['oar']),
          question('sorted', 'Where?', asks),
        ),
      ),
    );
    const doc = new Y.Doc();
    const projection = new FolioProjection(doc, sorting);
    answer(doc, 'sorted', { kind: 'sort', zoneIds: { oar: ['boat'] } }, 1);
    expect(projection.take().answers).toEqual([]);
    place(doc, 'sea', { oar: { x: 450, y: 450 } });
    expect(projection.take().answers).toMatchObject([
      { questionId: 'sorted', answer: { zoneIds: { oar: ['boat'] } }, score: 1 },
    ]);
    place(doc, 'sea', { oar: { x: 0, y: 0 } });
    expect(projection.take().answers).toMatchObject([{ answer: { zoneIds: {} }, score: 0 }]);
  });

  test('the first answer to a question that takes only one stands, also after a restart', () => {
    const final = structuredClone(edition);
    for (const { elements } of Object.values(final.slides)) {
      for (const element of elements) if (element.kind === 'question') element.isFinal = true;
    }
    const doc = new Y.Doc();
    const projection = new FolioProjection(doc, final);
    answer(doc, 'q', { kind: 'choice', optionIds: [] }, 1);
    projection.take();
    answer(doc, 'q', { kind: 'choice', optionIds: ['a'] }, 2);
    expect(projection.take().answers).toMatchObject([{ answer: { optionIds: ['a'] } }]);
    answer(doc, 'q', { kind: 'choice', optionIds: ['b'] }, 3);
    expect(projection.take().answers).toEqual([]);
    const again = new FolioProjection(doc, final, undefined, { answered: projection.answered });
    expect(again.take().answers).toEqual([]);
  });

  test('passes over answers of the wrong shape, other questions, scenery and unknown slides', () => {
    const doc = new Y.Doc();
    const projection = new FolioProjection(doc, edition);
    const forged = doc.getMap('answers');
    forged.set('q', { value: { kind: 'choice', optionIds: ['z'] } });
    forged.set('gone', { value: { kind: 'choice', optionIds: ['a'] } });
    forged.set('constructor', 7);
    placementsMap(doc).set('pier/pier-title', { x: 1, y: 1 });
    placementsMap(doc).set('sea/oar/more', { x: 1, y: 1 });
    placementsMap(doc).set('sea', 'junk');
    walkArray(doc).push([{ slideId: 'nowhere' }, 'junk', null, { slideId: 'constructor' }]);
    expect(projection.take()).toEqual({ answers: [], placements: [], votes: [], visits: [] });
    expect(() => readFolio(doc)).not.toThrow();
  });
});
