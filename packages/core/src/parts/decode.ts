/**
 * Small decoders for values out of a shared document. Whoever may write a document may write anything into it,
 * so a reading never trusts and never throws: what does not fit becomes the fallback.
 */
export function asString(value: unknown, fallback = '', longest = 20_000): string {
  return typeof value === 'string' ? value.slice(0, longest) : fallback;
}

export function asNumber(value: unknown, fallback: number, low = -1e6, high = 1e6): number {
  return typeof value === 'number' && Number.isFinite(value)
    ? Math.min(high, Math.max(low, value))
    : fallback;
}

export function asBoolean(value: unknown): boolean {
  return value === true;
}

export function asOneOf<T extends string>(value: unknown, allowed: readonly T[], fallback: T): T {
  return allowed.includes(value as T) ? (value as T) : fallback;
}

/** '#rrggbb', or '' for anything else. */
export function asColour(value: unknown): string {
  return typeof value === 'string' && /^#[0-9a-f]{6}$/i.test(value) ? value : '';
}

export function asRecord(value: unknown): Record<string, unknown> {
  return typeof value === 'object' && value !== null && !Array.isArray(value)
    ? (value as Record<string, unknown>)
    : {};
}

export function asList(value: unknown, longest = 500): unknown[] {
  return Array.isArray(value) ? value.slice(0, longest) : [];
}

export function asStrings(value: unknown, longest = 500): string[] {
  return asList(value, longest).filter((entry): entry is string => typeof entry === 'string');
}

/** A language tag as decks have them (BCP 47: a language, and where it is spoken); English for what is none. */
export const asLanguage = (value: unknown): string =>
  typeof value === 'string' && /^[a-z]{2,3}(-[A-Z]{2})?$/.test(value) ? value : 'en';
