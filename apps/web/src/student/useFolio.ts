import {
  answer,
  clampToStage,
  elementWords,
  goBack,
  place,
  readAnswer,
  spotInZone,
  standing,
  visit,
  type Answer,
  type Deck,
  type ElementId,
  type Folio,
  type Link,
  type LinkId,
  type Placement,
  type QuestionElement,
  type Slide,
  type SlideElement,
  type SlideId,
  type ZoneElement,
} from '@gobrel/core';
import { useMemo, useState } from 'react';
import type * as Y from 'yjs';

/** What a student does on a slide, for the wide and the narrow view alike. */
export interface SlideWork {
  slide: Slide;
  links: readonly Link[];
  isHeld: boolean;
  boxOf: (element: SlideElement) => SlideElement['box'];
  answerOf: (question: QuestionElement) => Answer | undefined;
  onAnswer: (question: QuestionElement, given: Answer) => void;
  onPlace: (piece: SlideElement, placement: Placement) => void;
  /** The piece that waits to be put into a zone. */
  picked: ElementId | null;
  onPick: (piece: SlideElement) => void;
  onPutInto: (zone: ZoneElement) => void;
  onFollow: (linkId: LinkId) => void;
  /** What has just happened, for screen readers. */
  said: string;
}

export const pieceName = (element: SlideElement): string =>
  element.name || elementWords(element) || 'piece';

export function useSlideWork(args: {
  doc: Y.Doc;
  folio: Folio;
  edition: Deck;
  slide: Slide;
  links: readonly Link[];
  isHeld: boolean;
  onFollow: (linkId: LinkId) => void;
}): SlideWork {
  const { doc, folio, slide, links, isHeld, onFollow } = args;
  const [picking, setPicking] = useState<{ slideId: SlideId; elementId: ElementId } | null>(null);
  const [said, setSaid] = useState('');
  const placements = useMemo(() => folio.placements[slide.id] ?? {}, [folio, slide.id]);
  const picked = picking?.slideId === slide.id ? picking.elementId : null;
  return {
    slide,
    links,
    isHeld,
    said,
    picked,
    onFollow,
    boxOf: (element) => {
      const placement = placements[element.id];
      return placement
        ? { ...element.box, ...clampToStage({ ...element.box, ...placement }) }
        : element.box;
    },
    answerOf: (question) => readAnswer(question.question, folio.answers[question.id]),
    onAnswer: (question, given) => {
      if (!isHeld) answer(doc, question.id, given, Date.now());
    },
    onPlace: (piece, placement) => {
      if (!isHeld) place(doc, slide.id, piece.id, placement);
    },
    onPick: (piece) => {
      if (isHeld) return;
      setPicking(picked === piece.id ? null : { slideId: slide.id, elementId: piece.id });
      setSaid(
        picked === piece.id
          ? `${pieceName(piece)} put down`
          : `${pieceName(piece)} picked. Choose where it goes.`,
      );
    },
    onPutInto: (zone) => {
      const piece = slide.elements.find((element) => element.id === picked);
      if (!piece || isHeld) return;
      place(doc, slide.id, piece.id, spotInZone(slide, placements, piece.id, zone));
      setPicking(null);
      setSaid(`${pieceName(piece)} is in ${zone.name || 'the zone'}`);
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

export function useWalk(doc: Y.Doc, folio: Folio): Walk {
  const { here, back } = standing(folio.walk);
  return {
    here,
    canGoBack: back !== null,
    steps: new Set(folio.walk.map((step) => step.slideId)).size,
    goTo: (slideId, via) => void visit(doc, slideId, via, Date.now()),
    back: () => void goBack(doc, Date.now()),
  };
}
