import {
  idOf,
  readDeck,
  sure,
  type Box,
  type ElementId,
  type PictureElement,
  type SlideId,
} from '@gobrel/core';
import { deck, element, slide } from '@gobrel/core/testing';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { NoticeProvider } from '../../ui/Notice';
import { MattersPop } from './MattersPop';

afterEach(cleanup);
beforeAll(() => {
  globalThis.ResizeObserver = class {
    observe = (): void => undefined;
    unobserve = (): void => undefined;
    disconnect = (): void => undefined;
  };
});

const SEEMS: Box = { x: 0.6, y: 0.2, w: 0.3, h: 0.5 };

/** The settings of a picture of which something was guessed or said, opened, and what is set in them. */
function open(known: { seems?: Box; matters?: Box }): { set: (Box | null)[] } {
  const id = idOf<ElementId>('picture');
  const size = { width: 400, height: 300, isAnimated: false };
  const asset = { hash: 'a'.repeat(64), ...size, ...(known.seems ? { seems: known.seems } : {}) };
  const box = { x: 0, y: 0, w: 400, h: 300 };
  const { matters = null } = known;
  const doc = deck(
    slide('s', element({ kind: 'picture', layer: 'content', id, box, asset, matters })),
  );
  const read = sure(readDeck(doc).slides[idOf<SlideId>('s')], 'it was made');
  const set: (Box | null)[] = [];
  render(
    <NoticeProvider>
      <MattersPop
        element={read.elements.find((one) => one.id === id) as PictureElement}
        set={(settings) => set.push(settings.matters)}
      />
    </NoticeProvider>,
  );
  fireEvent.click(screen.getByRole('button', { name: /^What matters/ }));
  return { set };
}
const side = (name: string): string => screen.getByLabelText<HTMLInputElement>(`${name}, %`).value;
const sides = (): string[] => ['Left', 'Top', 'Width', 'Height'].map(side);

test('a guess says that it is one, and where it is', () => {
  const { set } = open({ seems: SEEMS });
  expect(screen.getByRole('button', { name: 'What matters: guessed' })).toBeTruthy();
  expect(screen.getByText(/^Guessed from its colours/)).toBeTruthy();
  expect(sides()).toEqual(['60', '20', '30', '50']);
  const guessed = screen.getByRole('button', { name: 'As guessed', pressed: true });
  // It is so by now: there is nothing to take back to.
  fireEvent.click(guessed);
  expect(set).toEqual([]);
});

test('one side of a guess is put right, and the others stay', () => {
  const { set } = open({ seems: SEEMS });
  const width = screen.getByLabelText('Width, %');
  fireEvent.change(width, { target: { value: '20' } });
  fireEvent.blur(width);
  expect(set).toEqual([{ ...SEEMS, w: 0.2 }]);
});

test('what was framed counts more than the guess, and the guess can be taken back to', () => {
  const { set } = open({ seems: SEEMS, matters: { x: 0, y: 0, w: 0.5, h: 0.5 } });
  expect(screen.getByRole('button', { name: 'What matters: framed' })).toBeTruthy();
  expect(sides()).toEqual(['0', '0', '50', '50']);
  fireEvent.click(screen.getByRole('button', { name: 'As guessed' }));
  fireEvent.click(screen.getByRole('button', { name: 'All of it' }));
  expect(set).toEqual([null, { x: 0, y: 0, w: 1, h: 1 }]);
});

test('where nothing is known that is said, and what was framed can be let go', () => {
  open({});
  expect(screen.getByRole('button', { name: 'What matters: not said' })).toBeTruthy();
  cleanup();
  const { set } = open({ matters: { x: 0.1, y: 0.1, w: 0.2, h: 0.2 } });
  fireEvent.click(screen.getByRole('button', { name: 'Nothing in particular' }));
  expect(set).toEqual([null]);
});

test('a frame is drawn from any of its corners; a tap frames nothing', () => {
  const { set } = open({ seems: SEEMS });
  const surface = screen.getByRole('application');
  surface.getBoundingClientRect = () =>
    ({ x: 100, y: 100, left: 100, top: 100, width: 200, height: 150 }) as DOMRect;
  surface.setPointerCapture = () => undefined;
  const hand = (
    name: 'pointerdown' | 'pointermove' | 'pointerup',
    clientX: number,
    clientY: number,
  ): void => void fireEvent(surface, new MouseEvent(name, { bubbles: true, clientX, clientY }));
  hand('pointerdown', 250, 220);
  hand('pointerup', 250, 220);
  expect(set).toEqual([]);
  hand('pointerdown', 250, 220);
  hand('pointermove', 150, 130);
  hand('pointerup', 150, 130);
  expect(set).toEqual([
    {
      x: expect.closeTo(0.25),
      y: expect.closeTo(0.2),
      w: expect.closeTo(0.5),
      h: expect.closeTo(0.6),
    },
  ]);
});
