import type { Document } from '@hocuspocus/server';
import {
  isLate,
  type DeskEntry,
  type FolioProjection,
  type LessonState,
  type ProjectedChanges,
} from '@gobrel/core';
import type { FolioNow, Told } from './deskDocument.js';
import type { LiveLesson } from './LiveLessons.js';

/** A folio that is open in this process. */
export interface LiveFolio {
  id: string;
  lesson: LiveLesson;
  doc: Document;
  projection: FolioProjection;
  onUpdate: () => void;
  /** When its student last did something, milliseconds since 1970. */
  activeAt: number;
  leaves: DeskEntry['leaves'];
  /** Something in its leaves has changed since they were read. */
  hasNewLeaves: boolean;
  isUnreadable: boolean;
  /** Milliseconds that its last pass took. */
  cost: number;
  /** A time of `performance.now()` before which others come first. */
  restsUntil: number;
  /** Its student's devices: whether one is here, when one came back, when the last one went before that, and last. */
  isHere: boolean;
  backAt: number;
  lastHereAt: number | null;
  leftAt: number | null;
  /** Until something is changed in it: when the latest of what it holds was stored. */
  storedAt: number | null;
  /** Once it is left: the stored update that it holds at least. */
  upTo: bigint | null;
}

/** Whether a device of its student has it open. */
export const hasItsStudent = ({ id, doc }: LiveFolio): boolean =>
  doc
    .getConnections()
    .some(
      (connection) =>
        (connection.context as { visitor?: { student?: { folioId: string } | null } }).visitor
          ?.student?.folioId === id,
    );

/** Which of the answers came too late. */
export function withLateness(
  folio: LiveFolio,
  state: LessonState,
  changes: ProjectedChanges,
): Told {
  const { storedAt, lastHereAt, backAt } = folio;
  const now = Date.now();
  return {
    ...changes,
    answers: changes.answers.map((answer) => ({
      ...answer,
      isLate: isLate(state, { now, storedAt, lastHereAt, backAt, givenAt: answer.at }),
    })),
  };
}

/** What the desk shows of it besides its answers. */
export const nowOf = (folio: LiveFolio): FolioNow => ({
  id: folio.id,
  activeAt: folio.activeAt,
  leaves: folio.leaves,
  isHere: hasItsStudent(folio),
  isUnreadable: folio.isUnreadable,
});
