/** What of a text is heeded when it is compared. */
export interface Heeds {
  heedsCase: boolean;
  heedsAccents: boolean;
}

/** Texts with runs of spaces as one, and without what is not heeded. */
export function normalised(text: string, heeds: Heeds = LENIENT): string {
  const spaced = text.normalize('NFC').trim().replace(/\s+/g, ' ');
  const cased = heeds.heedsCase ? spaced : spaced.toLocaleLowerCase('und');
  return heeds.heedsAccents ? cased : cased.normalize('NFD').replace(/\p{Mn}/gu, '');
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
