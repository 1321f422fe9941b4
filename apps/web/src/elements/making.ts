import { newElementBox, type Box, type Layer, type Slide } from '@gobrel/core';

/** In the middle of a slide, or as near to it as nothing lies yet. */
export const inMiddle = (slide: Slide, w: number, h: number): Box => newElementBox(slide, { w, h });

/** Scenery and content: pieces are made of them afterwards. */
export const flat = (layer: Layer): 'background' | 'content' =>
  layer === 'background' ? 'background' : 'content';
