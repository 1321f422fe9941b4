import {
  MOST_INK,
  PAPER_WIDTH,
  strokeFrom,
  type DrawingAnswer,
  type InkStroke,
} from '@gobrel/core';
import { useRef, useState, type KeyboardEvent, type PointerEvent, type ReactElement } from 'react';
import { PictureSurface, shapeOf, spotOf, WithTools } from '../PictureSurface';
import type { QuestionInputProps, QuestionStillProps } from '../kind';
import { DrawnView } from './DrawnView';

export function Still({ element }: QuestionStillProps<'drawing'>): ReactElement {
  return (
    <WithTools picture={<PictureSurface picture={element.picture} alt={element.pictureAlt} />} />
  );
}

const PENS = [
  { name: 'ink', colour: '' },
  { name: 'petrol', colour: '#17505c' },
  { name: 'ember', colour: '#bf4e2a' },
  { name: 'brass', colour: '#a97f22' },
] as const;
const STEPS: Record<string, [x: number, y: number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};
type Place = { x: number; y: number; pressure: number };

/**
 * Ink and labels. With the keyboard the pen is moved by arrows, and the space bar puts it down and lifts it. A label
 * stands where the pen was last.
 */
export function Input(props: QuestionInputProps<'drawing'>): ReactElement {
  const { element, isHeld } = props;
  const ratio = shapeOf(element.picture);
  const surface = useRef<HTMLDivElement>(null);
  const [colour, setColour] = useState('');
  const [path, setPath] = useState<Place[]>([]);
  const [isDown, setIsDown] = useState(false);
  const [pen, setPen] = useState({ x: PAPER_WIDTH / 2, y: PAPER_WIDTH / ratio / 2 });
  const [words, setWords] = useState('');
  const drawn: DrawingAnswer = props.answer ?? { kind: 'drawing', strokes: [], labels: [] };
  const room = MOST_INK - drawn.strokes.reduce((sum, { points }) => sum + points.length, 0);
  const isFull = room < 60;
  const stroke = (places: readonly Place[]): InkStroke =>
    strokeFrom(places.slice(0, Math.floor(room / 3)), { colour, weight: 6, isMarker: false });
  const keep = (places: readonly Place[]): void => {
    setPath([]);
    const last = places.at(-1);
    if (!last || isFull) return;
    setPen({ x: last.x, y: last.y });
    props.onAnswer({ ...drawn, strokes: [...drawn.strokes, stroke(places)] });
  };
  const place = (event: PointerEvent): Place => {
    const { x, y } = spotOf(event, surface.current!);
    const pressure = event.pointerType === 'pen' ? event.pressure : 0.5;
    return { x: x * PAPER_WIDTH, y: (y * PAPER_WIDTH) / ratio, pressure };
  };
  const key = (event: KeyboardEvent<HTMLDivElement>): void => {
    const step = STEPS[event.key];
    if (step) {
      const by = event.shiftKey ? 60 : 15;
      const next = {
        x: Math.min(PAPER_WIDTH, Math.max(0, pen.x + step[0] * by)),
        y: Math.min(PAPER_WIDTH / ratio, Math.max(0, pen.y + step[1] * by)),
      };
      setPen(next);
      if (isDown) setPath([...path, { ...next, pressure: 0.5 }]);
    } else if (event.key === ' ') {
      if (isDown) keep(path);
      else setPath([{ ...pen, pressure: 0.5 }]);
      setIsDown(!isDown);
    } else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const undo = (): void =>
    props.onAnswer(
      drawn.labels.length > 0 && drawn.strokes.length === 0
        ? { ...drawn, labels: drawn.labels.slice(0, -1) }
        : { ...drawn, strokes: drawn.strokes.slice(0, -1) },
    );
  return (
    <WithTools
      picture={
        <PictureSurface
          ref={surface}
          picture={element.picture}
          alt={element.pictureAlt}
          label="Paper: draw, or move the pen with the arrows and put it down and up with the space bar"
          onPointerDown={(event) => {
            if (isHeld || isFull || isDown) return;
            event.currentTarget.setPointerCapture(event.pointerId);
            setPath([place(event)]);
          }}
          onPointerMove={(event) => {
            if (path.length > 0 && !isDown) setPath([...path, place(event)]);
          }}
          onPointerUp={() => !isDown && keep(path)}
          onKeyDown={(event) => !isHeld && key(event)}
        >
          <DrawnView
            drawing={
              path.length > 0 ? { ...drawn, strokes: [...drawn.strokes, stroke(path)] } : drawn
            }
            ratio={ratio}
          />
          <span
            className={`absolute hidden size-[0.8em] -translate-x-1/2 -translate-y-1/2 rounded-full border-2 border-petrol group-focus-visible:block ${isDown ? 'bg-petrol' : 'bg-white/60'}`}
            style={{
              left: `${(pen.x / PAPER_WIDTH) * 100}%`,
              top: `${((pen.y * ratio) / PAPER_WIDTH) * 100}%`,
            }}
            aria-hidden
          />
        </PictureSurface>
      }
      tools={
        <div className="flex flex-wrap items-center gap-x-[0.5em]">
          <span role="radiogroup" aria-label="Pen" className="flex">
            {PENS.map((pen) => (
              <button
                key={pen.name}
                type="button"
                role="radio"
                aria-checked={colour === pen.colour}
                aria-label={pen.name}
                onClick={() => setColour(pen.colour)}
                className="grid size-11 place-items-center rounded-full aria-checked:outline aria-checked:outline-2 aria-checked:outline-petrol"
              >
                <span
                  className="size-6 rounded-full"
                  style={{ background: pen.colour || '#1E2B32' }}
                />
              </button>
            ))}
          </span>
          <button
            type="button"
            className="min-h-11 text-petrol underline disabled:opacity-40"
            disabled={isHeld || (drawn.strokes.length === 0 && drawn.labels.length === 0)}
            onClick={undo}
          >
            Take back
          </button>
          <form
            className="flex min-w-[12em] flex-1 gap-[0.4em]"
            onSubmit={(event) => {
              event.preventDefault();
              event.stopPropagation();
              if (words.trim() === '') return;
              const label = { x: Math.round(pen.x), y: Math.round(pen.y), text: words.trim() };
              props.onAnswer({ ...drawn, labels: [...drawn.labels, label].slice(0, 40) });
              setWords('');
            }}
          >
            <input
              aria-label="Label, to stand where the pen was last"
              placeholder="a label"
              value={words}
              maxLength={80}
              disabled={isHeld}
              onChange={(event) => setWords(event.target.value)}
              className="min-h-11 min-w-0 flex-1 rounded-[6px] border-2 border-line bg-sheet px-[0.5em]"
            />
            <button
              type="submit"
              disabled={isHeld || words.trim() === ''}
              className="min-h-11 rounded-[6px] border-2 border-line px-[0.7em] disabled:opacity-40"
            >
              Put it
            </button>
          </form>
          {isFull && (
            <p className="text-ember-deep">The paper is full. Take something back first.</p>
          )}
        </div>
      }
    />
  );
}
