import { questionsOf, routeGraph, type Deck } from '@gobrel/core';

/** What a deck's card on the Decks page shows: its small map and a few counts. */
export interface DeckSummary {
  slides: number;
  endings: number;
  questions: number;
  /** Cards in map units, and wires between them by index. */
  cards: { x: number; y: number; isStart: boolean }[];
  wires: [number, number][];
}

const MOST_CARDS = 200;

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
  };
}
