import type { PieceRules } from '../elements/base.js';
import { isPiece } from '../elements/elements.js';
import type { SlideElement } from '../elements/registry.js';
import { STAGE, type Box } from '../parts/place.js';
import type { Slide } from '../deck/types.js';
import { type ElementId, idOf } from '../parts/ids.js';

/** Where a student has put a piece: its upper left corner in slide units, and how far it was turned. */
export interface Placement {
  x: number;
  y: number;
  /** Degrees clockwise, on top of the piece's own rotation. */
  rotation?: number;
}
/** By the identity of the piece, or of one of its copies. */
export type Placements = Record<ElementId, Placement>;

/** More copies of an endless stack than this are not made: nobody sorts that many. */
export const MOST_COPIES = 40;

/** The first copy of a piece is the piece itself. */
export const copyId = (pieceId: ElementId, copy: number): ElementId =>
  copy === 0 ? pieceId : idOf(`${pieceId}--${copy}`);

export function readCopyId(id: ElementId): { pieceId: ElementId; copy: number } {
  const [, pieceId, copy] = /^(.+)--(\d{1,3})$/.exec(id) ?? [];
  return pieceId ? { pieceId: idOf(pieceId), copy: Number(copy) } : { pieceId: id, copy: 0 };
}

/** The piece that an identity stands for, if the slide has it and so many of it. */
export function pieceOf(slide: Slide, id: ElementId): SlideElement | undefined {
  const { pieceId, copy } = readCopyId(id);
  const piece =
    slide.elements.find((element) => element.id === id && isPiece(element)) ??
    slide.elements.find((element) => element.id === pieceId && isPiece(element));
  if (!piece || piece.id === id) return piece;
  const most = piece.piece.copies === 0 ? MOST_COPIES : piece.piece.copies;
  return copy < most ? piece : undefined;
}

/** A piece as it lies before a student: every copy on its own. */
export interface LyingPiece {
  id: ElementId;
  piece: SlideElement;
  box: Box;
  rotation: number;
}

/** Copies that lie in one heap show that there are several. */
const HEAP_STEP = 5;

/**
 * All pieces of a slide with their copies, where they lie now. Of an endless stack those that were taken from it, and
 * one more to be taken.
 */
export function lyingPieces(slide: Slide, placements: Placements): LyingPiece[] {
  return slide.elements.filter(isPiece).flatMap((piece) => {
    const { copies } = piece.piece;
    const count = copies === 0 ? taken(piece.id, placements) + 1 : copies;
    return Array.from({ length: Math.min(count, MOST_COPIES) }, (_, copy) => {
      const id = copyId(piece.id, copy);
      return { id, piece, ...lying(piece, placements[id], copies === 0 ? 0 : copy) };
    });
  });
}

/** How many copies of a stack have been taken: up to the first that still lies there. */
function taken(pieceId: ElementId, placements: Placements): number {
  let count = 0;
  while (placements[copyId(pieceId, count)]) count += 1;
  return count;
}

/** Where one copy of a piece lies. `step` is its place in the heap. */
export function lying(
  piece: SlideElement,
  placement: Placement | undefined,
  step = 0,
): { box: Box; rotation: number } {
  const { box, rotation } = piece;
  if (!placement) {
    const by = step * HEAP_STEP;
    return { box: { ...box, x: box.x + by, y: box.y + by }, rotation };
  }
  const { x, y } = keptOnStage({ ...box, x: placement.x, y: placement.y });
  return { box: { ...box, x, y }, rotation: (rotation + (placement.rotation ?? 0)) % 360 };
}

/** Keeps a box on the stage: its upper left corner, in whole units. */
export function keptOnStage(box: Box): { x: number; y: number } {
  return {
    x: Math.round(Math.min(Math.max(0, STAGE.width - box.w), Math.max(0, box.x))),
    y: Math.round(Math.min(Math.max(0, STAGE.height - box.h), Math.max(0, box.y))),
  };
}

/**
 * Where a piece that is pulled to a place really goes: along its track, and never off the stage. `box` is where it is
 * wanted, `start` where it lay in the beginning.
 */
export function keptOnTrack(rules: PieceRules, start: Box, box: Box): { x: number; y: number } {
  const { track, range, isRising } = rules;
  const whole = { x: 0, y: 0, w: STAGE.width, h: STAGE.height };
  const room = range ?? whole;
  const within = (value: number, low: number, high: number): number =>
    Math.min(Math.max(low, high), Math.max(low, value));
  switch (track) {
    case 'free':
      return keptOnStage(box);
    case 'across':
      return keptOnStage({ ...box, x: within(box.x, room.x, room.x + room.w - box.w), y: start.y });
    case 'down':
      return keptOnStage({ ...box, x: start.x, y: within(box.y, room.y, room.y + room.h - box.h) });
    case 'area':
      return keptOnStage({
        ...box,
        x: within(box.x, room.x, room.x + room.w - box.w),
        y: within(box.y, room.y, room.y + room.h - box.h),
      });
    case 'line': {
      // Its middle runs along the line.
      const from = { x: room.x, y: isRising ? room.y + room.h : room.y };
      const [dx, dy] = [room.w, isRising ? -room.h : room.h];
      const middle = { x: box.x + box.w / 2, y: box.y + box.h / 2 };
      const along =
        ((middle.x - from.x) * dx + (middle.y - from.y) * dy) / (dx * dx + dy * dy || 1);
      const share = within(along, 0, 1);
      return keptOnStage({
        ...box,
        x: from.x + share * dx - box.w / 2,
        y: from.y + share * dy - box.h / 2,
      });
    }
  }
}
