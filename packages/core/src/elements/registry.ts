import type * as Y from 'yjs';
import type { ElementId } from '../parts/ids.js';
import { wordsOf } from '../parts/richText.js';
import type { Decimal } from '../questions/number/readNumber.js';
import { BASE, type ElementBase } from './base.js';
import { chart } from './chart/chart.js';
import { closeup } from './closeup/closeup.js';
import { credits } from './credits/credits.js';
import type { Field, Raw } from './fields.js';
import { formula } from './formula/formula.js';
import { group } from './group/group.js';
import { hotspot } from './hotspot/hotspot.js';
import { ink } from './ink/ink.js';
import type { Abilities, ElementKindOf, OfAKind } from './kind.js';
import { line } from './line/line.js';
import { media } from './media/media.js';
import { picture } from './picture/picture.js';
import { question } from './question/question.js';
import { shape } from './shape/shape.js';
import { table } from './table/table.js';
import { text } from './text/text.js';
import { zone } from './zone/zone.js';

/** One line per kind of thing on a slide. */
const KINDS = {
  text,
  shape,
  picture,
  hotspot,
  line,
  ink,
  media,
  table,
  formula,
  chart,
  closeup,
  credits,
  group,
  zone,
  question,
} as const;

type Kinds = typeof KINDS;
export type ElementKind = keyof Kinds;
type Parts<T> = T extends ElementKindOf<infer E, infer N> ? { element: E; needs: N } : never;
export type SlideElement = Parts<Kinds[ElementKind]>['element'];

type NewOf<P> = P extends { element: infer E extends OfAKind; needs: infer N }
  ? Pick<E, 'kind' | 'layer' | 'box' | Extract<keyof E, N>> & Partial<Omit<E, 'order'>>
  : never;
/** An element to be put on a slide; what is left out is as a new one has it. */
export type NewElement = NewOf<Parts<Kinds[ElementKind]>>;

type AnyKind = Omit<ElementKindOf<SlideElement>, 'fields' | 'look' | 'needs'> & {
  fields: Record<string, Field<unknown>>;
  look: readonly string[];
};

export const ELEMENT_KINDS = Object.keys(KINDS) as ElementKind[];

const isKind = (kind: unknown): kind is ElementKind =>
  typeof kind === 'string' && Object.hasOwn(KINDS, kind);

export function elementKind(kind: ElementKind): AnyKind;
export function elementKind(kind: unknown): AnyKind | undefined;
export function elementKind(kind: unknown): AnyKind | undefined {
  return isKind(kind) ? KINDS[kind] : undefined;
}

/** All fields of things of each kind, in the order in which they are read. */
const FIELDS = Object.fromEntries(
  ELEMENT_KINDS.map((kind) => [kind, Object.entries({ ...BASE, ...elementKind(kind).fields })]),
) as Record<ElementKind, [key: string, field: Field<unknown>][]>;

/**
 * An element of each kind before anything is said of it. What is read is put into a copy of it: an object that grows by
 * one computed key after the other becomes a table of hashes, which takes more room and is slower to ask.
 */
const BLANK = Object.fromEntries(
  ELEMENT_KINDS.map((kind): [ElementKind, Record<string, unknown>] => [
    kind,
    { id: '', kind, ...Object.fromEntries(FIELDS[kind].map(([key]) => [key, undefined])) },
  ]),
) as Record<ElementKind, Record<string, unknown>>;

/** An element out of the shared document; undefined for what cannot be one at all. */
export function readElement(id: ElementId, raw: Raw): SlideElement | undefined {
  const kind = raw.get('kind');
  if (!isKind(kind)) return undefined;
  const element: Record<string, unknown> = { ...BLANK[kind], id };
  for (const [key, field] of FIELDS[kind]) {
    const value = field.read(raw, key);
    if (value === undefined) return undefined;
    element[key] = value;
  }
  return element as unknown as SlideElement;
}

/** Writes a new element into a map that is in the document already; what is of no kind leaves it empty. */
export function writeElement(map: Y.Map<unknown>, element: NewElement & { order: string }): void {
  if (!isKind(element.kind)) return;
  const said = element as unknown as Record<string, unknown>;
  map.set('kind', element.kind);
  for (const [key, field] of FIELDS[element.kind]) {
    field.write(map, key, said[key]);
    if (field.once && said[field.once] !== undefined) map.set(field.once, said[field.once]);
  }
}

/** An element with each of its fields as another one. */
function eachField(
  element: SlideElement,
  become: (field: Field<unknown>, value: unknown) => unknown,
): SlideElement {
  const { id, kind } = element;
  const other: Record<string, unknown> = { ...BLANK[kind], id };
  for (const [key, field] of FIELDS[kind]) {
    other[key] = become(field, (element as unknown as Record<string, unknown>)[key]);
  }
  return other as unknown as SlideElement;
}

/** What students get of an element: field by field, each as its kind says. */
export const forStudents = (element: SlideElement): SlideElement =>
  eachField(element, (field, value) => field.forStudents(value));

/** The same for a copy, of which it names others that are copied too. */
export const namingCopies = (
  element: SlideElement,
  copyOf: (id: ElementId) => ElementId,
): SlideElement =>
  eachField(element, (field, value) => (field.copied ? field.copied(value, copyOf) : value));

/** Whether things of its kind may do something. */
export const may = ({ kind }: { kind: ElementKind }, what: keyof Abilities): boolean =>
  elementKind(kind).may[what] === true;

/** Whether a thing is drawn as those that lie in it. */
export const holdsMembers = ({ kind }: SlideElement): boolean =>
  elementKind(kind).holdsMembers === true;

/** What lists and the tray call it. */
export function kindName(element: SlideElement): string {
  const { label, labelOf } = elementKind(element.kind);
  return labelOf ? labelOf(element) : label;
}

/** What an element says of itself: its words, what is said for those who do not see it, or its name. */
export function elementWords(element: SlideElement): string {
  const { says } = elementKind(element.kind);
  const words = says ? says(element) : 'text' in element ? wordsOf(element.text) : '';
  return words || element.name;
}

/** Lines that students read on it below its words. */
export const linesOn = (element: SlideElement): string[] =>
  elementKind(element.kind).lines?.(element) ?? [];

/** A new element as it is in a deck whose language parts decimals by this sign. */
export const withDecimal = <E extends NewElement>(element: E, decimal: Decimal): E => ({
  ...element,
  ...elementKind(element.kind).withDecimal?.(element, decimal),
});

/** The same element after others have moved: what sticks to them has followed. */
export const followed = (
  element: SlideElement,
  find: (id: ElementId) => ElementBase | undefined,
): SlideElement => elementKind(element.kind).follow?.(element, find) ?? element;
