import type { Question, QuestionKey } from '../questions/registry.js';
import type { ElementId } from '../ids.js';
import type { FamilyName } from '../stage/fonts.js';
import type { ShapeName } from '../stage/shapes/shapes.js';
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

export const TEXT_STYLES = ['title', 'subtitle', 'heading', 'body', 'caption', 'choice'] as const;
export type TextStyle = (typeof TEXT_STYLES)[number];

/** Where a layout has put something: a change of layout moves it to the same slot of the new one. */
export const SLOTS = ['title', 'subtitle', 'body', 'second', 'picture', 'caption'] as const;
export type Slot = (typeof SLOTS)[number];

/** A colour '#rrggbb', '' for what the theme says, 'none' for nothing; or a gradient. */
export type Fill = string | Gradient;
export interface Gradient {
  from: string;
  to: string;
  /** Degrees clockwise; 0 runs from left to right. */
  angle: number;
  isRadial: boolean;
}

export const DASHES = ['solid', 'dashed', 'dotted'] as const;
export type Dash = (typeof DASHES)[number];
export interface Outline {
  /** '#rrggbb', or '' for the theme's ink. */
  colour: string;
  /** In slide units; 0 draws none. */
  weight: number;
  dash: Dash;
}

export const SHADOWS = ['none', 'soft', 'lifted'] as const;
export type Shadow = (typeof SHADOWS)[number];

/** A picture kept by the server, named by the SHA-256 of its re-encoded bytes. Sizes in pixels. */
export interface AssetRef {
  hash: string;
  width: number;
  height: number;
  isAnimated: boolean;
}

/** A picture in a question, which has no element of its own to keep its credit. */
export interface CreditedAsset extends AssetRef {
  credit?: Credit;
}

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

export const ALIGNMENTS = ['start', 'center', 'end', 'justify'] as const;
export type Alignment = (typeof ALIGNMENTS)[number];
export const UPRIGHTS = ['top', 'middle', 'bottom'] as const;
export type Upright = (typeof UPRIGHTS)[number];

/** How words are set. 0 and '' leave it to the style, and thereby to the theme. */
export interface Typography {
  family: FamilyName | '';
  /** Type size in slide units. */
  size: number;
  /** '#rrggbb'. */
  colour: string;
  align: Alignment | '';
  upright: Upright | '';
  /** Line height in type sizes. */
  leading: number;
  /** Space between paragraphs in type sizes. */
  gap: number;
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

/** Creative Commons' licences by their short names, and what else a picture may be under. */
export const LICENCES = [
  'unknown',
  'own',
  'public-domain',
  'cc0',
  'cc-by',
  'cc-by-sa',
  'cc-by-nc',
  'cc-by-nd',
  'cc-by-nc-sa',
  'cc-by-nc-nd',
] as const;
export type Licence = (typeof LICENCES)[number];

/** Attribution is the condition that all of these share. */
export const wantsCredit = (licence: Licence): boolean => licence.startsWith('cc-by');

/** Who made a picture, where it is from and what may be done with it. */
export interface Credit {
  title: string;
  author: string;
  /** Where it is from: a web address, or words. */
  source: string;
  licence: Licence;
}

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

/** One stroke of a pen: x, y and pressure (0 to 100) in turn, places in tenths of a unit of the frame. */
export interface InkStroke {
  colour: string;
  weight: number;
  /** Broad and see-through. */
  isMarker: boolean;
  points: number[];
}

/** A drawing by hand. `frame` is what its strokes were drawn in; it is stretched to the box. */
export interface InkElement extends ElementBase {
  kind: 'ink';
  frame: Box;
  strokes: InkStroke[];
}

/** A sound or a video kept by the server, named by the SHA-256 of its bytes. */
export interface MediaRef {
  hash: string;
  type: string;
  /** Bytes. */
  size: number;
  /** Seconds; 0 when it is not known. */
  seconds: number;
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

export interface QuestionElement extends ElementBase {
  kind: 'question';
  /** The prompt. */
  text: RichText;
  question: Question;
  /** The expected answer; null when there is none, and in anything a student receives. */
  key: QuestionKey | null;
  /** It is asked to make students think: it has no key and is never marked. */
  isForThinking: boolean;
  /** It must be answered before handing in. */
  isRequired: boolean;
  /** The first answer stands; otherwise it may be changed until it is handed in. */
  isFinal: boolean;
  /** What it is about, or what is drawn and marked on. */
  picture: CreditedAsset | null;
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
