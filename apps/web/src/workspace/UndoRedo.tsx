import { Redo2, Undo2 } from 'lucide-react';
import { useSyncExternalStore, type ReactElement } from 'react';
import { Button } from '../ui/Button';
import { useDeck } from '../deck/DeckContext';

/** For hands without a keyboard, in every view of the deck. */
export function UndoRedo(): ReactElement {
  const { history } = useDeck();
  const state = useSyncExternalStore(
    history.subscribe,
    () => `${history.canUndo()} ${history.canRedo()}`,
  );
  const [canUndo, canRedo] = state.split(' ').map((word) => word === 'true');
  return (
    <span className="flex">
      <Button
        look="quiet"
        size="small"
        aria-label="Undo"
        title="Undo (Ctrl+Z)"
        disabled={!canUndo}
        onClick={history.undo}
      >
        <Undo2 size={17} />
      </Button>
      <Button
        look="quiet"
        size="small"
        aria-label="Redo"
        title="Redo (Ctrl+Y)"
        disabled={!canRedo}
        onClick={history.redo}
      >
        <Redo2 size={17} />
      </Button>
    </span>
  );
}
