import type { ElementId, LinkId, OptionId, SlideId } from '../ids.js';
import type { RichText } from './richText.js';

/** Slides are 1280 × 720 slide units, whatever they are drawn on. */
export const STAGE = { width: 1280, height: 720 } as const;

/** A rectangle in slide units, its origin at the upper left; `rotation` of elements is kept apart. */
export interface Box {
  x: number;
  y: number;
  w: number;
  h: number;
}

/** The layers of a slide, bottom to top. */
export const LAYERS = ['background', 'content', 'pieces'] as const;
export type Layer = (typeof LAYERS)[number];

export const TEXT_STYLES = ['title', 'heading', 'body', 'caption', 'choice'] as const;
export type TextStyle = (typeof TEXT_STYLES)[number];

export const SHAPES = ['rectangle', 'rounded', 'ellipse', 'triangle'] as const;
export type ShapeName = (typeof SHAPES)[number];

export const LAYOUTS = ['empty', 'title', 'text', 'choices', 'pattern'] as const;
export type LayoutName = (typeof LAYOUTS)[number];

export const THEMES = ['paper', 'night'] as const;
export type ThemeName = (typeof THEMES)[number];

/** A picture kept by the server, named by the SHA-256 of its re-encoded bytes. Sizes in pixels. */
export interface AssetRef {
  hash: string;
  width: number;
  height: number;
  isAnimated: boolean;
}

interface ElementBase {
  id: ElementId;
  layer: Layer;
  box: Box;
  /** Position among the elements of its layer: a fractional index, compared as a string. */
  order: string;
  /** What a screen reader and the list of things call it; '' when it speaks for itself. */
  name: string;
}

export interface TextElement extends ElementBase {
  kind: 'text';
  style: TextStyle;
  text: RichText;
  /** '#rrggbb', or '' for the theme's ink. */
  colour: string;
}

export interface ShapeElement extends ElementBase {
  kind: 'shape';
  shape: ShapeName;
  text: RichText;
  fill: string;
  colour: string;
}

export interface PictureElement extends ElementBase {
  kind: 'picture';
  asset: AssetRef;
  alt: string;
  credit: string;
  fit: 'cover' | 'contain';
}

export interface ZoneElement extends ElementBase {
  kind: 'zone';
  isVisible: boolean;
  /** The pieces expected here. It is a key: null in anything a student receives. */
  expects: ElementId[] | null;
}

export interface ChoiceOption {
  id: OptionId;
  text: string;
}

/** The part of a question that students see; one member per kind. */
export interface ChoiceQuestion {
  kind: 'choice';
  options: ChoiceOption[];
  isMultiple: boolean;
  points: number;
}
export type Question = ChoiceQuestion;

export interface ChoiceKey {
  kind: 'choice';
  optionIds: OptionId[];
}
export type QuestionKey = ChoiceKey;

export interface QuestionElement extends ElementBase {
  kind: 'question';
  /** The prompt. */
  text: RichText;
  question: Question;
  /** The expected answer; null when there is none, and in anything a student receives. */
  key: QuestionKey | null;
}

export type SlideElement =
  TextElement | ShapeElement | PictureElement | ZoneElement | QuestionElement;
export type ElementKind = SlideElement['kind'];

export interface Slide {
  id: SlideId;
  /** The slide's name on cards, in links and in lists. */
  title: string;
  /** Where its card lies on the map, in map units (one card is 150 wide). */
  x: number;
  y: number;
  /** A card moved by hand is left where it is by the layout. */
  isPlacedByHand: boolean;
  isEnding: boolean;
  /** Left out of what students get. */
  isLeftOut: boolean;
  /** Students may make leaves from it. */
  isPattern: boolean;
  layout: LayoutName;
  /** Fill of the stage under the background layer, '#rrggbb', or '' for the theme's paper. */
  fill: string;
  /** For the teacher only. */
  notes: string;
  /** Bottom to top: by layer, then by order. */
  elements: SlideElement[];
}

/** What on the slide carries a link. */
export type Carrier =
  | { kind: 'element'; elementId: ElementId }
  | { kind: 'words'; elementId: ElementId }
  | { kind: 'none' };

export type Target = { kind: 'slide'; slideId: SlideId };

export interface Link {
  id: LinkId;
  from: SlideId;
  carrier: Carrier;
  target: Target;
  /** The wording of the choice: the carrier's own words where it has any. */
  wording: string;
}

/** A plain reading of a deck document; never changed in place. */
export interface Deck {
  title: string;
  theme: ThemeName;
  startSlideId: SlideId | null;
  slides: Record<SlideId, Slide>;
  links: Record<LinkId, Link>;
}

/** A piece is any text, picture or shape on the pieces layer: students may move it. */
export function isPiece(element: SlideElement): boolean {
  return element.layer === 'pieces' && element.kind !== 'zone' && element.kind !== 'question';
}

/** Things wholly outside the stage are spare material: never shown. */
export function isSpare(element: SlideElement): boolean {
  const { x, y, w, h } = element.box;
  return x >= STAGE.width || y >= STAGE.height || x + w <= 0 || y + h <= 0;
}
