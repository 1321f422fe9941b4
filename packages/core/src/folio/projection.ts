import type * as Y from 'yjs';
import { asId, asRecord } from '../deck/decode.js';
import type { Deck, QuestionElement } from '../deck/types.js';
import type { ElementId, SlideId } from '../ids.js';
import { markAnswer, readAnswer, type Answer } from '../questions/registry.js';
import { pieceOf } from '../stage/pieces.js';
import { zoneUnder } from '../stage/zones.js';
import {
  answersMap,
  placementsMap,
  readPlacement,
  readPlacementKey,
  walkArray,
  type Visit,
} from './folio.js';

/** What the rows of a folio gain from one batch of updates. */
export interface ProjectedChanges {
  answers: { questionId: ElementId; answer: Answer; score: number | null; at: number }[];
  placements: {
    slideId: SlideId;
    elementId: ElementId;
    x: number;
    y: number;
    zoneId: ElementId | null;
  }[];
  /** Steps from `firstSeq` on; a walk only grows. */
  visits: (Visit & { seq: number })[];
}

/** The questions of an edition by their identity. */
export function questionsOf(edition: Deck): Map<ElementId, QuestionElement> {
  const found = new Map<ElementId, QuestionElement>();
  for (const slide of Object.values(edition.slides)) {
    for (const element of slide.elements) {
      if (element.kind === 'question') found.set(element.id, element);
    }
  }
  return found;
}

/**
 * Follows one folio document and tells, batch by batch, which rows its updates touch. What was touched is known
 * by the identity of values: Yjs hands out the same object until it is replaced. Answers that do not fit their
 * question, placements of what is no piece and steps to slides that are not there are passed over.
 */
export class FolioProjection {
  #doc: Y.Doc;
  #edition: Deck;
  #questions: Map<ElementId, QuestionElement>;
  #answers = new Map<string, unknown>();
  #placements = new Map<string, unknown>();
  #steps: number;

  /** `storedSteps` is how many steps of the walk have rows already. */
  constructor(doc: Y.Doc, edition: Deck, questions = questionsOf(edition), storedSteps = 0) {
    this.#doc = doc;
    this.#edition = edition;
    this.#questions = questions;
    this.#steps = storedSteps;
  }

  /** All that changed since the last call; everything on the first. */
  take(): ProjectedChanges {
    return {
      answers: this.#takeAnswers(),
      placements: this.#takePlacements(),
      visits: this.#takeVisits(),
    };
  }

  #takeAnswers(): ProjectedChanges['answers'] {
    const changed: ProjectedChanges['answers'] = [];
    for (const [questionId, entry] of answersMap(this.#doc)) {
      if (this.#answers.get(questionId) === entry) continue;
      this.#answers.set(questionId, entry);
      const question = this.#questions.get(questionId);
      const { value, at } = asRecord(entry);
      const answer = question && readAnswer(question.question, value);
      if (!question || !answer) continue;
      const time = typeof at === 'number' && Number.isFinite(at) ? at : 0;
      changed.push({ questionId, answer, score: markAnswer(question, answer), at: time });
    }
    return changed;
  }

  #takePlacements(): ProjectedChanges['placements'] {
    const changed: ProjectedChanges['placements'] = [];
    for (const [key, value] of placementsMap(this.#doc)) {
      if (this.#placements.get(key) === value) continue;
      this.#placements.set(key, value);
      const { slideId, elementId } = readPlacementKey(key);
      const slide = this.#edition.slides[slideId];
      const piece = slide && pieceOf(slide, elementId);
      if (!piece) continue;
      const { x, y } = readPlacement(value);
      const zoneId = zoneUnder(slide, { ...piece.box, x, y })?.id ?? null;
      changed.push({ slideId, elementId, x, y, zoneId });
    }
    return changed;
  }

  #takeVisits(): ProjectedChanges['visits'] {
    const walk = walkArray(this.#doc);
    if (walk.length <= this.#steps) return [];
    const fresh = walk.slice(this.#steps, Math.min(walk.length, this.#steps + 5000));
    const first = this.#steps;
    this.#steps = walk.length;
    return fresh.flatMap((entry, index) => {
      const { slideId, at, via } = asRecord(entry);
      const id = asId(slideId);
      return id && this.#edition.slides[id]
        ? [
            {
              seq: first + index,
              slideId: id,
              at: typeof at === 'number' && Number.isFinite(at) ? at : 0,
              via: typeof via === 'string' ? via.slice(0, 64) : 'start',
            },
          ]
        : [];
    });
  }
}
