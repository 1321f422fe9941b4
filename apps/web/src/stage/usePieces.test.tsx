import {
  idOf,
  readDeck,
  type ElementId,
  type Placements,
  type SlideId,
  type ZoneElement,
} from '@gobrel/core';
import { deck, piece, slide, zone } from '@gobrel/core/testing';
import { act, renderHook } from '@testing-library/react';
import { useState } from 'react';
import { copyName, usePieces } from './usePieces';

const at = (x: number, y = 600) => ({ x, y, w: 90, h: 40 });
const doc = deck(
  slide(
    's',
    piece('crab', 'Crab', at(40)),
    piece('gull', 'Gull', at(200)),
    zone('pool', 'Rock pool', { x: 100, y: 200, w: 300, h: 200 }, ['crab']),
  ),
);
const shore = readDeck(doc).slides[idOf<SlideId>('s')]!;
const pool = shore.elements.find(({ kind }) => kind === 'zone') as ZoneElement;
const crab = idOf<ElementId>('crab');

const isInPool = (placements: Placements): boolean => {
  const { x = 0, y = 0 } = placements[crab] ?? {};
  const { box } = pool;
  return x >= box.x && x <= box.x + box.w && y >= box.y && y <= box.y + box.h;
};

/** The hook with somebody who keeps what it changes. */
function open(isHeld = false) {
  const refused: string[] = [];
  const { result } = renderHook(() => {
    const [placements, onChange] = useState<Placements>({});
    const onRefused = (reason: string): void => void refused.push(reason);
    return {
      placements,
      ...usePieces({ slide: shore, placements, isHeld, onChange, onRefused }),
    };
  });
  return { now: () => result.current, refused };
}

test('a piece is picked, put into a zone, and it is said; picked again it is put down', () => {
  const { now, refused } = open();
  act(() => now().onPick(crab));
  expect(now()).toMatchObject({ picked: 'crab', said: 'Crab picked. Choose where it goes.' });
  act(() => now().onPick(crab));
  expect(now()).toMatchObject({ picked: null, said: 'Crab put down' });
  act(() => now().onPick(crab));
  act(() => now().onPutInto(pool));
  expect(now()).toMatchObject({ picked: null, said: 'Crab is in Rock pool' });
  expect(isInPool(now().placements)).toBe(true);
  expect(refused).toEqual([]);
});

test('a zone is told nothing while no piece is picked', () => {
  const { now } = open();
  act(() => now().onPutInto(pool));
  expect(now()).toMatchObject({ placements: {}, said: '' });
});

test('dragged over a zone it lies in it, and beside it in none', () => {
  const { now } = open();
  act(() => now().onPlace(crab, { x: 150, y: 260, rotation: 0 }));
  expect(isInPool(now().placements)).toBe(true);
  act(() => now().onPlace(crab, { x: 900, y: 60, rotation: 0 }));
  expect(now().placements[crab]).toMatchObject({ x: 900, y: 60 });
  expect(isInPool(now().placements)).toBe(false);
});

test('while the lesson is held nothing moves and nothing is picked', () => {
  const { now } = open(true);
  act(() => now().onPick(crab));
  act(() => now().onPlace(crab, { x: 150, y: 260, rotation: 0 }));
  expect(now()).toMatchObject({ picked: null, placements: {}, said: '' });
});

test('copies of a piece are told apart', () => {
  const [lying] = open().now().lying;
  expect(copyName(lying!, 1)).toBe('Crab');
  expect(copyName(lying!, 3)).toBe('Crab, 1 of 3');
});
