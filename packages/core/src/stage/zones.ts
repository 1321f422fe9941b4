import { isPiece, STAGE, type Box, type Slide, type ZoneElement } from '../deck/types.js';
import type { ElementId } from '../ids.js';

/** Where a student has put a piece: its upper left corner in slide units. */
export interface Placement {
  x: number;
  y: number;
}
export type Placements = Record<ElementId, Placement>;

/** The zone that holds a piece: the one under the piece's middle, the smallest where zones overlap. */
export function zoneUnder(slide: Slide, box: Box): ZoneElement | null {
  const zones = slide.elements.filter(
    (element): element is ZoneElement => element.kind === 'zone' && isOver(box, element.box),
  );
  zones.sort((a, b) => a.box.w * a.box.h - b.box.w * b.box.h);
  return zones[0] ?? null;
}

/** Whether the middle of a box lies over another. */
function isOver(box: Box, under: Box): boolean {
  const x = box.x + box.w / 2;
  const y = box.y + box.h / 2;
  return x >= under.x && x <= under.x + under.w && y >= under.y && y <= under.y + under.h;
}

/** Keeps a piece on the stage. */
export function clampToStage(box: Box): Placement {
  return {
    x: Math.round(Math.min(Math.max(0, STAGE.width - box.w), Math.max(0, box.x))),
    y: Math.round(Math.min(Math.max(0, STAGE.height - box.h), Math.max(0, box.y))),
  };
}

/** Where a piece comes to lie when it is put into a zone by name: in a row from the left, wrapping. */
export function spotInZone(
  slide: Slide,
  placements: Placements,
  pieceId: ElementId,
  zone: ZoneElement,
): Placement {
  const piece = slide.elements.find((element) => element.id === pieceId);
  if (!piece) return { x: zone.box.x, y: zone.box.y };
  const held = slide.elements.filter(
    (other) =>
      isPiece(other) &&
      other.id !== pieceId &&
      isOver({ ...other.box, ...placements[other.id] }, zone.box),
  );
  const gap = 10;
  let x = zone.box.x + gap;
  let y = zone.box.y + gap;
  let rowHeight = 0;
  for (const other of held) {
    x += other.box.w + gap;
    rowHeight = Math.max(rowHeight, other.box.h);
    if (x + piece.box.w > zone.box.x + zone.box.w) {
      x = zone.box.x + gap;
      y += rowHeight + gap;
      rowHeight = 0;
    }
  }
  const { w, h } = piece.box;
  if (held.length === 0 && w + 2 * gap >= zone.box.w) x = zone.box.x + (zone.box.w - w) / 2;
  if (held.length === 0 || y + h > zone.box.y + zone.box.h) y = zone.box.y + (zone.box.h - h) / 2;
  return clampToStage({ x, y, w, h });
}

/** The pieces that lie in a zone, in the slide's order. */
export function piecesIn(slide: Slide, placements: Placements, zone: ZoneElement): ElementId[] {
  return slide.elements
    .filter(isPiece)
    .filter((piece) => zoneUnder(slide, { ...piece.box, ...placements[piece.id] })?.id === zone.id)
    .map((piece) => piece.id);
}
