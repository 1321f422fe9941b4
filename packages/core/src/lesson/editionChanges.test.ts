import {
  editionChanges,
  OPENING_STATE,
  readDeck,
  setQuestion,
  stateInEdition,
  type Deck,
  type LessonState,
} from '../index.js';
import { choice, choiceQuestion, deck, slide, text } from '../testing/builder.js';

const doc = deck(
  slide('pier', choice('Row', 'sea')),
  slide('sea', choiceQuestion('q', 'Which way?', ['*North', 'South'])),
);
const before = readDeck(doc);
const changesWith = (change: (deck: Deck) => void, asked: string[] = []) => {
  const after = structuredClone(before);
  change(after);
  return editionChanges(before, after, asked);
};

test('the same deck changes nothing', () => {
  expect(editionChanges(before, structuredClone(before))).toEqual({
    added: [],
    gone: [],
    changed: [],
    questions: [],
    isSame: true,
  });
});

test('slides that are added, gone and changed are named', () => {
  const other = readDeck(deck(slide('cave', text('Dark')))).slides.cave!;
  const changes = changesWith((after) => {
    after.slides.cave = other;
    after.slides.pier!.title = 'The old pier';
    delete after.slides.sea;
  });
  expect(changes.added).toEqual([{ slideId: 'cave', title: 'cave' }]);
  expect(changes.gone).toEqual([{ slideId: 'sea', title: 'sea' }]);
  expect(changes.changed).toEqual([{ slideId: 'pier', title: 'The old pier' }]);
  expect(changes.questions).toEqual([{ questionId: 'q', prompt: 'Which way?', what: 'gone' }]);
  expect(changes.isSame).toBe(false);
});

test('another key is told from another question', () => {
  const { question } = before.slides.sea!.elements.find(({ id }) => id === 'q') as {
    question: Parameters<typeof setQuestion>[3]['question'];
  };
  const key = { kind: 'choice' as const, optionIds: ['b'], isPartial: false };
  setQuestion(doc, 'sea', 'q', { question, key });
  expect(editionChanges(before, readDeck(doc)).questions).toMatchObject([{ what: 'key' }]);
  setQuestion(doc, 'sea', 'q', { question: { ...question, points: 5 }, key });
  expect(editionChanges(before, readDeck(doc)).questions).toMatchObject([{ what: 'asks' }]);
});

test('what was asked on the fly is not missed in the deck', () => {
  const after = structuredClone(before);
  const lesson = { ...before, slides: { ...before.slides, asked: before.slides.sea! } };
  expect(editionChanges(lesson, after, ['asked']).isSame).toBe(true);
});

describe('the state of a lesson in another edition', () => {
  const state: LessonState = {
    ...OPENING_STATE,
    pace: 'together',
    slideId: 'sea',
    askedSlideId: 'sea',
    vote: { slideId: 'sea', isOpen: true },
    putUp: { questionId: 'q', isInPlace: false, showsKey: true },
    shown: { folioId: 'ada', questionId: 'q', withName: true },
  };

  test('stays as it is where all of it is there', () => {
    expect(stateInEdition(state, before)).toEqual(state);
  });

  test('lets go of what is gone, and the class stands at the start', () => {
    const after = structuredClone(before);
    delete after.slides.sea;
    expect(stateInEdition(state, after)).toEqual({
      ...OPENING_STATE,
      pace: 'together',
      slideId: 'pier',
    });
  });

  test('a question that is gone is put up no more; the class stays on its slide', () => {
    const after = structuredClone(before);
    after.slides.sea!.elements = [];
    const { slideId, vote, putUp, shown } = stateInEdition(state, after);
    expect([slideId, vote?.slideId, putUp, shown]).toEqual(['sea', 'sea', null, null]);
  });
});
