import { Checker, readDeck, setSlideFlag, idOf, type SlideId } from '@gobrel/core';
import { choice, choiceQuestion, deck, slide } from '@gobrel/core/testing';
import { cardMark } from './cardMark';

const doc = deck(
  slide('a', choice('one', 'b'), choice('two', 'c')),
  slide('b', choice('on', 'd'), choiceQuestion('q', 'Which one?', ['*x', 'y'])),
  slide('c', choice('on', 'd')),
  slide('d'),
);
setSlideFlag(doc, idOf('b'), 'isReady', true);
const read = readDeck(doc);
const { findings, measures } = new Checker().check(read);
const mark = (overlay: Parameters<typeof cardMark>[0], id: string) =>
  cardMark(overlay, read.slides[idOf<SlideId>(id)]!, {
    findings: findings.filter(({ slideId }) => slideId === id),
    measures,
    visits: id === 'a' ? 1 : 3,
  });

test('each overlay writes its own on the cards', () => {
  expect(mark('none', 'a')).toBeNull();
  expect([mark('state', 'a')?.text, mark('state', 'b')?.text]).toEqual(['draft', 'ready']);
  expect([mark('findings', 'a'), mark('findings', 'd')?.text]).toEqual([null, 'no way on']);
  expect(mark('words', 'c')?.text).toBe('2 words');
  expect(['a', 'b', 'd'].map((id) => mark('routes', id)?.text)).toEqual([
    'every route',
    '50 % of routes',
    'every route',
  ]);
  expect([mark('walks', 'a')?.text, mark('walks', 'b')?.text]).toEqual(['1 visit', '3 visits']);
});
