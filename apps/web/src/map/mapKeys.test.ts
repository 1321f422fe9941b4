import { entryAt, idOf, readDeck, routeGraph, type LinkId, type SlideId } from '@gobrel/core';
import { choice, deck, slide } from '@gobrel/core/testing';
import type { KeyboardEvent } from 'react';
import type { MapActions } from './MapBar';
import { onMapKey } from './mapKeys';

const read = readDeck(
  deck(
    slide('lamp', choice('Climb', 'tower', 'up'), choice('Wait', 'shore', 'on')),
    slide('tower'),
    slide('shore', choice('Back', 'lamp', 'home')),
  ),
);
const graph = routeGraph(read);
const slideAt = (id: string) => entryAt(read.slides, idOf<SlideId>(id))!;

/** What is in hand, and the key; gives back what was done, with its arguments, and whether the page was kept from it. */
function press(
  inHand: { slides?: string[]; link?: string; at?: string; isLeftward?: boolean },
  key: string,
  held: Partial<KeyboardEvent> = {},
): { done: string[]; isTaken: boolean } {
  const done: string[] = [];
  const words = (given: unknown): string =>
    typeof given === 'object' && given !== null && 'id' in given
      ? String(given.id)
      : JSON.stringify(given);
  const note =
    (name: string) =>
    (...given: unknown[]): void =>
      void done.push([name, ...given.map(words)].join(' ').replaceAll('"', ''));
  let isTaken = false;
  onMapKey(
    {
      key,
      ctrlKey: false,
      metaKey: false,
      shiftKey: false,
      altKey: false,
      target: { closest: (where: string) => (inHand.at && where.includes(inHand.at) ? {} : null) },
      preventDefault: () => (isTaken = true),
      stopPropagation: () => undefined,
      ...held,
    } as unknown as KeyboardEvent,
    {
      slides: Object.values(read.slides),
      isLeftward: inHand.isLeftward ?? false,
      graph,
      selected: (inHand.slides ?? []).map(slideAt),
      link: inHand.link ? entryAt(read.links, idOf<LinkId>(inHand.link)) : undefined,
      act: new Proxy({}, { get: (_, name) => note(String(name)) }) as MapActions,
      show: note('show'),
      pickLink: note('pickLink'),
      pickMore: note('pickMore'),
      pickAll: note('pickAll'),
      find: note('find'),
      leave: note('leave'),
    },
  );
  return { done, isTaken };
}
const done = (...given: Parameters<typeof press>): string => press(...given).done.join();
const CTRL = { ctrlKey: true };

test.each([
  ['Tab', {}, 'addChoice lamp'],
  ['Enter', {}, 'addBeside lamp'],
  ['F2', {}, 'rename lamp'],
  ['F', {}, 'rename lamp F'],
  ['Delete', {}, 'remove'],
  ['Backspace', {}, 'remove'],
  ['Escape', {}, 'leave'],
  ['k', CTRL, 'linkFrom lamp '],
  ['K', { metaKey: true }, 'linkFrom lamp '],
  ['g', CTRL, 'makeSection'],
  ['d', CTRL, 'duplicate'],
  ['D', { ctrlKey: true, shiftKey: true }, 'duplicateBelow lamp'],
  ['f', CTRL, 'find'],
  ['a', CTRL, 'pickAll'],
  ['ArrowRight', { altKey: true }, 'pickLink up'],
  ['e', { altKey: true }, 'setFlag ['],
  ['s', { altKey: true }, 'makeStart lamp'],
] as const)('one card in hand: %s %j', (key, held, expected) => {
  const { done, isTaken } = press({ slides: ['lamp'] }, key, held);
  expect(done.join()).toContain(expected.trim());
  expect(done).toHaveLength(1);
  expect(isTaken).toBe(true);
});

test.each([
  ['Tab', { shiftKey: true }],
  [' ', {}],
  ['PageDown', {}],
  ['x', { altKey: true }],
  ['z', CTRL],
] as const)('%s is not the map’s: the page has it', (key, held) => {
  expect(press({ slides: ['lamp'] }, key, held)).toEqual({ done: [], isTaken: false });
});

test('arrows walk along wires, and with Shift take one more in hand', () => {
  expect(done({ slides: ['lamp'] }, 'ArrowRight')).toBe('show [tower]');
  expect(done({ slides: ['tower'] }, 'ArrowLeft')).toBe('show [lamp]');
  expect(done({ slides: ['lamp'] }, 'ArrowRight', { shiftKey: true })).toBe('pickMore tower');
});

test('on a wire: to its siblings round and round, to its ends, to another place', () => {
  expect(done({ link: 'up' }, 'ArrowDown')).toBe('pickLink on');
  expect(done({ link: 'on' }, 'ArrowDown')).toBe('pickLink up');
  expect(done({ link: 'up' }, 'ArrowUp')).toBe('pickLink on');
  expect(done({ link: 'up' }, 'ArrowLeft')).toBe('show [lamp]');
  expect(done({ link: 'up' }, 'ArrowRight')).toBe('show [tower]');
  expect(done({ link: 'up' }, 'F2')).toBe('reword up');
  expect(done({ link: 'up' }, 'k', CTRL)).toBe('lead up');
  expect(done({ link: 'up' }, 'Delete')).toBe('remove');
});

test('two in hand are linked in the order in which they were picked; three are not', () => {
  expect(done({ slides: ['tower', 'lamp'] }, 'k', CTRL)).toBe('linkFrom tower lamp');
  expect(press({ slides: ['tower', 'lamp', 'shore'] }, 'k', CTRL).isTaken).toBe(false);
  expect(done({ slides: ['tower', 'lamp'] }, 'D', { ctrlKey: true, shiftKey: true })).toBe(
    'duplicate',
  );
  expect(press({ slides: ['tower', 'lamp'] }, 'Tab').isTaken).toBe(false);
});

test('with nothing in hand nothing is deleted, and what is typed in a field is left alone', () => {
  expect(press({}, 'Delete')).toEqual({ done: [], isTaken: false });
  expect(done({}, 'a', CTRL)).toBe('pickAll');
  expect(press({ slides: ['lamp'], at: 'input' }, 'Delete').done).toEqual([]);
  expect(press({ slides: ['lamp'], at: '[role=dialog]' }, 'd', CTRL).done).toEqual([]);
});

test('on a map that grows to the left the arrow to the left leads on, and the one to the right back', () => {
  const there = { slides: ['lamp'], isLeftward: true };
  expect(done(there, 'ArrowLeft')).toBe(done({ slides: ['lamp'] }, 'ArrowRight'));
  expect(done(there, 'ArrowRight')).toBe(done({ slides: ['lamp'] }, 'ArrowLeft'));
  expect(done(there, 'ArrowLeft')).not.toBe(done(there, 'ArrowRight'));
});
