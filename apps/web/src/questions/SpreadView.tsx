import { spreadOf, type ValueCounts } from '@gobrel/core';
import type { ReactElement } from 'react';
import { Bars, missingRow } from './Bars';

const short = (value: number): string =>
  value.toLocaleString('en', { maximumSignificantDigits: 4, useGrouping: false });

/** Numbers of a class: a histogram with median and quartiles; outliers are still shown, and named. */
export function SpreadView(props: {
  values: ValueCounts;
  answered: number;
  students: number;
  unit?: string;
  isRight: (value: number) => boolean;
}): ReactElement {
  const { values, answered, students, unit = '' } = props;
  const spread = spreadOf(values);
  const none = missingRow(students, answered);
  if (!spread) return <Bars caption="Numbers given" rows={[none]} students={students} />;
  const { bins, median, lower, upper, outliers } = spread;
  const exact = Object.keys(values).map(Number);
  const isWhole = exact.every(Number.isInteger);
  return (
    <div>
      <Bars
        caption="Numbers given"
        students={students}
        rows={[
          ...bins.map(({ from, to, count }, index) => {
            const isLast = index === bins.length - 1;
            const inside = exact.filter((value) => value >= from && (isLast || value < to));
            // Of whole numbers the last one in it is told.
            const last = isWhole ? to - 1 : to;
            const isKey = last === from ? props.isRight(from) : inside.some(props.isRight);
            return {
              id: String(from),
              text:
                inside.length === 1 || last === from
                  ? short(inside[0] ?? from)
                  : `${short(from)} – ${short(last)}`,
              count,
              look: isKey ? ('key' as const) : ('plain' as const),
            };
          }),
          none,
        ]}
      />
      <p className="mt-2 text-[13px] text-soft">
        Median {[short(median), unit].filter(Boolean).join(' ')}; half of them from {short(lower)}{' '}
        to {short(upper)}.
        {outliers.length > 0 &&
          ` Far off: ${[...new Set(outliers)].slice(0, 8).map(short).join(', ')}.`}
      </p>
    </div>
  );
}
