/**
 * Addresses that can be said on the telephone and cannot be guessed: four words of two syllables, as in
 * `mika-rute-sola-bino`. Thirteen consonants and five vowels make 65 syllables, 65⁸ ≈ 3.2 · 10¹⁴ addresses; wrong ones
 * are answered slowly by the server. No c, q, x, y, f, v, j, w: they sound alike, or otherwise in other languages.
 */
const CONSONANTS = 'bdghklmnprstz';
const VOWELS = 'aeiou';
const WORDS = 4;

/** Words that somebody would not like to read out in front of a class. */
const NOT_SAID = /puta|pipi|kaka|popo|nazi|pedo|sado|homo|dodo|tete|titi|lolo|bobo|pupu|pene|merd/;

/** An address from a source of random whole numbers: `random(n)` gives one from 0 to n − 1. */
export function makeSayable(random: (below: number) => number): string {
  const syllable = (): string =>
    CONSONANTS[random(CONSONANTS.length)]! + VOWELS[random(VOWELS.length)]!;
  const words: string[] = [];
  while (words.length < WORDS) {
    const word = syllable() + syllable();
    if (!NOT_SAID.test(word)) words.push(word);
  }
  return words.join('-');
}

const SAYABLE = new RegExp(`^(?:[${CONSONANTS}][${VOWELS}]){${WORDS * 2}}$`);

/** What was typed, as addresses are kept: 'Mika rute SOLA bino' → 'mika-rute-sola-bino'. Null when it cannot be one. */
export function readSayable(typed: string): string | null {
  const letters = typed
    .slice(0, 80)
    .toLowerCase()
    .replace(/[\s\-_.]/g, '');
  return SAYABLE.test(letters) ? letters.replace(/.{4}(?=.)/g, '$&-') : null;
}
