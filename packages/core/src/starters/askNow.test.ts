import * as Y from 'yjs';
import { readDeck } from '../deck/readDeck.js';
import { createHistory } from '../deck/history.js';
import { QUESTION_KINDS, type KindName } from '../questions/registry.js';
import { questionsOn } from '../stage/asked.js';
import { addAsked, type Asked } from './askNow.js';
import { told } from '../parts/told.js';

const WRITTEN: Partial<Record<KindName, Partial<Asked>>> = {
  choice: { lines: ['Yes', 'No'] },
  order: { lines: ['one', 'two', 'three'] },
  match: { lines: ['tern = bird', 'crab=shell'] },
  gap: { lines: ['The [lamp|light] turns', 'every [ten] seconds.'] },
  sort: { lines: ['tern', 'crab', 'gull'], zones: ['sky', 'sea'] },
};
const asked = (kind: KindName, rest: Partial<Asked> = {}): Asked => ({
  kind,
  prompt: 'What now?',
  lines: [],
  zones: [],
  ...WRITTEN[kind],
  ...rest,
});
const questionOf = (given: Asked) => {
  const doc = new Y.Doc();
  const added = addAsked(doc, given);
  if (!added.ok) return told(added);
  const slide = readDeck(doc).slides[added.slideId]!;
  return questionsOn(slide).find(({ id }) => id === added.elementId)!;
};

describe.each(QUESTION_KINDS)('%s asked on the fly', (kind) => {
  test('is a slide with its question on the stage, and one step to undo', () => {
    const doc = new Y.Doc();
    const history = createHistory(doc);
    const added = addAsked(doc, asked(kind));
    expect(added).toMatchObject({ ok: true });
    const [slide] = Object.values(readDeck(doc).slides);
    expect(slide!.title).toBe('What now?');
    const [question, ...others] = questionsOn(slide!);
    expect([question!.question.kind, others]).toEqual([kind, []]);
    for (const { box } of slide!.elements) {
      expect(box.x >= 0 && box.y >= 0 && box.x + box.w <= 1280 && box.y + box.h <= 720).toBe(true);
    }
    history.undo();
    expect(readDeck(doc).slides).toEqual({});
  });
});

test('a prompt of two lines is two paragraphs', () => {
  const two = questionOf(asked('slider', { prompt: 'How sure are you?\nFrom 0 to 10.' }));
  if (typeof two === 'string') throw new Error(two);
  expect(two.text.content).toHaveLength(2);
});

test('what is written says what is right: pairs do, and words in gaps; other kinds are for thinking', () => {
  const pairs = questionOf(asked('match'));
  if (typeof pairs === 'string' || pairs.question.kind !== 'match') throw new Error('no match');
  const { lefts, rights } = pairs.question;
  const nameOf = (id: string): string => rights.find((right) => right.id === id)!.text;
  expect(pairs.key?.kind === 'match' && pairs.key.pairs).toBeTruthy();
  const told = Object.fromEntries(
    lefts.map(({ id, text }) => [
      text,
      pairs.key?.kind === 'match' ? pairs.key.pairs[id]!.map(nameOf) : [],
    ]),
  );
  expect(told).toEqual({ tern: ['bird'], crab: ['shell'] });
  expect(pairs.isForThinking).toBe(false);
  expect(questionOf(asked('gap'))).toMatchObject({
    question: { parts: ['The ', ' turns\nevery ', ' seconds.'] },
    key: { accepted: [['lamp', 'light'], ['ten']] },
    isForThinking: false,
  });
  expect(questionOf(asked('choice'))).toMatchObject({ isForThinking: true, key: null });
  expect(questionOf(asked('sort'))).toMatchObject({
    question: {
      pieces: [{ name: 'tern' }, { name: 'crab' }, { name: 'gull' }],
      zones: [{ name: 'sky' }, { name: 'sea' }],
    },
  });
});

test.each<[KindName, Partial<Asked>, RegExp]>([
  ['choice', { prompt: '  ' }, /Write what you want to ask/],
  ['choice', { lines: ['only'] }, /two lines/],
  ['match', { lines: ['tern = bird', 'crab'] }, /left = right/],
  ['match', { lines: ['tern = bird', '= shell'] }, /left = right/],
  ['gap', { lines: ['No gap here.'] }, /square brackets/],
  ['sort', { zones: ['one'] }, /two zones/],
])('%s with %j is refused, and nothing is made', (kind, rest, why) => {
  const doc = new Y.Doc();
  const added = addAsked(doc, asked(kind, rest));
  expect(added.ok ? '' : told(added)).toMatch(why);
  expect(readDeck(doc).slides).toEqual({});
});
