import type { NewElement, Slide } from '@gobrel/core';
import { inMiddle } from '../making';

export const creditsElement = (slide: Slide): NewElement => ({
  kind: 'credits',
  layer: 'content',
  box: inMiddle(slide, 900, 420),
});
