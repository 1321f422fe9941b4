import { plain, type Layer, type NewElement, type Slide } from '@gobrel/core';
import { flat, inMiddle } from '../making';

/** What a new piece says until something else is typed. */
export const NEW_PIECE = 'piece';

export const textElement = (slide: Slide, layer: Layer): NewElement => ({
  kind: 'text',
  style: 'body',
  layer: flat(layer),
  text: plain(''),
  box: inMiddle(slide, 480, 60),
});

export const pieceElement = (slide: Slide): NewElement => ({
  kind: 'text',
  style: 'body',
  layer: 'pieces',
  text: plain(NEW_PIECE),
  box: inMiddle(slide, 200, 64),
});
