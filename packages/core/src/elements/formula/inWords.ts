import { flatTex } from './tex.js';

/** A formula among words, as LaTeX sets it apart: between `\(` and `\)`. */
const FORMULA = /\\\(([\s\S]{1,1000}?)\\\)/g;

/** Words and the formulas among them, in turn. */
export function formulasIn(words: string): (string | { tex: string })[] {
  if (!words.includes('\\(')) return [words];
  const parts: (string | { tex: string })[] = [];
  let at = 0;
  for (const { 0: whole, 1: tex = '', index } of words.matchAll(FORMULA)) {
    if (index > at) parts.push(words.slice(at, index));
    parts.push({ tex: tex.trim() });
    at = index + whole.length;
  }
  if (at < words.length) parts.push(words.slice(at));
  return parts;
}

/** Words for where formulas cannot be drawn: these stand there in plain letters. */
export const flatWords = (words: string): string =>
  formulasIn(words)
    .map((part) => (typeof part === 'string' ? part : flatTex(part.tex)))
    .join('');
