import { elementWords } from '../elements/registry.js';
import { isPiece, isSpare } from '../elements/elements.js';
import type { QuestionElement } from '../elements/question/question.js';
import type { SlideElement } from '../elements/registry.js';
import type { ZoneElement } from '../elements/zone/zone.js';
import type { Slide } from '../deck/types.js';
import type { LyingIn, SlideParts } from '../questions/kind.js';
import { kindOf, readAnswer, type Answer, type Question } from '../questions/registry.js';
import { lyingPieces, readCopyId, type Placements } from './pieces.js';
import { zoneUnder } from './zones.js';

/** The questions of a slide, with all that they ask for. */
export const questionsOn = (slide: Slide): QuestionElement[] =>
  slide.elements
    .filter((element: SlideElement): element is QuestionElement => element.kind === 'question')
    .map((element) => completed(element, slide));

/** A question with all that it asks for: one that is about what lies on its slide has that from there. */
export function completed(element: QuestionElement, slide: Slide): QuestionElement {
  const { fromSlide } = kindOf(element.question.kind);
  return fromSlide
    ? { ...element, ...fromSlide.complete(element.question, partsOf(slide)) }
    : element;
}

/** What has been answered, out of what was kept as its answer or of where the pieces of its slide lie. */
export function answerGiven(
  question: Question,
  slide: Slide,
  given: { answer: unknown; placements: Placements | undefined },
): Answer | undefined {
  const { fromSlide } = kindOf(question.kind);
  return fromSlide
    ? fromSlide.answer(lyingIn(slide, given.placements ?? {}))
    : readAnswer(question, given.answer);
}

/** What is seen of a slide and may be put together. Spare pieces are expected nowhere. */
function partsOf(slide: Slide): SlideParts {
  const seen = slide.elements.filter((element) => !isSpare(element));
  const zones = seen.filter((element): element is ZoneElement => element.kind === 'zone');
  const pieces = seen.filter(isPiece);
  const isThere = (id: string): boolean => pieces.some((piece) => piece.id === id);
  return {
    pieces: pieces.map((piece) => ({
      id: piece.id,
      name: piece.name || elementWords(piece) || 'piece',
    })),
    zones: zones.map(({ id, name, expects }) => ({
      id,
      name: name || 'zone',
      expects: (expects ?? []).filter(isThere),
    })),
  };
}

const lyingIn = (slide: Slide, placements: Placements): LyingIn[] =>
  lyingPieces(slide, placements)
    .filter(({ id }) => placements[id])
    .map(({ id, box }) => ({
      pieceId: readCopyId(id).pieceId,
      zoneId: zoneUnder(slide, box)?.id ?? null,
    }));
