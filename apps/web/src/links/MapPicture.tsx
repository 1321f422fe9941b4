import { CARD, findSlides, type SlideId, titleOf } from '@gobrel/core';
import { useMemo, useRef, type ReactElement } from 'react';
import { useSize } from '../ui/useSize';
import { useSeenDeck } from '../cards/useSeenDeck';
import { useDeck } from '../deck/DeckContext';

/** The deck's map as a picture to pick from: cards where they lie, those that match what is sought standing out. */
export function MapPicture(props: {
  sought: string;
  current?: SlideId;
  onPick: (slideId: SlideId) => void;
}): ReactElement {
  const { graph } = useDeck();
  const { deck, isLeftward } = useSeenDeck();
  const frame = useRef<HTMLDivElement>(null);
  const { width } = useSize(frame);
  const slides = Object.values(deck.slides);
  const found = useMemo(
    () => new Set(findSlides(deck, graph, props.sought).map(({ slideId }) => slideId)),
    [deck, graph, props.sought],
  );
  const left = Math.min(...slides.map(({ x }) => x));
  const top = Math.min(...slides.map(({ y }) => y));
  const right = Math.max(...slides.map(({ x }) => x)) + CARD.width;
  const bottom = Math.max(...slides.map(({ y }) => y)) + CARD.height;
  const scale = Math.min(1, Math.max(0.25, (width || 700) / (right - left)));
  return (
    <div ref={frame} className="overflow-x-auto">
      <div
        className="relative"
        style={{ width: (right - left) * scale, height: (bottom - top) * scale }}
      >
        <svg className="absolute inset-0 size-full" aria-hidden>
          {[...graph.waysOut.values()].flat().flatMap((link) =>
            (graph.to.get(link.id) ?? []).map((to) => {
              const [a, b] = [deck.slides[link.from], deck.slides[to]];
              return a && b ? (
                <line
                  key={link.id + to}
                  x1={(a.x - left + (isLeftward ? 0 : CARD.width)) * scale}
                  y1={(a.y - top + CARD.height / 2) * scale}
                  x2={(b.x - left + (isLeftward ? CARD.width : 0)) * scale}
                  y2={(b.y - top + CARD.height / 2) * scale}
                  stroke="var(--color-ember)"
                  strokeOpacity={0.5}
                />
              ) : null;
            }),
          )}
        </svg>
        {slides.map((slide) => (
          <button
            key={slide.id}
            type="button"
            aria-label={titleOf(slide)}
            aria-current={slide.id === props.current || undefined}
            title={titleOf(slide)}
            onClick={() => props.onPick(slide.id)}
            className={`absolute overflow-hidden rounded-[4px] border bg-sheet px-1 text-left leading-tight hover:border-petrol aria-[current]:border-petrol aria-[current]:bg-petrol-mist ${
              found.has(slide.id) ? 'border-line' : 'border-line opacity-35'
            }`}
            style={{
              left: (slide.x - left) * scale,
              top: (slide.y - top) * scale,
              width: CARD.width * scale,
              height: CARD.height * scale,
              fontSize: Math.max(9, 17 * scale),
            }}
          >
            {titleOf(slide)}
          </button>
        ))}
      </div>
    </div>
  );
}
