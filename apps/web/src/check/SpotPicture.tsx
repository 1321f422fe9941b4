import { STAGE, type Box, type Slide } from '@gobrel/core';
import type { ReactElement } from 'react';
import { SlideView } from '../stage/SlideView';
import { useDeck } from '../deck/DeckContext';

const WIDTH = 208;
const HEIGHT = (WIDTH * STAGE.height) / STAGE.width;
/** How near a spot is looked at: as much of the slide as fits round it, at the most three times as large. */
const NEAREST = 3;

/** The slide, or the spot on it that a finding is about, with a ring round it. In CSS pixels. */
export function SpotPicture({ slide, box }: { slide: Slide; box?: Box }): ReactElement {
  const { deck, graph } = useDeck();
  const zoom = box
    ? Math.max(1, Math.min(NEAREST, STAGE.width / (box.w * 1.6), STAGE.height / (box.h * 1.6)))
    : 1;
  const scale = (WIDTH / STAGE.width) * zoom;
  const middle = box
    ? { x: box.x + box.w / 2, y: box.y + box.h / 2 }
    : { x: STAGE.width / 2, y: STAGE.height / 2 };
  const left = Math.max(WIDTH - WIDTH * zoom, Math.min(0, WIDTH / 2 - middle.x * scale));
  const top = Math.max(HEIGHT - HEIGHT * zoom, Math.min(0, HEIGHT / 2 - middle.y * scale));
  return (
    <div
      aria-hidden
      inert
      className="pointer-events-none relative shrink-0 overflow-hidden rounded-[4px] border border-line"
      style={{ width: WIDTH, height: HEIGHT }}
    >
      <div className="absolute" style={{ left, top }}>
        <SlideView
          slide={slide}
          theme={deck.theme}
          links={graph.waysOut.get(slide.id)}
          width={WIDTH * zoom}
        />
        {box && (
          <span
            className="absolute rounded-[4px] border-2 border-ember bg-ember/10"
            style={{
              left: box.x * scale - 3,
              top: box.y * scale - 3,
              width: box.w * scale + 6,
              height: box.h * scale + 6,
            }}
          />
        )}
      </div>
    </div>
  );
}
