import { STAGE, type Box } from '../parts/place.js';
import { type AssetRef } from '../parts/asset.js';
import type { Fit } from '../parts/fit.js';
import type { PictureElement } from '../elements/picture/picture.js';
import type { GroundPicture } from '../deck/types.js';

/** Where a picture is drawn in a box of its own origin, in slide units. */
export interface PictureFrame {
  /** The whole picture, of which parts may lie outside. */
  whole: Box;
  /** What of it is seen. */
  seen: Box;
}

export type Framed = Pick<PictureElement, 'asset' | 'box' | 'fit' | 'crop' | 'matters'>;

/**
 * How the shown part of a picture is laid into its box: all of it seen, the box filled, or stretched. Where more is cut
 * off than is seen, what matters in it, or seems to, is in the middle, as near as the box stays full.
 */
export function pictureFrame({ asset, box, fit, crop, matters }: Framed): PictureFrame {
  const part = { w: asset.width * crop.w, h: asset.height * crop.h };
  const [scaleX, scaleY] = scales(part, box, fit);
  const shown = { w: part.w * scaleX, h: part.h * scaleY };
  const spot = matters ?? asset.seems ?? crop;
  const left = beginning(box.w, shown.w, (spot.x + spot.w / 2 - crop.x) / crop.w);
  const top = beginning(box.h, shown.h, (spot.y + spot.h / 2 - crop.y) / crop.h);
  const x = Math.max(0, left);
  const y = Math.max(0, top);
  return {
    whole: {
      x: left - crop.x * asset.width * scaleX,
      y: top - crop.y * asset.height * scaleY,
      w: asset.width * scaleX,
      h: asset.height * scaleY,
    },
    seen: { x, y, w: Math.min(box.w, shown.w), h: Math.min(box.h, shown.h) },
  };
}

/** Where a length begins that is laid into a room: in its middle, or with a share of it there where it is longer. */
const beginning = (room: number, length: number, share: number): number =>
  length <= room
    ? (room - length) / 2
    : Math.min(0, Math.max(room - length, room / 2 - share * length));

function scales(
  part: { w: number; h: number },
  box: { w: number; h: number },
  fit: Fit,
): [number, number] {
  const [x, y] = [box.w / part.w, box.h / part.h];
  if (fit === 'stretch') return [x, y];
  const scale = fit === 'cover' ? Math.max(x, y) : Math.min(x, y);
  return [scale, scale];
}

/** Where the picture of a slide's ground is drawn, in slide units; a tile is the first of many. */
export function groundFrame({ asset, fit, scale, x, y }: GroundPicture): Box {
  const size = groundSize(asset, fit, scale);
  if (fit === 'tile') return { x: 0, y: 0, ...size };
  return { x: (STAGE.width - size.w) * x, y: (STAGE.height - size.h) * y, ...size };
}

function groundSize(
  asset: AssetRef,
  fit: GroundPicture['fit'],
  scale: number,
): { w: number; h: number } {
  const whole = { w: STAGE.width, h: STAGE.height };
  const part = { w: asset.width, h: asset.height };
  const [by] = fit === 'tile' ? [1] : scales(part, whole, fit === 'fill' ? 'cover' : 'contain');
  // A picture that fills never leaves the stage bare.
  const factor = fit === 'fill' ? by * Math.max(1, scale) : by * scale;
  return { w: asset.width * factor, h: asset.height * factor };
}
