import { entryAt, idOf, type LinkId, type Publication } from '@gobrel/core';
import type { ReactElement } from 'react';
import { Bar, BarChart, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import { useDeck } from '../deck/DeckContext';
import { count } from '../ui/when';

/** Ways that are told. */
const MOST_WAYS = 6;

/** How often a published deck was opened, and which ways its readers went. By whom is not known to anybody. */
export default function Openings({
  publication,
}: {
  publication: Publication;
}): ReactElement | null {
  const { deck } = useDeck();
  const { openings, walks } = publication;
  const total = openings.reduce((sum, day) => sum + day.count, 0);
  if (total === 0) return <p className="mt-4 text-[14px] text-soft">Not opened by anybody yet.</p>;
  const ways = Object.entries(walks.links)
    .flatMap(([id, times]) => {
      const link = entryAt(deck.links, idOf<LinkId>(id));
      return link && times > 0 ? [{ id, wording: link.wording || 'on', times }] : [];
    })
    .sort((a, b) => b.times - a.times)
    .slice(0, MOST_WAYS);
  const most = ways[0]?.times ?? 1;
  return (
    <section aria-label="How it is read" className="mt-4 grid gap-x-6 gap-y-3 sm:grid-cols-2">
      <div>
        <h3 className="text-[14px] font-semibold">Opened {count(total, 'time')} in 60 days</h3>
        <div className="h-[110px]" role="img" aria-label={dayByDay(openings)}>
          <ResponsiveContainer>
            <BarChart data={openings.map(({ day, count }) => ({ day: day.slice(5), count }))}>
              <XAxis dataKey="day" fontSize={11} tickLine={false} />
              <YAxis width={24} allowDecimals={false} fontSize={11} tickLine={false} />
              <Tooltip />
              <Bar
                dataKey="count"
                name="opened"
                fill="#17505C"
                maxBarSize={26}
                isAnimationActive={false}
              />
            </BarChart>
          </ResponsiveContainer>
        </div>
      </div>
      {ways.length > 0 && (
        <div>
          <h3 className="text-[14px] font-semibold">Ways that were taken most</h3>
          <ul className="mt-1 flex flex-col gap-1 text-[13px]">
            {ways.map(({ id, wording, times }) => (
              <li key={id} className="grid grid-cols-[1fr_70px_32px] items-center gap-2">
                <span className="truncate text-ember-deep">{wording}</span>
                <span
                  aria-hidden
                  className="h-2 bg-ember"
                  style={{ width: `${(times / most) * 100}%` }}
                />
                <span className="text-right text-soft">{times}</span>
              </li>
            ))}
          </ul>
        </div>
      )}
    </section>
  );
}

const dayByDay = (openings: Publication['openings']): string =>
  openings.map(({ day, count: times }) => `${day}: ${count(times, 'time')}`).join(', ');
