import type { SelectPointQuestion, Spot } from '@gobrel/core';
import type { ReactElement } from 'react';

/** A student's markers over a picture. */
export function SpotMarks(props: {
  spots: readonly Spot[];
  marker: SelectPointQuestion['marker'];
}): ReactElement {
  const { spots, marker } = props;
  const colour = '#17505C';
  return (
    <span className="pointer-events-none absolute inset-0" aria-hidden>
      {spots.map(({ x, y }, index) =>
        marker === 'line' ? (
          <span
            key={index}
            className="absolute inset-x-0 h-[3px] -translate-y-1/2 outline outline-1 outline-white/80"
            style={{ top: `${y * 100}%`, background: colour }}
          />
        ) : (
          <svg
            key={index}
            viewBox="-10 -10 20 20"
            className="absolute size-[1.1em] -translate-x-1/2 -translate-y-1/2"
            style={{ left: `${x * 100}%`, top: `${y * 100}%` }}
          >
            {marker === 'dot' ? (
              <circle r={7} fill={colour} stroke="#fff" strokeWidth={2} />
            ) : (
              <path
                d="M-7-7 7 7M7-7-7 7"
                stroke={colour}
                strokeWidth={4}
                strokeLinecap="round"
                style={{ filter: 'drop-shadow(0 0 1px #fff)' }}
              />
            )}
          </svg>
        ),
      )}
    </span>
  );
}
