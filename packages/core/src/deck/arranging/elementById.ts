import type { ElementId } from '../../parts/ids.js';
import type { SlideElement } from '../../elements/registry.js';
import type { Slide } from '../types.js';

/** More things than these are found faster by an index than by looking at each. */
const FEW = 24;
const indices = new WeakMap<Slide, Map<ElementId, SlideElement>>();

/** A thing on a slide by its identity. */
export function elementById(slide: Slide, id: ElementId): SlideElement | undefined {
  const { elements } = slide;
  if (elements.length <= FEW) return elements.find((element) => element.id === id);
  let index = indices.get(slide);
  if (!index) indices.set(slide, (index = new Map(elements.map((one) => [one.id, one]))));
  return index.get(id);
}
