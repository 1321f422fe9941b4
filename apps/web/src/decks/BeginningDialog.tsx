import { followTo, type Beginning, type Deck, type LinkId, type SlideId } from '@gobrel/core';
import { useRef, useState, type ReactElement, type ReactNode } from 'react';
import { SlideView } from '../stage/SlideView';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { useSize } from '../ui/useSize';

/** A beginning, to be walked before it is taken. */
export function BeginningDialog(props: {
  beginning: Beginning;
  deck: Deck;
  /** What takes it. */
  form: ReactNode;
  onClose: () => void;
}): ReactElement {
  const { beginning, deck, form, onClose } = props;
  return (
    <Dialog title={beginning.title} description={beginning.use} isOpen onClose={onClose} isWide>
      <Walk deck={deck} />
      <div className="mt-4 border-t border-dotted border-line pt-4">{form}</div>
    </Dialog>
  );
}

/** Its slides, one after the other, as a student would choose. */
function Walk({ deck }: { deck: Deck }): ReactElement {
  const [walk, setWalk] = useState<SlideId[]>(deck.startSlideId ? [deck.startSlideId] : []);
  const stage = useRef<HTMLDivElement>(null);
  const { width } = useSize(stage);
  const at = walk.at(-1);
  const slide = at && deck.slides[at];
  const links = Object.values(deck.links).filter(({ from }) => from === at);
  const follow = (linkId: LinkId): void => {
    const link = deck.links[linkId];
    const to = link && followTo(deck, link, { cameFrom: walk.at(-2) });
    if (to) setWalk([...walk, to]);
  };
  return (
    <>
      <div ref={stage} className="mx-auto aspect-video w-full max-w-[560px] border border-line">
        {slide && width > 0 && (
          <SlideView
            slide={slide}
            theme={deck.theme}
            links={links}
            width={width - 2}
            onFollow={follow}
          />
        )}
      </div>
      <div className="mt-2 flex flex-wrap items-center gap-2" aria-live="polite">
        <Button look="quiet" disabled={walk.length < 2} onClick={() => setWalk(walk.slice(0, -1))}>
          Back
        </Button>
        <Button look="quiet" disabled={walk.length < 2} onClick={() => setWalk(walk.slice(0, 1))}>
          From the start
        </Button>
        <span className="text-[14px] text-soft">
          {slide?.isEnding
            ? 'An ending. Choices on the slides lead on; here there are none.'
            : 'Walk it: press the choices on the slide.'}
        </span>
      </div>
      {slide && slide.notes !== '' && (
        <p className="mt-2 rounded-[6px] bg-sand p-3 text-[14px]">
          <b>Notes for you:</b> {slide.notes}
        </p>
      )}
    </>
  );
}
