import { familyOf, type FamilyName } from './fonts.js';
import { scriptsOf, type Script } from './scripts.js';

/** Scripts that are set in one and the same family that ships for them, beside every other. */
const BESIDE: readonly Script[] = ['Thai', 'Han', 'Hiragana', 'Katakana', 'Hangul'];

/** Signs that may be of another script than Latin, which every family has. */
const BEYOND_LATIN = /[^\u0000-\u024f]/;

/** The scripts of a text that a family has no letters for, though others may; another font stands in for them there. */
export function missingScripts(text: string, name: FamilyName): Script[] {
  if (!BEYOND_LATIN.test(text)) return [];
  const { scripts } = familyOf(name);
  return scriptsOf(text).filter((script) => !scripts.includes(script) && !BESIDE.includes(script));
}
