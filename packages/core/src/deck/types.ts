import { type DeckTheme, type Theme, type ThemeRef, themeOn } from '../themes/theme.js';
import type {
  ElementId,
  LinkId,
  OptionId,
  SectionId,
  SlideId,
  StopId,
  TrailId,
} from '../parts/ids.js';
import type { LayoutName } from '../layouts/names.js';
import type { Box, Slot } from '../parts/place.js';
import type { Alignment, TextStyle } from '../parts/typography.js';
import type { Amount } from '../themes/kind.js';
import type { Turn } from '../parts/turns.js';
import type { AssetRef, Credit } from '../parts/asset.js';
import type { Fill } from '../parts/fill.js';
import type { SlideElement } from '../elements/registry.js';
import type { Target } from './links/target.js';

/** Tints of sections and colours of trails, from the ink box of the look; ember stays with links. */
export const TINTS = ['petrol', 'brass', 'moss', 'plum', 'slate', 'clay'] as const;
export type Tint = (typeof TINTS)[number];

/** What lies under everything on a slide. */
export interface Ground {
  fill: Fill;
  picture: GroundPicture | null;
  /** A sheet of this colour over fill and picture; '' for none. */
  tint: string;
  /** How much of what is under the sheet it hides, 0 to 1. */
  tintStrength: number;
}
export const GROUND_FITS = ['fill', 'fit', 'tile'] as const;
export type GroundFit = (typeof GROUND_FITS)[number];
export interface GroundPicture {
  asset: AssetRef;
  fit: GroundFit;
  /** Of a tile or of a picture that fits, 1 as large as it is. */
  scale: number;
  /** Which part stays in sight when it is larger than the stage, 0 to 1 across and down. */
  x: number;
  y: number;
  credit: Credit;
}

/** A place that a layout of the deck's own keeps for something. */
export interface OwnPlace {
  slot: Slot;
  takes: 'text' | 'picture' | 'question';
  /** Of a text. */
  style: TextStyle;
  align: Alignment | null;
  box: Box;
  /** What stands in a place that is not shown lies beside the stage. */
  isShown: boolean;
  /** What it says while nothing stands in it; null for what such a place says anyway. */
  prompt: string | null;
}

/** A layout of the deck's own: slides of it follow when it changes. */
export interface OwnLayout {
  label: string;
  places: OwnPlace[];
  /** What lies under its slides; null leaves each its own. */
  ground: Ground | null;
  showsNumber: boolean;
}

export interface SlideSetOut {
  /** The arrangement that it has; null for none yet. */
  name: string | null;
  /** Somebody chose it: it stays as long as it fits. */
  isChosen: boolean;
}

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
   * 'top' where the plan stands at the left edge, null where nobody has said.
   */
  trunkId: LinkId | 'top' | null;
  layout: LayoutName;
  /** A layout of the deck's own that it follows; null for none. */
  ownLayout: string | null;
  /** It has a number and does not show it. */
  hidesNumber: boolean;
  /** A theme of its own; null for that of the deck. */
  theme: ThemeRef | null;
  /** As much scenery of its own; null for as much as the deck has. */
  scenery: Amount | null;
  /** How it comes, in its own way; null for that of the deck. */
  turn: Turn | null;
  /** How it sets itself out while things come and go; null for a slide that is laid out by hand. */
  setOut: SlideSetOut | null;
  ground: Ground;
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
  /** Of the choices of its slide the one that a show takes that plays by itself; left out where it is not. */
  isPlayed?: true;
}

/** A group of slides, drawn as a region on the map. Sections may lie in each other. */
export interface Section {
  id: SectionId;
  name: string;
  tint: Tint;
  parentId: SectionId | null;
  /** Drawn as one card. */
  isFolded: boolean;
  /** Minutes that a show means to spend in it; null where nobody has said. */
  minutes: number | null;
}

export interface TrailStop {
  id: StopId;
  slideId: SlideId;
  /** The close-up on that slide to fly into; null for the whole slide. */
  closeUpId: ElementId | null;
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

/** The theme that a slide is drawn in. */
export const themeFor = (deck: Pick<Deck, 'theme' | 'slides'>, slideId: SlideId): Theme =>
  themeOn(deck.slides[slideId], deck.theme);

/** A plain reading of a deck document; never changed in place. */
/** Which slides show their number: all, or those from one on; null for none. */
export type Numbering = 'all' | SlideId | null;

export interface Deck {
  title: string;
  theme: DeckTheme;
  /** How slides come that say nothing else. */
  turn: Turn;
  numbering: Numbering;
  /** Layouts of its own, by id. */
  layouts: Record<string, OwnLayout>;
  /** What it is written in, as a language tag (BCP 47): numbers are read as that language writes them. */
  language: string;
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
