import type * as Y from 'yjs';
import type { SlideId } from '../../parts/ids.js';
import { refuse } from '../../parts/refusals.js';
import { TURNS, type Turn } from '../../parts/turns.js';
import { command, type Plan } from '../command.js';
import { deckMap, slideOf } from '../document.js';
import type { Numbering } from '../types.js';

/**
 * How the slides of the deck come, or one of them; null hands a slide back to the deck.
 * Refused: `deck.turn`, `slide.gone`.
 */
export const setTurn = command(
  'setTurn',
  'deck:write',
  (doc: Y.Doc, slideId: SlideId | null, turn: Turn | null): Plan => {
    const map = slideId === null ? deckMap(doc) : slideOf(doc, slideId);
    if (!map) return refuse('slide.gone');
    if (turn === null ? slideId === null : !TURNS.includes(turn)) return refuse('deck.turn');
    return () => {
      if (turn === null) map.delete('turn');
      else map.set('turn', turn);
    };
  },
);

/**
 * Which slides show their number.
 * Refused: `slide.gone`.
 */
export const setNumbering = command(
  'setNumbering',
  'deck:write',
  (doc: Y.Doc, numbering: Numbering): Plan => {
    if (numbering !== null && numbering !== 'all' && !slideOf(doc, numbering))
      return refuse('slide.gone');
    return () => {
      if (numbering === null) deckMap(doc).delete('numbering');
      else deckMap(doc).set('numbering', numbering);
    };
  },
);
