import type * as Y from 'yjs';
import { isSpare } from '../../elements/elements.js';
import type { SlideElement } from '../../elements/registry.js';
import { newId, type SlideId } from '../../parts/ids.js';
import { SLOTS, type Box, type Slot } from '../../parts/place.js';
import { refuse } from '../../parts/refusals.js';
import { sameData } from '../../parts/sameData.js';
import { sure } from '../../parts/sure.js';
import { command, type Plan } from '../command.js';
import { elementOf, layoutsMap, readSlide, slideOf, slidesMap } from '../document.js';
import { MOST_OWN_LAYOUTS, readLayout, readLayouts } from '../readLayouts.js';
import type { OwnLayout, OwnPlace, Slide } from '../types.js';
import { fillSlot, slotOf } from './layoutCommands.js';

/**
 * Keeps how a slide is laid as a layout of the deck's own, which the slide follows from then on.
 * Refused: `slide.gone`, `layouts.tooMany`, `layout.nothing`.
 */
export const keepLayout = command(
  'keepLayout',
  'deck:write',
  (doc: Y.Doc, slideId: SlideId, label: string): Plan<{ id: string }> => {
    const slide = slideOf(doc, slideId);
    if (!slide) return refuse('slide.gone');
    const layouts = layoutsMap(doc);
    if (layouts.size >= MOST_OWN_LAYOUTS) {
      return refuse('layouts.tooMany', { most: MOST_OWN_LAYOUTS });
    }
    const places = placesOn(readSlide(slideId, slide));
    if (places.length === 0) return refuse('layout.nothing');
    return () => {
      const id = newId();
      layouts.set(id, readLayout({ label, ...takenFrom(doc, slideId, places) }));
      slide.set('ownLayout', id);
      slide.delete('setOut');
      return { id };
    };
  },
);

/**
 * Lays a layout anew as one of its slides is laid now; the other slides of it follow.
 * Refused: `slide.gone`, `deck.layout`, `layout.nothing`.
 */
export const relayLayout = command(
  'relayLayout',
  'deck:write',
  (doc: Y.Doc, slideId: SlideId): Plan => {
    const map = slideOf(doc, slideId);
    if (!map) return refuse('slide.gone');
    const slide = readSlide(slideId, map);
    const id = slide.ownLayout;
    const before = layoutWith(doc, id);
    if (id === null || !before) return refuse('deck.layout');
    const places = placesOn(slide);
    if (places.length === 0) return refuse('layout.nothing');
    return () => {
      const has = (slot: Slot): boolean => places.some(({ element }) => element.slot === slot);
      const hidden = before.places.filter(({ isShown, slot }) => !isShown && !has(slot));
      const { ground, places: shown } = takenFrom(doc, slideId, places, before.places, hidden);
      followChange(doc, id, { ...before, ground, places: [...shown, ...hidden] });
    };
  },
);

/**
 * Changes a layout of the deck's own; its slides follow, but for what lies elsewhere on them by hand.
 * Refused: `deck.layout`.
 */
export const changeLayout = command(
  'changeLayout',
  'deck:write',
  (doc: Y.Doc, id: string, change: Partial<OwnLayout>): Plan => {
    const before = layoutWith(doc, id);
    if (!before) return refuse('deck.layout');
    return () => {
      followChange(doc, id, { ...before, ...change });
    };
  },
);

/**
 * Lays slides as a layout of the deck's own says: what was moved by hand, too.
 * Refused: `slide.gone`, `deck.layout`.
 */
export const applyLayout = command(
  'applyLayout',
  'deck:write',
  (doc: Y.Doc, slideIds: readonly SlideId[], id: string): Plan => {
    const layout = layoutWith(doc, id);
    if (!layout) return refuse('deck.layout');
    const there = slideIds.filter((slideId) => slideOf(doc, slideId));
    if (there.length === 0) return refuse('slide.gone');
    return () => {
      for (const slideId of there) lay(doc, slideId, id, layout, null);
    };
  },
);

/**
 * Takes a layout out of the deck. Its slides stay as they lie.
 * Refused: `deck.layout`.
 */
export const removeLayout = command(
  'removeLayout',
  'deck:write',
  (doc: Y.Doc, id: string): Plan => {
    if (!layoutsMap(doc).has(id)) return refuse('deck.layout');
    return () => {
      layoutsMap(doc).delete(id);
      for (const [, slide] of slidesOf(doc, id)) {
        slide.delete('ownLayout');
        slide.delete('hidesNumber');
      }
    };
  },
);

const layoutWith = (doc: Y.Doc, id: string | null): OwnLayout | undefined =>
  id === null ? undefined : readLayouts(layoutsMap(doc).toJSON())[id];

function slidesOf(doc: Y.Doc, id: string): [SlideId, Y.Map<unknown>][] {
  return [...slidesMap(doc)].flatMap(([slideId]) => {
    const slide = slideOf(doc, slideId);
    return slide?.get('ownLayout') === id ? [[slideId, slide] as [SlideId, Y.Map<unknown>]] : [];
  });
}

function followChange(doc: Y.Doc, id: string, layout: OwnLayout): void {
  const before = layoutWith(doc, id);
  const now = readLayout(layout);
  layoutsMap(doc).set(id, now);
  for (const [slideId] of slidesOf(doc, id)) lay(doc, slideId, id, now, before ?? null);
}

interface PlacedElement {
  element: SlideElement;
  place: Omit<OwnPlace, 'slot' | 'isShown' | 'prompt'>;
}

const isChoice = (element: SlideElement): boolean =>
  element.kind === 'text' && element.style === 'choice';

/** What on a slide a layout has a place for: texts, choices, pictures and questions. */
function placesOn(slide: Slide): PlacedElement[] {
  return slide.elements
    .filter(
      (element) => element.layer === 'content' && element.groupId === null && !isSpare(element),
    )
    .flatMap((element): PlacedElement[] => {
      const { box } = element;
      switch (element.kind) {
        case 'text': {
          const { style, align } = element;
          return [{ element, place: { takes: 'text', style, align, box } }];
        }
        case 'picture':
        case 'question':
          return [{ element, place: { takes: element.kind, style: 'body', align: null, box } }];
        default:
          return [];
      }
    })
    .slice(0, SLOTS.length);
}

/** A layout's places as things lie; each of them is given a slot that has none. */
function takenFrom(
  doc: Y.Doc,
  slideId: SlideId,
  things: readonly PlacedElement[],
  /** As it was: what its places say while they are empty stays. */
  before: readonly OwnPlace[] = [],
  /** Those of them that are kept besides: nothing new is put into their slots. */
  besides: readonly OwnPlace[] = [],
): Pick<OwnLayout, 'places' | 'ground'> {
  const slide = sure(slideOf(doc, slideId), 'it was there when this was planned');
  const taken = new Set<Slot>(besides.map(({ slot }) => slot));
  const slots = new Map<SlideElement, Slot>();
  for (const { element } of things) {
    if (element.slot && !taken.has(element.slot)) {
      slots.set(element, element.slot);
      taken.add(element.slot);
    }
  }
  for (const { element, place } of things) {
    if (slots.has(element)) continue;
    const wanted: Slot =
      place.takes === 'picture' ? 'picture' : place.style === 'title' ? 'title' : 'body';
    const slot = [wanted, ...FURTHER, ...SLOTS].find((one) => !taken.has(one));
    // Of more things than there are slots, the uppermost have no place.
    if (!slot) continue;
    slots.set(element, slot);
    taken.add(slot);
    elementOf(doc, slideId, element.id)?.set('slot', slot);
  }
  const { ground } = readSlide(slideId, slide, []);
  const isPlain = ground.fill === '' && ground.picture === null && ground.tint === '';
  return {
    places: things.flatMap(({ element, place }) => {
      const slot = slots.get(element);
      const prompt = before.find((was) => was.slot === slot)?.prompt ?? null;
      return slot ? [{ ...place, slot, isShown: true, prompt }] : [];
    }),
    ground: isPlain ? null : ground,
  };
}
const FURTHER: readonly Slot[] = ['second', 'third', 'fourth', 'fifth', 'sixth'];

/** Between the stage and what is not shown, in slide units. */
const BESIDE = 60;
const lies = ({ box, isShown }: OwnPlace): Box => (isShown ? box : { ...box, x: -box.w - BESIDE });

/** Whether a text lies in a place and is only as high as its words have made it: no hand has moved it. */
const hasGrownFrom = (place: Box, element: SlideElement): boolean =>
  element.kind === 'text' &&
  element.fit === 'grow' &&
  element.box.h > place.h &&
  sameData({ ...place, h: element.box.h }, element.box);

/** Inside a transaction: a slide as a layout says; where that follows a change, what was moved since stays. */
function lay(
  doc: Y.Doc,
  slideId: SlideId,
  id: string,
  layout: OwnLayout,
  before: OwnLayout | null,
): void {
  const map = sure(slideOf(doc, slideId), 'it is there');
  const slide = readSlide(slideId, map);
  // One that has been set out since lies as it was set out.
  if (before && slide.setOut) return;
  map.set('ownLayout', id);
  map.delete('setOut');
  if (layout.showsNumber) map.delete('hidesNumber');
  else map.set('hidesNumber', true);
  const isMovedGround = before !== null && !sameData(before.ground ?? slide.ground, slide.ground);
  if (layout.ground && !isMovedGround) map.set('ground', layout.ground);
  const filled = new Set<Slot>();
  for (const element of slide.elements) {
    const stands = slotOf(element, slide);
    // Choices come and go with their links: the first takes the first place for one, and so on.
    const place = layout.places.find(
      ({ slot, takes, style }) =>
        takes === element.kind &&
        !filled.has(slot) &&
        (isChoice(element) ? style === 'choice' : style !== 'choice' && slot === stands),
    );
    if (!place) continue;
    filled.add(place.slot);
    const was = before?.places.find(({ slot }) => slot === place.slot);
    const isGrown = was !== undefined && hasGrownFrom(lies(was), element);
    if (element.isLocked || (was && !isGrown && !sameData(lies(was), element.box))) continue;
    const one = sure(elementOf(doc, slideId, element.id), 'it was read just now');
    const box = lies(place);
    one.set('slot', place.slot);
    one.set('box', isGrown ? { ...box, h: Math.max(box.h, element.box.h) } : box);
    if (place.takes !== 'text') continue;
    one.set('style', place.style);
    one.set('align', place.align);
  }
  for (const { slot, takes, style, align, box, isShown } of layout.places) {
    if (takes === 'text' && style !== 'choice' && isShown && !filled.has(slot)) {
      fillSlot(doc, slideId, { slot, takes, style, box, ...(align ? { align } : {}) });
    }
  }
}
