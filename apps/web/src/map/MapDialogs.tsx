import {
  addSlide,
  removeLink,
  retarget,
  toSlide,
  type LinkId,
  type Section,
  type SectionId,
  type SlideId,
  entryAt,
} from '@gobrel/core';
import { Suspense, type ReactElement } from 'react';
import { LinkPicker } from '../links/LinkPicker';
import { useDeck } from '../deck/DeckContext';
import { CutDialog } from './CutDialog';
import { SectionDialog } from './SectionDialog';
import { part } from '../offline/part';

const IntoDeckDialog = part(() => import('./IntoDeckDialog'));
const StartersDialog = part(() => import('../starters/StartersDialog'));

/** What is asked over the map. */
export type MapDialog =
  | { kind: 'lead' | 'cut'; linkId: LinkId }
  | { kind: 'section'; sectionId: SectionId }
  | { kind: 'starters' }
  | { kind: 'into'; slideIds: SlideId[]; section: string | null };

/** Where a way leads, how it is cut, a section, and starters. */
export function MapDialogs(props: {
  dialog: MapDialog | null;
  /** The slide that a starter comes beside. */
  beside: SlideId | undefined;
  onClose: () => void;
  /** Picks slides, and goes to where they are. */
  onShow: (slideIds: SlideId[]) => void;
  onSelect: (slideIds: SlideId[]) => void;
  onCopySection: (section: Section) => void;
}): ReactElement {
  const { dialog, onClose, onSelect } = props;
  const { deck, run } = useDeck();
  const leading = dialog?.kind === 'lead' ? deck.links[dialog.linkId] : undefined;
  const cutting = dialog?.kind === 'cut' ? deck.links[dialog.linkId] : undefined;
  const section = dialog?.kind === 'section' ? deck.sections[dialog.sectionId] : undefined;
  return (
    <>
      <LinkPicker
        title={`“${leading?.wording ?? ''}” leads to …`}
        isOpen={leading !== undefined}
        current={leading?.target}
        onPick={(target) => leading && run(retarget, leading.id, target)}
        onNew={(title) => {
          if (!leading) return;
          const added = run(addSlide, { title, layout: 'text', beside: leading.from });
          if (added) run(retarget, leading.id, toSlide(added.slideId));
        }}
        onClose={onClose}
      />
      <CutDialog
        link={cutting}
        slide={entryAt(deck.slides, cutting?.from)}
        onClose={onClose}
        onCut={(how) => {
          if (cutting) run(removeLink, cutting.id, how);
          onSelect([]);
        }}
      />
      <Suspense>
        {dialog?.kind === 'starters' && (
          <StartersDialog
            beside={props.beside}
            onAdded={(slideId) => {
              onClose();
              props.onShow([slideId]);
            }}
            onClose={onClose}
          />
        )}
        {dialog?.kind === 'into' && (
          <IntoDeckDialog slideIds={dialog.slideIds} section={dialog.section} onClose={onClose} />
        )}
      </Suspense>
      <SectionDialog
        section={section ?? null}
        onClose={onClose}
        onCopy={props.onCopySection}
        onSelect={(of) =>
          onSelect(
            Object.values(deck.slides)
              .filter(({ sectionId }) => sectionId === of)
              .map(({ id }) => id),
          )
        }
      />
    </>
  );
}
