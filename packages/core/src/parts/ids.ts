/** Identity of things in a deck, a folio or a lesson. Branded, so that one kind never passes for another. */
export type Id<Brand extends string> = string & { readonly __brand?: Brand };
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
export function newId(): string {
  const bytes = new Uint8Array(14);
  globalThis.crypto.getRandomValues(bytes);
  return Array.from(bytes, (byte) => ALPHABET[byte & 31]).join('');
}
