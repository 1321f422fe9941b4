import { inReadingOrder } from '../geometry/readingOrder.js';
import { meets } from '../geometry/transform.js';
import type { Theme } from '../themes/theme.js';
import { CHOICE_PADDING } from '../themes/themes.js';
import type { Slide } from '../deck/types.js';
import { STAGE, type Box } from '../parts/place.js';
import { sure } from '../parts/sure.js';
import { isInSight, slideRole, thingsInTheWay, wordRoom } from '../scenery/scenery.js';
import { readingOrder } from '../stage/readingOrder.js';
import { mattersAt, mattersIn } from '../stage/pictureFit.js';
import { SMALLEST_AREA } from '../stage/legible.js';
import type { TextElement } from '../elements/text/text.js';
import { ARRANGEMENT_NAMES, ARRANGEMENTS, type ArrangementName } from './arrangements.js';
import { WHOLE_ROOM, type Region, type Room } from './regions.js';
import { keepsInView, lay, leastHeight, type Place, type Places } from './cells.js';
import { contentOf, lettersIn, partsOf, type Content, type Part } from './content.js';
import { fitted } from './fitted.js';
import { largestFree } from './largestFree.js';
import { MeasuredTexts, Measures } from './Measures.js';

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
/** The one that a slide has must be worse by so much before another takes its place. */
const STEADY = 0.12;
/** And one with which the scenery is in sight. */
const IN_SIGHT = 0.16;
const IN_SIGHT_BEHIND = 0.05;

/**
 * All ways to set a slide out that break no rule, the best first: nothing overlaps or leaves the stage, type can be read
 * from the back row and choices be touched, pictures keep what is on them, reading order is visual order, and what was
 * put there by hand stays. Empty where there is nothing to set out, or no room that would do.
 */
export function arrangementsOf(
  slide: Slide,
  theme: Theme,
  /** What neighbouring slides have. */
  kin: readonly ArrangementName[] = [],
): Arrangement[] {
  const content = contentOf(slide);
  const parts = partsOf(content);
  if (parts.length === 0 || parts.length > MOST_PARTS) return [];
  const page = roomBeside(content.kept, WHOLE_ROOM.box);
  const sceneRoom = roomOfScene(slide, theme);
  const shows = sceneRoom && sightOf(slide, theme);
  const beside = sceneRoom && roomBeside(content.kept, sceneRoom);
  // Beside the scenery first, then over it: it stands back behind words.
  const rooms = [...(beside ? [beside] : []), ...(page ? [page] : [])];
  const texts = new MeasuredTexts(theme, says(content));
  const measures = TIMES.map((times) => new Measures(texts, times));
  // A page has one picture to look at: where it has its own, the scenery may stand back behind it.
  const hasPicture = content.pictures.length > 0;
  const inSight = hasPicture ? IN_SIGHT_BEHIND : IN_SIGHT;
  const found: Arrangement[] = [];
  for (const name of ARRANGEMENT_NAMES) {
    let best: Arrangement | null = null;
    let isShown = false;
    for (const room of rooms) {
      for (const regions of ARRANGEMENTS[name].set(content, room)) {
        const places = largestThatFits(regions, measures);
        if (!places || !keepsRules(parts, content.kept, places)) continue;
        const isInView = shows !== null && shows(places);
        isShown ||= isInView;
        const scene = isScene(content, places) ? IN_SIGHT : isInView ? inSight : 0;
        const score =
          scoreOf(content, places, texts, room.box) + (kin.includes(name) ? KINSHIP : 0) + scene;
        if (!best || score > best.score) best = { name, places, score };
      }
      if (isShown && !hasPicture) break;
    }
    if (best) found.push(best);
  }
  if (found.length === 0) {
    const least = sure(measures.at(-1), 'there are sizes');
    const places = fitted(parts, content.kept, WHOLE_ROOM.box, least);
    if (places && keepsRules(parts, content.kept, places)) {
      found.push({ name: 'fitted', places, score: 0 });
    }
  }
  found.sort((a, b) => b.score - a.score);
  return found.filter(
    (one, at) => !found.slice(0, at).some((better) => looksLike(one.places, better.places)),
  );
}

/** The arrangement that a slide takes: the one chosen for it, the one it has as long as that is good enough, or the best. */
export function arrangementFor(
  all: readonly Arrangement[],
  has: { name: ArrangementName | null; isChosen: boolean },
): Arrangement | null {
  const [best] = all;
  if (!best) return null;
  const own = all.find(({ name }) => name === has.name);
  return own && (has.isChosen || own.score >= best.score - STEADY) ? own : best;
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
 * Laid in the largest type that fits. Most do not fit at all, so the smallest is tried first; larger type never needs less
 * room, so the others are halved and not all tried.
 */
function largestThatFits(regions: readonly Region[], measures: readonly Measures[]): Places | null {
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
  const fitting = measureAt(from);
  const places: Places = new Map();
  for (const { cell, box } of regions) lay(cell, box, fitting, places);
  return places;
}

/** The hard rules, reckoned from the boxes alone: whatever made them. Type sizes are held by `Measures`. */
function keepsRules(parts: readonly Part[], kept: readonly Box[], places: Places): boolean {
  const laid: { part: Part; box: Box }[] = [];
  let bare: Box | null = null;
  for (const part of parts) {
    const place = places.get(part.id);
    if (!place) return false;
    const { box } = place;
    if (box.x < 0 || box.y < 0) return false;
    if (box.x + box.w > STAGE.width || box.y + box.h > STAGE.height) return false;
    const isTouched = part.kind === 'text' && part.style === 'choice';
    if (isTouched && (box.w < SMALLEST_AREA || box.h < SMALLEST_AREA)) return false;
    if (part.kind === 'picture' && place.look.isFilled && !keepsInView(part, box)) return false;
    if (part.kind === 'picture' && place.look.isUnder) {
      bare = mattersAt({ ...part, box, fit: 'cover' }, mattersIn(part) ?? MIDDLE);
      continue;
    }
    if (laid.some((other) => meets(other.box, box)) || kept.some((other) => meets(other, box))) {
      return false;
    }
    laid.push({ part, box });
  }
  const over = bare;
  if (over === null) return true;
  return !laid.some(({ box }) => meets(over, box)) && isReadInOrder(laid);
}

/** Whether choices, which may stand anywhere over a picture, are read in the order in which they were put there. */
function isReadInOrder(laid: readonly { part: Part; box: Box }[]): boolean {
  const choices = laid.flatMap(({ part, box }) =>
    part.kind === 'text' && part.style === 'choice' ? [{ ...part, box }] : [],
  );
  const orders = [readingOrder(choices), inReadingOrder(choices, true)];
  return orders.every((order) => order.every((one, at) => one === choices[at]));
}

/** What is not covered in a picture of which it is neither said nor guessed what matters, in shares: such a way is not taken by itself. */
const MIDDLE: Box = { x: 0.36, y: 0.31, w: 0.28, h: 0.38 };

const AREA = STAGE.width * STAGE.height;
/** The share of a page that is filled when it looks neither bare nor crowded. */
const WELL_FILLED = 0.52;

/** How good an arrangement looks, from 0 to about 1. */
function scoreOf(content: Content, places: Places, measured: MeasuredTexts, room: Box): number {
  // How much of the page a room beside scenery is, that much is to be filled.
  const area = AREA * ((room.w * room.h) / (WHOLE_ROOM.box.w * WHOLE_ROOM.box.h));
  const parts = partsOf(content).filter(({ id }) => !places.get(id)?.look.isUnder);
  const under = content.pictures.find(({ id }) => places.get(id)?.look.isUnder);
  let [filled, x, y, shown, type, texts, tall] = [0, 0, 0, 0, 0, 0, 0];
  const edges = new Set<number>();
  for (const part of parts) {
    const place = places.get(part.id);
    if (!place) continue;
    const { box } = place;
    const w = part.kind === 'text' ? widthSeen(part, place, measured) : box.w;
    const area = w * box.h;
    filled += area;
    x += area * (box.x + (place.look.align === 'center' ? box.w : w) / 2);
    y += area * (box.y + box.h / 2);
    edges.add(Math.round(place.look.align === 'center' ? box.x + box.w / 2 : box.x));
    if (part.kind === 'text' && part.style === 'choice') {
      const [words, inner] = [measured.of(part), box.w - 2 * CHOICE_PADDING];
      // Lines break between words: short ones may be more than their letters fill.
      const isLong = words.widestLine * place.size > 1.5 * inner;
      const lines = isLong
        ? words.height(inner, place.size, 1) / words.height(1e5, place.size, 1)
        : 1;
      tall += Math.max(0, Math.round(lines) - 2);
    }
    if (part.kind !== 'text') shown += area;
    else if (lettersIn(part) > 0) {
      type += Math.min(1.4, place.size / measured.standardSize(part));
      texts += 1;
    }
  }
  if (filled === 0) return 0;
  const fill = 1 - Math.min(1, Math.abs(filled / area - WELL_FILLED) / WELL_FILLED);
  const balance =
    1 -
    Math.min(
      1,
      Math.abs(x / filled - (room.x + room.w / 2)) / STAGE.width +
        Math.abs(y / filled - (room.y + room.h * 0.476)) / STAGE.height,
    );
  const large = texts > 0 ? type / texts / 1.4 : 1;
  const order = 1 - Math.min(1, (edges.size - 1) / Math.max(3, parts.length));
  const wants = content.pictures.length + content.blocks.length > 0;
  // The scenery is not shown at the cost of a picture: that is as large as the page lets it be, not the room beside.
  const page = content.pictures.length > 0 ? AREA : area;
  const picture = wants && !under ? Math.min(1, shown / page / 0.4) : 1;
  const title = content.title && places.get(content.title.id);
  const lines = title ? title.box.h / (title.size * 1.12) : 1;
  const long = 0.03 * Math.max(0, Math.round(lines) - 3);
  // A stamp in a corner is worse than no picture.
  const small = wants && !under && shown / page < 0.1 ? 0.15 : 0;
  // Of a picture that is covered in part it must be known what may be.
  const covered = !under
    ? 0
    : under.matters
      ? COVERED
      : under.asset.seems
        ? COVERED_GUESSED
        : COVERED_UNASKED;
  // Choices are read at a glance: more than two lines of one are no label any more.
  const faults = long + small + covered + 0.045 * Math.min(4, tall);
  return (
    0.34 * (under ? 1 : fill) + 0.2 * balance + 0.18 * large + 0.1 * order + 0.18 * picture - faults
  );
}

const COVERED = 0.06;
const COVERED_GUESSED = 0.16;
const COVERED_UNASKED = 0.4;

/** How much of the width of a text is seen: the words, not the empty rest of their lines. */
const widthSeen = (text: TextElement, { box, size }: Place, measured: MeasuredTexts): number =>
  text.style === 'choice' ? box.w : Math.min(box.w, measured.of(text).widestLine * size);

/** Whether there is anything on a slide besides its title and texts that nobody has written in yet. */
const says = ({ texts, choices, pictures, blocks }: Content): boolean =>
  choices.length + pictures.length + blocks.length > 0 || texts.some((one) => lettersIn(one) > 0);

/** Whether a class would take two arrangements for one. */
function looksLike(one: Places, other: Places): boolean {
  let far = 0;
  for (const [id, { box }] of one) {
    const there = other.get(id)?.box;
    if (!there) return false;
    far = Math.max(
      far,
      Math.abs(box.x + box.w / 2 - there.x - there.w / 2),
      Math.abs(box.y + box.h / 2 - there.y - there.h / 2),
      Math.abs(box.w - there.w) / 2,
    );
  }
  return far < 40;
}
