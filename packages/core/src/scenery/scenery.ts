import type { Slide } from '../deck/types.js';
import { isSpare } from '../elements/elements.js';
import type { SlideElement } from '../elements/registry.js';
import { hashOf } from '../parts/hash.js';
import { STAGE, type Box } from '../parts/place.js';
import type { ElementId } from '../parts/ids.js';
import { wordsOf } from '../parts/richText.js';
import type { SceneryName } from '../themes/kind.js';
import type { Theme } from '../themes/theme.js';
import { textFill } from '../themes/themes.js';

/** What a slide is for: its scenery stands back where there is much to read or to do. */
export const SLIDE_ROLES = [
  'title',
  'section',
  'words',
  'choices',
  'question',
  'ending',
  'leaf',
] as const;
export type SlideRole = (typeof SLIDE_ROLES)[number];

/** The picture in the background of a slide: enough to draw the same one on every device. */
export interface Scenery {
  name: SceneryName;
  role: SlideRole;
  seed: number;
  /** Toned down until every word can be read on it. */
  isQuiet: boolean;
  theme: Theme;
}

/** Whether a scenery has its things along the foot of the slide or on its right side. */
const LIES: Record<SceneryName, 'foot' | 'side'> = {
  sheets: 'side',
  hills: 'foot',
  herbarium: 'side',
  harbour: 'foot',
  stars: 'side',
  blueprint: 'side',
  pool: 'side',
  chalk: 'side',
  orchard: 'foot',
  city: 'foot',
  workshop: 'side',
  attic: 'side',
};
/** Where the things of a scenery begin, in slide units: from the top, or from the left. */
const BEGINS: Record<'foot' | 'side', Record<'open' | 'busy' | 'work', number>> = {
  foot: { open: 420, busy: 490, work: 600 },
  side: { open: 720, busy: 780, work: 1030 },
};

const stanceOf = (role: SlideRole): 'open' | 'busy' | 'work' =>
  role === 'question' || role === 'leaf'
    ? 'work'
    : role === 'words' || role === 'choices'
      ? 'busy'
      : 'open';

/** Where the things of a scenery stand, in slide units. */
export function sceneBox(name: SceneryName, role: SlideRole): Box {
  const lies = LIES[name];
  const from = BEGINS[lies][stanceOf(role)];
  return lies === 'foot'
    ? { x: 0, y: from, w: STAGE.width, h: STAGE.height - from }
    : { x: from, y: 0, w: STAGE.width - from, h: STAGE.height };
}

/** Where words stand beside the things of a scenery, in slide units. */
export function wordRoom(name: SceneryName, role: SlideRole): Box {
  const { x, y } = sceneBox(name, role);
  return LIES[name] === 'foot'
    ? { x: 24, y: 24, w: STAGE.width - 48, h: y - 24 }
    : { x: 24, y: 24, w: x - 24, h: STAGE.height - 48 };
}

/** What a slide is for, told by what is on it. */
export function slideRole(slide: Slide): SlideRole {
  const has = (is: (element: SlideElement) => boolean): boolean => slide.elements.some(is);
  if (has(({ kind }) => kind === 'question' || kind === 'zone')) return 'question';
  if (slide.isPattern || slide.layout === 'pattern') return 'leaf';
  if (slide.isEnding) return 'ending';
  if (slide.layout === 'title') return 'title';
  if (slide.layout === 'section') return 'section';
  return has((one) => one.kind === 'text' && one.style === 'choice') ? 'choices' : 'words';
}

/** Areas that nobody sees, and groups, whose members are looked at. */
const IS_NOT_SEEN = new Set<SlideElement['kind']>(['hotspot', 'closeup', 'group', 'line', 'ink']);

/** Whether an element's words stand on whatever is behind it. */
function hasBareWords(element: SlideElement, theme: Theme): boolean {
  switch (element.kind) {
    case 'text':
      return textFill(element, theme) === 'none' && wordsOf(element.text).trim() !== '';
    case 'shape':
      return element.fill === 'none' && wordsOf(element.text).trim() !== '';
    case 'table':
    case 'formula':
    case 'credits':
      return true;
    default:
      return false;
  }
}

const isWithin = (box: Box, room: Box): boolean =>
  box.x >= room.x &&
  box.y >= room.y &&
  box.x + box.w <= room.x + room.w &&
  box.y + box.h <= room.y + room.h;

/** Something on a slide, as scenery minds it: bare words are those that stand on whatever is behind them. */
export interface InTheWay {
  id: ElementId;
  box: Box;
  isBare: boolean;
}

/** All that is seen on a slide. */
export const thingsInTheWay = (slide: Slide, theme: Theme): InTheWay[] =>
  slide.elements
    .filter((one) => !isSpare(one) && !IS_NOT_SEEN.has(one.kind))
    .map((one) => ({ id: one.id, box: one.box, isBare: hasBareWords(one, theme) }));

/** Scenery of which more than this share is covered is no picture any more. */
const MOST_COVERED = 0.3;

/** Whether a scenery can be shown in full: words leave its things free, and not too much lies on them. */
export function isInSight(
  name: SceneryName,
  role: SlideRole,
  things: readonly InTheWay[],
): boolean {
  const room = wordRoom(name, role);
  const scene = sceneBox(name, role);
  let covered = 0;
  for (const { box, isBare } of things) {
    if (isBare && !isWithin(box, room)) return false;
    const w = Math.min(box.x + box.w, scene.x + scene.w) - Math.max(box.x, scene.x);
    const h = Math.min(box.y + box.h, scene.y + scene.h) - Math.max(box.y, scene.y);
    if (w > 0 && h > 0) covered += w * h;
  }
  return covered <= MOST_COVERED * scene.w * scene.h;
}

/**
 * The scenery of a slide; null where there is none, or the slide has a ground of its own. It is toned down where words
 * stand on its things: scenery gives way to words. `isElsewhere` tells what stands outside the picture, as on a phone.
 */
export function sceneryOf(
  slide: Slide,
  theme: Theme,
  isElsewhere: (element: SlideElement) => boolean = () => false,
): Scenery | null {
  const { amount, scenery: name } = theme;
  if (amount === 'none' || slide.ground.picture || slide.ground.fill !== '') return null;
  const role = slideRole(slide);
  const here = { ...slide, elements: slide.elements.filter((one) => !isElsewhere(one)) };
  const isQuiet = amount === 'quiet' || !isInSight(name, role, thingsInTheWay(here, theme));
  return { name, role, seed: hashOf(slide.id), isQuiet, theme };
}
