import { readsLeftward } from '../map/side.js';
import type { Deck } from '../deck/types.js';
import { routeGraph } from '../map/graph.js';
import { questionsOf } from '../folio/projection.js';
import type { DeckSummary } from './decks.js';

const MOST_CARDS = 200;

/** A deck in few numbers, and its shape on the map. */
export function summarise(deck: Deck): DeckSummary {
  const slides = Object.values(deck.slides);
  const shown = slides.slice(0, MOST_CARDS);
  const indexOf = new Map(shown.map((slide, index) => [slide.id, index]));
  const graph = routeGraph(deck);
  const wires = [...graph.waysOut.values()].flat().flatMap((link) => {
    const from = indexOf.get(link.from);
    return (graph.to.get(link.id) ?? []).flatMap((slideId) => {
      const to = indexOf.get(slideId);
      return from === undefined || to === undefined ? [] : [[from, to] as [number, number]];
    });
  });
  return {
    slides: slides.length,
    endings: slides.filter((slide) => slide.isEnding).length,
    questions: questionsOf(deck).size,
    cards: shown.map(({ id, x, y }) => ({ x, y, isStart: id === deck.startSlideId })),
    wires,
    isLeftward: readsLeftward(deck),
  };
}
