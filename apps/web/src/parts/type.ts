import type { FamilyName, SetType } from '@gobrel/core';
import type { CSSProperties } from 'react';

const FAMILY_CSS: Record<FamilyName, string> = {
  atkinson: "'Atkinson Hyperlegible Next Variable'",
  bricolage: "'Bricolage Grotesque Variable'",
  lexend: "'Lexend Variable'",
  'noto-sans': "'Noto Sans Variable'",
  rubik: "'Rubik Variable'",
  literata: "'Literata Variable'",
  'noto-serif': "'Noto Serif Variable'",
  fredoka: "'Fredoka Variable'",
  playpen: "'Playpen Sans Variable'",
  'jetbrains-mono': "'JetBrains Mono Variable'",
};

/** What a style sheet calls a family. */
export const familyNameCss = (family: FamilyName): string => FAMILY_CSS[family].slice(1, -1);

/** Where a family has no letter, shipped ones come before the screen's own fonts: see `letters.ts` for `--far`. */
export const familyCss = (family: FamilyName): string =>
  `${FAMILY_CSS[family]}, ${FAMILY_CSS['noto-sans']}, ${FAMILY_CSS.rubik}, var(--far, system-ui), sans-serif`;

/** How words are set, in slide units. `shrink` sets them smaller than they should be. */
export function typeCss(type: SetType, shrink = 1): CSSProperties & Record<'--gap', string> {
  return {
    fontFamily: familyCss(type.family),
    fontSize: type.size * shrink,
    fontWeight: type.weight,
    lineHeight: type.leading,
    color: type.colour,
    textAlign: type.align,
    '--gap': `${type.gap}em`,
  };
}

export const uprightCss: Record<SetType['upright'], CSSProperties> = {
  top: { justifyContent: 'flex-start' },
  middle: { justifyContent: 'center' },
  bottom: { justifyContent: 'flex-end' },
};
