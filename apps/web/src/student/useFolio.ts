import {
  answer,
  answerGiven,
  draft,
  goBack,
  isAnsweredByPieces,
  place,
  questionsOn,
  readDraft,
  run,
  standing,
  visit,
  type Answer,
  type ElementId,
  type Folio,
  type Gate,
  type Link,
  type LinkId,
  type QuestionElement,
  type Slide,
  type SlideId,
  type StudentMark,
} from '@gobrel/core';
import { useMemo } from 'react';
import type * as Y from 'yjs';
import { serverNow } from '../api/clock';
import type { Done } from '../questions/DoneButton';
import { gateToFolio } from './gate';
import { usePieces, type PieceWork } from '../stage/usePieces';

/** What a student does on a slide, for the wide and the narrow view alike. */
export interface SlideWork extends PieceWork {
  slide: Slide;
  links: readonly Link[];
  /** The student's own: what shuffled options are shuffled by. */
  seed: string;
  /** Marks that may be seen by now. */
  marks: Record<ElementId, StudentMark>;
  /** Where marks come at once: what tells that the student is done with an answer, for which it is marked. */
  done: Done | null;
  answerOf: (question: QuestionElement) => Answer | undefined;
  onAnswer: (question: QuestionElement, given: Answer) => void;
  /** What stands on the screen instead of the answer and does not count, or not yet. */
  draftOf: (question: QuestionElement) => Answer | undefined;
  onDraft: (question: QuestionElement, given: Answer) => void;
  onFollow: (linkId: LinkId) => void;
}

export function useSlideWork(args: {
  doc: Y.Doc;
  folio: Folio;
  slide: Slide;
  links: readonly Link[];
  seed: string;
  marks: Record<ElementId, StudentMark>;
  done: SlideWork['done'];
  isHeld: boolean;
  onFollow: (linkId: LinkId) => void;
  onRefused: (reason: string) => void;
}): SlideWork {
  const { doc, folio, slide, links, seed, marks, done, isHeld, onFollow, onRefused } = args;
  const gate = gateToFolio(isHeld);
  const placements = useMemo(() => folio.placements[slide.id] ?? {}, [folio, slide.id]);
  // Where pieces lie is the answer to a sort: once that stands, they do.
  const stands = questionsOn(slide).some(
    ({ id, question }) => isAnsweredByPieces(question) && marks[id]?.isLocked,
  );
  const pieces = usePieces({
    slide,
    placements,
    isHeld: isHeld || stands,
    onRefused,
    onChange: (changed) => void run(gate, doc, place, slide.id, changed, serverNow()),
  });
  return {
    ...pieces,
    slide,
    links,
    seed,
    marks,
    done,
    onFollow,
    answerOf: (question) =>
      answerGiven(question.question, slide, { answer: folio.answers[question.id], placements }),
    onAnswer: (question, given) => {
      run(gate, doc, answer, question.id, given, serverNow());
    },
    draftOf: (question) => readDraft(question.question, folio.drafts[question.id]),
    onDraft: (question, given) => {
      run(gate, doc, draft, question.id, given, serverNow());
    },
  };
}

export interface Walk {
  here: SlideId | null;
  canGoBack: boolean;
  steps: number;
  goTo: (slideId: SlideId, via: LinkId | 'start' | 'teacher') => void;
  back: () => void;
}

export function useWalk(doc: Y.Doc, folio: Folio, gate: Gate): Walk {
  const { here, back } = standing(folio.walk);
  return {
    here,
    canGoBack: back !== null,
    steps: new Set(folio.walk.map((step) => step.slideId)).size,
    goTo: (slideId, via) => void run(gate, doc, visit, slideId, via, serverNow()),
    back: () => void run(gate, doc, goBack, serverNow()),
  };
}
