import { idOf, questionsOn, readDeck, type ElementId, type Folio } from '@gobrel/core';
import { choiceQuestion, deck, slide } from '@gobrel/core/testing';
import { act, cleanup, renderHook } from '@testing-library/react';
import { ApiProblem } from '../api/http';
import { doneWith } from '../api/student';
import type { OpenDocument } from '../sync/openDocument';
import { useDone } from './useDone';

jest.mock('../api/student', () => ({ doneWith: jest.fn() }));
jest.mock('../sync/openDocument', () => ({ whenSaved: () => Promise.resolve() }));

const asked = jest.mocked(doneWith);
const edition = readDeck(deck(slide('s', choiceQuestion('q', 'Which way?', ['Up', 'Down']))));
const q = idOf<ElementId>('q');
const [element] = Object.values(edition.slides).flatMap((one) => questionsOn(one));
const optionIds =
  element?.question.kind === 'choice' ? element.question.options.map(({ id }) => id) : [];
const answered = (at: number): Folio =>
  ({
    answers: { q: { kind: 'choice', optionIds: [optionIds[at]] } },
    placements: {},
  }) as unknown as Folio;

beforeEach(() => {
  jest.useFakeTimers();
  localStorage.clear();
  asked.mockReset().mockResolvedValue(undefined);
});
afterEach(() => {
  cleanup();
  jest.useRealTimers();
});
const passes = (milliseconds: number): Promise<void> =>
  act(() => jest.advanceTimersByTimeAsync(milliseconds));

function open(start: { folio?: Folio; isOnline?: boolean } = {}) {
  const said = { troubles: [] as string[], looked: 0 };
  const { result, rerender, unmount } = renderHook(
    ({ folio = answered(0), isOnline = true }: typeof start) =>
      useDone({
        folioId: 'f',
        document: DOCUMENT,
        edition,
        folio,
        isOnline,
        lookAgain: () => Promise.resolve((said.looked += 1)),
        onTrouble: (sentence) => said.troubles.push(sentence),
      }),
    { initialProps: start },
  );
  return {
    said,
    rerender,
    unmount,
    tell: () => act(() => result.current.tell(q)),
    waits: () => result.current.waits(q),
  };
}
const DOCUMENT = {} as OpenDocument;

test('done is told, and marks are looked at again', async () => {
  const { said, tell, waits } = open();
  expect(waits()).toBeNull();
  tell();
  expect(waits()).toBe('for-mark');
  await passes(0);
  expect(asked).toHaveBeenCalledWith('q');
  expect(said).toEqual({ troubles: [], looked: 1 });
  expect(waits()).toBeNull();
});

test('without a network it waits, also through a reload, and is told when that is back', async () => {
  const first = open({ isOnline: false });
  first.tell();
  expect(first.waits()).toBe('for-network');
  first.unmount();
  const second = open({ isOnline: false });
  expect(second.waits()).toBe('for-network');
  await passes(10_000);
  expect(asked).not.toHaveBeenCalled();
  second.rerender({ isOnline: true });
  await passes(0);
  expect(asked).toHaveBeenCalledTimes(1);
  expect(localStorage).toHaveLength(0);
});

test('trouble is no refusal: it is asked again until it is heard', async () => {
  asked.mockRejectedValueOnce(new Error('away')).mockRejectedValueOnce(new ApiProblem(503, 'busy'));
  const { said, tell, waits } = open();
  tell();
  await passes(3000);
  expect([asked.mock.calls.length, waits()]).toEqual([2, 'for-mark']);
  await passes(3000);
  expect([asked.mock.calls.length, waits()]).toEqual([3, null]);
  expect(said).toEqual({ troubles: [], looked: 1 });
});

test('a refusal is said, once, and not asked again', async () => {
  asked.mockRejectedValue(new ApiProblem(409, 'The lesson has ended.'));
  const { said, tell, waits } = open();
  tell();
  await passes(20_000);
  expect(said).toEqual({ troubles: ['The lesson has ended.'], looked: 0 });
  expect([asked.mock.calls.length, waits()]).toEqual([1, null]);
});

test('an answer that is changed meanwhile is no longer done with', async () => {
  const { rerender, tell, waits } = open({ isOnline: false });
  tell();
  rerender({ folio: answered(1), isOnline: false });
  expect(waits()).toBeNull();
  await passes(3000);
  // Changed back after a while: it has to be told anew.
  rerender({ folio: answered(0), isOnline: true });
  await passes(5000);
  expect(waits()).toBeNull();
  expect(asked).not.toHaveBeenCalled();
});

test('what comes into the folio a moment later is the answer that was meant', async () => {
  const first = open({ isOnline: false });
  first.tell();
  first.unmount();
  // The page opens before what this device keeps of the folio is in it.
  const second = open({ folio: { answers: {}, placements: {} } as unknown as Folio });
  expect(second.waits()).toBeNull();
  await passes(1000);
  second.rerender({});
  await passes(0);
  expect(asked).toHaveBeenCalledTimes(1);
});

test('what somebody has put into the device’s store is no trouble', () => {
  localStorage.setItem('gobrel-done-f', '{"q":');
  for (const key of Object.keys(localStorage)) localStorage.setItem(key, 'not JSON');
  expect(open().waits()).toBeNull();
});
