import {
  answerGiven,
  entryAt,
  isBlank,
  markAnswer,
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
import { NOTHING_TRIED, useTrying, type Tried } from '../walking/useTrying';

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
    mark: ({ questionId, answer, placements }) => {
      const asked = questionsOf(deck).get(questionId);
      const given = asked && answerGiven(asked.question, slide, { answer, placements });
      if (!asked || !given || isBlank(given)) {
        return Promise.reject(new Error('Give an answer first.'));
      }
      return Promise.resolve({
        score: markAnswer(asked, given),
        points: asked.question.points,
        explanation: asked.explanation,
        comment: '',
        stamp: '',
        isLocked: false,
      });
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
