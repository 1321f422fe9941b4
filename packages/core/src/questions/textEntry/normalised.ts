/** What of a text is heeded when it is compared. */
export interface Heeds {
  heedsCase: boolean;
  heedsAccents: boolean;
}

/** Signs that keyboards and programs write in several ways, by the plain one; `ß` is `ss` where there is no such key. */
const PLAIN: [RegExp, string][] = [
  [/[\u2018\u2019\u201A\u201B\u02BC\u2032\u00B4`]/g, "'"],
  [/[\u201C\u201D\u201E\u201F\u2033\u00AB\u00BB]/g, '"'],
  [/[\u2010-\u2015\u2212]/g, '-'],
  [/ß/g, 'ss'],
  [/ẞ/g, 'SS'],
  // Full-width letters, digits and signs.
  [/[\uFF01-\uFF5E]/g, '\0'],
];

/** Marks over and under letters of scripts in which they are accents; in others they make a different letter (が, й). */
const ACCENTS = /(?<=[\p{Script=Latin}\p{Script=Greek}]\p{Mn}*)\p{Mn}/gu;

/** Texts with runs of spaces as one, signs in their plain form, and without what is not heeded. */
export function normalised(text: string, heeds: Heeds = LENIENT): string {
  let plain = text.normalize('NFC').trim().replace(/\s+/g, ' ');
  for (const [signs, sign] of PLAIN) {
    plain = plain.replace(signs, (found) =>
      sign === '\0' ? String.fromCharCode(found.charCodeAt(0) - 0xfee0) : sign,
    );
  }
  const cased = heeds.heedsCase ? plain : plain.toLocaleLowerCase('und').replaceAll('ς', 'σ');
  return heeds.heedsAccents ? cased : cased.normalize('NFD').replace(ACCENTS, '').normalize('NFC');
}
const LENIENT = { heedsCase: false, heedsAccents: false };

/** Whether a text fits a pattern; `*` stands for any letters, none included. */
function fits(pattern: string, text: string): boolean {
  const parts = pattern.split('*');
  if (parts.length === 1) return pattern === text;
  const [first, last] = [parts[0]!, parts.at(-1)!];
  if (text.length < first.length + last.length) return false;
  if (!text.startsWith(first) || !text.endsWith(last)) return false;
  let at = first.length;
  for (const part of parts.slice(1, -1)) {
    const found = text.indexOf(part, at);
    if (found < 0) return false;
    at = found + part.length;
  }
  return at <= text.length - last.length;
}

/** Whether a text is one of those that are accepted; `*` in one of them stands for any letters. */
export function isAccepted(accepted: readonly string[], text: string, heeds: Heeds): boolean {
  const written = normalised(text, heeds);
  return accepted.some((pattern) => fits(normalised(pattern, heeds), written));
}
