import type * as Y from 'yjs';
import { asBoolean, asId, asNumber, asRecord, asString } from '../deck/decode.js';
import type { FolioId, SlideId } from '../ids.js';

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
  isEnded: boolean;
  presenting: Presenting | null;
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
  isEnded: false,
  presenting: null,
};

export function writeLessonState(doc: Y.Doc, state: LessonState): void {
  const versions = doc.getMap('lesson');
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
  const { version, pace, slideId, isHeld, isEnded, presenting } = asRecord(raw);
  const { folioId, who, leafId } = asRecord(presenting);
  return {
    version: asNumber(version, 0, 0),
    pace: pace === 'together' ? 'together' : 'own',
    slideId: asId(slideId) || null,
    isHeld: asBoolean(isHeld),
    isEnded: asBoolean(isEnded),
    presenting:
      typeof folioId === 'string'
        ? { folioId, who: asString(who, '', 200), leafId: asId(leafId) || null }
        : null,
  };
}
