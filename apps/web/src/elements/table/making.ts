import { tableText, type Layer, type NewElement, type Slide } from '@gobrel/core';
import { flat, inMiddle } from '../making';

const EMPTY_TABLE = [
  ['', '', ''],
  ['', '', ''],
  ['', '', ''],
];

export function tableElement(
  slide: Slide,
  layer: Layer,
  rows: readonly (readonly string[])[] = EMPTY_TABLE,
): NewElement {
  const columns = Math.max(1, ...rows.map((row) => row.length));
  return {
    kind: 'table',
    layer: flat(layer),
    text: tableText(rows),
    columns: Array.from({ length: columns }, () => 1),
    box: inMiddle(slide, Math.min(1100, 200 * columns), Math.min(600, 52 * rows.length)),
  };
}
