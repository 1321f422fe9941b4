import {
  align,
  boundsOf,
  giveLook,
  group,
  holdsMembers,
  lookOf,
  middleOf,
  MOST_STEPS,
  movedBy,
  reorder,
  sameSize,
  setElements,
  setLayer,
  setPlaces,
  spread,
  stretched,
  turnedBy,
  ungroup,
  type Aligning,
  type Layer,
  type Look,
  type OrderStep,
  type Place,
  type Slide,
  type SlideElement,
} from '@gobrel/core';
import {
  AlignCenterHorizontal,
  AlignCenterVertical,
  AlignEndHorizontal,
  AlignEndVertical,
  AlignHorizontalSpaceBetween,
  AlignStartHorizontal,
  AlignStartVertical,
  AlignVerticalSpaceBetween,
  ArrowDownToLine,
  ArrowUpToLine,
  ChevronDown,
  ChevronUp,
  type LucideIcon,
} from 'lucide-react';
import { useState, type ReactElement } from 'react';
import { useNotices } from '../../ui/Notice';
import { useDeck } from '../../deck/DeckContext';
import { boxAround } from '../../editing/arranging';
import { Check, NumberField, Plain, Pop, Select, Setting, Sign } from '../../ui/controls';
import { LAYER_NAMES, type StageEdit } from '../../editing/useStageEdit';

const SPREAD_SIGNS: ['across' | 'down', string, LucideIcon][] = [
  ['across', 'Spread evenly across', AlignHorizontalSpaceBetween],
  ['down', 'Spread evenly down', AlignVerticalSpaceBetween],
];
const ORDER_SIGNS: [OrderStep, string, LucideIcon][] = [
  ['front', 'To the front', ArrowUpToLine],
  ['forward', 'Forward', ChevronUp],
  ['backward', 'Backward', ChevronDown],
  ['back', 'To the back', ArrowDownToLine],
];
const ALIGN_SIGNS: [Aligning, string, LucideIcon][] = [
  ['left', 'Align left edges', AlignStartVertical],
  ['middle', 'Align middles across', AlignCenterVertical],
  ['right', 'Align right edges', AlignEndVertical],
  ['top', 'Align upper edges', AlignStartHorizontal],
  ['centre', 'Align middles down', AlignCenterHorizontal],
  ['bottom', 'Align lower edges', AlignEndHorizontal],
];

/** The look that was copied last: it can be given to things on any slide. */
let copiedLook: Look | null = null;

/** Where what is in hand lies, in which order and layer, and what belongs together. */
export function ArrangePop(props: { slide: Slide; edit: StageEdit }): ReactElement {
  const { slide, edit } = props;
  const { selected } = edit;
  const { run, refusalOf } = useDeck();
  const { tell } = useNotices();
  const [look, setLook] = useState(copiedLook);
  const ids = selected.map(({ id }) => id);
  const [one] = selected;
  const keep = (places: Place[]): unknown =>
    places.length > 0 ? run(setPlaces, slide.id, places) : tell('Nothing there to be moved.');
  const placing = (
    places: Place[],
    none = 'nothing there is free to move.',
  ): { why: string | null; onClick: () => unknown } => ({
    why: places.length > 0 ? refusalOf(setPlaces, slide.id, places) : none,
    onClick: () => keep(places),
  });
  const isLocked = selected.every((element) => element.isLocked);
  const groups = selected.filter(holdsMembers).map(({ id }) => id);
  return (
    <>
      <Pop label="Arrange" width={300}>
        <Numbers slide={slide} selected={selected} onPlaces={keep} />
        <div className="mt-2 flex flex-wrap">
          {ALIGN_SIGNS.map(([how, label, icon]) => (
            <Sign
              key={how}
              icon={icon}
              label={label}
              {...placing(align(slide.elements, ids, how))}
            />
          ))}
          {SPREAD_SIGNS.map(([how, label, icon]) => (
            <Sign
              key={how}
              icon={icon}
              label={label}
              {...placing(
                spread(slide.elements, ids, how),
                'it takes three things that are free to move.',
              )}
            />
          ))}
        </div>
        <div className="mt-1 flex items-center" role="group" aria-label="Order">
          <span className="mr-1 text-soft">Order</span>
          {ORDER_SIGNS.map(([to, label, icon]) => (
            <Sign
              key={to}
              icon={icon}
              label={label}
              why={refusalOf(reorder, slide.id, ids, to)}
              onClick={() => run(reorder, slide.id, ids, to)}
            />
          ))}
        </div>
        {ids.length > 1 && (
          <div className="mt-1 flex flex-wrap gap-1">
            <span className="py-1 text-soft">Same</span>
            {(['width', 'height', 'both'] as const).map((what) => (
              <Plain key={what} {...placing(sameSize(slide.elements, ids, what))}>
                {what === 'both' ? 'size' : what}
              </Plain>
            ))}
          </div>
        )}
      </Pop>
      <Pop label="More">
        <div className="flex flex-col items-start gap-1">
          <Setting label="Layer">
            <Select<Layer>
              label="Layer of it"
              value={one?.layer ?? 'content'}
              options={(['background', 'content', 'pieces'] as const).map((value) => ({
                value,
                label: LAYER_NAMES[value],
              }))}
              onChange={(layer) => {
                if (run(setLayer, slide.id, ids, layer)) edit.takeNew(ids, layer);
              }}
            />
          </Setting>
          {ids.length > 1 && (
            <Plain
              why={refusalOf(group, slide.id, ids)}
              onClick={() => {
                const made = run(group, slide.id, ids);
                if (made) edit.select([made.elementId]);
              }}
            >
              Group (Ctrl+G)
            </Plain>
          )}
          {groups.length > 0 && (
            <Plain
              why={refusalOf(ungroup, slide.id, groups)}
              onClick={() => {
                const freed = run(ungroup, slide.id, groups);
                if (freed) edit.select(freed.elementIds);
              }}
            >
              Undo the group
            </Plain>
          )}
          {one && (
            <NumberField
              label="Comes at step"
              value={one.comes}
              min={0}
              max={MOST_STEPS}
              onKeep={(comes) => run(setElements, slide.id, ids, { comes })}
            />
          )}
          <Check
            label="Locked: nobody moves or changes it"
            isOn={isLocked}
            onChange={(isLocked) => run(setElements, slide.id, ids, { isLocked })}
          />
          {one && ids.length === 1 && (
            <Plain
              onClick={() => {
                copiedLook = lookOf(one);
                setLook(copiedLook);
                tell('Look copied. Select something else and give it.');
              }}
            >
              Copy its look
            </Plain>
          )}
          <Plain
            why={
              look ? refusalOf(giveLook, slide.id, ids, look) : 'Copy the look of a thing first.'
            }
            onClick={() => look && run(giveLook, slide.id, ids, look)}
          >
            Give it the copied look
          </Plain>
        </div>
      </Pop>
    </>
  );
}

/** Exact numbers, in slide units: 1280 across, 720 down. */
function Numbers(props: {
  slide: Slide;
  selected: readonly SlideElement[];
  onPlaces: (places: Place[]) => unknown;
}): ReactElement | null {
  const { slide, selected, onPlaces } = props;
  const ids = selected.map(({ id }) => id);
  const [one] = selected;
  const isAlone = selected.length === 1 && !holdsMembers(one!);
  const box = isAlone ? one!.box : boxAround(selected);
  if (!box || !one) return null;
  const { elements } = slide;
  const resized = (w: number, h: number): Place[] =>
    isAlone && one.kind !== 'line'
      ? [{ elementId: one.id, box: { ...box, w, h }, rotation: one.rotation }]
      : stretched(elements, ids, box, { ...box, w, h });
  const rotation = isAlone ? one.rotation : 0;
  return (
    <div className="grid grid-cols-2 gap-2">
      <NumberField
        label="Left"
        value={box.x}
        min={-20_000}
        max={20_000}
        onKeep={(x) => onPlaces(movedBy(elements, ids, x - box.x, 0))}
      />
      <NumberField
        label="Top"
        value={box.y}
        min={-20_000}
        max={20_000}
        onKeep={(y) => onPlaces(movedBy(elements, ids, 0, y - box.y))}
      />
      <NumberField
        label="Width"
        value={box.w}
        min={8}
        max={20_000}
        onKeep={(w) => onPlaces(resized(w, box.h))}
      />
      <NumberField
        label="Height"
        value={box.h}
        min={8}
        max={20_000}
        onKeep={(h) => onPlaces(resized(box.w, h))}
      />
      <NumberField
        label="Turned"
        value={rotation}
        min={-360}
        max={360}
        step={15}
        onKeep={(degrees) =>
          onPlaces(
            turnedBy(elements, ids, middleOf(isAlone ? box : boundsOf(box, 0)), degrees - rotation),
          )
        }
      />
    </div>
  );
}
