import * as Y from 'yjs';
import {
  asBoolean,
  asColour,
  asList,
  asNumber,
  asOneOf,
  asRecord,
  asString,
} from '../parts/decode.js';
import { DASHES, SHADOWS, type Fill, type Outline, type Shadow } from '../parts/fill.js';
import { FAMILY_NAMES } from '../parts/fonts.js';
import { asId, type ElementId } from '../parts/ids.js';
import type { Box } from '../parts/place.js';
import { plain, readFragment, writeFragment, type RichText } from '../parts/richText.js';
import { sameData } from '../parts/sameData.js';
import { ALIGNMENTS, UPRIGHTS, type Typography } from '../parts/typography.js';
import { SHAPES, type ShapeName } from '../geometry/shapes/shapes.js';

/** What a thing is read from: its part of the shared document. */
export interface Raw {
  get(key: string): unknown;
}

/**
 * A field of things of a kind. Whoever may write the document may write anything into it: what does not fit becomes
 * what a new thing has.
 */
export interface Field<T> {
  /** Undefined when there is no thing at all without it. */
  read(raw: Raw, key: string): T | undefined;
  /** Writes it for a new thing. What a new thing has anyway is not written: a deck of thousands of things stays small. */
  write(map: Y.Map<unknown>, key: string, value: T | undefined): void;
  /** What older versions kept beside it: it is still read from there. */
  once?: string;
  /** What students get of it. */
  forStudents(value: T): T;
  /** The same for a copy of the thing, of which it names others that are copied too. */
  copied?(value: T, copyOf: (id: ElementId) => ElementId): T;
}

/** How all fields of a part of a thing are kept. */
export type Fields<T> = { readonly [K in keyof T]-?: Field<T[K]> };

/** A field that students get as it is. */
export function given<T>(read: (value: unknown) => T | undefined): Field<T> {
  const standard = read(undefined);
  return {
    read: (raw, key) => read(raw.get(key)),
    write(map, key, value) {
      if (value !== undefined && !sameData(value, standard)) map.set(key, value);
    },
    forStudents: (value) => value,
  };
}

/** A field that stays with the teacher: students get something else in its place. */
export const withheld = <T>(
  read: (value: unknown) => T | undefined,
  instead: NoInfer<T>,
): Field<T> => ({ ...given(read), forStudents: () => instead });

export const flag = (): Field<boolean> => given(asBoolean);
/** True unless it is said that it is not. */
export const flagUnlessSaid = (): Field<boolean> => given((value) => value !== false);
export const oneOf = <T extends string>(allowed: readonly T[], standard: T): Field<T> =>
  given((value) => asOneOf(value, allowed, standard));
export const letters = (longest: number): Field<string> =>
  given((value) => asString(value, '', longest));
export const amount = (standard: number, least: number, most: number): Field<number> =>
  given((value) => asNumber(value, standard, least, most));
export const whole = (standard: number, least: number, most: number): Field<number> =>
  given((value) => Math.round(asNumber(value, standard, least, most)));
/** A colour of its own; null for what the theme has, which was once written as no letters. */
export const colour = (): Field<string | null> => given((value) => asColour(value) || null);
/** As many numbers as may be, each from −1000 to 1000. */
export const numbers = (most: number): Field<number[]> =>
  given((value) => asList(value, most).map((entry) => asNumber(entry, 0, -1000, 1000)));
export const box = (): Field<Box> => given(readBox);
export const fill = (): Field<Fill> => given(readFill);
export const shadow = (): Field<Shadow> => oneOf(SHADOWS, 'none');
export const outline = (weight: number): Field<Outline> =>
  given((value) => {
    const said = asRecord(value);
    return {
      colour: asColour(said.colour),
      weight: asNumber(said.weight, weight, 0, 60),
      dash: asOneOf(said.dash, DASHES, 'solid'),
    };
  });

/** Words, which several people may write in at once. */
export const richText = (): Field<RichText> => ({
  read(raw) {
    const fragment = fragmentOf(raw);
    return fragment ? readFragment(fragment) : plain('');
  },
  write(map, key, value) {
    const fragment = new Y.XmlFragment();
    map.set(key, fragment);
    writeFragment(fragment, value ?? plain(''));
  },
  forStudents: (value) => value,
});

/** A size of its own; null for what its style has, which was once written as nought. */
function unlessNought(most: number): Field<number | null> {
  return given((value) => asNumber(value, 0, 0, most) || null);
}

/** How the words of a thing are set. */
export const TYPOGRAPHY: Fields<Typography> = {
  family: given((value) => FAMILY_NAMES.find((name) => name === value) ?? null),
  size: unlessNought(400),
  colour: colour(),
  align: given((value) => ALIGNMENTS.find((one) => one === value) ?? null),
  upright: given((value) => UPRIGHTS.find((one) => one === value) ?? null),
  leading: unlessNought(4),
  gap: unlessNought(4),
};
/** What of it belongs to the look of a thing. */
export const TYPE = ['family', 'size', 'colour', 'align', 'upright', 'leading', 'gap'] as const;

/** An outline out of the list of shapes; without adjustments it is drawn with the standard ones. */
export const SHAPED: Fields<{ shape: ShapeName; points: number[] }> = {
  shape: oneOf(SHAPES, 'rectangle'),
  points: numbers(8),
};

export const FLIPPED: Fields<{ isFlippedAcross: boolean; isFlippedDown: boolean }> = {
  isFlippedAcross: flag(),
  isFlippedDown: flag(),
};

/** Degrees from 0 to under 360. */
export function asTurn(value: unknown): number {
  const turn = asNumber(value, 0, -36_000, 36_000) % 360;
  return turn < 0 ? turn + 360 : turn;
}

export function readBox(value: unknown): Box {
  const { x, y, w, h } = asRecord(value);
  return {
    x: asNumber(x, 0, -20_000, 20_000),
    y: asNumber(y, 0, -20_000, 20_000),
    w: asNumber(w, 200, 1, 20_000),
    h: asNumber(h, 60, 1, 20_000),
  };
}

export function readFill(value: unknown): Fill {
  if (value === 'none') return 'none';
  const { from, to, angle, isRadial } = asRecord(value);
  const [start, end] = [asColour(from), asColour(to)];
  return start && end
    ? { from: start, to: end, angle: asTurn(angle), isRadial: asBoolean(isRadial) }
    : asColour(value);
}

export const asIds = (value: unknown): ElementId[] =>
  asList(value).flatMap((entry) => asId<ElementId>(entry) ?? []);

/** What stands for the words of an element in the document; undefined for one without words. */
export function fragmentOf(element: Raw): Y.XmlFragment | undefined {
  const fragment = element.get('text');
  return fragment instanceof Y.XmlFragment ? fragment : undefined;
}
