import type * as Y from 'yjs';
import { asNumber, asRecord } from '../parts/decode.js';
import type { Deck } from '../deck/types.js';
import type { QuestionElement } from '../elements/question/question.js';
import { asId, type ElementId, type LinkId, type SlideId, idOf } from '../parts/ids.js';
import { markAnswer } from '../questions/marking.js';
import { answerGiven, questionsOn } from '../stage/asked.js';
import { zoneUnder } from '../stage/zones.js';
import { isAnsweredByPieces, isBlank, readAnswer, type Answer } from '../questions/registry.js';
import { pieceOf, type Placements } from '../stage/pieces.js';
import { answersMap, entryValue } from './answers.js';
import {
  placementsMap,
  readPlacement,
  readPlacementKey,
  votesMap,
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
  votes: { slideId: SlideId; linkId: LinkId }[];
  /** Steps from `firstSeq` on; a walk only grows. */
  visits: (Visit & { seq: number })[];
}

/** The questions of an edition by their identity. */
export function questionsOf(edition: Deck): Map<ElementId, QuestionElement> {
  const found = new Map<ElementId, QuestionElement>();
  for (const slide of Object.values(edition.slides)) {
    for (const question of questionsOn(slide)) found.set(question.id, question);
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
  #answers = new Map<string, { entry: unknown; text: unknown }>();
  #placements = new Map<string, unknown>();
  #votes = new Map<string, unknown>();
  #steps: number;
  #answered: Set<ElementId>;
  #locked: Set<ElementId>;

  /**
   * `stored` is what has rows already: how many steps of the walk, and which questions have an answer; the answer to a
   * question that takes only one stands, and so do those that are `locked`.
   */
  constructor(
    doc: Y.Doc,
    edition: Deck,
    questions = questionsOf(edition),
    stored: {
      steps?: number;
      answered?: readonly ElementId[];
      locked?: readonly ElementId[];
    } = {},
  ) {
    this.#doc = doc;
    this.#edition = edition;
    this.#questions = questions;
    this.#steps = stored.steps ?? 0;
    this.#answered = new Set(stored.answered ?? []);
    this.#locked = new Set(stored.locked ?? []);
  }

  /** How many steps of the walk have been told of. */
  get steps(): number {
    return this.#steps;
  }

  /** The questions that have an answer by now. */
  get answered(): ElementId[] {
    return [...this.#answered];
  }

  /** The questions whose answers stand as they are. */
  get locked(): ElementId[] {
    return [...this.#locked];
  }

  /** From now on the answer to a question stands, whatever the document says. */
  lock(questionId: ElementId): void {
    this.#locked.add(questionId);
  }

  /** Every answer may be changed again. */
  unlock(): void {
    this.#locked.clear();
  }

  /** All that changed since the last call; everything on the first. */
  take(): ProjectedChanges {
    const placements = this.#takePlacements();
    const moved = new Set(placements.map(({ slideId }) => slideId));
    return {
      answers: [...this.#takeAnswers(), ...[...moved].flatMap((id) => this.#sorted(id))],
      placements,
      votes: this.#takeVotes(),
      visits: this.#takeVisits(),
    };
  }

  /** What the pieces of a slide say by where they lie, where that is asked. */
  #sorted(slideId: SlideId): ProjectedChanges['answers'] {
    const slide = this.#edition.slides[slideId];
    const asking = slide?.elements.flatMap(({ id }) => {
      const question = this.#questions.get(id);
      return question && isAnsweredByPieces(question.question) ? [question] : [];
    });
    if (!slide || !asking || asking.length === 0) return [];
    const lying: Placements = {};
    let at = 0;
    for (const [key, value] of placementsMap(this.#doc)) {
      const place = readPlacementKey(key);
      if (place?.slideId !== slideId) continue;
      lying[place.elementId] = readPlacement(value);
      at = Math.max(at, asNumber(asRecord(value).at, 0, 0, 1e14));
    }
    return asking.flatMap((question) => {
      const answer = answerGiven(question.question, slide, { answer: null, placements: lying });
      if (!answer || this.#locked.has(question.id)) return [];
      return [{ questionId: question.id, answer, score: markAnswer(question, answer), at }];
    });
  }

  #takeAnswers(): ProjectedChanges['answers'] {
    const changed: ProjectedChanges['answers'] = [];
    for (const [key, entry] of answersMap(this.#doc)) {
      // Of what is no id there is no question.
      const questionId = idOf<ElementId>(key);
      const value = entryValue(this.#doc, questionId, entry);
      const { text } = asRecord(value);
      const known = this.#answers.get(questionId);
      // A text that two write in at once may change without its entry.
      if (known && known.entry === entry && known.text === text) continue;
      this.#answers.set(questionId, { entry, text });
      const question = this.#questions.get(questionId);
      // Where pieces lie is not for a device to say in words.
      if (!question || isAnsweredByPieces(question.question)) continue;
      const { at } = asRecord(entry);
      const answer = readAnswer(question.question, value);
      if (!answer) continue;
      if (this.#locked.has(questionId)) continue;
      if (question.isFinal && this.#answered.has(questionId)) continue;
      if (!isBlank(answer)) this.#answered.add(questionId);
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
      const placed = readPlacementKey(key);
      if (!placed) continue;
      const { slideId, elementId } = placed;
      const slide = this.#edition.slides[slideId];
      const piece = slide && pieceOf(slide, elementId);
      if (!piece) continue;
      const { x, y } = readPlacement(value);
      const zoneId = zoneUnder(slide, { ...piece.box, x, y })?.id ?? null;
      changed.push({ slideId, elementId, x, y, zoneId });
    }
    return changed;
  }

  #takeVotes(): ProjectedChanges['votes'] {
    const changed: ProjectedChanges['votes'] = [];
    for (const [key, value] of votesMap(this.#doc)) {
      if (this.#votes.get(key) === value) continue;
      this.#votes.set(key, value);
      const [slideId, linkId] = [asId<SlideId>(key), asId<LinkId>(value)];
      if (!slideId || !linkId) continue;
      // Votes are for ways that lead out of that very slide.
      if (this.#edition.links[linkId]?.from === slideId) changed.push({ slideId, linkId });
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
      const id = asId<SlideId>(slideId);
      return id && this.#edition.slides[id]
        ? [
            {
              seq: first + index,
              slideId: id,
              at: typeof at === 'number' && Number.isFinite(at) ? at : 0,
              via: asId<LinkId>(via) ?? 'start',
            },
          ]
        : [];
    });
  }
}
