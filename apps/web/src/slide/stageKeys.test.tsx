import {
  gateOf,
  idOf,
  readDeck,
  type ElementId,
  type Layer,
  type Slide,
  type SlideId,
} from '@gobrel/core';
import { deck, slide, text } from '@gobrel/core/testing';
import { cleanup, fireEvent, renderHook } from '@testing-library/react';
import type { StageEdit } from '../editing/useStageEdit';
import { runner } from '../ui/runner';
import { useStageKeys } from './stageKeys';

afterEach(() => {
  cleanup();
  document.body.replaceChildren();
});

const id = idOf<SlideId>('s');
const at = (x: number) => ({ x, y: 300, w: 100, h: 60 });

function open(...inHand: string[]) {
  const doc = deck(
    slide('s', text('Crab', { id: 'a', box: at(100) }), text('Gull', { id: 'b', box: at(300) })),
  );
  const now = (): Slide => readDeck(doc).slides[id]!;
  const said = { removed: [] as ElementId[][], pasted: 0, refused: [] as string[] };
  let selected = inHand as ElementId[];
  const edit = {
    layer: 'content' as Layer,
    entered: null,
    get selected() {
      return now().elements.filter((one) => selected.includes(one.id));
    },
    select: (ids: ElementId[]) => void (selected = ids),
    takeNew: (ids: ElementId[]) => void (selected = ids),
  } as unknown as StageEdit;
  const { rerender } = renderHook(() =>
    useStageKeys({
      doc,
      slide: now(),
      edit,
      run: runner(doc, gateOf(['owner']), (reason) => void said.refused.push(reason)),
      remove: (ids) => said.removed.push(ids),
      pasteInPlace: () => (said.pasted += 1),
    }),
  );
  const press = (key: string, held: object = {}, target: Element = document.body): boolean => {
    const isTaken = !fireEvent.keyDown(target, { key, ...held });
    rerender();
    return isTaken;
  };
  const boxOf = (name: string) => now().elements.find((one) => one.id === name)!.box;
  return { said, press, now, boxOf, inHand: () => selected };
}
const CTRL = { ctrlKey: true };
const SHIFT = { shiftKey: true };

test('arrows move what is in hand by one, with Shift by ten', () => {
  const { press, boxOf } = open('a');
  expect(press('ArrowRight')).toBe(true);
  expect(press('ArrowUp', SHIFT)).toBe(true);
  expect(boxOf('a')).toMatchObject({ x: 101, y: 290 });
  expect(boxOf('b')).toMatchObject({ x: 300, y: 300 });
});

test('with nothing in hand the page has its arrows and Delete', () => {
  const { press, said } = open();
  expect([press('ArrowDown'), press('Delete'), press('d', CTRL)]).toEqual([false, false, false]);
  expect(said.removed).toEqual([]);
});

test('Delete takes off what is in hand; from a button it does not', () => {
  const { press, said } = open('a', 'b');
  const button = document.body.appendChild(document.createElement('button'));
  expect(press('Delete', {}, button)).toBe(false);
  expect(press('Backspace')).toBe(true);
  expect(said.removed).toEqual([['a', 'b']]);
});

test.each(['input', 'textarea'])('in a %s keys are for what is typed', (name) => {
  const { press, said, boxOf } = open('a');
  const field = document.body.appendChild(document.createElement(name));
  expect([press('Delete', {}, field), press('ArrowLeft', {}, field)]).toEqual([false, false]);
  expect(press('a', CTRL, field)).toBe(false);
  expect([said.removed, boxOf('a').x]).toEqual([[], 100]);
});

test('in a dialog keys are the dialog’s', () => {
  const { press, said } = open('a');
  const dialog = document.body.appendChild(document.createElement('div'));
  dialog.setAttribute('role', 'dialog');
  const inner = dialog.appendChild(document.createElement('p'));
  expect(press('Delete', {}, inner)).toBe(false);
  expect(said.removed).toEqual([]);
});

test('all is taken in hand, grouped, and parted again', () => {
  const { press, now, inHand } = open();
  press('a', CTRL);
  const all = inHand();
  expect(all).toEqual(expect.arrayContaining(['a', 'b']));
  press('g', CTRL);
  const [group, ...none] = inHand();
  expect(none).toEqual([]);
  expect(now().elements.find((one) => one.id === group)?.kind).toBe('group');
  press('G', { ...CTRL, ...SHIFT });
  expect(inHand()).toEqual(expect.arrayContaining(['a', 'b']));
  expect(now().elements.some(({ kind }) => kind === 'group')).toBe(false);
});

test('what cannot be grouped says why, and stays in hand', () => {
  const { press, said, inHand } = open('a');
  press('g', CTRL);
  expect(said.refused).toHaveLength(1);
  expect(inHand()).toEqual(['a']);
});

test('after a copy keys act on the copy', () => {
  const { press, now, inHand, boxOf } = open('a');
  const before = now().elements.length;
  press('d', CTRL);
  expect(now().elements).toHaveLength(before + 1);
  const [copy] = inHand();
  expect(copy).not.toBe('a');
  const { x } = boxOf(copy!);
  press('ArrowRight');
  expect(boxOf(copy!).x).toBe(x + 1);
  expect(boxOf('a').x).toBe(100);
});

test('only with Shift it is pasted in its place; the browser brings the rest', () => {
  const { press, said } = open();
  expect(press('v', CTRL)).toBe(false);
  expect(press('V', { ...CTRL, ...SHIFT })).toBe(true);
  expect(said.pasted).toBe(1);
});
