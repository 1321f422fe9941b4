import { titleOf, type Deck, type RouteGraph, type SlideId } from '@gobrel/core';
import { useEffect, useRef, type ReactElement } from 'react';
import { SlideView } from '../stage/SlideView';

/** Small slides along the foot, in the order of the map, to jump to. */
export default function Strip(props: {
  deck: Deck;
  graph: RouteGraph;
  here: SlideId | null;
  onJump: (slideId: SlideId) => void;
}): ReactElement {
  const { deck, graph, here } = props;
  const list = useRef<HTMLUListElement>(null);
  useEffect(() => {
    list.current?.querySelector('[aria-current]')?.scrollIntoView({ inline: 'center' });
  }, [here]);
  const slides = Object.values(deck.slides)
    .filter(({ isPattern }) => !isPattern)
    .sort((a, b) => a.x - b.x || a.y - b.y);
  return (
    <ul
      ref={list}
      aria-label="Slides"
      className="flex touch-pan-x gap-2 overflow-x-auto border-b border-line bg-paper/95 px-6 py-2"
    >
      {slides.map((slide) => (
        // What is out of sight costs no drawing.
        <li
          key={slide.id}
          className="w-[124px] shrink-0 [contain-intrinsic-size:124px_88px] [content-visibility:auto]"
        >
          <button
            type="button"
            aria-label={titleOf(slide)}
            aria-current={slide.id === here ? 'true' : undefined}
            onClick={() => props.onJump(slide.id)}
            className="block w-full rounded-[4px] border-2 border-transparent text-left hover:border-petrol aria-[current]:border-ember"
          >
            <span aria-hidden inert className="block overflow-hidden rounded-[2px]">
              <SlideView
                slide={slide}
                theme={deck.theme}
                links={graph.waysOut.get(slide.id)}
                width={120}
              />
            </span>
            <span className="block truncate px-0.5 text-[11px]">{titleOf(slide)}</span>
          </button>
        </li>
      ))}
    </ul>
  );
}
