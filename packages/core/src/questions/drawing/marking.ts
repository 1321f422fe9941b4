import type { Marking } from '../kind.js';
import type { DrawingAnswer, DrawingKey, DrawingQuestion } from './drawing.js';

/** Drawings are looked at, one over the other; there is nothing in them to count but how many there are. */
export interface DrawingTally {
  kind: 'drawing';
  answered: number;
}

export const drawingMarking: Marking<DrawingQuestion, DrawingKey, DrawingAnswer, DrawingTally> = {
  mark: () => null,
  emptyTally: () => ({ kind: 'drawing', answered: 0 }),
  count: (tally, _answer, by) => void (tally.answered += by),

  /** A beam of light from somewhere on the left, up or down. */
  sample(_question, _key, wantsRight, random) {
    const from = { x: 1500 + random(2000), y: 2000 + random(2000) };
    const rise = wantsRight ? -800 : random(3000) - 1500;
    const points = Array.from({ length: 12 }, (_, step) => [
      from.x + step * 450,
      from.y + Math.round((rise * step) / 11) + random(80),
      50,
    ]).flat();
    return {
      kind: 'drawing',
      strokes: [{ colour: '', weight: 6, isMarker: false, points }],
      labels: random(3) === 0 ? [{ x: from.x / 10, y: from.y / 10 - 30, text: 'the beam' }] : [],
    };
  },
};
