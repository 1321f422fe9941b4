import { asBoolean, asList, asOneOf, asRecord, asString } from '../parts/decode.js';
import { readBox } from '../elements/fields.js';
import { SLOTS } from '../parts/place.js';
import { ALIGNMENTS, TEXT_STYLES } from '../parts/typography.js';
import { readGround } from './document.js';
import type { OwnLayout, OwnPlace } from './types.js';

export const MOST_OWN_LAYOUTS = 24;
/** Letters of what an empty place says. */
const LONGEST_PROMPT = 80;

/** A deck's own layouts out of data from anywhere. */
export function readLayouts(value: unknown): Record<string, OwnLayout> {
  const layouts: Record<string, OwnLayout> = {};
  for (const [id, data] of Object.entries(asRecord(value)).slice(0, MOST_OWN_LAYOUTS)) {
    if (/^[\w-]{1,40}$/.test(id) && !(id in {})) layouts[id] = readLayout(data);
  }
  return layouts;
}

export function readLayout(value: unknown): OwnLayout {
  const { label, places, ground, showsNumber } = asRecord(value);
  const bySlot = new Map(
    asList(places, SLOTS.length).map((place) => {
      const read = readPlace(place);
      return [read.slot, read] as const;
    }),
  );
  return {
    label: asString(label, 'Own layout', 60),
    places: [...bySlot.values()],
    ground: ground ? readGround(ground) : null,
    showsNumber: showsNumber !== false,
  };
}

function readPlace(value: unknown): OwnPlace {
  const { slot, takes, align, box, isShown, prompt } = asRecord(value);
  const style = asOneOf(asRecord(value).style, TEXT_STYLES, 'body');
  return {
    slot: asOneOf(slot, SLOTS, 'body'),
    takes: asOneOf(takes, ['text', 'picture', 'question'], 'text'),
    style,
    align: ALIGNMENTS.find((one) => one === align) ?? null,
    box: readBox(box),
    // A choice that is not shown would be a way that nobody can go.
    isShown: style === 'choice' || isShown === undefined || asBoolean(isShown),
    prompt: asString(prompt, '', LONGEST_PROMPT).trim() || null,
  };
}
