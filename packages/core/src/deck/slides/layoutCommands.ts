import { command, type Plan } from '../command.js';
import type * as Y from 'yjs';
import type { SlideId, ElementId } from '../../parts/ids.js';
import { refuse } from '../../parts/refusals.js';
import { layoutOf, nextChoiceBox, type SlotSpec } from '../../layouts/layouts.js';
import { LAYOUTS, type LayoutName } from '../../layouts/names.js';
import { occupiedOn } from './occupied.js';
import { elementOf, elementsOf, readSlide, slideOf } from '../document.js';
import { addPlacedTo } from '../arranging/elementCommands.js';
import { plain, wordsOf } from '../../parts/richText.js';
import type { Box } from '../../parts/place.js';
import type { Slide } from '../types.js';
import type { SlideElement } from '../../elements/registry.js';
import { sure } from '../../parts/sure.js';

/**
 * Sets a slide anew: what stands in a slot of its layout moves to the same slot of the new one, written texts whose slot
 * is gone to the next one that waits for a text, choices into its list. It does not set itself out any more. Empty texts
 * whose slot is gone are taken off; anything else stays where it is and belongs to no slot any more.
 * Refused: `deck.layout`, `slide.gone`.
 */
export const setLayout = command(
  'setLayout',
  'deck:write',
  (doc: Y.Doc, slideId: SlideId, layout: LayoutName): Plan => {
    const slide = slideOf(doc, slideId);
    if (!slide) return refuse('slide.gone');
    if (!LAYOUTS.includes(layout)) return refuse('deck.layout');
    const before = readSlide(slideId, slide);
    const { slots } = layoutOf(layout);
    return () => {
      slide.set('layout', layout);
      slide.delete('ownLayout');
      slide.delete('hidesNumber');
      // Whoever picks a layout wants it as it is.
      slide.delete('setOut');
      const filled = new Set<string>();
      const standIn = ({ id }: SlideElement, spec: SlotSpec): void => {
        const map = sure(elementOf(doc, slideId, id), 'it was read just now');
        filled.add(spec.slot);
        map.set('slot', spec.slot);
        map.set('box', spec.box);
        if (spec.takes !== 'text') return;
        map.set('align', spec.align ?? null);
        map.set('style', spec.style);
      };
      const homeless: SlideElement[] = [];
      for (const element of before.elements) {
        const slot = slotOf(element, before);
        if (!slot || element.isLocked) continue;
        // A choice that an own layout had a place for goes into the list, and stays one.
        if (element.kind === 'text' && element.style === 'choice') {
          elementOf(doc, slideId, element.id)?.set('slot', null);
          continue;
        }
        const spec = slots.find((one) => one.slot === slot && !filled.has(one.slot));
        if (spec && fits(element, spec)) standIn(element, spec);
        else if (element.kind === 'text' && wordsOf(element.text) === '') {
          elementsOf(slide).delete(element.id);
        } else homeless.push(element);
      }
      for (const element of homeless) {
        const spec = slots.find(
          (one) => one.takes === 'text' && fits(element, one) && !filled.has(one.slot),
        );
        if (spec) standIn(element, spec);
        else elementOf(doc, slideId, element.id)?.set('slot', null);
      }
      for (const spec of slots) if (!filled.has(spec.slot)) fillSlot(doc, slideId, spec);
      const occupied = { ...occupiedOn(slide), choices: [] as Box[] };
      for (const element of before.elements) {
        if (element.kind !== 'text' || element.style !== 'choice' || element.isLocked) continue;
        const box = nextChoiceBox(occupied, layout);
        occupied.choices.push(box);
        elementOf(doc, slideId, element.id)?.set('box', box);
      }
    };
  },
);

/** Its own slot; a title or first text made before slots were noted stands in theirs. */
export function slotOf(element: SlideElement, slide: Slide): SlideElement['slot'] {
  if (element.slot || element.kind !== 'text' || element.layer !== 'content') return element.slot;
  const isFirst = (style: string): boolean =>
    slide.elements.find((other) => other.kind === 'text' && other.style === style) === element;
  if (element.style === 'title' && isFirst('title')) return 'title';
  const hasBody = slide.elements.some(({ slot }) => slot === 'body');
  return element.style === 'body' && !hasBody && isFirst('body') ? 'body' : null;
}

function fits(element: SlideElement, spec: SlotSpec): boolean {
  if (spec.takes === 'text') return element.kind === 'text';
  return spec.takes === element.kind;
}

/** Inside a transaction: puts an empty text into a slot for one. Pictures and questions are waited for. */
export function fillSlot(
  doc: Y.Doc,
  slideId: SlideId,
  spec: SlotSpec,
  words = '',
  id?: ElementId,
): void {
  if (spec.takes !== 'text') return;
  addPlacedTo(doc, slideId, {
    ...(id ? { id } : {}),
    kind: 'text',
    layer: 'content',
    slot: spec.slot,
    style: spec.style,
    box: spec.box,
    ...(spec.align ? { align: spec.align } : {}),
    text: plain(words),
  });
}
