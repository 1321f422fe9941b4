import type { DeckSummary } from '@gobrel/core';
import type { ReactElement } from 'react';
import { svgPath, wirePath } from './wirePath';

const CARD = { w: 150, h: 90 };

/** A deck's shape: its cards and wires, drawn small. */
export function DeckMapPicture({ summary }: { summary: DeckSummary }): ReactElement {
  const { cards, wires } = summary;
  const xs = cards.map((card) => card.x);
  const ys = cards.map((card) => card.y);
  const [left, top] = [Math.min(0, ...xs) - 60, Math.min(0, ...ys) - 60];
  const width = Math.max(900, Math.max(0, ...xs) - left + CARD.w + 60);
  const height = Math.max(360, Math.max(0, ...ys) - top + CARD.h + 60);
  const unit = Math.max(width / 380, height / 150);
  // A deck that is read from right to left grows there, as on its map.
  const turned = summary.isLeftward ? `translate(${2 * left + width} 0) scale(-1 1)` : undefined;
  return (
    <svg viewBox={`${left} ${top} ${width} ${height}`} className="size-full" aria-hidden>
      <g transform={turned}>
        {wires.map(([from, to], index) => {
          const [a, b] = [cards[from]!, cards[to]!];
          const [x1, y1] = [a.x + CARD.w, a.y + CARD.h / 2];
          const [x2, y2] = [b.x, b.y + CARD.h / 2];
          const { curve, isBack } = wirePath(x1, y1, x2, y2);
          return (
            <path
              key={index}
              d={svgPath(curve)}
              strokeDasharray={isBack ? `${unit} ${4 * unit}` : undefined}
              fill="none"
              stroke="var(--color-ember)"
              strokeWidth={1.2 * unit}
              opacity={0.75}
            />
          );
        })}
        {cards.map((card, index) => (
          <rect
            key={index}
            x={card.x}
            y={card.y}
            width={CARD.w}
            height={CARD.h}
            rx={2.5 * unit}
            fill={card.isStart ? 'var(--color-petrol)' : 'var(--color-sheet)'}
            stroke="var(--color-petrol)"
            strokeWidth={1.2 * unit}
          />
        ))}
      </g>
    </svg>
  );
}
