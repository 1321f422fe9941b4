import {
  entryAt,
  markTried,
  questionsOf,
  studentView,
  type Deck,
  type Link,
  type LinkId,
  type Slide,
} from '@gobrel/core';
import { useMemo, useState, type ReactElement } from 'react';
import { FittedSlide, type SlideViewProps } from '../stage/SlideView';
import { useNotices } from '../ui/Notice';
import { useLiveElements } from '../walking/LiveSlide';
import { NO_ANSWER, NOTHING_TRIED, useTrying, type Tried } from '../walking/useTrying';

/** What was tried stays while the show goes on, also when one comes back to a slide. */
let kept: { deckId: string; tried: Tried } = { deckId: '', tried: NOTHING_TRIED };

/** A slide of a show with pieces that are moved and questions that are tried: drawn as students see it, without keys. */
export default function TriedSlide(
  props: Omit<SlideViewProps, 'width'> & {
    deckId: string;
    deck: Deck;
    slide: Slide;
    links: readonly Link[];
    onFollow: (linkId: LinkId) => void;
    className: string;
  },
): ReactElement {
  const { deckId, deck, slide, links, onFollow, ...rest } = props;
  const { trouble } = useNotices();
  const [tried, setTried] = useState(kept.deckId === deckId ? kept.tried : NOTHING_TRIED);
  const asStudents = useMemo(() => studentView(deck), [deck]);
  const seen = entryAt(asStudents.slides, slide.id) ?? slide;
  const work = useTrying({
    slide: seen,
    links,
    takesAnswers: asStudents.slides[slide.id] !== undefined,
    tried,
    onTried: (change) =>
      setTried((old) => {
        kept = { deckId, tried: change(old) };
        return kept.tried;
      }),
    onFollow,
    onTrouble: trouble,
    mark: (given) => {
      const asked = questionsOf(deck).get(given.questionId);
      const mark = asked ? markTried(asked, slide, given) : null;
      return mark ? Promise.resolve(mark) : Promise.reject(new Error(NO_ANSWER));
    },
  });
  const renderElement = useLiveElements(work, deck.theme);
  return (
    <FittedSlide
      {...rest}
      slide={seen}
      links={links}
      onFollow={onFollow}
      movesPieces
      renderElement={renderElement}
    />
  );
}
