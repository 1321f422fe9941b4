import { agreement, meanPlaces } from '@gobrel/core';
import type { ReactElement } from 'react';
import { count } from '../../ui/when';
import type { TallyViewProps } from '../kind';

/** The mean place of each thing, how far the class agrees, and the commonest orders. */
export default function OrderTallyView(props: TallyViewProps<'order'>): ReactElement {
  const { element, tally, students, showsKey } = props;
  const { items } = element.question;
  const name = (id: string): string => {
    const index = items.findIndex((item) => item.id === id);
    return items[index]?.text || `picture ${index + 1}`;
  };
  const w = agreement(tally);
  const key = showsKey ? (element.key?.itemIds ?? []) : [];
  const orders = Object.entries(tally.orders)
    .sort(([, a], [, b]) => b - a)
    .slice(0, 5);
  return (
    <div className="text-[14px]">
      <ol className="flex flex-col gap-1">
        {meanPlaces(tally).map(({ id, mean }) => (
          <li key={id} className="grid grid-cols-[34%_1fr_64px] items-center gap-3">
            <span>
              {name(id)}
              {key.includes(id) && (
                <span className="ml-1 text-[12px] font-semibold text-petrol">
                  key {key.indexOf(id) + 1}
                </span>
              )}
            </span>
            <span className="relative h-[18px] rounded-[3px] bg-sand" aria-hidden>
              <span
                className="absolute top-0 h-full w-[6px] rounded-[3px] bg-petrol"
                style={{
                  left: `calc(${((mean - 1) / Math.max(1, items.length - 1)) * 100}% - 3px)`,
                }}
              />
            </span>
            <span>{mean.toFixed(1)}</span>
          </li>
        ))}
      </ol>
      <p className="mt-2 text-[13px] text-soft">
        Mean places; {tally.answered} of {students} have ordered.{' '}
        {w === undefined
          ? 'Agreement needs two orders at least.'
          : `Agreement (Kendall’s W) ${w.toFixed(2)}: 1 is one mind, 0 is none.`}
      </p>
      <ul className="mt-1.5 text-[13px]">
        {orders.map(([ids, many]) => (
          <li key={ids}>
            {ids.split(' ').map(name).join(' → ')}{' '}
            <span className="text-soft">{count(many, 'student')}</span>
          </li>
        ))}
      </ul>
    </div>
  );
}
