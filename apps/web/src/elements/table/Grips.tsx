import { inShares, setElement, type TableElement } from '@gobrel/core';
import type { ReactElement } from 'react';
import { boxStyle } from '../../parts/boxStyle';
import { Grip } from '../Grip';
import type { GripHands, GripProps, Pulled } from '../kind';

/** The lines between the columns of a table. */
export function Grips({ element: table, hands, pull }: GripProps<TableElement>): ReactElement {
  const { scale } = hands;
  const whole = table.columns.reduce((sum, share) => sum + share, 0) || 1;
  let at = 0;
  return (
    <div className="pointer-events-none" style={boxStyle(table.box, table.rotation)}>
      {table.columns.slice(0, -1).map((share, index) => {
        at += share;
        return (
          <Grip
            key={index}
            x={(at / whole) * table.box.w}
            // Below the edge, where a handle may stand.
            y={18 / scale}
            scale={scale}
            title="Width of the columns"
            className="rounded-full bg-petrol"
            onPointerDown={(event) => pull(event, columnPulled(hands, table, index))}
          />
        );
      })}
    </div>
  );
}

/** The line between two columns: what one gains the other loses. */
export function columnPulled(
  { run, slide }: GripHands,
  table: TableElement,
  index: number,
): Pulled<Pick<TableElement, 'columns'>> {
  const { box, rotation, columns } = table;
  const whole = columns.reduce((sum, share) => sum + share, 0);
  const before = columns.slice(0, index).reduce((sum, share) => sum + share, 0);
  const both = columns[index]! + columns[index + 1]!;
  const least = Math.min(both / 2, (24 / box.w) * whole);
  return {
    id: table.id,
    become: (at) => {
      const wanted = inShares(box, rotation, at).x * whole - before;
      const left = Math.min(both - least, Math.max(least, wanted));
      return {
        columns: columns.map((share, place) =>
          place === index ? left : place === index + 1 ? both - left : share,
        ),
      };
    },
    keep: (pulled) => run(setElement, slide.id, table.id, pulled),
  };
}
