import {
  deskAnswers,
  deskEntries,
  deskMarks,
  deskPlacements,
  deskTallies,
  deskVotes,
  deskWalks,
  markAnswer,
  readAnswer,
  sameData,
  tallyOf,
  writeDeskWork,
  type Answer,
  type DeskAnswer,
  type DeskEntry,
  type DeskWork,
  type ElementId,
  type LessonState,
  type ProjectedChanges,
  type QuestionElement,
  sure,
  idOf,
} from '@gobrel/core';
import type * as Y from 'yjs';
import type { KnownOfLesson } from './folioRows.js';

/* What the desk's document says of folios: told, counted and forgotten. */

/** Ways to come to a slide that are no links. */
const NO_LINKS = ['start', 'back', 'teacher'];

/** What has changed in a folio, and which of its answers came after the hold or the end. */
export interface Told extends Omit<ProjectedChanges, 'answers'> {
  answers: (ProjectedChanges['answers'][number] & { isLate: boolean })[];
}

/** Votes count while the vote is open, for the slide that is voted on. */
export const withOpenVotes = (
  { vote }: LessonState,
  changes: ProjectedChanges,
): ProjectedChanges => ({
  ...changes,
  votes: changes.votes.filter(({ slideId }) => vote?.isOpen === true && vote.slideId === slideId),
});

/** Whether an answer is counted with the others. */
export const counts = ({ isLate }: DeskAnswer, countsLate: boolean): boolean =>
  countsLate || !isLate;

/** Writes an empty desk from the rows of a lesson. */
export function fillDesk(
  desk: Y.Doc,
  from: {
    known: KnownOfLesson;
    work: DeskWork;
    /** Of the lesson's state that the work was read with. */
    version: number;
    questions: ReadonlyMap<ElementId, QuestionElement>;
    countsLate: boolean;
    isHere: (folioId: string) => boolean;
  },
): void {
  const { known, questions } = from;
  desk.transact(() => {
    for (const { folioId, entry } of known.entries) {
      deskEntries(desk).set(folioId, { ...entry, isHere: from.isHere(folioId) });
    }
    for (const { key, value } of known.answers) deskAnswers(desk).set(key, value);
    for (const { key, value } of known.marks) deskMarks(desk).set(key, value);
    for (const { key, value } of known.placements) deskPlacements(desk).set(key, value);
    for (const { key, value } of known.votes) deskVotes(desk).set(key, value);
    for (const { via, count } of known.walks) deskWalks(desk).set(via, count);
    writeDeskWork(desk, from.work, from.version);
    const given = answersByQuestion(desk, questions.keys(), from.countsLate);
    for (const [id, { question }] of questions) {
      deskTallies(desk).set(
        id,
        tallyOf(question, sure(given.get(id), 'every question has its list of answers')),
      );
    }
  });
}

/** Takes all that is known of a folio from the desk. */
export function forget(desk: Y.Doc, folioId: string): void {
  deskEntries(desk).delete(folioId);
  for (const map of [deskAnswers(desk), deskMarks(desk), deskPlacements(desk), deskVotes(desk)]) {
    for (const key of [...map.keys()]) if (key.startsWith(`${folioId}/`)) map.delete(key);
  }
}

/** What the desk is told of a folio besides what has changed in it. */
export type FolioNow = Pick<DeskEntry, 'leaves' | 'isHere' | 'activeAt' | 'isUnreadable'> & {
  id: string;
};

export function tellDesk(desk: Y.Doc, folio: FolioNow, changes: Told): void {
  const known = deskEntries(desk).get(folio.id);
  const last = changes.visits.at(-1);
  if (known) {
    const entry: DeskEntry = {
      ...known,
      slideId: last?.slideId ?? known.slideId,
      steps: last ? last.seq + 1 : known.steps,
      leaves: folio.leaves,
      isHere: folio.isHere,
      isUnreadable: folio.isUnreadable,
      activeAt: Math.max(known.activeAt, folio.activeAt),
    };
    if (!sameData(entry, known)) deskEntries(desk).set(folio.id, entry);
  }
  for (const { questionId, answer, score, isLate } of changes.answers) {
    const key = `${folio.id}/${questionId}`;
    const before = deskAnswers(desk).get(key);
    const isSame = before && sameData(before.answer, answer);
    const when = isSame ? before : { at: Date.now(), isLate };
    if (isSame && before.score === score) continue;
    deskAnswers(desk).set(key, { answer, score, at: when.at, isLate: when.isLate });
  }
  // Steps that are told again, after a failure, are not counted again.
  for (const { via, seq } of changes.visits) {
    if (NO_LINKS.includes(via) || seq < (known?.steps ?? 0)) continue;
    deskWalks(desk).set(via, (deskWalks(desk).get(via) ?? 0) + 1);
  }
  for (const { slideId, linkId } of changes.votes) {
    deskVotes(desk).set(`${folio.id}/${slideId}`, linkId);
  }
  for (const { slideId, elementId, x, y } of changes.placements) {
    deskPlacements(desk).set(`${folio.id}/${slideId}/${elementId}`, { x, y });
  }
}

/** Marks all answers by the questions as they are now; those that do not fit their question any more are let go. */
export function markDeskAnew(
  desk: Y.Doc,
  questions: ReadonlyMap<ElementId, QuestionElement>,
): void {
  for (const [key, given] of [...deskAnswers(desk)]) {
    const asked = questions.get(questionIn(key));
    const answer = asked && readAnswer(asked.question, given.answer);
    if (!answer) {
      deskAnswers(desk).delete(key);
      continue;
    }
    const score = markAnswer(asked, answer);
    if (score !== given.score) deskAnswers(desk).set(key, { ...given, score });
  }
}

/** The question of an entry of the desk's answers: `folio/question`. */
export const questionIn = (key: string): ElementId => idOf(key.slice(key.indexOf('/') + 1));

export function answersByQuestion(
  desk: Y.Doc,
  ids: Iterable<ElementId>,
  countsLate: boolean,
): Map<ElementId, Answer[]> {
  const answers = new Map<ElementId, Answer[]>([...ids].map((id) => [id, []]));
  for (const [key, given] of deskAnswers(desk)) {
    if (counts(given, countsLate)) answers.get(questionIn(key))?.push(given.answer);
  }
  return answers;
}
