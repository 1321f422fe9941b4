import * as Y from 'yjs';
import { readBox } from '../../elements/fields.js';
import { isKeptClear, type Occupied } from '../../layouts/layouts.js';
import type { Box } from '../../parts/place.js';
import { elementsOfRead, type YSlide } from '../document.js';

/** What a new choice has to do with on a slide, without reading the rest of it. */
export function occupiedOn(slide: YSlide): Record<keyof Occupied, Box[]> {
  const found: Record<keyof Occupied, Box[]> = { choices: [], clear: [], others: [] };
  for (const [, element] of elementsOfRead(slide)) {
    if (!(element instanceof Y.Map) || element.get('layer') === 'background') continue;
    const fields: Y.Map<unknown> = element;
    const thing = { kind: fields.get('kind'), layer: fields.get('layer') };
    const isChoice = element.get('style') === 'choice';
    found[isChoice ? 'choices' : isKeptClear(thing) ? 'clear' : 'others'].push(
      readBox(element.get('box')),
    );
  }
  return found;
}
