import { type Theme, themeOn } from '../themes/theme.js';
import { generateKeyBetween } from 'fractional-indexing';
import * as Y from 'yjs';
import { command, UNCHANGED, type Plan } from '../deck/command.js';
import { validOrder } from '../deck/arranging/elementCommands.js';
import {
  byLayerAndOrder,
  deckMap,
  elementOf,
  linksMap,
  readSlide,
  slideOf,
  slidesMap,
  themesMap,
} from '../deck/document.js';
import { readTheme } from '../deck/readDeck.js';
import type { Slide } from '../deck/types.js';
import { idOf, type ElementId, type SlideId } from '../parts/ids.js';
import { asRecord } from '../parts/decode.js';
import { sameData } from '../parts/sameData.js';
import { sure } from '../parts/sure.js';
import type { SlideElement } from '../elements/registry.js';
import type { Place } from './cells.js';
import { asSetOut } from './movedByHand.js';
import { refuse } from '../parts/refusals.js';
import { arrangementFor, arrangementsOf } from './arrange.js';
import type { Arrangement } from './Ways.js';
import { ARRANGEMENTS, type ArrangementName } from './arrangements.js';

export const isArrangement = (name: string | null): name is ArrangementName =>
  name !== null && Object.hasOwn(ARRANGEMENTS, name);

/** The slide as it is when everything on it that can be is set out, what was moved by hand too. */
export const takenUp = (slide: Slide): Slide => ({
  ...slide,
  elements: slide.elements.map((element) => ({ ...element, setOut: asSetOut(element) })),
});

const taken = (slide: Slide): Slide => (slide.setOut ? slide : takenUp(slide));

/** The ways to set a slide out; one that was laid by hand so far is taken up as a whole. */
export const waysToSetOut = (slide: Slide, theme: Theme, kin?: ArrangementName[]): Arrangement[] =>
  arrangementsOf(taken(slide), theme, kin);

/**
 * Sets slides out: in the arrangement named as far as it is for them, or the best for each. From then on they set
 * themselves out while things come and go.
 * Refused: `setOut.nothing`, `slide.gone`.
 */
export const setOut = command(
  'setOut',
  'deck:write',
  (doc: Y.Doc, slideIds: readonly SlideId[], name: ArrangementName | null = null): Plan => {
    const there = slideIds.filter((slideId) => slideOf(doc, slideId));
    if (there.length === 0) return refuse('slide.gone');
    const theme = readTheme(doc);
    const kin = kinship(doc);
    const found = there.flatMap((slideId) => {
      const slide = readSlide(slideId, sure(slideOf(doc, slideId), 'it is there'));
      const has = { name, isChosen: name !== null };
      const way = arrangementFor(taken(slide), themeOn(slide, theme), has, kin(slideId));
      return way ? [{ slide, way }] : [];
    });
    if (found.length === 0) return refuse('setOut.nothing');
    return () => {
      for (const { slide, way } of found) {
        place(doc, slide, way, name !== null && way.name === name);
      }
    };
  },
);

/**
 * What slides that set themselves out make of what has come, gone or grown on them. Those laid by hand, and those where
 * nothing would lie otherwise, are left as they are.
 */
export const setOutAgain = command(
  'setOutAgain',
  'deck:write',
  (doc: Y.Doc, slideIds: readonly SlideId[]): Plan => {
    const theme = readTheme(doc);
    const kin = kinship(doc);
    const found = slideIds.flatMap((slideId) => {
      const map = slideOf(doc, slideId);
      if (!map?.get('setOut')) return [];
      const slide = readSlide(slideId, map);
      if (!slide.setOut) return [];
      const { name, isChosen } = slide.setOut;
      const known = { name: isArrangement(name) ? name : null, isChosen };
      const way = arrangementFor(slide, themeOn(slide, theme), known, kin(slideId));
      return way ? [{ slide, way, isChosen }] : [];
    });
    if (found.length === 0) return UNCHANGED;
    return () => {
      for (const { slide, way, isChosen } of found) {
        place(doc, slide, way, isChosen && slide.setOut?.name === way.name);
      }
    };
  },
);

/** A slide is laid out by hand from now on; everything stays where it is. Refused: `slide.gone`. */
export const leaveAsItLies = command(
  'leaveAsItLies',
  'deck:write',
  (doc: Y.Doc, slideId: SlideId): Plan => {
    const slide = slideOf(doc, slideId);
    if (!slide) return refuse('slide.gone');
    return () => {
      slide.delete('setOut');
    };
  },
);

/**
 * Things that were moved by hand are set out with the rest again.
 * Refused: `thing.gone`.
 */
export const takeUp = command(
  'takeUp',
  'deck:write',
  (doc: Y.Doc, slideId: SlideId, elementIds: readonly ElementId[]): Plan => {
    const slide = slideOf(doc, slideId);
    const there = slide
      ? readSlide(slideId, slide).elements.filter(({ id }) => elementIds.includes(id))
      : [];
    if (there.length === 0) return refuse('thing.gone');
    return () => {
      for (const element of there) {
        // What it was given besides its place is its own to give again.
        const setOut = { ...asSetOut(element), ...element.setOut, box: element.box };
        elementOf(doc, slideId, element.id)?.set('setOut', setOut);
      }
    };
  },
);

/** A slide as it lies in an arrangement. */
export function arranged(slide: Slide, { places }: Arrangement): Slide {
  const elements = slide.elements.map((element) => laid(element, places.get(element.id)));
  const under = elements.findIndex(({ id }) => places.get(id)?.look.isUnder);
  const lowest = elements.find(({ layer }) => layer === 'content');
  const picture = elements[under];
  if (picture && lowest && picture !== lowest) {
    const order = generateKeyBetween(null, validOrder(lowest.order));
    elements[under] = { ...picture, order };
  }
  return { ...slide, elements: elements.sort(byLayerAndOrder) };
}

function laid(element: SlideElement, place: Place | undefined): SlideElement {
  if (!place) return element;
  const { box, size, look } = place;
  const was = element.setOut;
  const setOut = { box, size: size || null, align: look.align ?? null, fit: null };
  if (element.kind === 'text') {
    // How it was aligned by hand stays.
    const isByHand = was !== null && element.align !== was.align;
    const align = isByHand ? element.align : setOut.align;
    return {
      ...element,
      box,
      size,
      align,
      stands: look.stands ?? 'bare',
      setOut: isByHand ? { ...setOut, align: was.align } : setOut,
    };
  }
  if (element.kind === 'picture') {
    const isByHand = was !== null && was.fit !== null && element.fit !== was.fit;
    const fit = look.isFilled ? 'cover' : 'contain';
    return isByHand
      ? { ...element, box, setOut: { ...setOut, fit: was.fit } }
      : { ...element, box, fit, setOut: { ...setOut, fit } };
  }
  return { ...element, box, setOut };
}

/** Inside a transaction: lays things where an arrangement has them; what lies so already is not written. */
function place(doc: Y.Doc, slide: Slide, way: Arrangement, isChosen: boolean): void {
  const were = new Map(slide.elements.map((element) => [element.id, element]));
  for (const element of arranged(slide, way).elements) {
    const map = elementOf(doc, slide.id, element.id);
    const was = were.get(element.id) as Record<string, unknown> | undefined;
    for (const [key, value] of Object.entries<unknown>({ ...element })) {
      if (!sameData(value, was?.[key])) map?.set(key, value);
    }
  }
  const now = { name: way.name, isChosen };
  if (!sameData(now, slide.setOut)) slideOf(doc, slide.id)?.set('setOut', now);
}

/**
 * Tells the arrangements of the slides that lead to a slide, and of those that they lead to besides. One pass over the
 * links, however many slides are asked for.
 */
function kinship(doc: Y.Doc): (slideId: SlideId) => ArrangementName[] {
  const comesFrom = new Map<string, Set<string>>();
  const leadsTo = new Map<string, Set<string>>();
  const note = (map: Map<string, Set<string>>, one: string, other: string): void => {
    map.set(one, (map.get(one) ?? new Set()).add(other));
  };
  for (const link of linksMap(doc).values()) {
    if (!(link instanceof Y.Map)) continue;
    const from: unknown = link.get('from');
    const to = asRecord(link.get('target')).slideId;
    if (typeof from !== 'string' || typeof to !== 'string') continue;
    note(leadsTo, from, to);
    note(comesFrom, to, from);
  }
  return (slideId) => {
    const before = [...(comesFrom.get(slideId) ?? [])];
    const near = new Set([...before, ...before.flatMap((id) => [...(leadsTo.get(id) ?? [])])]);
    near.delete(slideId);
    return [...near].flatMap((id) => {
      const slide = slidesMap(doc).get(id);
      const name = slide instanceof Y.Map ? asRecord(slide.get('setOut')).name : null;
      return typeof name === 'string' && isArrangement(name) ? [name] : [];
    });
  };
}

/** What of a shared type says where in the document it is. */
interface Shared {
  parent: Shared | null;
  _item: { parentSub: string | null } | null;
}

/** Fields of a slide itself with which its arrangement has to do. */
const HEED = new Set<string | null>([
  ...['theme', 'scenery', 'ground', 'layout', 'elements'],
  ...['isEnding', 'isPattern'],
]);

/** The slides of a deck on which a transaction has changed what is set out: all of them when the theme is another one. */
export function slidesToSetOut(doc: Y.Doc, { changed }: Y.Transaction): SlideId[] {
  const found = new Set<string>();
  const slides: unknown = slidesMap(doc);
  for (const [type, keys] of changed) {
    const isDeck = (type as unknown) === deckMap(doc);
    const isOfAll = isDeck && (keys.has('theme') || keys.has('scenery'));
    if (isOfAll || (type as unknown) === themesMap(doc)) return [...slidesMap(doc).keys()];
    if ((type as unknown) === slides) {
      for (const id of keys) if (id !== null) found.add(id);
      continue;
    }
    let at = type as Shared;
    while (at.parent && at.parent !== slides) at = at.parent;
    const id = at.parent ? at._item?.parentSub : null;
    const isOfSlide = at === (type as Shared);
    if (id && (!isOfSlide || [...keys].some((key) => HEED.has(key)))) found.add(id);
  }
  return [...found].map((id) => idOf<SlideId>(id));
}
