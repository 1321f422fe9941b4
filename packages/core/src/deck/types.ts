import type { ElementId, LinkId, OptionId, SectionId, SlideId, StopId, TrailId } from '../ids.js';
import type { RichText } from './richText.js';
import type { Target } from './target.js';

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

/** Tints of sections and colours of trails, from the ink box of the look; ember stays with links. */
export const TINTS = ['petrol', 'brass', 'moss', 'plum', 'slate', 'clay'] as const;
export type Tint = (typeof TINTS)[number];

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
  /** Type size in slide units; 0 for that of the style. */
  size: number;
}

export interface ShapeElement extends ElementBase {
  kind: 'shape';
  shape: ShapeName;
  text: RichText;
  fill: string;
  colour: string;
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

export interface PictureElement extends ElementBase {
  kind: 'picture';
  asset: AssetRef;
  alt: string;
  /** It says nothing that must be read out: it needs no alternative text. */
  isDecoration: boolean;
  credit: string;
  licence: Licence;
  fit: Fit;
}

export interface ZoneElement extends ElementBase {
  kind: 'zone';
  isVisible: boolean;
  /** The pieces expected here. It is a key: null in anything a student receives. */
  expects: ElementId[] | null;
}

/** An area that is not to be seen and carries a link. */
export interface HotspotElement extends ElementBase {
  kind: 'hotspot';
  shape: 'rectangle' | 'ellipse';
}

/** A straight line through two corners of its box. */
export interface LineElement extends ElementBase {
  kind: 'line';
  /** From the upper left to the lower right, or from the lower left to the upper right. */
  slope: 'down' | 'up';
  colour: string;
  /** In slide units. */
  weight: number;
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
  /** It is asked to make students think: it has no key and is never marked. */
  isForThinking: boolean;
}

export type SlideElement =
  | TextElement
  | ShapeElement
  | PictureElement
  | HotspotElement
  | LineElement
  | ZoneElement
  | QuestionElement;
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
  /** The teacher has said that it is finished; otherwise it is a draft. */
  isReady: boolean;
  /** In a show the arrow keys go on from here even though there are choices. */
  runsOn: boolean;
  sectionId: SectionId | null;
  /**
   * The link that it came into being with: its written plan stands under that choice, and other links join it there.
   * 'top' where the plan stands at the left edge, '' where nobody has said.
   */
  trunkId: LinkId | 'top' | '';
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
  | { kind: 'option'; elementId: ElementId; optionId: OptionId }
  | { kind: 'none' };

export interface Link {
  id: LinkId;
  from: SlideId;
  carrier: Carrier;
  target: Target;
  /** The wording of the choice: the carrier's own words where it has any. */
  wording: string;
}

/** A group of slides, drawn as a region on the map. Sections may lie in each other. */
export interface Section {
  id: SectionId;
  name: string;
  tint: Tint;
  parentId: SectionId | null;
  /** Drawn as one card. */
  isFolded: boolean;
}

export interface TrailStop {
  id: StopId;
  slideId: SlideId;
}

/** A named walk through some of the slides; one slide may come several times. */
export interface Trail {
  id: TrailId;
  name: string;
  tint: Tint;
  stops: TrailStop[];
  /** It claims to step only where a link goes; Check proves it. */
  followsLinks: boolean;
}

/** A finding that the teacher has looked at and lets be, as long as the place stays as it was. */
export interface SetAside {
  reason: string;
  /** What the place looked like, in few letters. */
  print: string;
}

/** A plain reading of a deck document; never changed in place. */
export interface Deck {
  title: string;
  theme: ThemeName;
  startSlideId: SlideId | null;
  slides: Record<SlideId, Slide>;
  links: Record<LinkId, Link>;
  sections: Record<SectionId, Section>;
  /** In the order the teacher keeps them. */
  trails: Trail[];
  /** The trail that a show and a lesson walk; null when there is none. */
  defaultTrailId: TrailId | null;
  /** By the key of the finding. */
  setAside: Record<string, SetAside>;
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
