import type { FarFace } from '../parts/letters';
import { type Link, type Slide, type SlideId, type DeckTheme } from '@gobrel/core';

/** Pixels of a card's picture: twice the units it takes on the map. */
export const CARD_PICTURE = { width: 272, height: 153 } as const;

/** What the painting worker is asked. */
export interface PaintOrder {
  slide: Slide;
  theme: DeckTheme;
  /** The links that leave the slide: words that carry one are underlined. */
  links: Link[];
  /** Parts of fonts for letters that no family has. */
  faces: readonly FarFace[];
  /** Pixels across, where it is no card. */
  width?: number;
}
/** What it answers. */
export interface Painted {
  slideId: SlideId;
  picture: Blob;
}
