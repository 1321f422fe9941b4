import type * as Y from 'yjs';

/** The smallest stretch in which two texts differ: from `from` on, `taken` code units are replaced by `put`. */
export function changedStretch(
  before: string,
  after: string,
): { from: number; taken: number; put: string } {
  const shorter = Math.min(before.length, after.length);
  let from = 0;
  while (from < shorter && before[from] === after[from]) from++;
  // A letter beyond the first 65,536 is two code units that belong together.
  if (from > 0 && isHighSurrogate(before.charCodeAt(from - 1))) from--;
  let end = 0;
  while (
    end < shorter - from &&
    before[before.length - 1 - end] === after[after.length - 1 - end]
  ) {
    end++;
  }
  if (end > 0 && isLowSurrogate(before.charCodeAt(before.length - end))) end--;
  return { from, taken: before.length - end - from, put: after.slice(from, after.length - end) };
}

const isHighSurrogate = (unit: number): boolean => unit >= 0xd800 && unit < 0xdc00;
const isLowSurrogate = (unit: number): boolean => unit >= 0xdc00 && unit < 0xe000;

/** Makes a shared text say something else by the smallest change, so that what others type in it meanwhile stays. */
export function changeText(text: Y.Text, to: string): void {
  const { from, taken, put } = changedStretch(text.toJSON(), to);
  if (taken > 0) text.delete(from, taken);
  if (put) text.insert(from, put);
}
