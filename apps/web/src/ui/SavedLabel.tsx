import type { ReactElement } from 'react';
import type { OpenDocument, SavedState } from '../sync/openDocument';
import { useSavedState } from '../sync/useDocument';

const SAID: Record<SavedState, string> = {
  opening: 'opening',
  saved: 'saved',
  saving: 'saving',
  kept: 'kept on this device',
  here: 'keep this page open',
  full: 'not saved: there is too much in it',
  unkept: 'not saved: nothing is taken any more',
  refused: 'not saved: no longer yours to change',
};

const CALM: readonly SavedState[] = ['opening', 'saved', 'saving'];

/** The acknowledged state, in words. */
export function SavedLabel({ document }: { document: OpenDocument }): ReactElement {
  const state = useSavedState(document);
  const isReadOnly = state === 'saved' && document.access() === 'read';
  const isTrouble = !CALM.includes(state);
  return (
    <span
      role="status"
      aria-label="Saved state"
      className={`text-[13px] ${isTrouble ? 'font-semibold text-brass-deep' : 'text-soft'}`}
    >
      {isReadOnly ? 'to look at' : SAID[state]}
    </span>
  );
}
