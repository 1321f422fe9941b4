import * as Y from 'yjs';
import { newId, type SlideId } from '../../parts/ids.js';
import { refuse } from '../../parts/refusals.js';
import { AMOUNTS, type Amount, type ThemeData } from '../../themes/kind.js';
import { MOST_OWN_THEMES, readThemeData } from '../../themes/readThemes.js';
import {
  isOurs,
  isTheme,
  partsOfRef,
  readThemeRef,
  refOf,
  type ThemeRef,
} from '../../themes/theme.js';
import { command, type Plan } from '../command.js';
import { deckMap, slideOf, slidesMap, themesMap } from '../document.js';
import { readTheme } from '../readDeck.js';

/**
 * The theme of the deck; slides that have one of their own keep it.
 * Refused: `deck.theme`.
 */
export const setTheme = command('setTheme', 'deck:write', (doc: Y.Doc, theme: ThemeRef): Plan => {
  if (!isTheme(theme, readTheme(doc).own)) return refuse('deck.theme');
  return () => {
    deckMap(doc).set('theme', theme);
  };
});

/**
 * Gives one slide a theme of its own; null hands it back to that of the deck, its scenery too.
 * Refused: `deck.theme`, `slide.gone`.
 */
export const setSlideTheme = command(
  'setSlideTheme',
  'deck:write',
  (doc: Y.Doc, slideId: SlideId, theme: ThemeRef | null): Plan => {
    const slide = slideOf(doc, slideId);
    if (!slide) return refuse('slide.gone');
    if (theme !== null && !isTheme(theme, readTheme(doc).own)) return refuse('deck.theme');
    return () => {
      slide.set('theme', theme);
      if (theme === null) slide.delete('scenery');
    };
  },
);

/**
 * The theme for every slide: the deck's, and no slide has one of its own any more.
 * Refused: `deck.theme`.
 */
export const setThemeForAll = command(
  'setThemeForAll',
  'deck:write',
  (doc: Y.Doc, theme: ThemeRef): Plan => {
    if (!isTheme(theme, readTheme(doc).own)) return refuse('deck.theme');
    return () => {
      deckMap(doc).set('theme', theme);
      for (const slide of slidesMap(doc).values()) {
        if (slide instanceof Y.Map && slide.get('theme')) slide.set('theme', null);
      }
    };
  },
);

/**
 * How much of its scenery the deck shows, or one slide of it; null hands a slide back to the deck.
 * Refused: `deck.theme`, `slide.gone`.
 */
export const setScenery = command(
  'setScenery',
  'deck:write',
  (doc: Y.Doc, slideId: SlideId | null, amount: Amount | null): Plan => {
    const map = slideId === null ? deckMap(doc) : slideOf(doc, slideId);
    if (!map) return refuse('slide.gone');
    const isKnown = amount !== null && AMOUNTS.includes(amount);
    if (!isKnown && (amount !== null || slideId === null)) return refuse('deck.theme');
    return () => {
      map.set('scenery', amount);
    };
  },
);

/**
 * A theme of the deck's own, for the deck or for one slide: a new one, or one that it has had before under this id.
 * Refused: `slide.gone`, `themes.tooMany`.
 */
export const takeTheme = command(
  'takeTheme',
  'deck:write',
  (
    doc: Y.Doc,
    data: ThemeData,
    side: ThemeRef,
    slideId: SlideId | null,
    id: string = newId(),
  ): Plan<{ id: string }> => {
    const map = slideId === null ? deckMap(doc) : slideOf(doc, slideId);
    if (!map) return refuse('slide.gone');
    const themes = themesMap(doc);
    if (!themes.has(id) && themes.size >= MOST_OWN_THEMES)
      return refuse('themes.tooMany', { most: MOST_OWN_THEMES });
    return () => {
      if (!themes.has(id)) themes.set(id, readThemeData(data));
      map.set('theme', refOf(id, partsOfRef(side).side));
      return { id };
    };
  },
);

/**
 * Changes a theme of the deck's own: all that is shown in it follows.
 * Refused: `deck.theme`.
 */
export const changeTheme = command(
  'changeTheme',
  'deck:write',
  (doc: Y.Doc, id: string, data: ThemeData): Plan => {
    if (isOurs(id) || !themesMap(doc).has(id)) return refuse('deck.theme');
    return () => {
      themesMap(doc).set(id, readThemeData(data));
    };
  },
);

/**
 * Takes a theme of its own out of the deck. What was shown in it has Paper again, or a slide the deck's.
 * Refused: `deck.theme`.
 */
export const removeTheme = command('removeTheme', 'deck:write', (doc: Y.Doc, id: string): Plan => {
  if (!themesMap(doc).has(id)) return refuse('deck.theme');
  return () => {
    themesMap(doc).delete(id);
    const { name, side } = partsOfRef(readTheme(doc).ref);
    if (name === id) deckMap(doc).set('theme', refOf('paper', side));
    for (const slide of slidesMap(doc).values()) {
      const ref = slide instanceof Y.Map && readThemeRef(slide.get('theme'));
      if (ref && partsOfRef(ref).name === id) slide.set('theme', null);
    }
  };
});
