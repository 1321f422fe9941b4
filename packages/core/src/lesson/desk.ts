import * as Y from 'yjs';
import type { ElementId, FolioId, SlideId } from '../ids.js';
import type { Answer, Tally } from '../questions/registry.js';
import type { Placement } from '../stage/zones.js';

/**
 * What the desk is told, in the read-only document `desk:<lesson>`, open to the lesson's teachers only:
 *
 *   students  map  FolioId → DeskStudent
 *   tallies   map  question ElementId → Tally
 *
 * One value per student, so two servers never write the same thing for different reasons.
 */
export interface DeskStudent {
  folioId: FolioId;
  name: string;
  /** Where the student stands, null before the first slide. */
  slideId: SlideId | null;
  /** Slides walked so far, counted with repeats. */
  steps: number;
  answers: Record<ElementId, DeskAnswer>;
  placements: Record<SlideId, Record<ElementId, Placement>>;
  leaves: { id: SlideId; title: string }[];
  isHere: boolean;
  handedInAt: string | null;
}

export interface DeskAnswer {
  answer: Answer;
  /** From 0 to 1, null without a key. */
  score: number | null;
}

export interface Desk {
  students: DeskStudent[];
  tallies: Record<ElementId, Tally>;
}

export const deskStudents = (doc: Y.Doc): Y.Map<DeskStudent> => doc.getMap('students');
export const deskTallies = (doc: Y.Doc): Y.Map<Tally> => doc.getMap('tallies');

/** The desk document comes from the server alone, so its values are taken as they are. Students by name. */
export function readDesk(doc: Y.Doc): Desk {
  return {
    students: [...deskStudents(doc).values()].sort((a, b) => a.name.localeCompare(b.name)),
    tallies: Object.fromEntries(deskTallies(doc)),
  };
}
