import {
  isPiece,
  piecesIn,
  STAGE,
  type Link,
  type Placements,
  type Slide,
  type DeckTheme,
  titleOf,
} from '@gobrel/core';
import { useCallback, useState, type ReactElement } from 'react';
import { usePieceViews } from '../stage/PieceViews';
import { SlideView } from '../stage/SlideView';
import { usePieces } from '../stage/usePieces';
import { Button } from '../ui/Button';
import { useNotices } from '../ui/Notice';
import type { StageView } from '../editing/useStageView';

/** The pieces of the slide as students will move them. Nothing that is done here is kept. */
export function TryOut(props: {
  slide: Slide;
  theme: DeckTheme;
  links: readonly Link[];
  view: StageView;
  onDone: () => void;
}): ReactElement {
  const { slide, theme, links, view } = props;
  const { trouble } = useNotices();
  const [placements, setPlacements] = useState<Placements>({});
  const work = usePieces({
    slide,
    placements,
    isHeld: false,
    onChange: useCallback(
      (changed: Placements) => setPlacements((old) => ({ ...old, ...changed })),
      [],
    ),
    onRefused: trouble,
  });
  const render = usePieceViews(slide, work, theme);
  const zones = slide.elements.filter((element) => element.kind === 'zone');
  const expected = zones.reduce((sum, zone) => sum + (zone.expects?.length ?? 0), 0);
  const right = zones.reduce((sum, zone) => {
    const inside = piecesIn(slide, placements, zone);
    return sum + (zone.expects ?? []).filter((id) => inside.includes(id)).length;
  }, 0);
  return (
    <div className="absolute inset-0 overflow-hidden">
      <div
        className="absolute"
        style={{ left: view.x, top: view.y, width: STAGE.width * view.scale }}
      >
        <SlideView
          slide={slide}
          theme={theme}
          links={links}
          width={STAGE.width * view.scale}
          label={`Trying out: ${titleOf(slide)}`}
          movesPieces
          renderElement={render}
        />
      </div>
      <div className="absolute inset-x-0 bottom-3 flex items-center justify-center gap-3 text-[13px]">
        <span role="status" className="rounded-full border border-line bg-sheet px-3 py-1">
          {slide.elements.some(isPiece)
            ? expected > 0
              ? `${right} of ${expected} where the key expects them`
              : 'You move the pieces as students will.'
            : 'There are no pieces on this slide yet.'}
        </span>
        <Button size="small" onClick={() => setPlacements({})}>
          Back to the start
        </Button>
        <Button size="small" look="main" onClick={props.onDone}>
          Done trying
        </Button>
      </div>
      <div className="sr-only" role="status">
        {work.said}
      </div>
    </div>
  );
}
