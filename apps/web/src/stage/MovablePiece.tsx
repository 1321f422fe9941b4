import { keptOnTrack, type LyingPiece, type Placement } from '@gobrel/core';
import {
  Suspense,
  useRef,
  useState,
  type KeyboardEvent,
  type PointerEvent,
  type ReactElement,
  type ReactNode,
} from 'react';
import { boxStyle } from '../parts/boxStyle';
import { part } from '../offline/part';

const TurnHandle = part(() => import('./TurnHandle'));

const STEP = 20;
const TURN = 15;

/**
 * A piece that is moved: by drag with mouse or finger, with the arrow keys, or picked with a tap or Enter and then
 * put into a zone. Places in slide units.
 */
export function MovablePiece(props: {
  lying: LyingPiece;
  label: string;
  isHeld: boolean;
  isPicked: boolean;
  onPick: () => void;
  onPlace: (placement: Placement) => void;
  children: ReactNode;
}): ReactElement {
  const { lying, isHeld, onPlace } = props;
  const { box, piece } = lying;
  const rules = piece.piece;
  const [pulled, setPulled] = useState<{ x: number; y: number } | null>(null);
  const drag = useRef<{ x: number; y: number; scale: number; hasMoved: boolean } | null>(null);
  const turned = (((lying.rotation - piece.rotation) % 360) + 360) % 360;
  const at = (x: number, y: number): Placement => ({
    x,
    y,
    ...(turned ? { rotation: turned } : {}),
  });
  const kept = (dx: number, dy: number): { x: number; y: number } =>
    keptOnTrack(rules, piece.box, { ...box, x: box.x + dx, y: box.y + dy });
  const turnBy = (degrees: number): void => {
    const rotation = (turned + degrees + 360) % 360;
    onPlace({ x: box.x, y: box.y, rotation });
  };

  const down = (event: PointerEvent<HTMLDivElement>): void => {
    if (isHeld || event.button !== 0) return;
    event.stopPropagation();
    event.currentTarget.setPointerCapture(event.pointerId);
    // A turned piece is wider on screen than in itself: the scale comes from what it lies on.
    const stage = event.currentTarget.offsetParent;
    const scale = stage
      ? stage.getBoundingClientRect().width / (stage as HTMLElement).offsetWidth
      : 1;
    drag.current = { x: event.clientX, y: event.clientY, scale, hasMoved: false };
  };
  /** Where the pointer has pulled it to; null before it has really been moved. */
  const pulledTo = (event: PointerEvent<HTMLDivElement>): { x: number; y: number } | null => {
    const now = drag.current;
    if (!now) return null;
    const [dx, dy] = [event.clientX - now.x, event.clientY - now.y];
    if (!now.hasMoved && Math.hypot(dx, dy) < 4) return null;
    now.hasMoved = true;
    return kept(dx / now.scale, dy / now.scale);
  };
  const move = (event: PointerEvent<HTMLDivElement>): void => {
    const there = pulledTo(event);
    if (there) setPulled(there);
  };
  // Where it is let go counts, which on a busy device has not been shown yet.
  const up = (event: PointerEvent<HTMLDivElement>): void => {
    const there = pulledTo(event);
    if (there) onPlace(at(there.x, there.y));
    else if (drag.current) props.onPick();
    drag.current = null;
    setPulled(null);
  };
  const key = (event: KeyboardEvent): void => {
    if (isHeld || event.ctrlKey || event.metaKey || event.altKey) return;
    const by: Record<string, [number, number]> = {
      ArrowLeft: [-STEP, 0],
      ArrowRight: [STEP, 0],
      ArrowUp: [0, -STEP],
      ArrowDown: [0, STEP],
    };
    const nudge = by[event.key];
    if (nudge) {
      const { x, y } = kept(...nudge);
      onPlace(at(x, y));
    } else if (event.key.toLowerCase() === 'r' && rules.isRotatable)
      turnBy(event.shiftKey ? -TURN : TURN);
    else if (event.key === 'Enter' || event.key === ' ') props.onPick();
    else return;
    event.preventDefault();
    event.stopPropagation();
  };

  return (
    <>
      <div
        role="button"
        tabIndex={0}
        aria-label={`Piece: ${props.label}`}
        aria-description={rules.isRotatable ? 'Arrow keys move it, R turns it.' : undefined}
        aria-pressed={props.isPicked}
        aria-disabled={isHeld}
        data-piece={lying.id}
        onPointerDown={down}
        onPointerMove={move}
        onPointerUp={up}
        onPointerCancel={() => {
          drag.current = null;
          setPulled(null);
        }}
        onKeyDown={key}
        className={`touch-none rounded-[10px] select-none ${pulled ? 'cursor-grabbing opacity-90' : 'cursor-grab'} ${
          props.isPicked ? 'outline-[5px] outline-petrol outline' : ''
        }`}
        style={{
          ...boxStyle({ ...box, ...pulled }, lying.rotation),
          opacity: piece.opacity < 1 ? piece.opacity : undefined,
          zIndex: pulled ? 10 : undefined,
        }}
      >
        {props.children}
      </div>
      {props.isPicked && rules.isRotatable && !pulled && !isHeld && (
        <Suspense>
          <TurnHandle label={props.label} box={box} onTurn={() => turnBy(TURN)} />
        </Suspense>
      )}
    </>
  );
}
