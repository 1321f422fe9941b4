import type { GivenShow } from '@gobrel/core';
import type { ReactElement } from 'react';
import { CodeCard } from '../running/CodeCard';

/** The code of a show, over its slide: as large as the room needs it, or small on the first one. */
export default function OverSlide(props: {
  given: GivenShow;
  isLarge: boolean;
  onAway: () => void;
}): ReactElement {
  const { code } = props.given;
  if (props.isLarge) {
    return (
      <div
        role="dialog"
        aria-label="Follow this show"
        onPointerDown={props.onAway}
        className="absolute inset-0 z-20 grid place-items-center bg-paper/97"
      >
        <CodeCard lead="Follow at" path="/follow" code={code} size="large" />
      </div>
    );
  }
  return (
    <div className="pointer-events-none absolute right-5 top-5 z-10 rounded-[8px] border border-line bg-paper/95 p-3">
      <CodeCard lead="Follow at" path="/follow" code={code} size="small" />
    </div>
  );
}
