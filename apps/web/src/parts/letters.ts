import './letters.css';

type Load = () => Promise<unknown>;

/** Letters that no family has which slides can be set in, and what has them: the first that is written in them counts. */
const FAR: readonly (readonly [letters: RegExp, load: Load])[] = [
  [/\p{Script=Thai}/u, () => import('@fontsource-variable/noto-sans-thai')],
  [/[\p{Script=Hiragana}\p{Script=Katakana}]/u, () => import('@fontsource-variable/noto-sans-jp')],
  [/\p{Script=Hangul}/u, () => import('@fontsource-variable/noto-sans-kr')],
  [/\p{Script=Han}/u, () => import('@fontsource-variable/noto-sans-sc')],
  [/\p{Emoji_Presentation}|\ufe0f/u, () => import('@fontsource-variable/noto-emoji')],
];
/** Where any of them may stand: most texts are told apart by this alone. */
const MAY_BE_FAR = /[\u0e00-\u0e7f\u1100-\u11ff\u2300-\u2bff\u2e80-\uffef]/;

/** Those that have been asked for, and when they are there. */
const asked = new Map<Load, Promise<unknown>>();

/** A part of a font: where it is, and which letters it has, as `unicode-range` says it. */
export interface FarFace {
  source: string;
  range: string;
}

/** Sees to it that what is written can be read: its letters are fetched in those parts that are used. */
function see(text: string | null): Promise<unknown>[] {
  if (!text || !MAY_BE_FAR.test(text)) return [];
  return FAR.flatMap(([letters, load]) => {
    if (!letters.test(text)) return [];
    const known = asked.get(load);
    if (known) return [known];
    // Without them the device shows its own, if it has any; what is written next asks anew.
    const loading = load().catch(() => asked.delete(load));
    asked.set(load, loading);
    return [loading];
  });
}

/** The parts of fonts that a text needs besides those of its family, for what is painted off the page. */
export async function facesFor(text: string): Promise<FarFace[]> {
  const loads = see(text);
  if (loads.length === 0) return [];
  await Promise.all(loads);
  const letters = [...new Set(text)]
    .map((letter) => letter.codePointAt(0) ?? 0)
    .filter((code) => code >= FAR_FROM);
  const rules = [...document.styleSheets].flatMap((sheet) =>
    [...sheet.cssRules].flatMap((rule) =>
      rule instanceof CSSFontFaceRule && FAR_FAMILY.test(rule.style.fontFamily)
        ? [{ rule, base: sheet.href ?? document.baseURI }]
        : [],
    ),
  );
  return rules.flatMap(({ rule, base }) => {
    const range = rule.style.getPropertyValue('unicode-range');
    const [, file] = /url\("?([^")]+)/.exec(rule.style.getPropertyValue('src')) ?? [];
    const stretches = stretchesOf(range);
    const hasAny = letters.some((code) =>
      stretches.some(([from, to]) => code >= from && code <= to),
    );
    if (!file || !hasAny) return [];
    return [{ source: `url(${new URL(file, base).href})`, range }];
  });
}
const FAR_FAMILY = /Noto (Sans (Thai|JP|SC|KR)|Emoji)/;
/** The first letter that may be far. */
const FAR_FROM = 0x0e00;

/** From which letter to which a `unicode-range` goes. */
const stretchesOf = (range: string): [from: number, to: number][] =>
  range.split(',').map((part) => {
    const [from = '', to = from] = part.trim().slice(2).split('-');
    return [parseInt(from, 16), parseInt(to, 16)];
  });

/** Looks at whatever is written on a page, now and later, and fetches fonts for letters that no family has. */
export function watchLetters(page: Document): void {
  see(page.body.textContent);
  new MutationObserver((changes) => {
    for (const { type, target, addedNodes } of changes) {
      if (type === 'characterData') see(target.textContent);
      for (const node of addedNodes) see(node.textContent);
    }
  }).observe(page.body, { childList: true, characterData: true, subtree: true });
  page.addEventListener('input', ({ target }) => {
    if (target instanceof HTMLInputElement || target instanceof HTMLTextAreaElement) {
      see(target.value);
    }
  });
}
