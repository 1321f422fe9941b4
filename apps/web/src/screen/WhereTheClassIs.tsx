import { type Deck, type LessonState, type LinkId, type Slide, entryAt } from '@gobrel/core';
import type { ReactElement } from 'react';
import { JoinCard } from '../lesson/JoinCard';
import { WithinDeck } from '../stage/WithinDeck';
import { PlayingSlides } from '../elements/media/Playing';
import { Main } from '../ui/Page';
import { Turning } from '../stage/Turning';
import { FittedSlide, type StageBehaviour } from '../stage/SlideView';
import { VoteView } from './VoteView';

/** A slide of the lesson, as large as it goes. */
export function ShownSlide(props: {
  edition: Deck;
  slide: Slide;
  renderElement?: StageBehaviour['renderElement'];
}): ReactElement {
  const { edition, slide, renderElement } = props;
  return (
    <WithinDeck deck={edition}>
      <PlayingSlides deck={edition} here={slide.id}>
        <Turning deck={edition} slide={slide}>
          <FittedSlide
            className="bg-[#10191d]"
            slide={slide}
            theme={edition.theme}
            links={Object.values(edition.links).filter((link) => link.from === slide.id)}
            renderElement={renderElement}
          />
        </Turning>
      </PlayingSlides>
    </WithinDeck>
  );
}

/** The slide that was asked on the fly, or the one where the class stands together; otherwise how to join. */
export function WhereTheClassIs(props: {
  title: string;
  joinCode: string;
  edition: Deck;
  state: LessonState;
  /** While the class votes where it stands. */
  votes?: Record<LinkId, number> | null;
}): ReactElement {
  const { edition, state, votes } = props;
  const slide =
    entryAt(edition.slides, state.askedSlideId) ??
    (state.pace === 'together' ? entryAt(edition.slides, state.slideId) : undefined);
  if (slide) {
    return (
      <Main title={props.title} className="flex h-full flex-col">
        <div className="relative min-h-0 flex-1">
          <ShownSlide edition={edition} slide={slide} />
        </div>
        {votes && state.vote?.slideId === slide.id && (
          <VoteView edition={edition} vote={state.vote} counts={votes} />
        )}
      </Main>
    );
  }
  return (
    <main className="grid h-full place-items-center">
      <div>
        <h1 className="mb-8 text-center text-[40px]">{props.title}</h1>
        <JoinCard joinCode={props.joinCode} isLarge />
      </div>
    </main>
  );
}
