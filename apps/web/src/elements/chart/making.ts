import { tableText, type ChartForm, type Layer, type NewElement, type Slide } from '@gobrel/core';
import { flat, inMiddle } from '../making';

/** Something to be seen at once; it is typed over. */
const BEGINNING = [
  ['', 'How many'],
  ['first', '3'],
  ['second', '5'],
  ['third', '2'],
];

export const chartElement = (slide: Slide, layer: Layer, form: ChartForm): NewElement => ({
  kind: 'chart',
  layer: flat(layer),
  form,
  text: tableText(BEGINNING),
  columns: [1, 1],
  box: inMiddle(slide, 520, 340, 0.5),
});
