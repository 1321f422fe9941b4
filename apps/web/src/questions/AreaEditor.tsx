import {
  MOST_AREAS,
  newId,
  type Area,
  type AreaShape,
  type AssetRef,
  type Spot,
} from '@gobrel/core';
import { Trash2 } from 'lucide-react';
import { useRef, useState, type PointerEvent, type ReactElement, type ReactNode } from 'react';
import { Button } from '../ui/Button';
import { Segments } from '../ui/Segments';
import { AreaOutlines } from './hotspot/AreaButton';
import { PictureSurface, spotOf } from './PictureSurface';

const SHAPES: { value: AreaShape; label: string }[] = [
  { value: 'box', label: 'Box' },
  { value: 'ellipse', label: 'Ellipse' },
  { value: 'outline', label: 'Outline by hand' },
];

/** Areas drawn over a question's picture. With numbers they can be set by keyboard, too. */
export function AreaEditor<A extends Area>(props: {
  picture: AssetRef | null;
  alt: string;
  areas: readonly A[];
  /** What an area has besides where it is. */
  finish: (area: Area) => A;
  more: (area: A, set: (changed: Partial<A>) => void, index: number) => ReactNode;
  onChange: (areas: A[]) => void;
}): ReactElement {
  const { areas, onChange } = props;
  const surface = useRef<HTMLDivElement>(null);
  const [shape, setShape] = useState<AreaShape>('box');
  const [path, setPath] = useState<Spot[]>([]);
  const drawn = areaAlong(path, shape, 'new');
  const set = (id: string, changed: Partial<A>): void =>
    onChange(areas.map((area) => (area.id === id ? { ...area, ...changed } : area)));
  const add = (area: Area): void => onChange([...areas, props.finish(area)]);
  const pull = (event: PointerEvent): void => {
    if (path.length > 0 && surface.current) setPath([...path, spotOf(event, surface.current)]);
  };
  const letGo = (): void => {
    if (drawn && (drawn.w > 0.01 || drawn.h > 0.01)) add({ ...drawn, id: newId() });
    setPath([]);
  };
  return (
    <div>
      <div className="mb-2 flex flex-wrap items-center gap-3">
        <Segments
          label="Shape of the next area"
          value={shape}
          options={SHAPES}
          onChange={setShape}
        />
        <span className="text-[13px] text-soft">Drag over the picture.</span>
        <Button
          size="small"
          look="quiet"
          disabled={areas.length >= MOST_AREAS}
          onClick={() =>
            add({
              id: newId(),
              label: '',
              shape: 'box',
              corners: [],
              x: 0.4,
              y: 0.4,
              w: 0.2,
              h: 0.2,
            })
          }
        >
          Add one in the middle
        </Button>
      </div>
      <div className="text-[15px]">
        <PictureSurface
          ref={surface}
          picture={props.picture}
          alt={props.alt}
          label="Picture: drag an area"
          onPointerDown={(event) => {
            if (areas.length >= MOST_AREAS || !surface.current) return;
            event.currentTarget.setPointerCapture(event.pointerId);
            setPath([spotOf(event, surface.current)]);
          }}
          onPointerMove={pull}
          onPointerUp={letGo}
        >
          <AreaOutlines
            areas={drawn ? [...areas, drawn] : areas}
            strong={areas.map(({ id }) => id)}
          />
        </PictureSurface>
      </div>
      <ul className="mt-2 flex flex-col gap-1.5">
        {areas.map((area, index) => (
          <li key={area.id} className="flex flex-wrap items-center gap-1.5 text-[13px]">
            <input
              aria-label={`Name of area ${index + 1}`}
              placeholder={`area ${index + 1}`}
              value={area.label}
              maxLength={200}
              onChange={(event) => set(area.id, { label: event.target.value } as Partial<A>)}
              className="h-8 min-w-[120px] flex-1 rounded-[4px] border border-line bg-sheet px-2"
            />
            {area.shape !== 'outline' &&
              (['x', 'y', 'w', 'h'] as const).map((side) => (
                <label key={side} className="flex items-center gap-1 text-soft">
                  {side}
                  <input
                    type="number"
                    min={0}
                    max={100}
                    aria-label={`Area ${index + 1}: ${side} in per cent`}
                    value={Math.round(area[side] * 100)}
                    onChange={(event) =>
                      set(area.id, {
                        [side]: Math.min(1, Math.max(0, Number(event.target.value) / 100)),
                      } as Partial<A>)
                    }
                    className="h-8 w-[52px] rounded-[4px] border border-line bg-sheet px-1 text-ink"
                  />
                </label>
              ))}
            {props.more(area, (changed) => set(area.id, changed), index)}
            <Button
              look="quiet"
              size="small"
              aria-label={`Remove area ${index + 1}`}
              onClick={() => onChange(areas.filter(({ id }) => id !== area.id))}
            >
              <Trash2 size={15} />
            </Button>
          </li>
        ))}
      </ul>
    </div>
  );
}

/** The area that a drag over the picture makes. */
function areaAlong(path: readonly Spot[], shape: AreaShape, id: string): Area | null {
  const [from, to] = [path[0], path.at(-1)];
  if (!from || !to || path.length < 2) return null;
  const xs = shape === 'outline' ? path.map(({ x }) => x) : [from.x, to.x];
  const ys = shape === 'outline' ? path.map(({ y }) => y) : [from.y, to.y];
  const [x, y] = [Math.min(...xs), Math.min(...ys)];
  // An outline keeps sixty corners at the most.
  const every = Math.max(1, Math.ceil(path.length / 60));
  return {
    id,
    label: '',
    shape,
    x,
    y,
    w: Math.max(...xs) - x,
    h: Math.max(...ys) - y,
    corners:
      shape === 'outline'
        ? path.filter((_, index) => index % every === 0).flatMap((spot) => [spot.x, spot.y])
        : [],
  };
}
