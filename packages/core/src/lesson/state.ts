import type * as Y from 'yjs';
import { asBoolean, asId, asRecord, asString } from '../deck/decode.js';
import type { FolioId, SlideId } from '../ids.js';

/**
 * What everyone in a lesson is told: a plain value under `lesson` → `state` of the read-only document
 * `lesson:<id>`. It names no student but the one who presents.
 */
export interface LessonState {
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
  pace: 'own',
  slideId: null,
  isHeld: false,
  isEnded: false,
  presenting: null,
};

export function writeLessonState(doc: Y.Doc, state: LessonState): void {
  doc.transact(() => doc.getMap('lesson').set('state', state));
}

export function readLessonState(doc: Y.Doc): LessonState | null {
  const raw = doc.getMap('lesson').get('state');
  return raw === undefined ? null : decodeLessonState(raw);
}

export function decodeLessonState(raw: unknown): LessonState {
  const { pace, slideId, isHeld, isEnded, presenting } = asRecord(raw);
  const { folioId, who, leafId } = asRecord(presenting);
  return {
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
