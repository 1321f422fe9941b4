import {
  cropBy,
  cropMoved,
  HANDLES,
  setPlaces,
  wholeOf,
  type Handle,
  type PictureElement,
} from '@gobrel/core';
import type { ReactElement } from 'react';
import { assetUrl } from '../../api/assets';
import { boxStyle } from '../../parts/boxStyle';
import type { GripHands, GripProps, Pulled } from '../kind';

/** A picture being cropped: all of it dimly, the window bright, with handles on the window. */
export function CropFrame({
  element: picture,
  hands,
  pull,
}: GripProps<PictureElement>): ReactElement {
  const { scale } = hands;
  const whole = wholeOf(picture);
  const { box, rotation } = picture;
  return (
    <div style={boxStyle(box, rotation)}>
      <img
        src={assetUrl(picture.asset, whole.w * scale)}
        alt=""
        draggable={false}
        className="pointer-events-none absolute max-w-none opacity-35"
        style={{
          ...boxStyle({ ...whole, x: whole.x - box.x, y: whole.y - box.y }),
          // Flipped about the middle of the window, as the part that is seen.
          transform: `scale(${picture.isFlippedAcross ? -1 : 1}, ${picture.isFlippedDown ? -1 : 1})`,
          transformOrigin: `${box.x + box.w / 2 - whole.x}px ${box.y + box.h / 2 - whole.y}px`,
        }}
      />
      <div
        role="application"
        aria-label="Crop: drag the picture behind its window, or the window by its handles"
        onPointerDown={(event) => pull(event, croppedBy(hands, picture, null))}
        className="absolute inset-0 cursor-grab touch-none"
        style={{ outline: `${2 / scale}px solid var(--color-brass)` }}
      />
      {HANDLES.map((handle) => (
        <div
          key={handle}
          data-crop={handle}
          onPointerDown={(event) => pull(event, croppedBy(hands, picture, handle))}
          className="absolute grid touch-none place-items-center"
          style={{
            left: handle.includes('w') ? 0 : handle.includes('e') ? '100%' : '50%',
            top: handle.includes('n') ? 0 : handle.includes('s') ? '100%' : '50%',
            width: 24 / scale,
            height: 24 / scale,
            transform: 'translate(-50%, -50%)',
            cursor: `${handle}-resize`,
          }}
        >
          <span className="bg-brass" style={{ width: 12 / scale, height: 12 / scale }} />
        </div>
      ))}
    </div>
  );
}

/** The window of a picture pulled by a handle, or with none the picture behind it. */
function croppedBy(
  { run, slide }: GripHands,
  picture: PictureElement,
  handle: Handle | null,
): Pulled<Partial<PictureElement>> {
  return {
    id: picture.id,
    become: (at, _event, from) => {
      const by = { x: at.x - from.x, y: at.y - from.y };
      return handle ? cropBy(picture, handle, by) : cropMoved(picture, by);
    },
    keep: ({ box, crop, fit }) =>
      run(setPlaces, slide.id, [
        {
          elementId: picture.id,
          box: box ?? picture.box,
          settings: { crop: crop!, fit: fit! },
        },
      ]),
  };
}
