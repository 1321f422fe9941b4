import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { useRef, type ReactElement } from 'react';
import { useGestures, type Gesture } from './useGestures';
import type { ViewControl } from './useStageView';

afterEach(cleanup);
beforeAll(() => {
  HTMLElement.prototype.setPointerCapture = () => undefined;
  // This page without a screen knows no pointers.
  window.PointerEvent = class extends MouseEvent {
    readonly pointerId: number;
    readonly pointerType: string;
    constructor(type: string, given: PointerEventInit = {}) {
      super(type, given);
      this.pointerId = given.pointerId ?? 0;
      this.pointerType = given.pointerType ?? '';
    }
  } as typeof PointerEvent;
});

/** A desk on which a gesture begins with every press; what happens is written down. */
function Desk({ said }: { said: string[] }): ReactElement {
  const desk = useRef<HTMLDivElement>(null);
  const gestures = useGestures(desk, {
    view: { x: 100, y: 50, scale: 2 },
    panBy: (dx, dy) => said.push(`pan ${dx} ${dy}`),
    zoomBy: (factor) => said.push(`zoom ${factor.toFixed(2)}`),
  } as Partial<ViewControl> as ViewControl);
  const gesture: Gesture = {
    move: ({ x, y }) => said.push(`move ${x} ${y}`),
    end: ({ x, y }, _event, hasMoved) => said.push(`end ${x} ${y}${hasMoved ? '' : ' still'}`),
    cancel: () => said.push('cancel'),
  };
  return (
    <div
      ref={desk}
      aria-label="desk"
      {...gestures.handlers}
      onPointerDown={(event) => gestures.begin(event, gesture)}
    />
  );
}

function open() {
  const said: string[] = [];
  render(<Desk said={said} />);
  const desk = screen.getByLabelText('desk');
  const at = (x: number, y: number, pointerId = 1, pointerType = 'mouse') => ({
    clientX: x,
    clientY: y,
    pointerId,
    pointerType,
  });
  return {
    said,
    down: (...given: Parameters<typeof at>) => fireEvent.pointerDown(desk, at(...given)),
    move: (...given: Parameters<typeof at>) => fireEvent.pointerMove(desk, at(...given)),
    up: (...given: Parameters<typeof at>) => fireEvent.pointerUp(desk, at(...given)),
    lost: (...given: Parameters<typeof at>) => fireEvent.pointerCancel(desk, at(...given)),
  };
}

test('places are told in slide units; a trembling press has not moved', () => {
  const { said, down, move, up } = open();
  down(300, 250);
  move(301, 251);
  up(301, 251);
  expect(said).toEqual(['end 100.5 100.5 still']);
  said.length = 0;
  down(300, 250);
  move(320, 250);
  // Once on the way even a small step counts.
  move(319, 250);
  up(319, 250);
  expect(said).toEqual(['move 110 100', 'move 109.5 100', 'end 109.5 100']);
});

test('another pointer has no part in it', () => {
  const { said, down, move, up } = open();
  down(300, 250);
  move(400, 400, 2);
  up(400, 400, 2);
  expect(said).toEqual([]);
  up(300, 250);
  expect(said).toEqual(['end 100 100 still']);
});

test('a second finger ends it without effect, and the two pan and zoom', () => {
  const { said, down, move, up } = open();
  down(100, 100, 1, 'touch');
  move(140, 100, 1, 'touch');
  down(200, 100, 2, 'touch');
  expect(said).toEqual(['move 20 25', 'cancel']);
  said.length = 0;
  move(300, 100, 2, 'touch');
  // The fingers were 60 apart, and are 160 apart now.
  expect(said).toEqual(['pan 50 0', 'zoom 2.67']);
  said.length = 0;
  up(300, 100, 2, 'touch');
  // The finger that stays goes on with nothing until it has been lifted, too.
  move(180, 100, 1, 'touch');
  up(180, 100, 1, 'touch');
  expect(said.filter((one) => one.startsWith('move') || one.startsWith('end'))).toEqual([]);
  down(100, 100, 3, 'touch');
  up(100, 100, 3, 'touch');
  expect(said.at(-1)).toBe('end 0 25 still');
});

test('what the system takes away is given up', () => {
  const { said, down, move, lost, up } = open();
  down(300, 250);
  move(350, 250);
  lost(350, 250);
  up(350, 250);
  expect(said).toEqual(['move 125 100', 'cancel']);
});
