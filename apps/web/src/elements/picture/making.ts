import { STAGE, type AssetRef, type Credit, type NewElement, type Slide } from '@gobrel/core';
import { inMiddle } from '../making';

/** On the background a picture fills the stage; elsewhere it keeps its shape, in the layout's place for one if that is free. */
export function pictureElement(
  slide: Slide,
  asset: AssetRef,
  isBackground: boolean,
  credit?: Credit,
  alt = '',
): NewElement {
  const scale = Math.min(1, 560 / asset.width, 420 / asset.height);
  const size = {
    w: Math.max(16, Math.round(asset.width * scale)),
    h: Math.max(16, Math.round(asset.height * scale)),
  };
  return {
    kind: 'picture',
    asset,
    alt,
    layer: isBackground ? 'background' : 'content',
    fit: isBackground ? 'cover' : 'contain',
    ...(credit ? { credit } : {}),
    box: isBackground
      ? { x: 0, y: 0, w: STAGE.width, h: STAGE.height }
      : inMiddle(slide, size.w, size.h, 0.4),
  };
}
