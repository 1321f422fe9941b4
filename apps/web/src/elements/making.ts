import { newElementBox, type Box, type Layer, type Slide } from '@gobrel/core';

/** In the middle of a slide, or as near to it as nothing lies yet; smaller, down to a share of it, where it has no room. */
export const inMiddle = (slide: Slide, w: number, h: number, least = 1): Box =>
  newElementBox(slide, { w, h }, least);

/** Scenery and content: pieces are made of them afterwards. */
export const flat = (layer: Layer): 'background' | 'content' =>
  layer === 'background' ? 'background' : 'content';
