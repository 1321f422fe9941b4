import type { AssetRef, Credit, MediaRef } from '../parts/asset.js';
import type { Dash, Fill, Outline, Shadow } from '../parts/fill.js';
import type { ElementId } from '../parts/ids.js';
import type { InkStroke } from '../parts/ink.js';
import { STAGE, type Box, type Layer, type Slot } from '../parts/place.js';
import type { RichText } from '../parts/richText.js';
import type { TextStyle, Typography } from '../parts/typography.js';
import type { ShapeName } from '../geometry/shapes/shapes.js';
import type { Asked } from '../questions/registry.js';

/** How students may move a piece. */
export const TRACKS = ['free', 'across', 'down', 'line', 'area'] as const;
export type Track = (typeof TRACKS)[number];
export interface PieceRules {
  track: Track;
  /** For `line`: from the upper left to the lower right of this box, for `area`: within it; null is the whole stage. */
  range: Box | null;
  /** A line that runs from the lower left to the upper right of its range. */
  isRising: boolean;
  isRotatable: boolean;
  /** How many there are; 0 is an endless stack. */
  copies: number;
  /** Comes to rest in the zone that it is let go over. */
  snaps: boolean;
}

export interface ElementBase {
  id: ElementId;
  layer: Layer;
  box: Box;
  /** Degrees clockwise about the middle of the box, 0 ≤ rotation < 360. */
  rotation: number;
  /** Position among the elements of its layer: a fractional index, compared as a string. */
  order: string;
  /** What a screen reader and the list of things call it; '' when it speaks for itself. */
  name: string;
  /** Nobody moves or changes it before it is let go. */
  isLocked: boolean;
  /** 0 to 1. */
  opacity: number;
  /** The group it belongs to. */
  groupId: ElementId | null;
  slot: Slot | null;
  /** How students may move it; heeded on the pieces layer only. */
  piece: PieceRules;
}

/** What a text does when its words need more room: its box grows, they run out of it, or they are set smaller. */
export const TEXT_FITS = ['grow', 'fixed', 'shrink'] as const;
export type TextFit = (typeof TEXT_FITS)[number];

export interface TextElement extends ElementBase, Typography {
  kind: 'text';
  style: TextStyle;
  text: RichText;
  columns: number;
  fit: TextFit;
  fill: Fill;
}

export interface ShapeElement extends ElementBase, Typography {
  kind: 'shape';
  shape: ShapeName;
  /** Values of the shape's adjustments; standard ones where there are none. */
  points: number[];
  text: RichText;
  fill: Fill;
  outline: Outline;
  shadow: Shadow;
  isFlippedAcross: boolean;
  isFlippedDown: boolean;
}

export const FITS = ['contain', 'cover', 'stretch'] as const;
export type Fit = (typeof FITS)[number];

/** Soft adjustments of a picture, each −1 to 1, 0 as it is. */
export interface Adjustments {
  brightness: number;
  contrast: number;
  colour: number;
  warmth: number;
}

export interface PictureElement extends ElementBase {
  kind: 'picture';
  asset: AssetRef;
  alt: string;
  /** It says nothing that must be read out: it needs no alternative text. */
  isDecoration: boolean;
  credit: Credit;
  /** The credit stands in a small line on the picture's lower edge. */
  showsCredit: boolean;
  fit: Fit;
  /** The part of the picture that is shown, in shares of it; the whole of it is 0 0 1 1. */
  crop: Box;
  /** The shape it is cut to. */
  mask: ShapeName;
  points: number[];
  outline: Outline;
  shadow: Shadow;
  isFlippedAcross: boolean;
  isFlippedDown: boolean;
  adjust: Adjustments;
}

export interface ZoneElement extends ElementBase {
  kind: 'zone';
  isVisible: boolean;
  /** The pieces it takes; null takes all. */
  takes: ElementId[] | null;
  /** How many pieces it holds at the most; 0 any number. */
  most: number;
  tidy: Tidy;
  /** The pieces expected here. It is a key: null in anything a student receives. */
  expects: ElementId[] | null;
}

/** How a zone lays out what is put into it. */
export const TIDIES = ['free', 'row', 'grid', 'stack'] as const;
export type Tidy = (typeof TIDIES)[number];

/** An area that is not to be seen and carries a link. */
export interface HotspotElement extends ElementBase {
  kind: 'hotspot';
  shape: ShapeName;
  points: number[];
}

export const LINE_PATHS = ['straight', 'bent', 'curved'] as const;
export type LinePath = (typeof LINE_PATHS)[number];
export const TIPS = ['none', 'arrow', 'dot', 'bar'] as const;
export type Tip = (typeof TIPS)[number];

/** An end of a line that sticks to something: where on its box, in shares of it. */
export interface Anchor {
  elementId: ElementId;
  x: number;
  y: number;
}

/** A line through points; ends that stick to things follow them. */
export interface LineElement extends ElementBase {
  kind: 'line';
  path: LinePath;
  /** Two or more, in shares of the box. */
  points: { x: number; y: number }[];
  from: Anchor | null;
  to: Anchor | null;
  tips: [start: Tip, end: Tip];
  colour: string;
  /** In slide units. */
  weight: number;
  dash: Dash;
}

/** A drawing by hand. `frame` is what its strokes were drawn in; it is stretched to the box. */
export interface InkElement extends ElementBase {
  kind: 'ink';
  frame: Box;
  strokes: InkStroke[];
}

export interface MediaElement extends ElementBase {
  kind: 'media';
  medium: 'sound' | 'video';
  media: MediaRef;
  poster: AssetRef | null;
  startsWithSlide: boolean;
  loops: boolean;
  /** It plays on from slide to slide until the section ends. */
  runsOn: boolean;
  /** What is said in it, for those who cannot hear it. */
  transcript: string;
}

export interface TableElement extends ElementBase, Typography {
  kind: 'table';
  /** One table node. */
  text: RichText;
  /** Widths of its columns, in shares of the box. */
  columns: number[];
  outline: Outline;
}

/** A region that the show can fly into; a stop on a trail like a slide. */
export interface CloseUpElement extends ElementBase {
  kind: 'closeup';
  shape: ShapeName;
  points: number[];
  isSeen: boolean;
  outline: Outline;
}

/** The credits of all pictures of the deck. It has no words of its own, so it is never out of date. */
export interface CreditsElement extends ElementBase, Typography {
  kind: 'credits';
}

/** Things that move, turn and carry a link as one. Its box is the one around its members. */
export interface GroupElement extends ElementBase {
  kind: 'group';
}

export interface QuestionElement extends ElementBase, Asked {
  kind: 'question';
  /** The prompt. */
  text: RichText;
  /** It must be answered before handing in. */
  isRequired: boolean;
  /** The first answer stands; otherwise it may be changed until it is handed in. */
  isFinal: boolean;
  pictureAlt: string;
  /** Shown to students who ask for it. */
  hint: string;
  /** Shown to students when the teacher allows it. */
  explanation: string;
}

export type SlideElement =
  | TextElement
  | ShapeElement
  | PictureElement
  | HotspotElement
  | LineElement
  | InkElement
  | MediaElement
  | TableElement
  | CloseUpElement
  | CreditsElement
  | GroupElement
  | ZoneElement
  | QuestionElement;
export type ElementKind = SlideElement['kind'];

/** Kinds that students may be let move. */
export const MOVABLE: readonly ElementKind[] = ['text', 'shape', 'picture', 'group', 'ink'];

/** Kinds that carry a link as a whole. The options of a question carry links of their own. */
export const LINKABLE: readonly ElementKind[] = [
  ...(['text', 'shape', 'picture', 'hotspot', 'line', 'ink', 'group'] as const),
];

/** A piece is a text, picture, shape, drawing or group on the pieces layer: students may move it. */
export function isPiece(element: SlideElement): boolean {
  return element.layer === 'pieces' && element.groupId === null && MOVABLE.includes(element.kind);
}

/** The upright box around a thing as it is drawn: turned about its middle. Slide units. */
export function drawnBox({ box, rotation }: Pick<SlideElement, 'box' | 'rotation'>): Box {
  if (rotation % 180 === 0) return box;
  const angle = (rotation * Math.PI) / 180;
  const [cos, sin] = [Math.abs(Math.cos(angle)), Math.abs(Math.sin(angle))];
  const w = box.w * cos + box.h * sin;
  const h = box.w * sin + box.h * cos;
  return { x: box.x + (box.w - w) / 2, y: box.y + (box.h - h) / 2, w, h };
}

/** Things wholly outside the stage are spare material: never shown. */
export function isSpare(element: SlideElement): boolean {
  const { x, y, w, h } = drawnBox(element);
  return x >= STAGE.width || y >= STAGE.height || x + w <= 0 || y + h <= 0;
}
