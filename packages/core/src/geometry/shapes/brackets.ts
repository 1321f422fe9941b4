import type { Pen } from '../Pen.js';
import { plainShape, type ShapeKind } from './kind.js';

/** A bracket open to one side; `at` turns it round. */
function bracket(pen: Pen, w: number, h: number, at: (x: number) => number): unknown {
  const thick = Math.min(w * 0.4, h * 0.06);
  return pen.polygon(
    [at(0), 0],
    [at(w), 0],
    [at(w), thick],
    [at(thick), thick],
    [at(thick), h - thick],
    [at(w), h - thick],
    [at(w), h],
    [at(0), h],
  );
}

function brace(pen: Pen, w: number, h: number, at: (x: number) => number): unknown {
  const thick = Math.min(w * 0.28, h * 0.05);
  const middle = w * 0.5;
  return pen
    .move(at(w), 0)
    .curve(at(middle - thick), 0, at(middle - thick), h * 0.06, at(middle - thick), h * 0.2)
    .curve(at(middle - thick), h * 0.42, at(middle - thick), h * 0.47, at(0), h / 2)
    .curve(at(middle - thick), h * 0.53, at(middle - thick), h * 0.58, at(middle - thick), h * 0.8)
    .curve(at(middle - thick), h * 0.94, at(middle - thick), h, at(w), h)
    .line(at(w), h - thick)
    .curve(
      at(middle + thick),
      h - thick,
      at(middle + thick),
      h * 0.92,
      at(middle + thick),
      h * 0.78,
    )
    .curve(at(middle + thick), h * 0.56, at(middle), h * 0.53, at(thick * 1.6), h / 2)
    .curve(at(middle), h * 0.47, at(middle + thick), h * 0.44, at(middle + thick), h * 0.22)
    .curve(at(middle + thick), h * 0.08, at(middle + thick), thick, at(w), thick)
    .close();
}

export const BRACKETS = {
  'bracket-left': plainShape('Bracket, left', 'brackets', (pen, w, h) =>
    bracket(pen, w, h, (x) => x),
  ),
  'bracket-right': plainShape('Bracket, right', 'brackets', (pen, w, h) =>
    bracket(pen, w, h, (x) => w - x),
  ),
  'brace-left': plainShape('Brace, left', 'brackets', (pen, w, h) => brace(pen, w, h, (x) => x)),
  'brace-right': plainShape('Brace, right', 'brackets', (pen, w, h) =>
    brace(pen, w, h, (x) => w - x),
  ),
} as const satisfies Record<string, ShapeKind>;
