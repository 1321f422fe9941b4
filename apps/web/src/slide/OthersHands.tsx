import type { Slide } from '@gobrel/core';
import type { ReactElement } from 'react';
import { boxStyle } from '../parts/boxStyle';
import { useOthers } from '../deck/presence';

/** What others have in hand on this slide, with their names. */
export function OthersHands({ slide, scale }: { slide: Slide; scale: number }): ReactElement {
  const others = useOthers().filter(({ slideId }) => slideId === slide.id);
  return (
    <>
      {others.map(({ client, name, selected }) =>
        slide.elements
          .filter(({ id }) => selected.includes(id))
          .map(({ id, box, rotation }, index) => (
            <div
              key={`${client} ${id}`}
              role="img"
              aria-label={`${name} has this in hand`}
              className="pointer-events-none border-brass border-dotted"
              style={{
                ...boxStyle(box, rotation),
                borderWidth: 2.5 / scale,
              }}
            >
              {index === 0 && (
                <span
                  className="absolute right-0 bottom-full rounded-full bg-brass-deep font-semibold whitespace-nowrap text-sheet"
                  style={{
                    fontSize: 12 / scale,
                    padding: `${1 / scale}px ${8 / scale}px`,
                    marginBottom: 3 / scale,
                  }}
                >
                  {name}
                </span>
              )}
            </div>
          )),
      )}
    </>
  );
}
