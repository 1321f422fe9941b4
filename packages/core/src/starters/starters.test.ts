import {
  addChoice,
  addStarter,
  createHistory,
  findStarters,
  isKeptClear,
  isPiece,
  QUESTION_KINDS,
  questionsOn,
  readDeck,
  STAGE,
  STARTERS,
  STARTER_GROUPS,
} from '../index.js';
import { questionFindings } from '../check/questions.js';
import { deck, slide } from '../testing/builder.js';
import { told } from '../parts/told.js';

const picture = { hash: 'a'.repeat(64), width: 600, height: 500, isAnimated: false };

test('there are at least twelve in each group, of all kinds, each with a name of its own', () => {
  for (const group of STARTER_GROUPS) {
    expect(STARTERS.filter((starter) => starter.group === group).length).toBeGreaterThanOrEqual(12);
  }
  expect(new Set(STARTERS.map(({ id }) => id)).size).toBe(STARTERS.length);
  const doc = deck(slide('start'));
  for (const starter of STARTERS) addStarter(doc, starter, { picture });
  const kinds = Object.values(readDeck(doc).slides).flatMap((one) =>
    questionsOn(one).map(({ question }) => question.kind),
  );
  expect(new Set(kinds)).toEqual(new Set(QUESTION_KINDS));
});

describe.each(STARTERS)('$id', (starter) => {
  const doc = deck(slide('start'));
  const history = createHistory(doc);
  const before = readDeck(doc);
  const added = addStarter(doc, starter, { beside: 'start', picture });
  if (!added.ok) throw new Error(told(added));
  const made = readDeck(doc).slides[added.slideId]!;

  test('is a slide with its title, all of it on the stage', () => {
    expect(made.title).toBe(starter.title);
    expect(made.isPattern).toBe(starter.isPattern ?? false);
    for (const { box } of made.elements) {
      expect([box.x >= 0, box.y >= 0]).toEqual([true, true]);
      expect(box.x + box.w).toBeLessThanOrEqual(STAGE.width);
      expect(box.y + box.h).toBeLessThanOrEqual(STAGE.height);
    }
  });

  test('questions and zones are as check wants them', () => {
    const serious = questionFindings(made).filter(({ kind }) => kind !== 'piece-unwanted');
    expect(serious).toEqual([]);
    // A sort has zones that expect pieces.
    const sorts = questionsOn(made).filter(({ question }) => question.kind === 'sort');
    if (sorts.length > 0) expect(made.elements.some(isPiece)).toBe(true);
    for (const { key } of sorts) expect(key).not.toBeNull();
  });

  test('a way out of it lies on nothing that is pressed, and in nothing that takes pieces', () => {
    const led = deck(slide('start'));
    const there = addStarter(led, starter, { beside: 'start', picture });
    if (!there.ok) throw new Error(told(there));
    for (const wording of ['On', 'Back to the pier']) addChoice(led, there.slideId, wording);
    const { elements } = readDeck(led).slides[there.slideId]!;
    const choices = elements
      .filter((one) => one.kind === 'text' && one.style === 'choice')
      .slice(-2);
    for (const { id, box } of choices) {
      const on = elements.filter(
        (other) =>
          other.id !== id &&
          (isKeptClear(other) || (other.kind === 'text' && other.style === 'choice')) &&
          box.x < other.box.x + other.box.w &&
          other.box.x < box.x + box.w &&
          box.y < other.box.y + other.box.h &&
          other.box.y < box.y + box.h,
      );
      expect(on.map(({ kind }) => kind)).toEqual([]);
      expect(box.y + box.h).toBeLessThanOrEqual(STAGE.height);
    }
  });

  test('is one step to undo', () => {
    history.undo();
    expect(readDeck(doc)).toEqual(before);
    history.redo();
    expect(readDeck(doc).slides[added.slideId]).toEqual(made);
  });
});

test('starters are found by words', () => {
  expect(findStarters(STARTERS, 'scale before').map(({ id }) => id)).toContain('before-and-after');
  expect(findStarters(STARTERS, 'zeppelin')).toEqual([]);
  expect(findStarters(STARTERS, '')).toHaveLength(STARTERS.length);
});
