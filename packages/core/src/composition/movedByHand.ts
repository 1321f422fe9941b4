import type { SetOut } from '../elements/base.js';
import type { SlideElement } from '../elements/registry.js';

/** Whether a thing has been put where it lies by hand: it never was set out, or lies elsewhere since. */
export function wasMovedByHand({ box, setOut }: Pick<SlideElement, 'box' | 'setOut'>): boolean {
  if (!setOut) return true;
  const was = setOut.box;
  return !(near(was.x, box.x) && near(was.y, box.y) && near(was.w, box.w) && near(was.h, box.h));
}

/** To half a slide unit. */
const near = (one: number, other: number): boolean => Math.abs(one - other) < 0.5;

/** A thing as if it had been set out as it lies: it is free to be set out otherwise. */
export const asSetOut = (element: SlideElement): SetOut => ({
  box: element.box,
  size: element.kind === 'text' ? element.size : null,
  align: element.kind === 'text' ? element.align : null,
  fit: element.kind === 'picture' ? element.fit : null,
});
