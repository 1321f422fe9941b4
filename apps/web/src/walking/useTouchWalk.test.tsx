import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import type { ReactElement } from 'react';
import { useTouchWalk } from './useTouchWalk';

afterEach(cleanup);

function Show({ said, isOff }: { said: string[]; isOff: boolean }): ReactElement {
  const walk = useTouchWalk({
    isOff,
    onTap: (edge) => said.push(edge ? `tap ${edge}` : 'tap'),
    onSwipe: (way) => said.push(way),
  });
  return (
    <div aria-label="show" {...walk}>
      <button type="button">Climb</button>
      <input type="range" aria-label="scale" />
      <div data-tries>
        <span aria-label="wording">Pick one</span>
        <input type="checkbox" aria-label="a nail" />
        <span data-pulled aria-label="a card" />
      </div>
    </div>
  );
}

function open(isOff = false) {
  const said: string[] = [];
  render(<Show said={said} isOff={isOff} />);
  /** A finger that comes down, and goes up elsewhere; whether a click would come of it. */
  const touch = (dx: number, dy = 0, where = 'show', fingers = 1): boolean => {
    const target = screen.getByLabelText(where, { selector: '*' });
    const at = { clientX: 500, clientY: 300 };
    fireEvent.touchStart(target, { touches: Array.from({ length: fingers }, () => at) });
    return fireEvent.touchEnd(target, {
      touches: [],
      changedTouches: [{ clientX: 500 + dx, clientY: 300 + dy }],
    });
  };
  return { said, touch };
}

test.each([
  [-90, 0, 'on'],
  [90, 20, 'back'],
  [-61, 30, 'on'],
  [5, -5, 'tap'],
])('a finger that goes %i across and %i down: %s', (dx, dy, expected) => {
  const { said, touch } = open();
  expect(touch(dx, dy)).toBe(false);
  expect(said).toEqual([expected]);
});

test.each([
  [-50, 0, 'too short for a swipe, too long for a tap'],
  [-90, 60, 'rather down than across'],
  [0, 200, 'down: the page scrolls'],
])('a finger that goes %i across and %i down does nothing: %s', (dx, dy) => {
  const { said, touch } = open();
  expect(touch(dx, dy)).toBe(true);
  expect(said).toEqual([]);
});

test('a tap on a button presses it and nothing else; a swipe over it walks all the same', () => {
  const said: string[] = [];
  render(<Show said={said} isOff={false} />);
  const button = screen.getByRole('button');
  const from = { touches: [{ clientX: 0, clientY: 0 }] };
  fireEvent.touchStart(button, from);
  expect(fireEvent.touchEnd(button, { changedTouches: [{ clientX: 2, clientY: 2 }] })).toBe(true);
  expect(said).toEqual([]);
  fireEvent.touchStart(button, from);
  fireEvent.touchEnd(button, { changedTouches: [{ clientX: -80, clientY: 2 }] });
  expect(said).toEqual(['on']);
});

test('what was under the finger may be gone when it goes up: it has swiped all the same', () => {
  const said: string[] = [];
  render(<Show said={said} isOff={false} />);
  const button = screen.getByRole('button');
  fireEvent.touchStart(button, { touches: [{ clientX: 500, clientY: 300 }] });
  button.remove();
  fireEvent.touchEnd(button, { changedTouches: [{ clientX: 300, clientY: 300 }] });
  expect(said).toEqual(['on']);
});

test('two fingers, a scale that is pulled, and what lies over the show are no walk', () => {
  const two = open();
  two.touch(-90, 0, 'show', 2);
  two.touch(-90, 0, 'scale');
  expect(two.said).toEqual([]);
  cleanup();
  const off = open(true);
  off.touch(-90);
  off.touch(0);
  expect(off.said).toEqual([]);
});

test('a swipe over a question walks on, but what is pulled into order stays; a tap on it is no tap on the show', () => {
  const { said, touch } = open();
  touch(-90, 0, 'wording');
  touch(90, 0, 'a nail');
  expect(said).toEqual(['on', 'back']);
  expect(touch(-90, 0, 'a card')).toBe(true);
  expect(touch(0, 0, 'wording')).toBe(true);
  expect(said).toEqual(['on', 'back']);
});

test.each([
  [30, 300, 'tap left'],
  [1000, 300, 'tap right'],
  [1000, 740, 'tap'],
])('a tap at %i, %i: %s', (x, y, expected) => {
  const said: string[] = [];
  render(<Show said={said} isOff={false} />);
  const target = screen.getByLabelText('show');
  const at = { clientX: x, clientY: y };
  fireEvent.touchStart(target, { touches: [at] });
  fireEvent.touchEnd(target, { touches: [], changedTouches: [at] });
  expect(said).toEqual([expected]);
});
