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
  type ElementId,
  type Folio,
  type Gate,
  type Link,
  type LinkId,
  type Slide,
  type SlideId,
  type StudentMark,
} from '@gobrel/core';
import { useMemo } from 'react';
import type * as Y from 'yjs';
import { serverNow } from '../api/clock';
import { gateToFolio } from './gate';
import { usePieces } from '../stage/usePieces';
import type { SlideWork } from '../walking/SlideWork';

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
    takesAnswers: true,
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
