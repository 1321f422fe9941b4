import { useReactFlow, useStore, ViewportPortal } from '@xyflow/react';
import { memo, useEffect, useMemo, useRef, useState, type ReactElement } from 'react';
import {
  distanceTo,
  endOf,
  startOf,
  svgPath,
  wirePath,
  type Direction,
  type WirePath,
} from './wirePath';
import { directPath } from './WayFinder';
import { WireHand } from './WireHand';
import type { LedWire } from './wires.worker';
import type { DrawnWire, Seen, Spot, Spots, Wire } from './wire';
import { WirePicture } from './WirePicture';
import { labelWidth } from './placeLabels';
import { LABEL } from './wireLabel';
import { WordingField } from './WordingField';

/** Under this scale wordings cannot be read and are left out. */
const LEAST_TO_READ = 0.34;
/** Pixels on the screen within which a wire is met. */
const REACH = 9;

/** What is seen of the map and half as much around it, in map units, in steps so that a small move changes nothing. */
function useSeen(): Seen {
  const key = useStore(({ transform: [x, y, zoom], width, height }) => {
    const [stepX, stepY] = [width / 2, height / 2];
    return [
      (Math.floor(-x / stepX) - 1) * stepX,
      (Math.floor(-y / stepY) - 1) * stepY,
      (Math.ceil((width - x) / stepX) + 1) * stepX,
      (Math.ceil((height - y) / stepY) + 1) * stepY,
    ]
      .map((edge) => Math.round(edge / zoom))
      .concat(Math.round(zoom * 1000) / 1000)
      .join(' ');
  });
  return useMemo(() => {
    const [left = 0, top = 0, right = 0, bottom = 0, zoom = 1] = key.split(' ').map(Number);
    return { left, top, right, bottom, zoom };
  }, [key]);
}

/**
 * All wires under the cards as one picture, painted in a worker, so that moving the map moves a picture and computes
 * nothing. Over it, as things of the page, what is in hand: the wire under the pointer, the one that is selected, those
 * of cards being moved. A wire is picked with a click, worded anew with a double click, and led elsewhere by dragging
 * one of its ends.
 */
export const WireLayer = memo(function WireLayer(props: {
  wires: readonly Wire[];
  spots: Spots;
  direction: Direction;
  /** Cards that are being moved. */
  moving?: ReadonlySet<string>;
  selected?: string | null;
  /** The wire whose wording is being typed. */
  rewording?: string | null;
  isLabelled?: boolean;
  onPick?: (wire: Wire) => void;
  onReword?: (wire: Wire) => void;
  /** Told of every keystroke, and with null when it is done. */
  onWord?: (wire: Wire, wording: string | null) => void;
  onMoveEnd?: (wire: Wire, end: 'from' | 'to', card: string) => void;
}): ReactElement {
  const { wires, spots, direction, selected, rewording, moving, onPick, onReword } = props;
  const seen = useSeen();
  const { hand, drawn } = useLedWires(wires, spots, direction, moving);
  const { hovered, pulled } = useWireHand({
    drawn,
    onPick,
    onReword,
    onMoveEnd: props.onMoveEnd,
    zoom: seen.zoom,
    selected: selected ?? null,
  });
  const isInHand = ({ wire }: DrawnWire): boolean =>
    wire.id === selected ||
    wire.id === hovered ||
    wire.id === pulled?.wire.id ||
    isMoving(wire, moving);
  const hasWordings = seen.zoom >= LEAST_TO_READ && props.isLabelled !== false;
  const inHand = drawn.filter(isInHand);

  return (
    <ViewportPortal>
      <WirePicture hand={hand} drawn={drawn} seen={seen} hasWordings={hasWordings} />
      <svg className="absolute top-0 left-0 -z-1 overflow-visible" width={1} height={1}>
        {inHand.map(({ wire, path }) => (
          <WireInHand
            key={wire.id}
            wire={wire}
            path={path}
            direction={direction}
            isSelected={wire.id === selected}
            pulled={wire.id === pulled?.wire.id ? pulled : null}
            hasGrips={props.onMoveEnd !== undefined && !wire.isGathered}
          />
        ))}
      </svg>
      {hasWordings &&
        inHand.map(
          ({ wire, path }) =>
            wire.wording !== '' &&
            wire.id !== rewording && (
              <span
                key={wire.id}
                aria-hidden
                className={`pointer-events-none absolute z-2 max-w-[150px] truncate rounded-[4px] border px-2 py-px text-[11.5px] text-ember-deep ${
                  wire.id === selected
                    ? 'border-ember bg-ember-mist'
                    : 'border-[#eccdc0] bg-[#fdf4ee]'
                }`}
                style={placed(path.x, path.y)}
              >
                {wire.wording}
              </span>
            ),
        )}
      {drawn.map(
        ({ wire, path }) =>
          wire.id === rewording && (
            <div
              key={wire.id}
              className="nopan nodrag pointer-events-auto absolute z-10"
              style={placed(path.x, path.y)}
            >
              <WordingField
                value={wire.wording}
                onType={(wording) => props.onWord?.(wire, wording)}
                onDone={() => props.onWord?.(wire, null)}
              />
            </div>
          ),
      )}
    </ViewportPortal>
  );
});

/**
 * Wires as the worker leads them. Until it has answered, and while their cards are moved, those between cards that lie
 * elsewhere go straight.
 */
function useLedWires(
  wires: readonly Wire[],
  spots: Spots,
  direction: Direction,
  moving: ReadonlySet<string> | undefined,
): { hand: WireHand; drawn: readonly DrawnWire[] } {
  const [hand] = useState(() => new WireHand());
  const [led, setLed] = useState<ReadonlyMap<string, LedWire>>(new Map());
  useEffect(() => {
    hand.tell = setLed;
    return () => hand.stop();
  }, [hand]);
  const inHand = useSameSet(moving ?? NONE);
  // While cards are moved it is told once which, and after that nothing until they are put down.
  const held = inHand.size === 0 ? spots : null;
  const latest = useRef(spots);
  useEffect(() => void (latest.current = spots), [spots]);
  useEffect(
    () => hand.take({ wires, spots: held ?? latest.current, direction, moving: inHand }),
    [hand, wires, held, direction, inHand],
  );
  const drawn = useMemo(
    () =>
      wires.flatMap((wire): DrawnWire[] => {
        const [from, to] = [spots.get(wire.from), spots.get(wire.to)];
        if (!from || !to) return [];
        const known = led.get(wire.id);
        const isThere = known && isAt(known.from, from) && isAt(known.to, to);
        return [{ wire, path: isThere ? known.path : directPath(wire, from, to, direction) }];
      }),
    [wires, spots, direction, led],
  );
  return { hand, drawn };
}
const NONE: ReadonlySet<string> = new Set();

/** The set as it was as long as the same is in it. */
function useSameSet(set: ReadonlySet<string>): ReadonlySet<string> {
  const [kept, setKept] = useState(set);
  const isSame = kept.size === set.size && [...set].every((one) => kept.has(one));
  if (!isSame) setKept(set);
  return isSame ? kept : set;
}

const isAt = (a: Spot, b: Spot): boolean => a.x === b.x && a.y === b.y;

const isMoving = ({ from, to }: Wire, moving: ReadonlySet<string> | undefined): boolean =>
  moving !== undefined && (moving.has(from) || moving.has(to));

/** Over its label, whose width is taken from the number of its letters. */
function isOnLabel({ wording }: Wire, path: WirePath, x: number, y: number): boolean {
  return (
    wording !== '' &&
    Math.abs(x - path.x) <= Math.min(path.room, labelWidth(wording)) / 2 &&
    Math.abs(y - path.y) <= LABEL.height / 2
  );
}

interface Pulled {
  wire: Wire;
  path: WirePath;
  end: 'from' | 'to';
  at: Spot;
}

/**
 * What the pointer does to wires on bare paper: over one it is lifted; a click picks it, a double click words it anew;
 * pressed near an end, it pulls that end to another card.
 */
function useWireHand(args: {
  drawn: readonly DrawnWire[];
  zoom: number;
  selected: string | null;
  onPick?: (wire: Wire) => void;
  onReword?: (wire: Wire) => void;
  onMoveEnd?: (wire: Wire, end: 'from' | 'to', card: string) => void;
}): { hovered: string | null; pulled: Pulled | null } {
  const { drawn, zoom, selected, onPick, onReword, onMoveEnd } = args;
  const { screenToFlowPosition } = useReactFlow();
  const pane = useStore(({ domNode }) => domNode);
  const [hovered, setHovered] = useState<string | null>(null);
  const [pulled, setPulled] = useState<Pulled | null>(null);
  useEffect(() => {
    if (!pane || !onPick) return;
    const spotOf = (event: MouseEvent): Spot =>
      screenToFlowPosition({ x: event.clientX, y: event.clientY });
    const met = (event: MouseEvent): (DrawnWire & { end: 'from' | 'to' | null }) | undefined => {
      if (!(event.target as Element).closest('.react-flow__pane')) return undefined;
      const { x, y } = spotOf(event);
      const isCoarse = event instanceof PointerEvent && event.pointerType === 'touch';
      const reach = (isCoarse ? 2 * REACH : REACH) / zoom;
      let nearest = reach;
      let found: DrawnWire | undefined;
      for (const one of drawn) {
        const { wire, path } = one;
        const distance = isOnLabel(wire, path, x, y) ? 0 : distanceTo(path, x, y, reach);
        // What is in hand already goes before what lies as near.
        if (distance < nearest || (wire.id === selected && distance < reach)) {
          [nearest, found] = [distance, one];
          if (wire.id === selected) break;
        }
      }
      if (!found) return undefined;
      const { curve } = found.path;
      const [[x1, y1], [x2, y2]] = [startOf(curve), endOf(curve)];
      const isAt = (endX: number, endY: number): boolean =>
        Math.hypot(x - endX, y - endY) < 1.6 * reach;
      const end = isAt(x2, y2) ? 'to' : found.wire.id === selected && isAt(x1, y1) ? 'from' : null;
      return { ...found, end };
    };
    const hover = (event: PointerEvent): void => {
      if (event.buttons === 0) setHovered(met(event)?.wire.id ?? null);
    };
    const leave = (): void => setHovered(null);
    const press = (event: PointerEvent): void => {
      const hit = event.button === 0 && onMoveEnd ? met(event) : undefined;
      if (!hit?.end || hit.wire.isGathered) return;
      // The map would be moved otherwise; d3 listens to the mouse event that follows.
      event.stopPropagation();
      pane.addEventListener('mousedown', stop, { capture: true, once: true });
      pane.addEventListener('touchstart', stop, { capture: true, once: true });
      pull(hit, hit.end, event);
    };
    const pull = (
      { wire, path }: DrawnWire,
      end: 'from' | 'to',
      { pointerId, clientX, clientY }: PointerEvent,
    ): void => {
      let hasMoved = false;
      const move = (event: PointerEvent): void => {
        if (event.pointerId !== pointerId) return;
        hasMoved ||= Math.hypot(event.clientX - clientX, event.clientY - clientY) > 4;
        if (hasMoved) setPulled({ wire, path, end, at: spotOf(event) });
      };
      const finish = (event: PointerEvent): void => {
        if (event.pointerId !== pointerId) return;
        window.removeEventListener('pointermove', move);
        window.removeEventListener('pointerup', finish);
        window.removeEventListener('pointercancel', finish);
        setPulled(null);
        const card =
          hasMoved && event.type === 'pointerup' ? cardUnder(event.clientX, event.clientY) : null;
        if (card) onMoveEnd?.(wire, end, card);
      };
      window.addEventListener('pointermove', move);
      window.addEventListener('pointerup', finish);
      window.addEventListener('pointercancel', finish);
    };
    const click = (event: MouseEvent): void => {
      const hit = met(event);
      if (!hit) return;
      // The map would take it for a click on bare paper.
      event.stopPropagation();
      if (event.detail === 2 && !hit.wire.isGathered) onReword?.(hit.wire);
      else onPick(hit.wire);
    };
    const quiet = (event: MouseEvent): void => {
      if (met(event)) event.stopPropagation();
    };
    const stop = (event: Event): void => event.stopPropagation();
    pane.addEventListener('pointermove', hover);
    pane.addEventListener('pointerleave', leave);
    pane.addEventListener('pointerdown', press, true);
    pane.addEventListener('click', click, true);
    pane.addEventListener('dblclick', quiet, true);
    return () => {
      pane.removeEventListener('pointermove', hover);
      pane.removeEventListener('pointerleave', leave);
      pane.removeEventListener('pointerdown', press, true);
      pane.removeEventListener('click', click, true);
      pane.removeEventListener('dblclick', quiet, true);
    };
  }, [pane, drawn, zoom, selected, onPick, onReword, onMoveEnd, screenToFlowPosition]);
  return { hovered, pulled };
}

const placed = (x: number, y: number): { transform: string } => ({
  transform: `translate(-50%, -50%) translate(${x}px, ${y}px)`,
});

/** A wire that is pointed at, selected, pulled or moving along with a card, with its ends as grips. */
function WireInHand(props: {
  wire: Wire;
  path: WirePath;
  direction: Direction;
  isSelected: boolean;
  pulled: Pulled | null;
  hasGrips: boolean;
}): ReactElement {
  const { wire, path, direction, isSelected, pulled } = props;
  const [[x1, y1], [x2, y2]] = [startOf(path.curve), endOf(path.curve)];
  const shown = !pulled
    ? path
    : pulled.end === 'to'
      ? wirePath(x1, y1, pulled.at.x, pulled.at.y, direction)
      : wirePath(pulled.at.x, pulled.at.y, x2, y2, direction);
  const grip = (x: number, y: number): ReactElement => (
    <circle cx={x} cy={y} r={6} strokeWidth={1.5} className="fill-sheet stroke-ember" />
  );
  return (
    <g>
      <path
        d={svgPath(shown.curve)}
        fill="none"
        stroke="var(--color-ember)"
        strokeWidth={(wire.thickness ?? 1.6) + (isSelected ? 1.4 : 0.8)}
        strokeDasharray={pulled ? '6 4' : shown.isDotted ? '2 5' : undefined}
        strokeLinecap="round"
      />
      {props.hasGrips && (pulled?.end === 'to' ? grip(pulled.at.x, pulled.at.y) : grip(x2, y2))}
      {props.hasGrips && isSelected && grip(x1, y1)}
    </g>
  );
}

/** The slide's card at a place on the screen or just beside it, where wires arrive. */
function cardUnder(x: number, y: number): string | null {
  for (const [dx, dy] of NEAR_BY) {
    const met = document.elementsFromPoint(x + dx, y + dy);
    const card = met.map((element) => element.closest('.react-flow__node-card')).find(Boolean);
    if (card) return card.getAttribute('data-id');
  }
  return null;
}
const NEAR_BY = [
  [0, 0],
  [16, 0],
  [0, 16],
  [-16, 0],
  [0, -16],
] as const;
