import type { Deck, LessonState } from '@gobrel/core';
import type { ReactElement } from 'react';
import { JoinCard } from '../desk/JoinCard';
import { CreditsOf } from '../stage/Credits';
import { PlayingSlides } from '../stage/Playing';
import { FittedSlide } from '../stage/SlideView';

/** The slide that was asked on the fly, or the one where the class stands together; otherwise how to join. */
export function WhereTheClassIs(props: {
  title: string;
  joinCode: string;
  edition: Deck;
  state: LessonState;
}): ReactElement {
  const { edition, state } = props;
  const slide =
    edition.slides[state.askedSlideId ?? ''] ??
    (state.pace === 'together' ? edition.slides[state.slideId ?? ''] : undefined);
  if (slide) {
    return (
      <main className="h-full bg-[#10191d]">
        <CreditsOf deck={edition}>
          <PlayingSlides deck={edition} here={slide.id}>
            <FittedSlide
              slide={slide}
              theme={edition.theme}
              links={Object.values(edition.links).filter((link) => link.from === slide.id)}
            />
          </PlayingSlides>
        </CreditsOf>
      </main>
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
