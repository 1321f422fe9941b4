import type { Spot } from '@gobrel/core';
import { useRef, useState, type KeyboardEvent, type PointerEvent, type ReactElement } from 'react';
import { PictureSurface, spotOf, WithTools } from '../PictureSurface';
import type { QuestionInputProps, QuestionStillProps } from '../kind';
import { SpotMarks } from './SpotMarks';

export function Still({ element }: QuestionStillProps<'selectPoint'>): ReactElement {
  return (
    <WithTools picture={<PictureSurface picture={element.picture} alt={element.pictureAlt} />} />
  );
}

const STEPS: Record<string, [x: number, y: number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** Markers are put by pointing; with arrows a cross hair is moved, and the space bar puts one there. */
export function Input(props: QuestionInputProps<'selectPoint'>): ReactElement {
  const { element, question, isHeld } = props;
  const surface = useRef<HTMLDivElement>(null);
  const kept = props.answer?.spots ?? [];
  const [pulled, setPulled] = useState<{ index: number; spot: Spot } | null>(null);
  const [hair, setHair] = useState<Spot>({ x: 0.5, y: 0.5 });
  const withSpot = (index: number, spot: Spot): Spot[] =>
    index < kept.length ? kept.map((one, at) => (at === index ? spot : one)) : [...kept, spot];
  const spots = pulled ? withSpot(pulled.index, pulled.spot) : kept;
  const answer = (given: Spot[]): void => props.onAnswer({ kind: 'selectPoint', spots: given });
  const shape = element.picture ? element.picture.height / element.picture.width : 1;
  const distance = (a: Spot, b: Spot): number =>
    Math.hypot(question.marker === 'line' ? 0 : a.x - b.x, (a.y - b.y) * shape);
  /** The marker that a press takes up: one close by, the nearest when all are put, otherwise a new one. */
  const takenUp = (at: Spot): number => {
    const order = kept.map((spot, index) => ({ index, far: distance(spot, at) }));
    const [nearest] = order.sort((a, b) => a.far - b.far);
    if (nearest && (nearest.far < 0.04 || kept.length >= question.most)) return nearest.index;
    return kept.length;
  };
  const press = (event: PointerEvent<HTMLDivElement>): void => {
    if (isHeld || !surface.current) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    const spot = spotOf(event, surface.current);
    setPulled({ index: takenUp(spot), spot });
  };
  const pull = (event: PointerEvent<HTMLDivElement>): void => {
    if (pulled && surface.current) setPulled({ ...pulled, spot: spotOf(event, surface.current) });
  };
  // Where it is let go counts, which on a busy device has not been shown yet.
  const letGo = (event: PointerEvent<HTMLDivElement>): void => {
    if (pulled && surface.current) {
      answer(withSpot(pulled.index, spotOf(event, surface.current)));
    }
    setPulled(null);
  };
  const key = (event: KeyboardEvent<HTMLDivElement>): void => {
    const step = STEPS[event.key];
    if (step) {
      const by = event.shiftKey ? 0.1 : 0.02;
      const moved = (from: number, way: number): number =>
        Math.round(Math.min(1, Math.max(0, from + way * by)) * 1000) / 1000;
      setHair({ x: moved(hair.x, step[0]), y: moved(hair.y, step[1]) });
    } else if ((event.key === ' ' || event.key === 'Enter') && !isHeld) {
      answer(withSpot(takenUp(hair), hair));
    } else return;
    event.preventDefault();
    event.stopPropagation();
  };
  return (
    <WithTools
      picture={
        <PictureSurface
          ref={surface}
          picture={element.picture}
          alt={element.pictureAlt}
          label="Picture: point, or move the cross hair with the arrows and put a marker with the space bar"
          onPointerDown={press}
          onPointerMove={pull}
          onPointerUp={letGo}
          onKeyDown={key}
        >
          <span
            className="absolute hidden size-[1.4em] -translate-x-1/2 -translate-y-1/2 rounded-full border-2 border-dashed border-petrol bg-white/50 group-focus-visible:block"
            style={{ left: `${hair.x * 100}%`, top: `${hair.y * 100}%` }}
            aria-hidden
          />
          <SpotMarks spots={spots} marker={question.marker} />
        </PictureSurface>
      }
      tools={
        <p className="flex flex-wrap items-center gap-x-[1em] text-soft">
          <span role="status">
            {kept.length} of {question.most} {question.marker === 'line' ? 'put across' : 'put'}
          </span>
          {kept.length > 0 && !isHeld && (
            <button
              type="button"
              className="min-h-11 text-petrol underline"
              onClick={() => answer(kept.slice(0, -1))}
            >
              Take the last one back
            </button>
          )}
        </p>
      }
    />
  );
}
