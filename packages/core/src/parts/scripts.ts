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
export type Script = (typeof SCRIPTS)[number];

const TESTS = SCRIPTS.map((script) => [script, new RegExp(`\\p{Script=${script}}`, 'u')] as const);

/** The scripts that a text is written in. */
export function scriptsOf(text: string): Script[] {
  return TESTS.flatMap(([script, test]) => (test.test(text) ? [script] : []));
}
