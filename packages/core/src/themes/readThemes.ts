import { asColour, asOneOf, asRecord, asString } from '../parts/decode.js';
import { FAMILY_NAMES } from '../parts/fonts.js';
import { DEFAULT_DRESS, readDress } from './dress.js';
import { AMOUNTS, SCENERIES, type SceneColours, type ThemeData } from './kind.js';
import { THEME_TABLE } from './table.js';
import { isOurs, readThemeRef, type DeckTheme } from './theme.js';

/** A deck's theme out of data of any age: once it was nothing but a name. */
export function readDeckTheme(value: unknown): DeckTheme {
  const { ref, amount, own } = typeof value === 'object' ? asRecord(value) : { ref: value };
  return {
    ref: readThemeRef(ref) ?? 'paper',
    amount: asOneOf(amount, AMOUNTS, 'none'),
    own: readOwnThemes(own),
  };
}

/** Of more than these nobody finds the one that is meant. */
export const MOST_OWN_THEMES = 24;

function readOwnThemes(value: unknown): Record<string, ThemeData> {
  const themes: Record<string, ThemeData> = {};
  for (const [id, data] of Object.entries(asRecord(value)).slice(0, MOST_OWN_THEMES)) {
    if (/^[\w-]{1,40}$/.test(id) && !isOurs(id) && !(id in themes))
      themes[id] = readThemeData(data);
  }
  return themes;
}

/** A theme out of data from anywhere: what cannot be read is as in Paper. */
export function readThemeData(value: unknown): ThemeData {
  const data = asRecord(value);
  const standard = THEME_TABLE.paper;
  return {
    label: asString(data.label, 'Own theme', 60),
    head: asOneOf(data.head, FAMILY_NAMES, standard.head),
    body: asOneOf(data.body, FAMILY_NAMES, standard.body),
    headWeight: [400, 500, 600, 650, 700, 800].find((weight) => weight === data.headWeight) ?? 700,
    scenery: asOneOf(data.scenery, SCENERIES, standard.scenery),
    dress: readDress(data.dress, DEFAULT_DRESS),
    light: readColours(data.light, standard.light),
    dark: readColours(data.dark, standard.dark),
    ...readScene(data.scene),
  };
}

/** Named colours; what cannot be read is as in another set. */
function readColours<T extends Record<keyof T, string>>(value: unknown, standard: T): T {
  const data = asRecord(value);
  const read = Object.entries<string>(standard).map(([key, own]) => [
    key,
    asColour(data[key]) || own,
  ]);
  return Object.fromEntries(read) as T;
}

/** Paints that are all there, or none. */
function readScene(value: unknown): Pick<ThemeData, 'scene'> {
  const { light, dark } = asRecord(value);
  return light && dark
    ? { scene: { light: readColours(light, GREYS), dark: readColours(dark, GREYS) } }
    : {};
}
const GREYS: SceneColours = {
  sky: '#DDDDDD',
  far: '#CCCCCC',
  mid: '#AAAAAA',
  near: '#888888',
  deep: '#555555',
  light: '#EEEEEE',
  warm: '#777777',
};
