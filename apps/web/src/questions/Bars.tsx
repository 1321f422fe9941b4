import type { ReactElement } from 'react';
import { withFormulas } from '../parts/withFormulas';

export interface BarRow {
  id: string;
  text: string;
  count: number;
  look?: 'key' | 'plain' | 'missing';
}

/** The row of those who have not answered. */
export const missingRow = (students: number, answered: number): BarRow => ({
  id: '…none',
  text: 'nothing yet',
  count: Math.max(0, students - answered),
  look: 'missing',
});

const LOOKS = { key: 'bg-petrol', plain: 'bg-[#8fa9ad]', missing: 'bg-line' } as const;

/** Counts as bars, in shares of the class. */
export function Bars(props: {
  caption: string;
  rows: readonly BarRow[];
  students: number;
}): ReactElement {
  const { caption, rows, students } = props;
  return (
    <table className="w-full text-[14px]">
      <caption className="sr-only">{caption}</caption>
      <tbody>
        {rows.map(({ id, text, count, look = 'plain' }) => {
          const share = students > 0 ? count / students : 0;
          return (
            <tr key={id}>
              <th scope="row" className="w-[34%] py-1 pr-3 text-left font-normal">
                {withFormulas(text)}{' '}
                {look === 'key' && (
                  <span className="text-[12px] font-semibold text-petrol">key</span>
                )}
              </th>
              <td className="py-1">
                <span className="block h-[18px] rounded-[3px] bg-sand">
                  <span
                    className={`block h-full rounded-[3px] transition-[width] ${LOOKS[look]}`}
                    style={{ width: `${Math.min(1, share) * 100}%` }}
                  />
                </span>
              </td>
              <td className="w-[84px] py-1 pl-3 whitespace-nowrap">
                {count} <span className="text-[13px] text-soft">{Math.round(share * 100)} %</span>
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
