import { asString } from '../parts/decode.js';
import { familyOf, type FamilyName } from '../parts/fonts.js';
import type { TextStyle } from '../parts/typography.js';
import type { Dress } from './dress.js';
import type { Amount, SceneColours, SceneryName, Side, ThemeColours, ThemeData } from './kind.js';
import { THEME_TABLE, type ThemeName } from './table.js';

/** How a text style is set. Sizes in slide units, line heights in type sizes. */
export interface TypeSpec {
  family: FamilyName;
  size: number;
  weight: number;
  leading: number;
}

/** A theme on one of its sides: what slides are drawn with. The same object for the same theme. */
export interface Theme {
  ref: ThemeRef;
  label: string;
  side: Side;
  colours: ThemeColours;
  type: Record<TextStyle, TypeSpec>;
  scenery: SceneryName;
  amount: Amount;
  dress: Dress;
  /** What its scenery is painted with, where it is not one of ours. */
  scene: SceneColours | null;
}

/** Which theme, and which side of it: `harbour`, `harbour/dark`; own ones by their id. */
export type ThemeRef = string;
export const refOf = (name: string, side: Side): ThemeRef =>
  side === 'dark' ? `${name}/dark` : name;
export function partsOfRef(ref: ThemeRef): { name: string; side: Side } {
  return ref.endsWith('/dark')
    ? { name: ref.slice(0, -'/dark'.length), side: 'dark' }
    : { name: ref, side: 'light' };
}

/** What a deck says of how its slides look. */
export interface DeckTheme {
  ref: ThemeRef;
  amount: Amount;
  /** The deck's own themes, by id. */
  own: Readonly<Record<string, ThemeData>>;
}

export const THEMES = Object.keys(THEME_TABLE) as ThemeName[];
export const isOurs = (name: string): name is ThemeName => Object.hasOwn(THEME_TABLE, name);

/** A theme as it is kept, by its name or id. */
export function themeData(name: string, own: DeckTheme['own'] = {}): ThemeData | undefined {
  if (isOurs(name)) return THEME_TABLE[name];
  return Object.hasOwn(own, name) ? own[name] : undefined;
}

/** Whether there is such a theme, with such a side. */
export const isTheme = (ref: ThemeRef, own?: DeckTheme['own']): boolean =>
  themeData(partsOfRef(ref).name, own) !== undefined;

/** What older documents called a theme that is a side of one now. */
const FORMERLY: Readonly<Record<string, ThemeRef>> = { night: 'paper/dark' };

/** A reference as it stands in a document; null for none. Whether there is such a theme is for `themeOn`. */
export function readThemeRef(value: unknown): ThemeRef | null {
  const ref = asString(value, '', 60);
  if (!/^[\w-]+(\/dark)?$/.test(ref)) return null;
  return Object.hasOwn(FORMERLY, ref) ? FORMERLY[ref]! : ref;
}

const set = (family: FamilyName, size: number, weight: number, leading: number): TypeSpec => ({
  family,
  size,
  weight,
  leading,
});

/** The styles of a theme from its two families. Families with tall letters have more air between lines. */
function typeOf({ head, body, headWeight }: ThemeData): Record<TextStyle, TypeSpec> {
  const isBook = familyOf(body).look === 'book';
  return {
    title: set(head, isBook ? 58 : 56, headWeight, 1.12),
    subtitle: set(body, 34, 400, 1.3),
    heading: set(head, 40, headWeight, 1.12),
    body: set(body, 30, 400, isBook ? 1.4 : 1.34),
    caption: set(body, 22, 400, 1.34),
    choice: set(body, 28, 650, 1.34),
  };
}

const known = new WeakMap<ThemeData, Map<string, Theme>>();

/** A theme on one of its sides, with as much of its scenery. */
function themeOfData(data: ThemeData, ref: ThemeRef, amount: Amount): Theme {
  let themes = known.get(data);
  if (!themes) known.set(data, (themes = new Map<string, Theme>()));
  const key = `${ref} ${amount}`;
  let theme = themes.get(key);
  if (!theme) {
    const { side } = partsOfRef(ref);
    const { label, scenery, dress } = data;
    const scene = data.scene?.[side] ?? null;
    const [colours, type] = [data[side], typeOf(data)];
    theme = { ref, label, side, colours, type, scenery, amount, dress, scene };
    themes.set(key, theme);
  }
  return theme;
}

/** One of our themes, without scenery unless it is asked for. */
export const themeNamed = (ref: ThemeRef, amount: Amount = 'none'): Theme =>
  themeOfData(themeData(partsOfRef(ref).name) ?? THEME_TABLE.paper, ref, amount);

/** What is drawn with where nothing else is said. */
export const PAPER: Theme = themeNamed('paper');
export const PLAIN: DeckTheme = { ref: 'paper', amount: 'none', own: {} };

/** The theme that a slide of a deck is drawn in. */
export function themeOn(
  slide: { theme: ThemeRef | null; scenery?: Amount | null } | undefined,
  deck: DeckTheme,
): Theme {
  const amount = slide?.scenery ?? deck.amount;
  for (const ref of [slide?.theme ?? deck.ref, deck.ref]) {
    const data = themeData(partsOfRef(ref).name, deck.own);
    if (data) return themeOfData(data, ref, amount);
  }
  return themeOfData(THEME_TABLE.paper, 'paper', amount);
}
