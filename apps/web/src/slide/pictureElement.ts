import { newElementBox, STAGE, type AssetRef, type NewElement, type Slide } from '@gobrel/core';

/** On the background a picture fills the stage; elsewhere it keeps its shape. */
export function pictureElement(slide: Slide, asset: AssetRef, isBackground: boolean): NewElement {
  const scale = Math.min(1, 560 / asset.width, 420 / asset.height);
  const size = {
    w: Math.max(16, Math.round(asset.width * scale)),
    h: Math.max(16, Math.round(asset.height * scale)),
  };
  return {
    kind: 'picture',
    asset,
    alt: '',
    layer: isBackground ? 'background' : 'content',
    fit: isBackground ? 'cover' : 'contain',
    box: isBackground
      ? { x: 0, y: 0, w: STAGE.width, h: STAGE.height }
      : newElementBox(slide, size),
  };
}
