import type { Decimal } from '../../questions/number/readNumber.js';

/** The languages a deck may be said to be written in, by their tags (BCP 47). */
export const LANGUAGES = [
  ...[
    'en',
    'ar',
    'bg',
    'cs',
    'da',
    'de',
    'de-CH',
    'el',
    'es',
    'es-MX',
    'et',
    'fa',
    'fi',
    'fr',
    'ga',
    'he',
    'hi',
    'hr',
    'hu',
  ],
  ...['is', 'it', 'ja', 'ko', 'lt', 'lv', 'mt', 'nb', 'nl', 'pl', 'pt', 'pt-BR', 'ro', 'sk', 'sl'],
  ...['sv', 'tr', 'uk', 'ur', 'zh'],
] as readonly string[];

const decimals = new Map<string, Decimal>();

/** The sign that parts decimals in a language, as the Unicode CLDR has it. */
export function decimalOf(language: string): Decimal {
  const known = decimals.get(language);
  if (known) return known;
  const parts = new Intl.NumberFormat(language).formatToParts(1.5);
  const decimal = parts.find(({ type }) => type === 'decimal')?.value === ',' ? ',' : '.';
  decimals.set(language, decimal);
  return decimal;
}
