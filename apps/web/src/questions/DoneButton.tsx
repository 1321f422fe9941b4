import { useState, type ReactElement } from 'react';

/** Asks for the mark of an answer that is meant: one that comes of itself would tell the key tick by tick. */
export default function DoneButton(props: {
  isReady: boolean;
  onDone: () => Promise<void>;
}): ReactElement {
  const [isBusy, setIsBusy] = useState(false);
  const done = async (): Promise<void> => {
    setIsBusy(true);
    try {
      await props.onDone();
    } finally {
      setIsBusy(false);
    }
  };
  return (
    <button
      type="button"
      disabled={!props.isReady || isBusy}
      onClick={() => void done()}
      style={{ fontSize: '1.2em' }}
      className="min-h-11 rounded-[8px] bg-petrol px-[1em] font-semibold text-white disabled:opacity-50"
    >
      {isBusy ? 'One moment …' : 'Done: show my mark'}
    </button>
  );
}
