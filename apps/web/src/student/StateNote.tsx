import type { LessonState } from '@gobrel/core';
import type { ReactElement } from 'react';
import { Countdown, useTimer } from '../ui/Countdown';

/** What holds for everything a student does just now, over the slide. */
export default function StateNote({
  state,
  handedInAt,
  isVoting,
}: {
  state: LessonState | null;
  handedInAt: string | null;
  isVoting: boolean;
}): ReactElement | null {
  const said = handedInAt
    ? 'Handed in. You can look, but nothing can be changed any more.'
    : state?.isEnded
      ? 'This lesson has ended. What you did is kept.'
      : state?.isHeld
        ? state.holdWord || 'Hold: look up for a moment.'
        : state?.askedSlideId
          ? 'A question to all.'
          : isVoting
            ? 'The class votes: pick the way you want to go.'
            : null;
  const timer = useTimer(state?.isEnded ? null : state?.timerEndsAt);
  return said || timer ? (
    <p
      role="status"
      className="shrink-0 bg-brass-mist px-4 py-2 text-center font-semibold text-brass-deep"
    >
      {said} {timer && <Countdown said={timer} className="ml-2 font-head tabular-nums" />}
    </p>
  ) : null;
}
