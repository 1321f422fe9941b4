import { chartData, numberWords, type ChartElement, PAPER } from '@gobrel/core';
import type { ReactElement } from 'react';
import type { PhoneProps } from '../phone';
import { Drawn } from './Drawn';

/** Drawn for a narrow page, its values below for those who want them. */
export function Phone({ element }: PhoneProps<ChartElement>): ReactElement {
  const { decimal, text } = element;
  const { labels, series } = chartData(text, decimal);
  const told = (value: number | null | undefined): string =>
    typeof value === 'number' ? numberWords(value, decimal) : '';
  return (
    <div className="flex flex-col gap-1">
      {element.name && <span className="font-semibold">{element.name}</span>}
      <Drawn
        element={{ ...element, box: { ...element.box, w: 360, h: 260 } }}
        theme={PAPER}
        isWide
      />
      <details>
        <summary className="min-h-11 py-2 text-petrol">Its values</summary>
        <div className="overflow-x-auto">
          <table className="w-full text-left">
            <thead>
              <tr>
                <td />
                {series.map(({ name }, index) => (
                  <th key={index} scope="col" className="border-b border-line px-2">
                    {name}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {labels.map((label, row) => (
                <tr key={row}>
                  <th scope="row" className="border-b border-line px-2 font-normal">
                    {label}
                  </th>
                  {series.map(({ values }, index) => (
                    <td key={index} className="border-b border-line px-2 tabular-nums">
                      {told(values[row])}
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      </details>
    </div>
  );
}
