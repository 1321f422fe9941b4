import { mattersIn, type Box, type PictureElement, type Spot } from '@gobrel/core';
import { useRef, useState, type PointerEvent, type ReactElement } from 'react';
import { assetUrl } from '../../api/assets';
import { spotOf } from '../../questions/PictureSurface';
import { NumberField, Plain, Pop } from '../../ui/controls';

const SIDES: [keyof Box, string][] = [
  ['x', 'Left'],
  ['y', 'Top'],
  ['w', 'Width'],
  ['h', 'Height'],
];
/** What is framed first when it is said with numbers, in shares. */
const MIDDLE: Box = { x: 0.3, y: 0.3, w: 0.4, h: 0.4 };
const LEAST = 0.02;

/** A frame drawn around what must not be lost of a picture: it stays in view, and nothing is laid over it. */
export function MattersPop(props: {
  element: PictureElement;
  set: (settings: Pick<PictureElement, 'matters'>) => unknown;
}): ReactElement {
  const { element, set } = props;
  const { matters } = element;
  const { seems } = element.asset;
  const known = mattersIn(element) ?? MIDDLE;
  return (
    <Pop
      label="What matters"
      value={matters ? 'framed' : seems ? 'guessed' : 'not said'}
      width={340}
    >
      <div className="flex flex-col gap-2">
        <p className="text-soft">
          {!matters && seems
            ? 'Guessed from its colours: Set out keeps this in view and lays nothing over it. Drag a frame where it is something else.'
            : 'Drag a frame around what must be seen. Set out keeps it in view and lays nothing over it.'}
        </p>
        <Framing element={element} onFrame={(box) => set({ matters: box })} />
        <div className="grid grid-cols-2 gap-x-3 gap-y-1">
          {SIDES.map(([side, label]) => (
            <NumberField
              key={side}
              label={`${label}, %`}
              value={Math.round(known[side] * 100)}
              min={side === 'w' || side === 'h' ? 2 : 0}
              max={100}
              onKeep={(value) => set({ matters: within({ ...known, [side]: value / 100 }) })}
            />
          ))}
        </div>
        <div className="flex flex-wrap">
          <Plain onClick={() => set({ matters: { x: 0, y: 0, w: 1, h: 1 } })}>All of it</Plain>
          <Plain
            aria-pressed={matters === null}
            onClick={() => matters !== null && set({ matters: null })}
          >
            {seems ? 'As guessed' : 'Nothing in particular'}
          </Plain>
        </div>
      </div>
    </Pop>
  );
}

function Framing(props: { element: PictureElement; onFrame: (box: Box) => unknown }): ReactElement {
  const { asset } = props.element;
  const surface = useRef<HTMLDivElement>(null);
  const [drag, setDrag] = useState<{ from: Spot; to: Spot } | null>(null);
  const drawn = drag && between(drag.from, drag.to);
  const spot = (event: PointerEvent): Spot =>
    surface.current ? spotOf(event, surface.current) : { x: 0, y: 0 };
  const shown = drawn ?? mattersIn(props.element);
  const width = Math.min(312, (280 * asset.width) / asset.height);
  return (
    <div
      ref={surface}
      role="application"
      aria-label="Picture: drag a frame around what matters"
      className="relative max-w-full cursor-crosshair touch-none self-center overflow-hidden rounded-[4px] border border-line select-none"
      style={{ width, aspectRatio: asset.width / asset.height }}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        setDrag({ from: spot(event), to: spot(event) });
      }}
      onPointerMove={(event) => drag && setDrag({ ...drag, to: spot(event) })}
      onPointerUp={() => {
        // A tap frames nothing.
        if (drawn && drawn.w >= LEAST && drawn.h >= LEAST) props.onFrame(drawn);
        setDrag(null);
      }}
      onPointerCancel={() => setDrag(null)}
    >
      <img
        src={assetUrl(asset, 640)}
        alt=""
        draggable={false}
        className="absolute inset-0 size-full"
      />
      {shown && (
        <div
          className="pointer-events-none absolute rounded-[3px] outline-2 outline-offset-0 outline-white outline-dashed"
          style={{
            left: `${shown.x * 100}%`,
            top: `${shown.y * 100}%`,
            width: `${shown.w * 100}%`,
            height: `${shown.h * 100}%`,
            boxShadow: '0 0 0 1000px rgb(20 34 42 / 0.5)',
          }}
        />
      )}
    </div>
  );
}

const between = (one: Spot, other: Spot): Box => ({
  x: Math.min(one.x, other.x),
  y: Math.min(one.y, other.y),
  w: Math.abs(one.x - other.x),
  h: Math.abs(one.y - other.y),
});

/** A frame that ends where the picture does. */
const within = ({ x, y, w, h }: Box): Box => ({
  x: Math.min(x, 1 - LEAST),
  y: Math.min(y, 1 - LEAST),
  w: Math.min(w, 1 - Math.min(x, 1 - LEAST)),
  h: Math.min(h, 1 - Math.min(y, 1 - LEAST)),
});
