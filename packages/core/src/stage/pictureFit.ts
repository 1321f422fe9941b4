import type { PictureElement } from '../elements/picture/picture.js';
import type { AssetRef } from '../parts/asset.js';
import type { Fit } from '../parts/fit.js';
import type { Box } from '../parts/place.js';
import { pictureFrame, type Framed } from './pictureFrame.js';

/** How a picture is laid into a place for one: it fills it unless too much of it would be cut off. */
export function fitPicture(asset: AssetRef, box: { w: number; h: number }): Fit {
  const ratio = asset.width / asset.height / (box.w / box.h);
  return Math.max(ratio, 1 / ratio) <= 1.6 ? 'cover' : 'contain';
}

/** How many of a picture's pixels stand for one slide unit where it is drawn: under 1.5 blurs on a full screen. */
export function pixelsPerUnit(element: PictureElement): number {
  const { whole } = pictureFrame(element);
  return Math.min(element.asset.width / whole.w, element.asset.height / whole.h);
}

/** What of a picture is kept in view, in shares of it: what somebody has said, or what seems to matter; null for neither. */
export const mattersIn = ({
  matters,
  asset,
}: Pick<PictureElement, 'matters' | 'asset'>): Box | null => matters ?? asset.seems ?? null;

/** Where what matters in a picture is seen, in slide units; null where neither said nor guessed. */
export function mattersAt(picture: Framed & Flipped, matters = mattersIn(picture)): Box | null {
  if (!matters) return null;
  const { box } = picture;
  const { whole } = pictureFrame(picture);
  const { w, h } = { w: matters.w * whole.w, h: matters.h * whole.h };
  const { x, y } = { x: whole.x + matters.x * whole.w, y: whole.y + matters.y * whole.h };
  return {
    x: box.x + (picture.isFlippedAcross ? box.w - x - w : x),
    y: box.y + (picture.isFlippedDown ? box.h - y - h : y),
    w,
    h,
  };
}
type Flipped = Pick<PictureElement, 'isFlippedAcross' | 'isFlippedDown'>;
