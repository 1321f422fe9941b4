import type { ElementId } from '@gobrel/core';
import type { ReactElement } from 'react';

/** How a student says that an answer is meant, where marks come for that. */
export interface Done {
  /** The answer to a question, as it is. */
  tell: (questionId: ElementId) => void;
  /** The mark has been asked for and has not come. */
  waits: (questionId: ElementId) => 'for-mark' | 'for-network' | null;
}

/** Asks for the mark of an answer that is meant: one that comes of itself would tell the key tick by tick. */
export default function DoneButton(props: {
  isReady: boolean;
  waits: ReturnType<Done['waits']>;
  onDone: () => void;
}): ReactElement {
  return (
    <button
      type="button"
      disabled={!props.isReady || props.waits !== null}
      onClick={props.onDone}
      style={{ fontSize: '1.2em' }}
      className={`min-h-11 rounded-[8px] border border-petrol px-[1em] font-semibold ${
        props.waits ? 'bg-sheet text-petrol' : 'bg-petrol text-white disabled:opacity-50'
      }`}
    >
      {props.waits === 'for-network'
        ? 'Done: your mark comes with the network'
        : props.waits === 'for-mark'
          ? 'One moment …'
          : 'Done: show my mark'}
    </button>
  );
}
