import {
  idOf,
  readDeck,
  sure,
  type ElementId,
  type Link,
  type LinkId,
  type SlideId,
} from '@gobrel/core';
import { choice, deck, slide } from '@gobrel/core/testing';
import { cleanup, render } from '@testing-library/react';
import { WayLines } from './WayLines';

afterEach(cleanup);
beforeAll(() => {
  globalThis.ResizeObserver = class {
    observe = (): void => undefined;
    unobserve = (): void => undefined;
    disconnect = (): void => undefined;
  };
});

/** An element that lies somewhere on the page. */
function lying(x: number, y: number, width: number, height: number): HTMLElement {
  const element = document.createElement('div');
  const sides = { left: x, top: y, right: x + width, bottom: y + height };
  element.getBoundingClientRect = () => ({ x, y, width, height, ...sides }) as DOMRect;
  return element;
}
const link: Link = {
  id: idOf<LinkId>('way'),
  from: idOf<SlideId>('a'),
  carrier: { kind: 'element', elementId: idOf<ElementId>('words') },
  target: { kind: 'slide', slideId: idOf<SlideId>('b') },
  wording: 'Go on',
};

/** The ends of the line from words on the stage to their card, with the column of cards on one side of it. */
function endsWith(column: 'left' | 'right', carrier = lying(300, 100, 200, 50)): number[] | null {
  const frame = lying(0, 0, 1000, 600);
  const room = lying(200, 0, 600, 600);
  carrier.dataset.element = 'words';
  room.append(carrier);
  const ways = lying(column === 'left' ? 0 : 800, 0, 200, 600);
  const card = lying(column === 'left' ? 20 : 820, 40, 160, 100);
  card.dataset.way = 'way';
  ways.append(card);
  const at = <T,>(current: T): { current: T } => ({ current });
  const read = readDeck(deck(slide('a', choice('Go on', 'b')), slide('b')));
  const { container } = render(
    <WayLines
      slide={sure(read.slides[idOf<SlideId>('a')], 'it was made')}
      links={[link]}
      frame={at(frame)}
      stage={at(room)}
      ways={at(ways)}
      room={at(room)}
      view={{ scale: 1, x: 0, y: 0 }}
    />,
  );
  const path = container.querySelector('path')?.getAttribute('d');
  return path ? (path.match(/-?[\d.]+/g) ?? []).map(Number) : null;
}

test('a line begins at the side of the words that is nearer to the card, and bends towards it', () => {
  const right = endsWith('right')!;
  expect(right.slice(0, 2)).toEqual([500, 125]);
  expect(right.slice(-2)).toEqual([820, 90]);
  expect(right[2]!).toBeGreaterThan(500);
  expect(right[4]!).toBeLessThan(820);
});

test('where reading goes to the left so does the line', () => {
  const left = endsWith('left')!;
  expect(left.slice(0, 2)).toEqual([300, 125]);
  expect(left.slice(-2)).toEqual([180, 90]);
  expect(left[2]!).toBeLessThan(300);
  expect(left[4]!).toBeGreaterThan(180);
});

test('of words that lie half out of sight it begins at the edge; out of sight there is none', () => {
  expect(endsWith('right', lying(700, 100, 300, 50))![0]).toBe(800);
  expect(endsWith('left', lying(100, 100, 200, 50))![0]).toBe(200);
  expect(endsWith('right', lying(300, 700, 200, 50))).toBeNull();
  expect(endsWith('right', lying(20, 100, 100, 50))).toBeNull();
  expect(endsWith('left', lying(900, 100, 50, 50))).toBeNull();
});
