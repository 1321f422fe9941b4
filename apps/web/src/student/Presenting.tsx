import {
  leafOnPattern,
  leafTitle,
  type Deck,
  type Leaf,
  type Presenting as PresentingState,
} from '@gobrel/core';
import { useEffect, type ReactElement } from 'react';
import { sentenceOf } from '../api/http';
import { turnTo } from '../api/student';
import { FittedSlide } from '../stage/SlideView';
import { Button } from '../ui/Button';
import { useNotices } from '../ui/Notice';
import { Centre } from '../ui/Page';

/** The presenting student's own device: steps through the leaves, and the big screen follows. */
export default function Presenting(props: {
  edition: Deck;
  leaves: Leaf[];
  presenting: PresentingState;
}): ReactElement {
  const { edition, leaves, presenting } = props;
  const { trouble } = useNotices();
  const at = Math.max(
    0,
    leaves.findIndex((leaf) => leaf.id === presenting.leafId),
  );
  const leaf = leaves[at];
  const turn = (to: number): void => {
    const next = leaves[to];
    if (next) turnTo(next.id).catch((error: unknown) => trouble(sentenceOf(error)));
  };
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (event.key === 'ArrowRight') turn(at + 1);
      if (event.key === 'ArrowLeft') turn(at - 1);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  });
  return (
    <div className="flex h-full flex-col">
      <p
        role="status"
        className="shrink-0 bg-petrol px-4 py-2 text-center font-semibold text-white"
      >
        You are presenting
      </p>
      <div className="min-h-0 flex-1">
        {leaf ? (
          <FittedSlide
            className="bg-[#10191d]"
            slide={leafOnPattern(leaf, edition.slides[leaf.patternId])}
            theme={edition.theme}
            label={leafTitle(leaf)}
          />
        ) : (
          <Centre title="No leaf yet">You have made no leaf to show.</Centre>
        )}
      </div>
      <footer className="flex min-h-[64px] shrink-0 items-center justify-between gap-3 border-t border-line bg-sheet px-4">
        <Button size="large" disabled={at === 0} onClick={() => turn(at - 1)}>
          Leaf before
        </Button>
        <span className="text-soft">{leaves.length > 0 && `${at + 1} of ${leaves.length}`}</span>
        <Button
          size="large"
          look="main"
          disabled={at >= leaves.length - 1}
          onClick={() => turn(at + 1)}
        >
          Next leaf
        </Button>
      </footer>
    </div>
  );
}
