import { inReadingOrder } from '../geometry/readingOrder.js';
import { meets } from '../geometry/transform.js';
import { STAGE, type Box } from '../parts/place.js';
import { SMALLEST_AREA } from '../stage/legible.js';
import { mattersAt, mattersIn } from '../stage/pictureFit.js';
import { readingOrder } from '../stage/readingOrder.js';
import { keepsInView, type Places } from './cells.js';
import type { Part } from './content.js';

/** The hard rules, reckoned from the boxes alone: whatever made them. Type sizes are held by `Measures`. */
export function keepsRules(parts: readonly Part[], kept: readonly Box[], places: Places): boolean {
  const laid: { part: Part; box: Box }[] = [];
  let bare: Box | null = null;
  for (const part of parts) {
    const place = places.get(part.id);
    if (!place) return false;
    const { box } = place;
    if (box.x < 0 || box.y < 0) return false;
    if (box.x + box.w > STAGE.width || box.y + box.h > STAGE.height) return false;
    const isTouched = part.kind === 'text' && part.style === 'choice';
    if (isTouched && (box.w < SMALLEST_AREA || box.h < SMALLEST_AREA)) return false;
    if (part.kind === 'picture' && place.look.isFilled && !keepsInView(part, box)) return false;
    if (part.kind === 'picture' && place.look.isUnder) {
      bare = mattersAt({ ...part, box, fit: 'cover' }, mattersIn(part) ?? MIDDLE);
      continue;
    }
    if (laid.some((other) => meets(other.box, box)) || kept.some((other) => meets(other, box))) {
      return false;
    }
    laid.push({ part, box });
  }
  const over = bare;
  if (over === null) return true;
  return !laid.some(({ box }) => meets(over, box)) && isReadInOrder(laid);
}

/** Whether choices, which may stand anywhere over a picture, are read in the order in which they were put there. */
function isReadInOrder(laid: readonly { part: Part; box: Box }[]): boolean {
  const choices = laid.flatMap(({ part, box }) =>
    part.kind === 'text' && part.style === 'choice' ? [{ ...part, box }] : [],
  );
  const orders = [readingOrder(choices), inReadingOrder(choices, true)];
  return orders.every((order) => order.every((one, at) => one === choices[at]));
}

/** What is not covered in a picture of which it is neither said nor guessed what matters, in shares: such a way is not taken by itself. */
const MIDDLE: Box = { x: 0.36, y: 0.31, w: 0.28, h: 0.38 };
