import { CARD, type Deck, type Trail } from '@gobrel/core';
import { ViewportPortal } from '@xyflow/react';
import type { ReactElement } from 'react';
import { DASHES, TINT_COLOURS } from './tints';

/** Trails laid over the map as lines from card to card, each a little aside from the others. */
export function TrailLines({ deck, trails }: { deck: Deck; trails: Trail[] }): ReactElement {
  return (
    <ViewportPortal>
      <svg
        className="pointer-events-none absolute top-0 left-0 z-[1001] overflow-visible"
        width={1}
        height={1}
      >
        {trails.map((trail, index) => (
          <TrailLine key={trail.id} deck={deck} trail={trail} index={index} />
        ))}
      </svg>
    </ViewportPortal>
  );
}

function TrailLine(props: { deck: Deck; trail: Trail; index: number }): ReactElement | null {
  const { deck, trail, index } = props;
  const aside = (index % 5) * 9 - 18;
  const points = trail.stops.flatMap(({ slideId }) => {
    const slide = deck.slides[slideId];
    return slide
      ? [{ x: slide.x + CARD.width / 2 + aside, y: slide.y + CARD.height / 2 - 8 + aside }]
      : [];
  });
  const [first, ...rest] = points;
  if (!first) return null;
  const path = rest.reduce((drawn, { x, y }, at) => {
    const from = points[at]!;
    const bend = (x - from.x) / 2;
    return `${drawn} C${from.x + bend} ${from.y} ${x - bend} ${y} ${x} ${y}`;
  }, `M${first.x} ${first.y}`);
  const { line } = TINT_COLOURS[trail.tint];
  return (
    <g>
      <path
        d={path}
        fill="none"
        stroke={line}
        strokeWidth={5}
        strokeOpacity={0.75}
        strokeDasharray={DASHES[index % DASHES.length]}
        strokeLinecap="round"
        strokeLinejoin="round"
      />
      {points.map(({ x, y }, at) => (
        <g key={at}>
          <circle cx={x} cy={y} r={9} fill={line} />
          <text x={x} y={y + 3.6} textAnchor="middle" fontSize={10.5} fontWeight={700} fill="#fff">
            {at + 1}
          </text>
        </g>
      ))}
    </g>
  );
}
