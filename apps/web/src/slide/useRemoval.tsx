import { removeElements, type ElementId, type Link, type Slide } from '@gobrel/core';
import { useState, type ReactElement } from 'react';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { useDeck } from '../deck/DeckContext';
import type { StageEdit } from '../editing/useStageEdit';

/** Takes things off the slide. When they carry links it asks once what becomes of those. */
export function useRemoval(
  slide: Slide,
  edit: StageEdit,
): { remove: (ids: ElementId[]) => void; question: ReactElement } {
  const { graph, run } = useDeck();
  const [asked, setAsked] = useState<{ ids: ElementId[]; links: Link[] } | null>(null);
  const go = (ids: ElementId[], links: 'go' | 'stay'): void => {
    if (run(removeElements, slide.id, ids, links)) edit.select([]);
    setAsked(null);
  };
  const remove = (ids: ElementId[]): void => {
    const links = (graph.waysOut.get(slide.id) ?? []).filter(
      ({ carrier }) => carrier.kind !== 'none' && ids.includes(carrier.elementId),
    );
    if (links.length === 0) go(ids, 'go');
    else setAsked({ ids, links });
  };
  const wordings = asked?.links.map(({ wording }) => `“${wording || '…'}”`).join(', ') ?? '';
  return {
    remove,
    question: (
      <Dialog
        title={asked?.links.length === 1 ? 'It carries a way out' : 'They carry ways out'}
        description={`${wordings}: shall the wire on the map go as well?`}
        isOpen={asked !== null}
        onClose={() => setAsked(null)}
      >
        <div className="flex flex-wrap justify-end gap-2">
          <Button onClick={() => setAsked(null)}>Cancel</Button>
          <Button onClick={() => asked && go(asked.ids, 'stay')}>Keep the wire</Button>
          <Button look="main" autoFocus onClick={() => asked && go(asked.ids, 'go')}>
            Delete both
          </Button>
        </div>
      </Dialog>
    ),
  };
}
