// Whose id something is, is for those to say who make or read it.
/* eslint-disable @typescript-eslint/no-unnecessary-type-parameters */
/**
 * Identity of things in a deck, a folio or a lesson. Branded, so that one kind never passes for another: they are made by
 * `newId`, read by `asId`, and nowhere else.
 */
export type Id<Brand extends string> = string &
  (Branding extends { isLoose: true } ? { readonly __brand?: Brand } : { readonly __brand: Brand });
/** Where tests write ids as plain words they say so (`testing/plainIds.d.ts`). */
// eslint-disable-next-line @typescript-eslint/no-empty-object-type -- those who are looser add to it
export interface Branding {}
export type SlideId = Id<'slide'>;
export type ElementId = Id<'element'>;
export type LinkId = Id<'link'>;
export type OptionId = Id<'option'>;
export type SectionId = Id<'section'>;
export type TrailId = Id<'trail'>;
export type StopId = Id<'stop'>;
export type FolioId = Id<'folio'>;

const ALPHABET = '0123456789abcdefghjkmnpqrstvwxyz';

/** A fresh id: 14 characters of Crockford's base 32, 70 random bits. */
export function newId<T extends Id<string>>(): T {
  const bytes = new Uint8Array(14);
  globalThis.crypto.getRandomValues(bytes);
  return Array.from(bytes, (byte) => ALPHABET[byte & 31]).join('') as T;
}

/** An id as this program makes or the demo gives them; null for anything else, also for names every object has. */
export function asId<T extends Id<string>>(value: unknown): T | null {
  return typeof value === 'string' && /^[a-z0-9-]{1,64}$/.test(value) && !(value in {})
    ? (value as T)
    : null;
}

/** What makes ids: `newId`, or a test's own. */
export type MakeId = <T extends Id<string>>() => T;

/**
 * Takes a word for an id that this program gave: part of a key that it made, an entry of a row that it wrote. What
 * somebody else may have written is for `asId`.
 */
export const idOf = <T extends Id<string>>(word: string): T => word as T;

/** What a record has under an id, where there is one. */
export const entryAt = <T extends Id<string>, V>(
  record: Readonly<Record<T, V>>,
  id: T | '' | null | undefined,
): V | undefined => (id ? record[id] : undefined);

/** The ids that a record of plain data goes by. */
export const idsOf = <T extends Id<string>>(record: Readonly<Record<T, unknown>>): T[] =>
  Object.keys(record) as T[];

export const entriesOf = <T extends Id<string>, V>(record: Readonly<Record<T, V>>): [T, V][] =>
  Object.entries(record) as [T, V][];
