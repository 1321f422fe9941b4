import { familyOf, type FamilyName } from './fonts.js';

export const SCRIPTS = [
  'Latin',
  'Greek',
  'Cyrillic',
  'Hebrew',
  'Arabic',
  'Devanagari',
  'Thai',
  'Han',
  'Hiragana',
  'Katakana',
  'Hangul',
  'Armenian',
  'Georgian',
  'Bengali',
  'Tamil',
  'Telugu',
  'Ethiopic',
] as const;
/** Scripts that are set in one and the same family that ships for them, beside every other. */
const BESIDE: readonly Script[] = ['Thai', 'Han', 'Hiragana', 'Katakana', 'Hangul'];
export type Script = (typeof SCRIPTS)[number];

const TESTS = SCRIPTS.map((script) => [script, new RegExp(`\\p{Script=${script}}`, 'u')] as const);

/** The scripts that a text is written in. */
export function scriptsOf(text: string): Script[] {
  return TESTS.flatMap(([script, test]) => (test.test(text) ? [script] : []));
}

/** Signs that may be of another script than Latin, which every family has. */
const BEYOND_LATIN = /[^\u0000-\u024f]/;

/** The scripts of a text that a family has no letters for, though others may; another font stands in for them there. */
export function missingScripts(text: string, name: FamilyName): Script[] {
  if (!BEYOND_LATIN.test(text)) return [];
  const { scripts } = familyOf(name);
  return scriptsOf(text).filter((script) => !scripts.includes(script) && !BESIDE.includes(script));
}
