import { addElement, plain, readDeck, type NewElement, idOf, type SlideId } from '@gobrel/core';
import { deck, slide } from '@gobrel/core/testing';
import { labelOf } from './labelOf';

function label(plan: object): string {
  const doc = deck(slide('s'));
  const box = { x: 0, y: 0, w: 90, h: 90 };
  addElement(doc, idOf('s'), { layer: 'content', box, id: 'it', ...plan } as NewElement);
  return labelOf(readDeck(doc).slides[idOf<SlideId>('s')]!.elements.find(({ id }) => id === 'it')!);
}

test.each([
  [{ kind: 'text', style: 'body', text: plain('A storm') }, 'Text: A storm'],
  [{ kind: 'text', style: 'body' }, 'Text, empty'],
  [{ kind: 'text', style: 'body', layer: 'pieces', text: plain('crab') }, 'Piece: crab'],
  [{ kind: 'shape', shape: 'ellipse', isLocked: true }, 'Ellipse, empty, locked'],
  [{ kind: 'zone', layer: 'pieces', name: 'pool' }, 'Zone: pool'],
  [{ kind: 'hotspot', name: 'the lamp' }, 'Link area: the lamp'],
  [{ kind: 'formula', tex: 'a^2' }, 'Formula: a squared'],
  [{ kind: 'formula', tex: 'a^2', spoken: 'the area' }, 'Formula: the area'],
  [{ kind: 'chart', form: 'pie', name: 'Birds' }, 'Pie chart: Birds. No values yet.'],
  [{ kind: 'text', style: 'body', text: plain('x'.repeat(90)) }, `Text: ${'x'.repeat(60)}`],
])('%j', (plan, said) => {
  expect(label(plan)).toBe(said);
});
