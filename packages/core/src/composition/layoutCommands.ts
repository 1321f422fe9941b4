import type * as Y from 'yjs';
import { command, isRefusal, type Plan } from '../deck/command.js';
import { elementOf, readSlide, slideOf } from '../deck/document.js';
import { readTheme } from '../deck/readDeck.js';
import { setLayout, slotOf } from '../deck/slides/layoutCommands.js';
import type { Slide } from '../deck/types.js';
import type { SlideElement } from '../elements/registry.js';
import { freeSpot } from '../geometry/freeSpot.js';
import { liesIn, meets } from '../geometry/transform.js';
import { emptySlots } from '../layouts/layouts.js';
import type { LayoutName } from '../layouts/names.js';
import type { SlideId } from '../parts/ids.js';
import { STAGE, type Box } from '../parts/place.js';
import { sure } from '../parts/sure.js';
import { wordsHeight } from '../stage/wordsHeight.js';
import { ORNAMENT_ROOM } from '../themes/dress.js';
import { themeOn, type Theme } from '../themes/theme.js';

/** Kept free along the edges of the stage, in slide units. */
const EDGE = 48;
/** Between what was pushed aside and what pushed it. */
const GAP = 8;

/** Widths that a text may have where it finds no room in its own, in slide units. */
const NARROWER = [720, 560, 480, 400, 320];

/**
 * Gives a slide a layout as `setLayout` does, and room to texts that need more than it has for them: upwards where
 * nothing stands above, otherwise by moving down what stands below. Texts that it has no place for go to where nothing
 * is, if they lie on something or on a place that waits.
 * Refused: `deck.layout`, `slide.gone`.
 */
export const takeLayout = command(
  'takeLayout',
  'deck:write',
  (doc: Y.Doc, slideId: SlideId, layout: LayoutName): Plan => {
    const set = setLayout.plan(doc, slideId, layout);
    if (isRefusal(set)) return set;
    const read = (): Slide =>
      readSlide(slideId, sure(slideOf(doc, slideId), 'it is given a layout'));
    const put = ({ id }: SlideElement, box: Box): unknown =>
      elementOf(doc, slideId, id)?.set('box', box);
    const before = read();
    return () => {
      set();
      const slide = read();
      const theme = themeOn(slide, readTheme(doc));
      for (const [element, box] of withRoom(slide.elements, theme)) put(element, box);
      const had = new Set(before.elements.filter((one) => slotOf(one, before)).map(({ id }) => id));
      const isHomeless = (one: SlideElement): boolean =>
        one.slot === null && had.has(one.id) && !isChoice(one) && !one.isLocked && !one.groupId;
      for (const one of slide.elements.filter(isHomeless)) {
        const room = roomFor(one, read(), theme);
        if (!room) continue;
        put(one, room.box);
        elementOf(doc, slideId, one.id)?.set('size', room.size);
      }
    };
  },
);

/**
 * Where a text of a slide lies on nothing, as high as its words are, and in which size: in that of its style when its own
 * finds no room. Null where it lies on nothing already, or cannot.
 */
function roomFor(
  { id }: SlideElement,
  { elements, layout }: Slide,
  theme: Theme,
): { box: Box; size: number | null } | null {
  const text = elements.find((one) => one.id === id);
  if (text?.kind !== 'text') return null;
  const others = elements.filter((one) => one !== text && one.layer !== 'background');
  // A place in which other things stand anyway, as in a picture that fills the stage, is not kept clear.
  const waiting = emptySlots({ elements, layout }).filter(
    ({ box }) => !others.some((one) => liesIn(one.box, box)),
  );
  // It is read after the title.
  const title = others.find(({ slot }) => slot === 'title');
  const above = title ? [{ x: 0, y: 0, w: STAGE.width, h: title.box.y + title.box.h }] : [];
  const taken = [...others, ...waiting].map(({ box }) => box).concat(above);
  const withAir = taken.map(({ x, y, w, h }) => ({ x: x - GAP, y, w: w + 2 * GAP, h: h + GAP }));
  if (!taken.some((box) => meets(box, text.box))) return null;
  for (const size of new Set([text.size, null])) {
    for (const w of [text.box.w, ...NARROWER.filter((one) => one < text.box.w)]) {
      const box = { ...text.box, w };
      const h = Math.ceil(wordsHeight({ ...text, size, box }, theme) ?? box.h);
      const spot = freeSpot({ ...box, h }, withAir, EDGE / 2);
      if (spot) return { box: spot, size };
    }
  }
  return null;
}

/** Where things come to lie so that each text has the height that its words take; those that stay are left out. */
function withRoom(elements: readonly SlideElement[], theme: Theme): Map<SlideElement, Box> {
  // What was put there by hand stays where it is, but for texts: with it groups, lines, areas.
  const things = elements.filter(
    ({ kind, layer, slot, groupId, isLocked }) =>
      layer === 'content' && groupId === null && !isLocked && (kind === 'text' || slot !== null),
  );
  const boxes = new Map(things.map((element) => [element, element.box]));
  const texts = things.filter(({ kind }) => kind === 'text').sort((a, b) => a.box.y - b.box.y);
  for (const text of texts) {
    const box = sure(boxes.get(text), 'every thing has its box');
    const over = (wordsHeight(text, theme) ?? 0) - box.h;
    if (over <= 0) continue;
    const more = Math.ceil(over + (isAdorned(text, theme) ? ORNAMENT_ROOM : 0));
    const others = [...boxes].filter(([other]) => other !== text);
    const isBeside = (a: Box): boolean => a.x < box.x + box.w && box.x < a.x + a.w;
    const isFree = others.every(
      ([, other]) => !isBeside(other) || other.y >= box.y || other.y + other.h <= box.y - more,
    );
    if (box.y - more >= EDGE && isFree) {
      boxes.set(text, { ...box, y: box.y - more, h: box.h + more });
      continue;
    }
    const grown = { ...box, h: box.h + more };
    // What the layout has no place for may lie over what has one, sooner than the title over all.
    const pushed =
      pushedBy(grown, others, theme) ??
      pushedBy(grown, others, theme, (one) => one.slot !== null || isChoice(one));
    // Where the stage ends there is no room to be made: Check says what does not fit.
    if (!pushed) continue;
    boxes.set(text, grown);
    for (const [other, now] of pushed) boxes.set(other, now);
  }
  return new Map([...boxes].filter(([element, box]) => box !== element.box));
}

const isAdorned = (one: SlideElement, { dress }: Theme): boolean =>
  one.kind === 'text' && one.style === 'title' && dress.ornament !== 'none';

const isChoice = (one: SlideElement): boolean => one.kind === 'text' && one.style === 'choice';

/**
 * What stands below moves down as far as it is in the way, into room that texts do not need themselves; null where the
 * stage ends.
 */
function pushedBy(
  grown: Box,
  others: readonly (readonly [SlideElement, Box])[],
  theme: Theme,
  isPushing: (one: SlideElement) => boolean = () => true,
): [SlideElement, Box][] | null {
  const pushed: [SlideElement, Box][] = [];
  // Each pushes what stood below it before, wherever it has been pushed itself.
  const pushers = [{ ...grown, stood: grown.y }];
  for (const [other, was] of others.toSorted(([, a], [, b]) => a.y - b.y)) {
    const over = pushers.filter(
      ({ x, w, stood }) => x < was.x + was.w && was.x < x + w && stood <= was.y,
    );
    const from = Math.max(...over.map(({ y, h }) => y + h + GAP));
    if (was.y >= from) continue;
    const isFixed = other.kind !== 'text' || isChoice(other);
    const least = isFixed ? was.h : Math.min(was.h, wordsHeight(other, theme) ?? was.h);
    const now = { ...was, y: from, h: Math.max(least, was.h - (from - was.y)) };
    if (now.y + now.h > STAGE.height - EDGE / 2) return null;
    pushed.push([other, now]);
    if (isPushing(other)) pushers.push({ ...now, stood: was.y });
  }
  return pushed;
}
