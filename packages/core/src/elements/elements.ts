import { STAGE, type Box } from '../parts/place.js';
import { may, type SlideElement } from './registry.js';

/** A piece is a text, picture, shape, drawing or group on the pieces layer: students may move it. */
export function isPiece(element: SlideElement): boolean {
  return element.layer === 'pieces' && element.groupId === null && may(element, 'bePiece');
}

/** The upright box around a thing as it is drawn: turned about its middle. Slide units. */
export function drawnBox({ box, rotation }: Pick<SlideElement, 'box' | 'rotation'>): Box {
  if (rotation % 180 === 0) return box;
  const angle = (rotation * Math.PI) / 180;
  const [cos, sin] = [Math.abs(Math.cos(angle)), Math.abs(Math.sin(angle))];
  const w = box.w * cos + box.h * sin;
  const h = box.w * sin + box.h * cos;
  return { x: box.x + (box.w - w) / 2, y: box.y + (box.h - h) / 2, w, h };
}

/** Things wholly outside the stage are spare material: never shown. */
export function isSpare(element: SlideElement): boolean {
  const { x, y, w, h } = drawnBox(element);
  return x >= STAGE.width || y >= STAGE.height || x + w <= 0 || y + h <= 0;
}

/** Whether the words of a thing are a table: cells are pasted into it. */
export const hasCells = (element: SlideElement): boolean =>
  'text' in element && element.text.content[0]?.type === 'table';
