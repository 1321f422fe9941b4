import {
  routeGraph,
  waysOn,
  whatStudentsMeet,
  type Deck,
  type LessonState,
  type LinkId,
} from '@gobrel/core';
import { useMemo, type ReactElement } from 'react';

/** How the class votes on the way on from where it stands, below the slide. Nobody is named. */
export function VoteView(props: {
  edition: Deck;
  vote: NonNullable<LessonState['vote']>;
  counts: Record<LinkId, number>;
}): ReactElement {
  const { edition, vote, counts } = props;
  const ways = useMemo(
    () => waysOn(routeGraph(whatStudentsMeet(edition).deck), vote.slideId),
    [edition, vote.slideId],
  );
  const most = Math.max(1, ...ways.map(({ id }) => counts[id] ?? 0));
  return (
    <section
      aria-label={vote.isOpen ? 'The class votes' : 'How the class voted'}
      className="shrink-0 border-t border-line bg-paper px-[4vw] py-[2.2vh]"
    >
      <h2 className="mb-2 text-[clamp(18px,2.2vw,30px)]">
        {vote.isOpen ? 'Where do we go? Vote now.' : 'How the class voted'}
      </h2>
      <ul className="flex flex-col gap-1.5">
        {ways.map(({ id, wording }) => {
          const votes = counts[id] ?? 0;
          return (
            <li key={id} className="relative flex items-center overflow-hidden rounded-[6px]">
              <span
                aria-hidden
                className="absolute inset-y-0 left-0 rounded-[6px] bg-ember-mist transition-[width]"
                style={{ width: `${(100 * votes) / most}%` }}
              />
              <span className="relative flex-1 truncate px-3 py-1 text-[clamp(18px,2.2vw,30px)] font-semibold text-ember-deep">
                {wording || 'On'}
              </span>
              <b className="relative px-3 font-head text-[clamp(18px,2.2vw,30px)] tabular-nums">
                {votes}
              </b>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
