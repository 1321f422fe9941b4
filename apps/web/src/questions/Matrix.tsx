import type { ReactElement } from 'react';

/** How many joined each row to each column; the darker the more. What belongs together is framed. */
export function Matrix(props: {
  caption: string;
  rows: readonly { id: string; name: string }[];
  columns: readonly { id: string; name: string }[];
  count: (row: string, column: string) => number;
  isRight: (row: string, column: string) => boolean;
  most: number;
}): ReactElement {
  const { rows, columns, most } = props;
  return (
    <div className="overflow-x-auto">
      <table className="text-[13px]">
        <caption className="sr-only">{props.caption}</caption>
        <thead>
          <tr>
            <td />
            {columns.map(({ id, name }) => (
              <th
                key={id}
                scope="col"
                className="max-w-[110px] px-1.5 pb-1 text-left align-bottom font-normal"
              >
                {name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.id}>
              <th scope="row" className="max-w-[150px] pr-2 text-left font-normal">
                {row.name}
              </th>
              {columns.map((column) => {
                const count = props.count(row.id, column.id);
                const share = most > 0 ? Math.min(1, count / most) : 0;
                const isRight = props.isRight(row.id, column.id);
                return (
                  <td key={column.id} className="p-[2px]">
                    <span
                      className={`grid h-9 min-w-[54px] place-items-center rounded-[3px] ${isRight ? 'outline outline-2 -outline-offset-2 outline-petrol' : ''}`}
                      style={{
                        background: `rgb(23 80 92 / ${0.06 + 0.74 * share})`,
                        color: share > 0.5 ? '#fff' : undefined,
                      }}
                    >
                      {count}
                      {isRight && <span className="sr-only"> (key)</span>}
                    </span>
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
