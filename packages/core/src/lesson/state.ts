import type * as Y from 'yjs';
import { asBoolean, asNumber, asRecord, asString } from '../parts/decode.js';
import { asId, type ElementId, type FolioId, type SlideId, idOf } from '../parts/ids.js';

/**
 * What everyone in a lesson is told, in the read-only document `lesson:<id>`: map `lesson`, version → LessonState.
 * The server makes the document anew whenever nobody had it open, so a device that was away may hold a state of an
 * earlier making beside the present one: the highest version is the one that holds. It names no student but the one
 * who presents.
 */
export interface LessonState {
  /** One more with every change. */
  version: number;
  pace: 'together' | 'own';
  /** Where the class stands when the pace is together. */
  slideId: SlideId | null;
  isHeld: boolean;
  /** A word from the teacher that goes with the hold; '' for none. */
  holdWord: string;
  /** When the hold began; milliseconds since 1970 by the server's clock. */
  heldAt: number;
  /** When the timer runs out, by the server's clock; null when none runs. */
  timerEndsAt: number | null;
  /** A question whose tally is put up. */
  putUp: PutUp | null;
  /** A starred answer on the big screen: whose and to what; with the name only if the teacher says so. */
  shown: ShownAnswer | null;
  /** A slide that was asked on the fly and lies over what everyone is at. */
  askedSlideId: SlideId | null;
  /** The vote on the way out of the slide where the class stands. */
  vote: { slideId: SlideId; isOpen: boolean } | null;
  /** One more whenever students' devices have to ask for the lesson anew: another edition, other settings. */
  renewed: number;
  isEnded: boolean;
  /** When it ended; milliseconds since 1970 by the server's clock. */
  endedAt: number;
  presenting: Presenting | null;
}

/** What the class has answered to a question, shown without names. */
export interface PutUp {
  questionId: ElementId;
  /** On its slide, where the question stands, instead of alone. */
  isInPlace: boolean;
  /** The correct answer is told. */
  showsKey: boolean;
}

export interface ShownAnswer {
  folioId: FolioId;
  questionId: ElementId;
  withName: boolean;
}

export interface Presenting {
  folioId: FolioId;
  /** The name as it stands on the big screen. */
  who: string;
  /** The leaf on show, null before the first. */
  leafId: SlideId | null;
}

export const OPENING_STATE: LessonState = {
  version: 0,
  pace: 'own',
  slideId: null,
  isHeld: false,
  holdWord: '',
  heldAt: 0,
  timerEndsAt: null,
  putUp: null,
  shown: null,
  askedSlideId: null,
  vote: null,
  renewed: 0,
  isEnded: false,
  endedAt: 0,
  presenting: null,
};

/** What comes after something newer is left. */
export function writeLessonState(doc: Y.Doc, state: LessonState): void {
  const versions = doc.getMap('lesson');
  if ([...versions.keys()].some((version) => Number(version) > state.version)) return;
  doc.transact(() => {
    for (const version of [...versions.keys()]) versions.delete(version);
    versions.set(String(state.version), state);
  });
}

export function readLessonState(doc: Y.Doc): LessonState | null {
  const states = [...doc.getMap('lesson').values()].map(decodeLessonState);
  return states.sort((a, b) => b.version - a.version)[0] ?? null;
}

export function decodeLessonState(raw: unknown): LessonState {
  const { version, pace, slideId, isHeld, holdWord, heldAt, timerEndsAt } = asRecord(raw);
  const { isEnded, endedAt, renewed } = asRecord(raw);
  const { presenting, putUp, shown, askedSlideId, vote } = asRecord(raw);
  const answer = asRecord(shown);
  const put = asRecord(putUp);
  const voted = asRecord(vote);
  const { folioId, who, leafId } = asRecord(presenting);
  const [asked, answered] = [asId<ElementId>(put.questionId), asId<ElementId>(answer.questionId)];
  const votedOn = asId<SlideId>(voted.slideId);
  return {
    version: asNumber(version, 0, 0),
    pace: pace === 'together' ? 'together' : 'own',
    slideId: asId(slideId),
    isHeld: asBoolean(isHeld),
    holdWord: asString(holdWord, '', 200),
    heldAt: asNumber(heldAt, 0, 0, 1e14),
    timerEndsAt: typeof timerEndsAt === 'number' ? asNumber(timerEndsAt, 0, 0, 1e14) : null,
    putUp: asked
      ? {
          questionId: asked,
          isInPlace: asBoolean(put.isInPlace),
          showsKey: asBoolean(put.showsKey),
        }
      : null,
    shown:
      typeof answer.folioId === 'string' && answered
        ? {
            folioId: idOf(answer.folioId),
            questionId: answered,
            withName: asBoolean(answer.withName),
          }
        : null,
    askedSlideId: asId(askedSlideId),
    vote: votedOn ? { slideId: votedOn, isOpen: asBoolean(voted.isOpen) } : null,
    renewed: asNumber(renewed, 0, 0, 1e9),
    isEnded: asBoolean(isEnded),
    endedAt: asNumber(endedAt, 0, 0, 1e14),
    presenting:
      typeof folioId === 'string'
        ? { folioId: idOf(folioId), who: asString(who, '', 200), leafId: asId(leafId) }
        : null,
  };
}
