import type { MediaRef, NewElement, Slide } from '@gobrel/core';
import { inMiddle } from '../making';

export const mediaElement = (slide: Slide, media: MediaRef, name: string): NewElement => ({
  kind: 'media',
  layer: 'content',
  media,
  name,
  box: media.type.startsWith('video/') ? inMiddle(slide, 640, 360, 0.4) : inMiddle(slide, 320, 64),
});
