import {
  addPlaced,
  emptySlots,
  fitPicture,
  promptIn,
  type Slide,
  type SlotSpec,
} from '@gobrel/core';
import { CircleHelp, Image } from 'lucide-react';
import type { ReactElement } from 'react';
import { boxStyle } from '../parts/boxStyle';
import { useDeck } from '../deck/DeckContext';
import { questionElement } from '../elements/question/making';
import { PicturePop } from '../ui/PicturePop';
import type { StageEdit } from '../editing/useStageEdit';
import { slotsOf } from './ownSlots';

/** Places of the layout that wait for a picture or a question. */
export function SlotGhosts(props: { slide: Slide; edit: StageEdit; scale: number }): ReactElement {
  const { slide, edit, scale } = props;
  const { deck, run } = useDeck();
  const own = slide.ownLayout === null ? undefined : deck.layouts[slide.ownLayout];
  const waiting = emptySlots(slide, own && slotsOf(own)).filter(({ takes }) => takes !== 'text');
  const ghost = (spec: SlotSpec, standard: string, onClick?: () => void): ReactElement => (
    <button
      type="button"
      onClick={onClick}
      className="grid place-items-center border-dashed border-current/40 text-soft hover:bg-petrol/5 hover:text-petrol"
      style={{ ...boxStyle(spec.box), borderWidth: 1.5 / scale, fontSize: 14 / scale }}
    >
      <span className="flex items-center gap-2 rounded-full bg-sheet px-[0.8em] py-[0.3em]">
        {spec.takes === 'picture' ? (
          <Image size={18 / scale} aria-hidden />
        ) : (
          <CircleHelp size={18 / scale} aria-hidden />
        )}
        {promptIn(deck, slide, spec.slot) ?? standard}
      </span>
    </button>
  );
  return (
    // What opens from a place is not pressed on the stage.
    <div onPointerDown={(event) => event.stopPropagation()}>
      {waiting.map((spec) =>
        spec.takes === 'picture' ? (
          <PicturePop
            key={spec.slot}
            label="A picture for this place"
            trigger={ghost(spec, 'A picture goes here')}
            onPicture={({ asset, credit, alt }) => {
              const added = run(addPlaced, slide.id, {
                kind: 'picture',
                layer: 'content',
                asset,
                alt: alt ?? '',
                ...(credit ? { credit } : {}),
                slot: spec.slot,
                box: spec.box,
                fit: fitPicture(asset, spec.box),
              });
              if (added) edit.takeNew([added.elementId], 'content');
            }}
          />
        ) : (
          <span key={spec.slot}>
            {ghost(spec, 'A question goes here', () => {
              const added = run(addPlaced, slide.id, {
                ...questionElement(slide),
                slot: spec.slot,
                box: spec.box,
              });
              if (added) edit.takeNew([added.elementId], 'content');
            })}
          </span>
        ),
      )}
    </div>
  );
}
