import {
  group,
  idOf,
  readDeck,
  setLayer as putOnLayer,
  type ElementId,
  type SlideId,
} from '@gobrel/core';
import { deck, slide, text } from '@gobrel/core/testing';
import { act, cleanup, renderHook } from '@testing-library/react';
import { stepOut, useStageEdit, type StageEdit } from './useStageEdit';

afterEach(cleanup);

const at = (x: number) => ({ x, y: 300, w: 100, h: 60 });
const ids = (...words: string[]): ElementId[] => words.map((word) => idOf<ElementId>(word));
const doc = deck(
  slide(
    's',
    text('Crab', { id: 'a', box: at(100) }),
    text('Gull', { id: 'b', box: at(300) }),
    text('Seal', { id: 'c', box: at(500) }),
    text('Cliff', { id: 'far', box: at(700) }),
  ),
  slide('t', text('Whelk', { id: 'w', box: at(100) })),
);
putOnLayer(doc, idOf<SlideId>('s'), ids('far'), 'background');
const made = group(doc, idOf<SlideId>('s'), ids('a', 'b')) as unknown as { elementId: ElementId };
const pair = made.elementId;
const read = readDeck(doc);
const [s, t] = [read.slides[idOf<SlideId>('s')]!, read.slides[idOf<SlideId>('t')]!];

function open(isOpen = true) {
  const { result, rerender } = renderHook(
    ({ slide }: { slide: typeof s }) => useStageEdit(slide, isOpen),
    { initialProps: { slide: s } },
  );
  const now = (): StageEdit => result.current;
  return {
    now,
    go: (slide: typeof s) => rerender({ slide }),
    does: (change: (edit: StageEdit) => void) => act(() => change(now())),
    inHand: () => now().selected.map(({ id }) => id as string),
  };
}

test('what is taken in hand brings its layer along; on another slide nothing is', () => {
  const { now, go, does, inHand } = open();
  does((edit) => edit.select(ids('far')));
  expect([inHand(), now().layer]).toEqual([['far'], 'background']);
  go(t);
  expect([inHand(), now().layer]).toEqual([[], 'content']);
  go(s);
  expect(inHand()).toEqual([]);
});

test('typing ends when something else is taken in hand', () => {
  const { now, does } = open();
  does((edit) => edit.select(ids('c')));
  does((edit) => edit.type(ids('c')[0]!));
  does((edit) => edit.select(ids('c')));
  expect(now().typing).toBe('c');
  does((edit) => edit.select([pair]));
  expect(now().typing).toBeNull();
});

test('one step out at a time: of the words, of the group, of the hand', () => {
  const { now, does, inHand } = open();
  does((edit) => edit.enter(pair));
  does((edit) => edit.select(ids('a')));
  does((edit) => edit.type(ids('a')[0]!));
  expect(now()).toMatchObject({ entered: pair, typing: 'a' });
  const out = (): void => does((edit) => stepOut(s, edit));
  out();
  expect([now().typing, now().entered, inHand()]).toEqual([null, pair, ['a']]);
  out();
  expect([now().entered, inHand()]).toEqual([null, [pair]]);
  out();
  expect(inHand()).toEqual([]);
});

test('a tool is put down before anything else, and takes the hand from what it held', () => {
  const { now, does, inHand } = open();
  does((edit) => edit.select(ids('c')));
  does((edit) => edit.setTool('pen'));
  expect([now().tool, inHand()]).toEqual(['pen', []]);
  does((edit) => stepOut(s, edit));
  expect(now().tool).toBe('select');
});

test('what is new is in hand, counted, and typed if it is to be', () => {
  const { now, does, inHand } = open();
  does((edit) => edit.takeNew(ids('c'), 'content', true));
  expect([inHand(), now().typing, now().taken]).toEqual([['c'], 'c', 1]);
  does((edit) => edit.takeNew(ids('far'), 'background'));
  expect([inHand(), now().typing, now().taken, now().layer]).toEqual([
    ['far'],
    null,
    2,
    'background',
  ]);
});

test('what somebody else takes off meanwhile is neither typed nor in hand', () => {
  const { now, go, does, inHand } = open();
  does((edit) => edit.select(ids('c')));
  does((edit) => edit.type(ids('c')[0]!));
  go({ ...s, elements: s.elements.filter(({ id }) => id !== 'c') });
  expect([now().typing, inHand()]).toEqual([null, []]);
});

test('where nothing may be changed things are taken in hand, and nothing is typed, cropped or drawn', () => {
  const { now, does, inHand } = open(false);
  does((edit) => edit.select(ids('c')));
  does((edit) => edit.type(ids('c')[0]!));
  does((edit) => edit.crop(ids('c')[0]!));
  expect(inHand()).toEqual(['c']);
  does((edit) => edit.setTool('pen'));
  expect(now()).toMatchObject({ typing: null, cropping: null, asking: null, tool: 'select' });
});
