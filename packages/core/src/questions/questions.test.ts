import * as fc from 'fast-check';
import {
  countAnswer,
  readAnswer,
  readDeck,
  markAnswer,
  tallyOf,
  type ChoiceAnswer,
  type ChoiceTally,
  type QuestionElement,
} from '../index.js';
import { choiceQuestion, deck, slide } from '../testing/builder.js';

function question(options: string[], isMultiple = false): QuestionElement {
  const read = readDeck(deck(slide('s', choiceQuestion('q', '?', options, { isMultiple }))));
  return read.slides.s!.elements.find((e) => e.id === 'q') as QuestionElement;
}
const picks = (...optionIds: string[]): ChoiceAnswer => ({ kind: 'choice', optionIds });

describe('choice', () => {
  test.each([
    [['*x', 'y'], false, ['a'], 1],
    [['*x', 'y'], false, ['b'], 0],
    [['*x', 'y'], false, [], 0],
    [['*x', '*y', 'z'], true, ['a', 'b'], 1],
    [['*x', '*y', 'z'], true, ['a'], 0],
    [['*x', '*y', 'z'], true, ['a', 'b', 'c'], 0],
  ])('%p (several: %p) answered %p is worth %p', (options, several, answer, worth) => {
    expect(markAnswer(question(options, several), picks(...answer))).toBe(worth);
  });

  test('without a key there is no mark', () => {
    expect(markAnswer(question(['x', 'y']), picks('a'))).toBeNull();
  });

  test.each([
    [null],
    ['a'],
    [{ kind: 'choice' }],
    [{ kind: 'order', optionIds: ['a'] }],
    [{ kind: 'choice', optionIds: ['a', 'b'] }],
    [{ kind: 'choice', optionIds: ['zz'] }],
    [{ kind: 'choice', optionIds: Array(9999).fill('a') }],
  ])('%p is no answer to it', (raw) => {
    expect(readAnswer(question(['x', 'y']).question, raw)).toBeUndefined();
  });

  test('the tally does not depend on the order, and taking out undoes counting in', () => {
    const { question: q } = question(['x', 'y', 'z'], true);
    const anAnswer = fc.subarray(['a', 'b', 'c']).map((ids) => picks(...ids));
    fc.assert(
      fc.property(fc.array(anAnswer), anAnswer, (answers, extra) => {
        const tally = tallyOf(q, answers) as ChoiceTally;
        expect(tallyOf(q, [...answers].reverse())).toEqual(tally);
        const counted = structuredClone(tally);
        countAnswer(counted, extra, 1);
        countAnswer(counted, extra, -1);
        expect(counted).toEqual(tally);
      }),
    );
  });
});
