const FIRST_LETTER = /\p{L}/u;
const RIGHT_TO_LEFT = /[\p{Script=Hebrew}\p{Script=Arabic}\p{Script=Syriac}\p{Script=Thaana}]/u;

/** Whether words run from right to left, as browsers tell it: by their first letter (UAX 9, rules P2 and P3). */
export function isRightToLeft(words: string): boolean {
  const first = FIRST_LETTER.exec(words);
  return first !== null && RIGHT_TO_LEFT.test(first[0]);
}
