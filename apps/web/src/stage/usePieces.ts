import {
  drop,
  elementWords,
  lyingPieces,
  pieceOf,
  putInto,
  readCopyId,
  type Dropped,
  type ElementId,
  type LyingPiece,
  type Placement,
  type Placements,
  type Slide,
  type SlideElement,
  type ZoneElement,
  type SlideId,
} from '@gobrel/core';
import { useMemo, useState } from 'react';

export const pieceName = (element: SlideElement): string =>
  element.name || elementWords(element) || 'piece';

/** Pieces of one slide being moved, turned and put into zones: by a student, or by a teacher who tries them out. */
export interface PieceWork {
  lying: readonly LyingPiece[];
  isHeld: boolean;
  /** The piece that waits to be put into a zone. */
  picked: ElementId | null;
  /** What has just happened, for screen readers. */
  said: string;
  onPick: (id: ElementId) => void;
  onPlace: (id: ElementId, placement: Placement) => void;
  onPutInto: (zone: ZoneElement) => void;
}

export function usePieces(args: {
  slide: Slide;
  placements: Placements;
  isHeld: boolean;
  onChange: (changed: Placements) => void;
  /** Told when a zone does not take a piece. */
  onRefused: (reason: string) => void;
}): PieceWork {
  const { slide, placements, isHeld, onChange } = args;
  const [picking, setPicking] = useState<{ slideId: SlideId; id: ElementId } | null>(null);
  const [said, setSaid] = useState('');
  const picked = picking?.slideId === slide.id ? picking.id : null;
  const lying = useMemo(() => lyingPieces(slide, placements), [slide, placements]);
  const nameOf = (id: ElementId): string => {
    const piece = pieceOf(slide, id);
    return piece ? pieceName(piece) : 'piece';
  };
  const settle = (id: ElementId, { refused, zone, placements }: Dropped): void => {
    if (refused) {
      setSaid(refused);
      return args.onRefused(refused);
    }
    onChange(placements);
    if (zone) setSaid(`${nameOf(id)} is in ${zone.name || 'the zone'}`);
  };
  return {
    lying,
    isHeld,
    picked,
    said,
    onPick: (id) => {
      if (isHeld) return;
      const isPutDown = picked === id;
      setPicking(isPutDown ? null : { slideId: slide.id, id });
      setSaid(`${nameOf(id)} ${isPutDown ? 'put down' : 'picked. Choose where it goes.'}`);
    },
    onPlace: (id, placement) => {
      if (!isHeld) settle(id, drop(slide, placements, id, placement));
    },
    onPutInto: (zone) => {
      if (!picked || isHeld) return;
      setPicking(null);
      settle(picked, putInto(slide, placements, picked, zone));
    },
  };
}

/** What the copies of a piece are called apart. */
export const copyName = ({ id, piece }: LyingPiece, count: number): string => {
  const { copy } = readCopyId(id);
  return count > 1 ? `${pieceName(piece)}, ${copy + 1} of ${count}` : pieceName(piece);
};
