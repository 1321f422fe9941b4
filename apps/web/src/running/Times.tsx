import {
  sectionPath,
  spentIn,
  type Deck,
  type SectionId,
  type SlideId,
  type Timing,
} from '@gobrel/core';
import { useEffect, useState, type ReactElement } from 'react';
import { serverNow } from '../api/clock';

/** Minutes and seconds, as on a watch. */
const asWatch = (milliseconds: number): string => {
  const seconds = Math.max(0, Math.floor(milliseconds / 1000));
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;
};

function useNow(): number {
  const [now, setNow] = useState(serverNow);
  useEffect(() => {
    const timer = setInterval(() => setNow(serverNow()), 500);
    return () => clearInterval(timer);
  }, []);
  return now;
}

/** The clock, how long the show has gone on, and what has been used of the time of each section. */
export function Times(props: {
  deck: Deck;
  timing: Timing | null;
  here: SlideId | null;
}): ReactElement {
  const { deck, timing, here } = props;
  const now = useNow();
  // The innermost section for which somebody has said how long it takes, or else the innermost.
  const sectionOf = (slideId: SlideId): SectionId | null => {
    const path = sectionPath(deck, deck.slides[slideId]?.sectionId ?? null);
    return (path.find(({ minutes }) => minutes !== null) ?? path[0])?.id ?? null;
  };
  const spent = timing ? spentIn(timing, sectionOf, here, now) : new Map<string | null, number>();
  const current = here && sectionOf(here);
  const listed = Object.values(deck.sections).filter(
    ({ id, minutes }) => minutes !== null || id === current,
  );
  const planned = listed.reduce((sum, { minutes }) => sum + (minutes ?? 0), 0);
  const isOver = timing !== null && planned > 0 && now - timing.startedAt > planned * 60_000;
  return (
    <section aria-label="Time" className="border-b border-line px-4 py-3">
      <p className="flex items-baseline justify-between gap-3">
        <span className="font-head text-[26px] font-semibold tabular-nums">
          {new Date(now).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })}
        </span>
        <span
          className={`text-[15px] tabular-nums ${isOver ? 'font-semibold text-ember-deep' : ''}`}
        >
          <span className="sr-only">The show has gone on for </span>
          {timing ? asWatch(now - timing.startedAt) : '–'}
          {planned > 0 && <span className={isOver ? '' : 'text-soft'}> of {planned} min</span>}
        </span>
      </p>
      <ul className="mt-2 flex flex-col gap-1.5">
        {listed.map(({ id, name, minutes }) => {
          const used = spent.get(id) ?? 0;
          const share = minutes ? used / (minutes * 60_000) : 0;
          return (
            <li key={id} aria-current={id === current ? 'true' : undefined} className="text-[13px]">
              <span
                className={`flex justify-between gap-2 ${id === current ? 'font-semibold' : ''}`}
              >
                <span className="truncate">{name || 'A section'}</span>
                <span
                  className={`tabular-nums ${share > 1 ? 'font-semibold text-ember-deep' : 'text-soft'}`}
                >
                  {asWatch(used)}
                  {minutes !== null && ` of ${minutes} min`}
                </span>
              </span>
              {minutes !== null && (
                <span className="mt-0.5 block h-1 overflow-hidden rounded-full bg-line">
                  <span
                    className={`block h-full ${share > 1 ? 'bg-ember' : 'bg-petrol'}`}
                    style={{ width: `${Math.min(1, share) * 100}%` }}
                  />
                </span>
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
