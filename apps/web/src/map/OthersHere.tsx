import { CARD } from '@gobrel/core';
import { ViewportPortal } from '@xyflow/react';
import type { ReactElement } from 'react';
import { Initials } from '../ui/Page';
import { useSeenDeck } from '../cards/useSeenDeck';
import { useOthers } from '../deck/presence';

/** Who else is on which slide, at the corner of its card. */
export function OthersHere(): ReactElement | null {
  const { deck } = useSeenDeck();
  const others = useOthers().flatMap((one) => {
    const slide = one.slideId ? deck.slides[one.slideId] : undefined;
    return slide ? [{ ...one, slide }] : [];
  });
  if (others.length === 0) return null;
  return (
    <ViewportPortal>
      {others.map(({ client, name, slide }) => {
        const before = others.filter((one) => one.slide === slide && one.client < client).length;
        return (
          <span
            key={client}
            className="pointer-events-none absolute z-10"
            style={{
              transform: `translate(${slide.x + CARD.width - 18 - 20 * before}px, ${slide.y - 12}px)`,
            }}
          >
            <Initials name={name} />
          </span>
        );
      })}
    </ViewportPortal>
  );
}
