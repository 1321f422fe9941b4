import { STAGE, titleOf, type Deck } from '@gobrel/core';
import { useRef, useState, type ReactElement } from 'react';
import { SlideView } from '../stage/SlideView';
import { useFlight } from '../stage/useFlight';
import { Button } from '../ui/Button';
import { useSize } from '../ui/useSize';
import { PointingSurface } from './PointingSurface';
import type { Presenting } from './usePresenting';
import type { ShowLine } from './useShowLine';

/** A phone that steers a show: on, back, choices, a pointer, a black page, and the notes. */
export function Remote(props: {
  deck: Deck;
  line: ShowLine;
  presenting: Presenting;
}): ReactElement {
  const { deck, line, presenting } = props;
  const { walking, slide, graph, choices, isBlack, next } = presenting;
  const { walk, shown, toCome } = walking;
  const [points, setPoints] = useState(false);
  const ref = useRef<HTMLDivElement>(null);
  const { width } = useSize(ref);
  const { camera } = useFlight(slide, walking.closeUpId, walk.length);
  return (
    <main className="flex h-full flex-col">
      <h1 className="sr-only">
        {deck.title}: {slide ? titleOf(slide) : ''}
      </h1>
      <div
        ref={ref}
        className={`shrink-0 border-b border-line bg-[#10191d] ${isBlack ? 'opacity-40' : ''}`}
        style={{ minHeight: (width * STAGE.height) / STAGE.width }}
      >
        {slide && width > 0 && (
          <SlideView
            slide={slide}
            theme={deck.theme}
            links={graph.waysOut.get(slide.id)}
            width={width}
            isHidden={walking.isStillToCome}
            camera={camera}
            overlay={
              <PointingSurface slideId={slide.id} tool={points ? 'point' : null} line={line} />
            }
          />
        )}
      </div>
      <p
        role="status"
        className="flex min-h-9 shrink-0 items-center gap-2 px-4 text-[13.5px] text-soft"
      >
        {!line.isAlive
          ? 'No connection: what is pressed here counts once there is one.'
          : points
            ? 'Draw a finger over the picture: the room sees where.'
            : `${line.timing?.followers ?? 0} follow`}
        {isBlack && <b className="ml-auto text-ember-deep">The page is black</b>}
      </p>
      <div className="min-h-0 flex-1 overflow-y-auto px-4 pb-3">
        {choices.length > 0 && (choices.length > 1 || !next) && (
          <section aria-label="Choices" className="mb-3 flex flex-col gap-2">
            {choices.map((link) => (
              <button
                key={link.id}
                type="button"
                onClick={() => presenting.follow(link.id)}
                className="min-h-[52px] rounded-[6px] border border-[#e6c4b6] bg-sheet px-4 text-left font-semibold text-ember-deep"
              >
                {link.wording || 'On'}
              </button>
            ))}
          </section>
        )}
        <section aria-label="Notes">
          <h2 className="text-[17px]">{slide ? titleOf(slide) : ''}</h2>
          <p className="mt-1 text-[17px] leading-[1.5] whitespace-pre-wrap">
            {slide?.notes || <span className="text-soft">No notes on this slide.</span>}
          </p>
        </section>
      </div>
      <footer className="grid shrink-0 grid-cols-2 gap-2 border-t border-line bg-sheet p-3 pb-[max(12px,env(safe-area-inset-bottom))]">
        <Button size="large" aria-pressed={points} onClick={() => setPoints(!points)}>
          {points ? 'Put the pointer away' : 'Point'}
        </Button>
        <Button size="large" aria-pressed={isBlack} onClick={() => presenting.setIsBlack(!isBlack)}>
          {isBlack ? 'Show the slide' : 'Black page'}
        </Button>
        <Button
          size="large"
          className="min-h-[72px] text-[19px]"
          onClick={walking.back}
          disabled={walk.length < 2 && shown === 0}
        >
          Back
        </Button>
        <Button
          size="large"
          look="main"
          className="min-h-[72px] text-[19px]"
          onClick={walking.on}
          disabled={walking.isWaiting && toCome === 0 && !next}
        >
          {toCome > 0 ? `On · ${toCome} more` : walking.isWaiting && !next ? 'Choose above' : 'On'}
        </Button>
      </footer>
    </main>
  );
}
