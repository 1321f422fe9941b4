import type { Deck, LinkId, ShownStep, SlideId } from '@gobrel/core';
import { useMemo, type ReactElement } from 'react';
import { LessonMap } from '../lesson/LessonMap';
import { Dialog } from '../ui/Dialog';

const NOBODY: [] = [];

/** The map of the deck with the walk drawn on it, to jump from. */
export default function ShowMap(props: {
  deck: Deck;
  walk: readonly ShownStep[];
  here: SlideId | null;
  onJump: (slideId: SlideId) => void;
  onClose: () => void;
}): ReactElement {
  const { deck, walk } = props;
  const walks = useMemo(() => {
    const counts: Record<LinkId, number> = {};
    for (const { via } of walk) counts[via as LinkId] = (counts[via as LinkId] ?? 0) + 1;
    return counts;
  }, [walk]);
  return (
    <Dialog title="Jump to a slide" isOpen onClose={props.onClose} isWide>
      <div className="h-[min(64vh,560px)] overflow-hidden rounded-[6px] border border-line bg-paper">
        <LessonMap
          edition={deck}
          students={NOBODY}
          walks={walks}
          current={props.here}
          onPick={props.onJump}
          onOpenFolio={() => undefined}
        />
      </div>
    </Dialog>
  );
}
