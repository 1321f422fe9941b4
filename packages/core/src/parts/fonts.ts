import type { Script } from './scripts.js';

/**
 * The families that ship with Gobrel, all under the SIL Open Font License. `scripts` are those whose letters the
 * packages carry; `width` is how wide running text is set compared with the interface's own family: measured in a browser
 * over English sentences, the widest of weights 400 to 700.
 */
export interface Family {
  label: string;
  look: 'plain' | 'book' | 'round' | 'hand' | 'even';
  scripts: readonly Script[];
  width: number;
}

export const FAMILIES = {
  atkinson: {
    label: 'Atkinson Hyperlegible Next',
    look: 'plain',
    width: 1,
    scripts: ['Latin'],
  },
  bricolage: { label: 'Bricolage Grotesque', look: 'plain', width: 1, scripts: ['Latin'] },
  lexend: { label: 'Lexend', look: 'plain', width: 1.1, scripts: ['Latin'] },
  'noto-sans': {
    label: 'Noto Sans',
    look: 'plain',
    width: 1.066,
    scripts: ['Latin', 'Greek', 'Cyrillic', 'Devanagari'],
  },
  rubik: {
    label: 'Rubik',
    look: 'plain',
    width: 1.04,
    scripts: ['Latin', 'Cyrillic', 'Hebrew', 'Arabic'],
  },
  literata: {
    label: 'Literata',
    look: 'book',
    width: 1.085,
    scripts: ['Latin', 'Greek', 'Cyrillic'],
  },
  'noto-serif': {
    label: 'Noto Serif',
    look: 'book',
    width: 1.09,
    scripts: ['Latin', 'Greek', 'Cyrillic'],
  },
  fredoka: { label: 'Fredoka', look: 'round', width: 1.01, scripts: ['Latin', 'Hebrew'] },
  playpen: {
    label: 'Playpen Sans',
    look: 'hand',
    width: 1.093,
    scripts: ['Latin', 'Greek', 'Cyrillic'],
  },
  'jetbrains-mono': {
    label: 'JetBrains Mono',
    look: 'even',
    width: 1.38,
    scripts: ['Latin', 'Greek', 'Cyrillic'],
  },
} as const satisfies Record<string, Family>;

export type FamilyName = keyof typeof FAMILIES;
export const FAMILY_NAMES = Object.keys(FAMILIES) as FamilyName[];
export const familyOf = (name: FamilyName): Family => FAMILIES[name];
