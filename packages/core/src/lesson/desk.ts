import type * as Y from 'yjs';
import { type ElementId, type FolioId, type LinkId, type SlideId, idOf } from '../parts/ids.js';
import type { Tally } from '../questions/marking.js';
import type { Answer } from '../questions/registry.js';
import type { Likened } from '../questions/textEntry/likening.js';
import type { Placement, Placements } from '../stage/pieces.js';

/**
 * What the desk is told, in the read-only document `desk:<lesson>`, open to the lesson's teachers only. The server
 * alone writes it, so values are taken as they are:
 *
 *   students    map  FolioId → DeskEntry
 *   answers     map  'FolioId/question ElementId' → DeskAnswer
 *   marks       map  'FolioId/question ElementId' → mark by hand, from 0 to 1
 *   placements  map  'FolioId/SlideId/ElementId' → Placement
 *   tallies     map  question ElementId → Tally
 *   votes       map  'FolioId/SlideId' → LinkId
 *   walks       map  LinkId → how often it was walked
 *   alarms      map  what somebody tries → how often so far
 *   work        map  of DeskWork
 */
/** Whether a student has been let in. */
export const STATUSES = ['waiting', 'in'] as const;

export interface DeskEntry {
  name: string;
  status: (typeof STATUSES)[number];
  /** ISO 8601, null while the hand is down. */
  handUpAt: string | null;
  /** One of the practice class. */
  isPractice: boolean;
  /** When something last came from the student; milliseconds since 1970 by the server's clock, 0 for never. */
  activeAt: number;
  /** Where the student stands, null before the first slide. */
  slideId: SlideId | null;
  /** Slides walked so far, counted with repeats. */
  steps: number;
  leaves: { id: SlideId; title: string }[];
  isHere: boolean;
  /** What its device has written cannot be read: nothing new is seen of it. */
  isUnreadable: boolean;
  /** ISO 8601, null until handed in. */
  handedInAt: string | null;
}

export interface DeskAnswer {
  answer: Answer;
  /** From 0 to 1, null without a key; in a `Desk` the teacher's mark where there is one. */
  score: number | null;
  /** When it came, milliseconds since 1970 by the server's clock. */
  at: number;
  /** It came after the hold or the end, and does not count. */
  isLate: boolean;
}

export interface DeskStudent extends DeskEntry {
  folioId: FolioId;
  answers: Record<ElementId, DeskAnswer>;
  placements: Record<SlideId, Placements>;
  votes: Record<SlideId, LinkId>;
}

/** What teachers have set at the desk. */
export interface DeskWork {
  /** Who presents, in this order. */
  lineUp: FolioId[];
  /** Answers to be shown, each as `FolioId/question ElementId`. */
  starred: string[];
  /** Words that count as others, by question. */
  likened: Record<ElementId, Likened>;
}

export interface Desk extends DeskWork {
  /** By name. */
  students: DeskStudent[];
  tallies: Record<ElementId, Tally>;
  walks: Record<LinkId, number>;
  /** How many wrong return codes were tried in the last minutes. */
  wrongReturnCodes: number;
}

export const deskEntries = (doc: Y.Doc): Y.Map<DeskEntry> => doc.getMap('students');
export const deskAnswers = (doc: Y.Doc): Y.Map<DeskAnswer> => doc.getMap('answers');
export const deskMarks = (doc: Y.Doc): Y.Map<number> => doc.getMap('marks');
export const deskPlacements = (doc: Y.Doc): Y.Map<Placement> => doc.getMap('placements');
export const deskVotes = (doc: Y.Doc): Y.Map<LinkId> => doc.getMap('votes');
export const deskAlarms = (doc: Y.Doc): Y.Map<number> => doc.getMap('alarms');
export const deskWalks = (doc: Y.Doc): Y.Map<number> => doc.getMap('walks');
export const deskTallies = (doc: Y.Doc): Y.Map<Tally> => doc.getMap('tallies');

const deskWork = (doc: Y.Doc): Y.Map<DeskWork[keyof DeskWork]> => doc.getMap('work');

const deskWorkVersions = (doc: Y.Doc): Y.Map<number> => doc.getMap('workVersions');

/** `version` is that of the lesson as the work was set: what comes after something newer is left. */
export function writeDeskWork(doc: Y.Doc, work: Partial<DeskWork>, version: number): void {
  const versions = deskWorkVersions(doc);
  doc.transact(() => {
    for (const [name, value] of Object.entries(work)) {
      if ((versions.get(name) ?? -1) > version) continue;
      versions.set(name, version);
      deskWork(doc).set(name, value);
    }
  });
}

/** The line-up with somebody before another, or last; who is in it moves. */
export function linedUp(
  lineUp: readonly FolioId[],
  folioId: FolioId,
  before: FolioId | null,
): FolioId[] {
  if (folioId === before && lineUp.includes(before)) return [...lineUp];
  const others = lineUp.filter((one) => one !== folioId);
  const at = before === null ? -1 : others.indexOf(before);
  return at < 0 ? [...others, folioId] : others.toSpliced(at, 0, folioId);
}

/** The ids that a key of the desk's document is made of: the server writes it. */
const idsIn = (key: string): [string, string, string] => {
  const [folio = '', second = '', third = ''] = key.split('/');
  return [folio, second, third];
};

export function readDesk(doc: Y.Doc): Desk {
  const students = new Map<FolioId, DeskStudent>();
  for (const [folioId, entry] of deskEntries(doc)) {
    const id = idOf<FolioId>(folioId);
    students.set(id, { ...entry, folioId: id, answers: {}, placements: {}, votes: {} });
  }
  for (const [key, given] of deskAnswers(doc)) {
    const [folio, question] = idsIn(key);
    const [folioId, questionId] = [idOf<FolioId>(folio), idOf<ElementId>(question)];
    const student = students.get(folioId);
    const byHand = deskMarks(doc).get(key);
    if (student)
      student.answers[questionId] = byHand === undefined ? given : { ...given, score: byHand };
  }
  for (const [key, placement] of deskPlacements(doc)) {
    const [folio, slide, element] = idsIn(key);
    const [folioId, slideId] = [idOf<FolioId>(folio), idOf<SlideId>(slide)];
    const elementId = idOf<ElementId>(element);
    const student = students.get(folioId);
    if (student) (student.placements[slideId] ??= {})[elementId] = placement;
  }
  for (const [key, linkId] of deskVotes(doc)) {
    const [folio, slide] = idsIn(key);
    const [folioId, slideId] = [idOf<FolioId>(folio), idOf<SlideId>(slide)];
    const student = students.get(folioId);
    if (student) student.votes[slideId] = linkId;
  }
  const {
    lineUp = [],
    starred = [],
    likened = {},
  } = Object.fromEntries(deskWork(doc)) as Partial<DeskWork>;
  return {
    students: [...students.values()].sort((a, b) => a.name.localeCompare(b.name)),
    tallies: Object.fromEntries(deskTallies(doc)),
    walks: Object.fromEntries(deskWalks(doc)),
    lineUp: lineUp.filter((folioId) => students.has(folioId)),
    starred,
    likened,
    wrongReturnCodes: deskAlarms(doc).get('returnCodes') ?? 0,
  };
}

/** How many of the class want to go which way from a slide. */
export function votesOn(
  students: readonly DeskStudent[],
  slideId: SlideId,
): Record<LinkId, number> {
  const counts: Record<LinkId, number> = {};
  for (const { votes } of students) {
    const linkId = votes[slideId];
    if (linkId) counts[linkId] = (counts[linkId] ?? 0) + 1;
  }
  return counts;
}
