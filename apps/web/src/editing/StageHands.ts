import {
  type Box,
  type ElementId,
  type Guide,
  type InkStroke,
  type RunCommand,
  type Slide,
  type SlideElement,
  type Theme,
} from '@gobrel/core';
import type * as Y from 'yjs';
import type { StageEdit } from './useStageEdit';
import type { Preview } from './preview';

/** What is drawn over the slide while a gesture goes on. */
export interface Sketch {
  guides?: readonly Guide[];
  /** What is being framed: a selection, a hotspot, a close-up. */
  frame?: Box;
  /** Where copies will lie. */
  ghosts?: readonly Box[];
  stroke?: InkStroke;
  line?: readonly { x: number; y: number }[];
}
export const NO_SKETCH: Sketch = {};

/** How the mark of the pen looks. */
export type PenLook = Pick<InkStroke, 'colour' | 'weight' | 'isMarker'>;

/** What gestures work with: the slide as it is, and ways to show and keep what becomes of it. */
export interface StageHands {
  doc: Y.Doc;
  slide: Slide;
  theme: Theme;
  edit: StageEdit;
  /** CSS pixels per slide unit. */
  scale: number;
  /** Things that can be touched on this layer, bottom to top. */
  touchable: readonly SlideElement[];
  /** What pressing a thing takes in hand. */
  inHand: (id: ElementId) => ElementId | null;
  run: RunCommand;
  show: (preview: Preview) => void;
  draw: (sketch: Sketch) => void;
  /** Ends all that is only shown. */
  clear: () => void;
}
