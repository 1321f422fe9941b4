import {
  answerGiven,
  readDraft,
  type Answer,
  type ElementId,
  type Link,
  type LinkId,
  type Placements,
  type QuestionElement,
  type Slide,
  type SlideId,
  type StudentMark,
} from '@gobrel/core';
import { useCallback } from 'react';
import { sentenceOf } from '../api/http';
import { usePieces } from '../stage/usePieces';
import type { SlideWork } from './SlideWork';

/** What is tried in a deck that is read or shown. It is gone with the page. */
export interface Tried {
  answers: Record<ElementId, Answer>;
  drafts: Record<ElementId, Answer>;
  marks: Record<ElementId, StudentMark>;
  /** The mark has been asked for. */
  waits: ElementId | null;
  placements: Record<SlideId, Placements>;
}
export const NOTHING_TRIED: Tried = {
  answers: {},
  drafts: {},
  marks: {},
  waits: null,
  placements: {},
};

/** What is said when something is to be marked and nothing is there. */
export const NO_ANSWER = 'Give an answer first.';

/** What shuffled options are shuffled by: the same as long as the page is open, also when one comes back to a slide. */
const SEED = String(Math.random());

/** A record without one entry. */
const without = <T>(record: Record<ElementId, T>, id: ElementId): Record<ElementId, T> =>
  Object.fromEntries(Object.entries(record).filter(([key]) => key !== id));

/** What is asked of whoever marks. */
export interface TriedAnswer {
  questionId: ElementId;
  answer: Answer | undefined;
  placements: Placements;
}

/** What somebody tries on a slide: nothing of it is kept. */
export function useTrying(args: {
  /** Null: nobody marks it. */
  mark: ((tried: TriedAnswer) => Promise<StudentMark>) | null;
  slide: Slide;
  links: readonly Link[];
  takesAnswers: boolean;
  tried: Tried;
  onTried: (change: (old: Tried) => Tried) => void;
  onFollow: (linkId: LinkId) => void;
  onTrouble: (sentence: string) => void;
}): SlideWork {
  const { slide, links, tried, onTried, onTrouble, mark } = args;
  const placements = tried.placements[slide.id] ?? NONE;
  const pieces = usePieces({
    slide,
    placements,
    isHeld: false,
    onRefused: onTrouble,
    onChange: (changed) =>
      onTried((old) => ({
        ...old,
        // Where pieces lie may be an answer: its mark is of where they lay.
        marks: {},
        placements: { ...old.placements, [slide.id]: { ...old.placements[slide.id], ...changed } },
      })),
  });
  const answerOf = (question: QuestionElement): Answer | undefined =>
    answerGiven(question.question, slide, { answer: tried.answers[question.id], placements });
  const ask = async (
    questionId: ElementId,
    marked: (tried: TriedAnswer) => Promise<StudentMark>,
  ): Promise<void> => {
    onTried((old) => ({ ...old, waits: questionId }));
    try {
      const given = await marked({ questionId, answer: tried.answers[questionId], placements });
      onTried((old) => ({ ...old, waits: null, marks: { ...old.marks, [questionId]: given } }));
    } catch (error) {
      onTried((old) => ({ ...old, waits: null }));
      onTrouble(sentenceOf(error));
    }
  };
  return {
    ...pieces,
    slide,
    links,
    takesAnswers: args.takesAnswers,
    seed: SEED,
    marks: tried.marks,
    done: mark && {
      tell: (questionId) => void ask(questionId, mark),
      waits: (questionId) => (tried.waits === questionId ? 'for-mark' : null),
    },
    answerOf,
    onAnswer: useCallback(
      ({ id }: QuestionElement, given: Answer) =>
        onTried((old) => ({
          ...old,
          answers: { ...old.answers, [id]: given },
          drafts: without(old.drafts, id),
          marks: without(old.marks, id),
        })),
      [onTried],
    ),
    draftOf: (question) => readDraft(question.question, tried.drafts[question.id]),
    onDraft: useCallback(
      ({ id }: QuestionElement, given: Answer) =>
        onTried((old) => ({ ...old, drafts: { ...old.drafts, [id]: given } })),
      [onTried],
    ),
    onFollow: args.onFollow,
  };
}
const NONE: Placements = {};
