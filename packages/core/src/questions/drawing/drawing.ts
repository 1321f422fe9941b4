import { asList, asRecord, asString } from '../../parts/decode.js';
import { type InkStroke, readStrokes } from '../../parts/ink.js';
import type { QuestionKind } from '../kind.js';
import { readPoints } from '../parts.js';
import { readScale, type ScaleKey } from '../scale.js';

/** QTI's drawingInteraction: ink and typed labels, on the question's picture or on plain paper. */
export interface DrawingQuestion {
  kind: 'drawing';
  points: number;
}
export type DrawingKey = ScaleKey<'drawing'>;

/** Words put on a drawing; x and y in units of its paper. */
export interface DrawingLabel {
  x: number;
  y: number;
  text: string;
}
/** Strokes as in a deck, places in tenths of a unit of a paper that is `PAPER_WIDTH` wide. */
export interface DrawingAnswer {
  kind: 'drawing';
  strokes: InkStroke[];
  labels: DrawingLabel[];
}

/** Units across the paper, whatever its size on a screen. */
export const PAPER_WIDTH = 1000;
const MOST_STROKES = 400;
const MOST_LABELS = 40;
/** Numbers of all strokes together: three for each place of the pen. */
export const MOST_INK = 3 * 12_000;

export const drawing: QuestionKind<DrawingQuestion, DrawingKey, DrawingAnswer> = {
  kind: 'drawing',
  label: 'Drawing',
  isByHand: true,

  fresh: () => ({ kind: 'drawing', points: 2 }),
  read: (raw) => ({ kind: 'drawing', points: readPoints(raw.points) }),
  readKey: (raw) => readScale('drawing', raw),

  readAnswer(_question, raw) {
    const { strokes, labels } = raw;
    if (!Array.isArray(strokes) || strokes.length > MOST_STROKES) return undefined;
    if (!Array.isArray(labels) || labels.length > MOST_LABELS) return undefined;
    const ink = strokes.reduce<number>((sum, stroke) => sum + lengthOf(asRecord(stroke).points), 0);
    if (ink > MOST_INK) return undefined;
    return {
      kind: 'drawing',
      strokes: readStrokes(strokes),
      labels: asList(labels, MOST_LABELS).flatMap((entry) => {
        const { x, y, text } = asRecord(entry);
        const words = asString(text, '', 80).trim();
        const isPlace = Number.isFinite(x) && Number.isFinite(y);
        return words && isPlace ? [{ x: x as number, y: y as number, text: words }] : [];
      }),
    };
  },

  isBlank: ({ strokes, labels }) => strokes.length === 0 && labels.length === 0,
  lines: () => [],
};

const lengthOf = (value: unknown): number => (Array.isArray(value) ? value.length : 0);
