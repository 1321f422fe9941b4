import type { ReactElement } from 'react';
import type { TallyViewProps } from '../registry';

/** Bars: how many picked each option, the key among them. */
export default function ChoiceTallyView({
  element,
  tally,
  students,
}: TallyViewProps): ReactElement {
  const key = element.key?.optionIds ?? [];
  const missing = Math.max(0, students - tally.answered);
  const rows = [
    ...element.question.options.map((option) => ({
      id: option.id,
      text: option.text,
      picks: tally.picks[option.id] ?? 0,
      isKey: key.includes(option.id),
    })),
    { id: 'none', text: 'nothing yet', picks: missing, isKey: false },
  ];
  return (
    <table className="w-full text-[14px]">
      <caption className="sr-only">Picks by option</caption>
      <tbody>
        {rows.map((row) => {
          const share = students > 0 ? row.picks / students : 0;
          return (
            <tr key={row.id}>
              <th scope="row" className="w-[34%] py-1 pr-3 text-left font-normal">
                {row.text}{' '}
                {row.isKey && <span className="text-[12px] font-semibold text-petrol">key</span>}
              </th>
              <td className="py-1">
                <span className="block h-[18px] rounded-[3px] bg-sand">
                  <span
                    className={`block h-full rounded-[3px] transition-[width] ${row.isKey ? 'bg-petrol' : row.id === 'none' ? 'bg-line' : 'bg-[#8fa9ad]'}`}
                    style={{ width: `${share * 100}%` }}
                  />
                </span>
              </td>
              <td className="w-[84px] py-1 pl-3 whitespace-nowrap">
                {row.picks}{' '}
                <span className="text-[13px] text-soft">{Math.round(share * 100)} %</span>
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
