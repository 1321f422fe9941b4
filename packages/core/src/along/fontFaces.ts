/** A face of a font, as a style sheet names it (CSS Fonts Module Level 4, `@font-face`). */
export interface FontFace {
  rule: string;
  family: string;
  /** The address in its `src`. */
  file: string;
  /** From which code point to which it has letters; null: nothing is said of it. */
  range: readonly (readonly [from: number, to: number])[] | null;
}

const FACE = /@font-face\s*\{[^}]*\}/g;

/** The faces of a style sheet, and what else stands in it. */
export function fontFaces(css: string): { faces: FontFace[]; rest: string } {
  const faces = [...new Set(css.match(FACE))].flatMap((rule) => {
    const [, family = ''] = /font-family:\s*["']?([^;"'}]+)/.exec(rule) ?? [];
    const [, file] = /url\(["']?([^"')]+)/.exec(rule) ?? [];
    const [, range] = /unicode-range:\s*([^;}]+)/.exec(rule) ?? [];
    return file
      ? [{ rule, family: family.trim(), file, range: range ? stretches(range) : null }]
      : [];
  });
  return { faces, rest: css.replace(FACE, '') };
}

/** `U+26`, `U+0-7F` and `U+4??`, with commas between. */
const stretches = (range: string): [number, number][] =>
  range.split(',').map((part) => {
    const [from = '', to = from] = part.trim().slice(2).split('-');
    return [parseInt(from.replaceAll('?', '0'), 16), parseInt(to.replaceAll('?', 'F'), 16)];
  });

/**
 * The faces that a text needs. `families`: what it is set in. Where none of them has a letter, the first one of
 * `standIns` that has it comes along. A face of which nothing is said comes with its family.
 */
export function facesFor(
  faces: readonly FontFace[],
  families: ReadonlySet<string>,
  standIns: readonly string[],
  text: string,
): FontFace[] {
  const wanted = new Set(
    faces.filter(({ family, range }) => range === null && families.has(family)),
  );
  for (const letter of new Set(text)) {
    const code = letter.codePointAt(0) ?? 0;
    const having = faces.filter(({ range }) =>
      range?.some(([from, to]) => code >= from && code <= to),
    );
    const own = having.filter(({ family }) => families.has(family));
    const other = standIns.find((name) => having.some(({ family }) => family === name));
    const found = own.length > 0 ? own : having.filter(({ family }) => family === other);
    for (const face of found) wanted.add(face);
  }
  return faces.filter((face) => wanted.has(face));
}

/** The rule of a face whose font stands in the style sheet itself: in WOFF2, and in nothing else. */
export const faceWithin = ({ rule }: FontFace, base64: string): string =>
  rule.replace(/src:[^;}]+/, `src:url(data:font/woff2;base64,${base64}) format("woff2")`);
