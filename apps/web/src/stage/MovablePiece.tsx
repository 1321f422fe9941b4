import { clampToStage, type Box, type Placement } from '@gobrel/core';
import {
  useRef,
  useState,
  type KeyboardEvent,
  type PointerEvent,
  type ReactElement,
  type ReactNode,
} from 'react';
import { boxStyle } from './ElementView';

const STEP = 20;

/**
 * A piece that is moved: by drag with mouse or finger, with the arrow keys, or picked with a tap or Enter and then
 * put into a zone. Box and placements in slide units.
 */
export function MovablePiece(props: {
  box: Box;
  label: string;
  isHeld: boolean;
  isPicked: boolean;
  onPick: () => void;
  onPlace: (placement: Placement) => void;
  children: ReactNode;
}): ReactElement {
  const { box, isHeld, onPlace } = props;
  const [pulled, setPulled] = useState<Placement | null>(null);
  const drag = useRef<{ x: number; y: number; scale: number; hasMoved: boolean } | null>(null);

  const down = (event: PointerEvent<HTMLDivElement>): void => {
    if (isHeld || event.button !== 0) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    const scale = event.currentTarget.getBoundingClientRect().width / box.w;
    drag.current = { x: event.clientX, y: event.clientY, scale, hasMoved: false };
  };
  const move = (event: PointerEvent<HTMLDivElement>): void => {
    const now = drag.current;
    if (!now) return;
    const [dx, dy] = [event.clientX - now.x, event.clientY - now.y];
    if (!now.hasMoved && Math.hypot(dx, dy) < 4) return;
    now.hasMoved = true;
    setPulled(clampToStage({ ...box, x: box.x + dx / now.scale, y: box.y + dy / now.scale }));
  };
  const up = (): void => {
    const now = drag.current;
    drag.current = null;
    if (now?.hasMoved && pulled) onPlace(pulled);
    else if (now) props.onPick();
    setPulled(null);
  };
  const key = (event: KeyboardEvent): void => {
    const by: Record<string, [number, number]> = {
      ArrowLeft: [-STEP, 0],
      ArrowRight: [STEP, 0],
      ArrowUp: [0, -STEP],
      ArrowDown: [0, STEP],
    };
    const nudge = by[event.key];
    if (isHeld) return;
    if (nudge) onPlace(clampToStage({ ...box, x: box.x + nudge[0], y: box.y + nudge[1] }));
    else if (event.key === 'Enter' || event.key === ' ') props.onPick();
    else return;
    event.preventDefault();
    event.stopPropagation();
  };

  return (
    <div
      role="button"
      tabIndex={0}
      aria-label={`Piece: ${props.label}`}
      aria-pressed={props.isPicked}
      aria-disabled={isHeld}
      onPointerDown={down}
      onPointerMove={move}
      onPointerUp={up}
      onPointerCancel={() => {
        drag.current = null;
        setPulled(null);
      }}
      onKeyDown={key}
      className={`touch-none rounded-[10px] select-none ${pulled ? 'z-10 cursor-grabbing opacity-90' : 'cursor-grab'} ${
        props.isPicked ? 'outline-[5px] outline-petrol outline' : ''
      }`}
      style={{ ...boxStyle({ ...box, ...pulled }), zIndex: pulled ? 10 : undefined }}
    >
      {props.children}
    </div>
  );
}
