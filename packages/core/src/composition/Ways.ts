import type { Slide } from '../deck/types.js';
import type { Box } from '../parts/place.js';
import { sure } from '../parts/sure.js';
import { isInSight, slideRole, thingsInTheWay, wordRoom } from '../scenery/scenery.js';
import type { Theme } from '../themes/theme.js';
import {
  ARRANGEMENTS,
  isLoud,
  type ArrangementKind,
  type ArrangementName,
} from './arrangements.js';
import { lay, leastHeight, type Places } from './cells.js';
import { contentOf, lettersIn, partsOf, type Content, type Part } from './content.js';
import { crowded } from './crowded.js';
import { fitted } from './fitted.js';
import { largestFree } from './largestFree.js';
import { MeasuredTexts, Measures } from './Measures.js';
import { turned, WHOLE_ROOM, type Region, type Room, type Setting } from './regions.js';
import { keepsRules } from './rules.js';
import { scoreOf } from './score.js';

/** One way to set a slide out. */
export interface Arrangement {
  name: ArrangementName;
  places: Places;
  /** How good it looks, from 0 to about 1; the best first. */
  score: number;
}

/** Of more things no arrangement is read by anybody, and trying them all would take long. */
const MOST_PARTS = 40;
/** How many times as large as the theme says type is tried, the largest first. */
const TIMES = [1.6, 1.4, 1.22, 1.1, 1, 0.88, 0.78];
/** What an arrangement that the neighbours have is worth more: a deck keeps a rhythm. */
const KINSHIP = 0.06;
/** Words on a band of colour are loud: a slide has them when somebody chose so, or its neighbours have. */
const LOUD = 0.12;
/** What one with which the scenery is in sight is worth more. */
const IN_SIGHT = 0.16;
const IN_SIGHT_BEHIND = 0.05;

/** A setting, and the largest type in which it fits. */
interface Fitting {
  regions: Setting;
  sizes: Measures;
}

/** The ways that break no rule to set one slide out, by the names of arrangements. */
export class Ways {
  readonly #content: Content;
  readonly #parts: readonly Part[];
  /** Beside the scenery first, then over it: it stands back behind words. */
  readonly #rooms: readonly Room[];
  readonly #texts: MeasuredTexts;
  readonly #measures: readonly Measures[];
  readonly #kin: readonly ArrangementName[];
  readonly #shows: ((places: Places) => boolean) | null;
  readonly #fitting = new Map<string, Fitting[]>();

  /** `kin`: what neighbouring slides have. */
  constructor(slide: Slide, theme: Theme, kin: readonly ArrangementName[]) {
    this.#content = contentOf(slide);
    this.#parts = partsOf(this.#content);
    this.#kin = kin;
    const { kept } = this.#content;
    const page = roomBeside(kept, WHOLE_ROOM.box);
    const sceneRoom = roomOfScene(slide, theme);
    const beside = sceneRoom && roomBeside(kept, sceneRoom);
    this.#shows = sceneRoom && sightOf(slide, theme);
    this.#rooms = [...(beside ? [beside] : []), ...(page ? [page] : [])];
    this.#texts = new MeasuredTexts(theme, says(this.#content));
    this.#measures = TIMES.map((times) => new Measures(this.#texts, times));
  }

  get isForNone(): boolean {
    return this.#parts.length === 0 || this.#parts.length > MOST_PARTS;
  }

  /** The best of an arrangement's ways that `mayBe` taken; null where it has none. */
  bestOf(
    name: ArrangementName,
    mayBe: (way: Arrangement) => boolean = () => true,
  ): Arrangement | null {
    const content = this.#content;
    // A page has one picture to look at: where it has its own, the scenery may stand back behind it.
    const hasPicture = content.pictures.length > 0;
    const liked = (this.#kin.includes(name) ? KINSHIP : 0) - (isLoud(name) ? LOUD : 0);
    let best: Arrangement | null = null;
    let isShown = false;
    for (const room of this.#rooms) {
      for (const { regions, sizes } of this.#fittingIn(name, room)) {
        const places: Places = new Map();
        for (const { cell, box } of regions) lay(cell, box, sizes, places);
        if (!keepsRules(this.#parts, content.kept, places)) continue;
        const isInView = this.#shows !== null && this.#shows(places);
        isShown ||= isInView;
        const inSight = hasPicture ? IN_SIGHT_BEHIND : IN_SIGHT;
        const scene = isScene(content, places) ? IN_SIGHT : isInView ? inSight : 0;
        const score = scoreOf(content, places, this.#texts, room.box) + liked + scene;
        const way = { name, places, score };
        if ((best === null || score > best.score) && mayBe(way)) best = way;
      }
      if (isShown && !hasPicture) break;
    }
    return best;
  }

  /** Where nothing that was thought out fits, each part at a spot that is free; null where there are none. */
  anyhow(): Arrangement | null {
    const least = sure(this.#measures.at(-1), 'there are sizes');
    const places = fitted(this.#parts, this.#content.kept, WHOLE_ROOM.box, least);
    if (!places || !keepsRules(this.#parts, this.#content.kept, places)) return null;
    return { name: 'fitted', places, score: 0 };
  }

  /** What has no room at all, in rows that are too close: no way to offer, but better than a pile. Null where not even that helps. */
  get tooClose(): Arrangement | null {
    const room = this.#rooms.at(-1);
    const least = sure(this.#measures.at(-1), 'there are sizes');
    const places = room && crowded(this.#content, room, least, this.#texts);
    return places ? { name: 'crowded', places, score: 0 } : null;
  }

  /** What fits into a room; what has left and right changed fits as the other does. */
  #fittingIn(name: ArrangementName, room: Room): readonly Fitting[] {
    const arrangement: ArrangementKind = ARRANGEMENTS[name];
    if (arrangement.mirrors) {
      return this.#fittingIn(arrangement.mirrors, room).map(({ regions, sizes }) => ({
        regions: turned(regions, room),
        sizes,
      }));
    }
    const key = `${name} ${this.#rooms.indexOf(room)}`;
    let fitting = this.#fitting.get(key);
    if (!fitting) {
      fitting = [];
      for (const regions of arrangement.set(this.#content, room)) {
        const sizes = largestThatFits(regions, this.#measures);
        if (sizes) fitting.push({ regions, sizes });
      }
      this.#fitting.set(key, fitting);
    }
    return fitting;
  }
}

/** Whether a picture of which it is known what matters stands for the scenery. */
const isScene = ({ pictures }: Content, places: Places): boolean =>
  pictures.some(({ id, matters }) => matters !== null && places.get(id)?.look.isUnder);

/** The room beside the things of the slide's scenery, in slide units; null where it has none, or only a quiet one. */
function roomOfScene(slide: Slide, theme: Theme): Box | null {
  const { picture, fill } = slide.ground;
  if (theme.amount !== 'full' || picture || fill !== '') return null;
  const room = wordRoom(theme.scenery, slideRole(slide));
  const { box } = WHOLE_ROOM;
  const right = Math.min(box.x + box.w, room.x + room.w - AIR);
  const foot = Math.min(box.y + box.h, room.y + room.h - AIR);
  return { ...box, w: right - box.x, h: foot - box.y };
}
/** Between words and the things of a scenery, in slide units. */
const AIR = 16;

/** Tells whether places leave the things of the scenery in sight, so that it need not stand back. */
function sightOf(slide: Slide, theme: Theme): (places: Places) => boolean {
  const role = slideRole(slide);
  const things = thingsInTheWay(slide, theme);
  return (places) => {
    const laid = things.map((one) => ({ ...one, box: places.get(one.id)?.box ?? one.box }));
    return isInSight(theme.scenery, role, laid);
  };
}

function roomBeside(kept: readonly Box[], page: Box): Room | null {
  if (kept.length === 0) return { box: page, isWhole: page === WHOLE_ROOM.box };
  const box = largestFree(page, kept, 24);
  return box && box.w >= 320 && box.h >= 180 ? { box, isWhole: false } : null;
}

/**
 * The largest type that fits. Most do not fit at all, so the smallest is tried first; larger type never needs less
 * room, so the others are halved and not all tried.
 */
function largestThatFits(
  regions: readonly Region[],
  measures: readonly Measures[],
): Measures | null {
  const measureAt = (at: number): Measures => sure(measures[at], 'it lies between the ends');
  const fits = (at: number): boolean =>
    regions.every(({ cell, box }) => leastHeight(cell, box.w, measureAt(at)) <= box.h);
  let [from, before] = [0, measures.length - 1];
  if (!fits(before)) return null;
  while (from < before) {
    const middle = (from + before) >> 1;
    if (fits(middle)) before = middle;
    else from = middle + 1;
  }
  return measureAt(from);
}

/** Whether there is anything on a slide besides its title and texts that nobody has written in yet. */
const says = ({ texts, choices, pictures, blocks }: Content): boolean =>
  choices.length + pictures.length + blocks.length > 0 || texts.some((one) => lettersIn(one) > 0);
