import { titleOf } from '@gobrel/core';
import { ViewportPortal } from '@xyflow/react';
import type { ReactElement } from 'react';
import { useNavigate } from 'react-router';
import { useSeenDeck } from '../cards/useSeenDeck';
import { CommentMark, useComments } from '../deck/Comments';
import { useDeck } from '../deck/DeckContext';

/** How much is said to which slide and not done yet, at the corner of its card. */
export function CommentsHere(): ReactElement | null {
  const { deckId } = useDeck();
  const { deck } = useSeenDeck();
  const { threads } = useComments();
  const navigate = useNavigate();
  const counts = new Map<string, number>();
  for (const { first } of threads) {
    if (!first.doneAt) counts.set(first.slideId, (counts.get(first.slideId) ?? 0) + 1);
  }
  if (counts.size === 0) return null;
  return (
    <ViewportPortal>
      {[...counts].map(([slideId, count]) => {
        const slide = deck.slides[slideId as keyof typeof deck.slides];
        return slide ? (
          <span
            key={slideId}
            className="absolute z-[2000]"
            style={{ left: slide.x - 10, top: slide.y - 12 }}
            onClickCapture={() => void navigate(`/deck/${deckId}/slide/${slideId}`)}
          >
            <CommentMark count={count} about={`“${titleOf(slide)}”`} />
          </span>
        ) : null;
      })}
    </ViewportPortal>
  );
}
