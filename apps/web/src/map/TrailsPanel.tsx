import {
  addTrail,
  closeUpOf,
  duplicateTrail,
  moveStop,
  removeStop,
  removeTrail,
  setDefaultTrail,
  setTrail,
  TINTS,
  type StopId,
  type Tint,
  type Trail,
  type TrailId,
  entryAt,
  idOf,
  type SlideId,
  titleOf,
} from '@gobrel/core';
import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type Announcements,
  type UniqueIdentifier,
} from '@dnd-kit/core';
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { Copy, GripVertical, Star, Trash2, X } from 'lucide-react';
import type { ReactElement } from 'react';
import { Link } from 'react-router';
import { Button } from '../ui/Button';
import { isNamed, useTyped } from '../ui/useTyped';
import { useDeck } from '../deck/DeckContext';
import { TINT_COLOURS } from './tints';

/** The trails of the deck: made by clicking cards in turn, put in order by dragging. */
export function TrailsPanel(props: {
  openId: TrailId | null;
  onOpen: (trailId: TrailId | null) => void;
  isClicking: boolean;
  onClicking: (is: boolean) => void;
}): ReactElement {
  const { deckId, deck, run, isOpen } = useDeck();
  const { openId, onOpen } = props;
  const make = (): void => {
    const added = run(addTrail, { name: `Trail ${deck.trails.length + 1}` });
    if (!added) return;
    onOpen(added.trailId);
    props.onClicking(true);
  };
  return (
    <div className="flex h-full flex-col gap-3 overflow-y-auto p-3">
      <div className="flex items-center justify-between">
        <h2 className="text-[15px]">Trails</h2>
        {isOpen && (
          <Button size="small" onClick={make}>
            New trail
          </Button>
        )}
      </div>
      {deck.trails.length === 0 && (
        <p className="text-[13.5px] text-soft">
          A trail is a named walk through some of the slides: a short one and a long one through the
          same deck. Links lead everywhere as before.
        </p>
      )}
      <ul className="flex flex-col gap-2">
        {deck.trails.map((trail) => (
          <li
            key={trail.id}
            className="rounded-[6px] border bg-sheet p-2.5"
            style={{ borderColor: TINT_COLOURS[trail.tint].line }}
          >
            <TrailHead
              trail={trail}
              isOpen={trail.id === openId}
              onOpen={() => onOpen(trail.id === openId ? null : trail.id)}
            />
            {trail.id === openId && (
              <>
                <fieldset disabled={!isOpen} className="contents">
                  <TrailSettings trail={trail} />
                  <Stops trail={trail} />
                </fieldset>
                <div className="mt-2 flex flex-wrap items-center gap-2">
                  {isOpen && (
                    <Button
                      size="small"
                      look={props.isClicking ? 'main' : 'plain'}
                      aria-pressed={props.isClicking}
                      onClick={() => props.onClicking(!props.isClicking)}
                    >
                      {props.isClicking ? 'Done adding' : 'Add stops'}
                    </Button>
                  )}
                  {props.isClicking && (
                    <span className="text-[12.5px] text-soft">Click cards in turn.</span>
                  )}
                  {trail.stops.length > 0 && (
                    <Link
                      to={`/deck/${deckId}/show?trail=${trail.id}&from=${trail.stops[0]!.slideId}`}
                      className="ml-auto inline-flex min-h-6 items-center text-[13px] text-petrol underline"
                    >
                      Show it
                    </Link>
                  )}
                </div>
              </>
            )}
          </li>
        ))}
      </ul>
    </div>
  );
}

function TrailHead(props: { trail: Trail; isOpen: boolean; onOpen: () => void }): ReactElement {
  const { deck, run, isOpen } = useDeck();
  const { trail } = props;
  const isDefault = deck.defaultTrailId === trail.id;
  return (
    <div className="flex items-center gap-1">
      <button
        type="button"
        aria-expanded={props.isOpen}
        onClick={props.onOpen}
        className="flex min-h-8 min-w-0 flex-1 items-center gap-2 text-left"
      >
        <span
          className="size-3 shrink-0 rounded-full"
          style={{ background: TINT_COLOURS[trail.tint].line }}
        />
        <b className="truncate text-[14px]">{trail.name}</b>
        <span className="text-[12.5px] text-soft">{trail.stops.length}</span>
      </button>
      {isOpen && (
        <>
          <Small
            label={isDefault ? 'The trail that shows and lessons walk' : 'Make it the default'}
            isOn={isDefault}
            onClick={() => run(setDefaultTrail, trail.id)}
          >
            <Star size={15} fill={isDefault ? 'currentColor' : 'none'} />
          </Small>
          <Small label="Duplicate the trail" onClick={() => run(duplicateTrail, trail.id)}>
            <Copy size={14} />
          </Small>
          <Small label="Delete the trail" onClick={() => run(removeTrail, trail.id)}>
            <Trash2 size={14} />
          </Small>
        </>
      )}
    </div>
  );
}

function TrailSettings({ trail }: { trail: Trail }): ReactElement {
  const { run } = useDeck();
  const line = useTyped(trail.name, (name) => run(setTrail, trail.id, { name }), isNamed);
  return (
    <div className="mt-1 flex flex-col gap-2 text-[13px]">
      <label className="flex items-center gap-2">
        <span className="text-soft">Name</span>
        <input {...line} className="h-8 min-w-0 flex-1 rounded-[4px] border border-line px-2" />
      </label>
      <Tints value={trail.tint} onChange={(tint) => run(setTrail, trail.id, { tint })} />
      <label className="flex min-h-7 items-center gap-2">
        <input
          type="checkbox"
          className="size-4 accent-petrol"
          checked={trail.followsLinks}
          onChange={() => run(setTrail, trail.id, { followsLinks: !trail.followsLinks })}
        />
        It steps only where a link goes; Check proves it
      </label>
    </div>
  );
}

export function Tints(props: { value: Tint; onChange: (tint: Tint) => unknown }): ReactElement {
  return (
    <div role="radiogroup" aria-label="Colour" className="flex gap-1.5">
      {TINTS.map((tint) => (
        <button
          key={tint}
          type="button"
          role="radio"
          aria-checked={tint === props.value}
          aria-label={tint}
          onClick={() => props.onChange(tint)}
          className="size-7 rounded-full border-2 border-sheet aria-checked:outline aria-checked:outline-2 aria-checked:outline-ink"
          style={{ background: TINT_COLOURS[tint].line }}
        />
      ))}
    </div>
  );
}

/** What is read aloud while a stop is moved. */
function said(trail: Trail, titleAt: (slideId: SlideId | undefined) => string): Announcements {
  const place = (id: UniqueIdentifier | undefined): number =>
    trail.stops.findIndex((stop) => stop.id === id) + 1;
  const name = (id: UniqueIdentifier): string => titleAt(trail.stops[place(id) - 1]?.slideId);
  return {
    onDragStart: ({ active }) => `${name(active.id)} is taken up, stop ${place(active.id)}.`,
    onDragOver: ({ active, over }) =>
      over ? `${name(active.id)} is over stop ${place(over.id)}.` : undefined,
    onDragEnd: ({ active, over }) =>
      over ? `${name(active.id)} is put down as stop ${place(over.id)}.` : undefined,
    onDragCancel: ({ active }) => `${name(active.id)} stays where it was.`,
  };
}

function Stops({ trail }: { trail: Trail }): ReactElement {
  const { deck, run } = useDeck();
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const ids = trail.stops.map(({ id }) => id);
  const drop = (from: StopId, over: StopId): void => {
    const [old, next] = [ids.indexOf(from), ids.indexOf(over)];
    if (old === next) return;
    run(moveStop, trail.id, from, next > old ? (ids[next + 1] ?? null) : over);
  };
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      accessibility={{
        announcements: said(trail, (slideId) => titleOf(entryAt(deck.slides, slideId))),
      }}
      onDragEnd={({ active, over }) => over && drop(idOf(String(active.id)), idOf(String(over.id)))}
    >
      <SortableContext items={ids} strategy={verticalListSortingStrategy}>
        <ol aria-label={`Stops of ${trail.name}`} className="mt-2 flex flex-col gap-1">
          {trail.stops.map((stop, index) => (
            <Stop key={stop.id} trail={trail} index={index} />
          ))}
        </ol>
      </SortableContext>
    </DndContext>
  );
}

function Stop({ trail, index }: { trail: Trail; index: number }): ReactElement {
  const { deck, run } = useDeck();
  const { id, slideId, closeUpId } = trail.stops[index]!;
  const { attributes, listeners, setNodeRef, transform, transition } = useSortable({ id });
  const slide = deck.slides[slideId];
  const closeUp = slide && closeUpOf(slide, closeUpId);
  const name = titleOf(slide);
  const title = closeUp ? `${name} › ${closeUp.name || 'close-up'}` : name;
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className="flex min-h-8 items-center gap-1.5 rounded-[4px] border border-line bg-paper pr-1 text-[13px]"
    >
      <button
        type="button"
        {...attributes}
        {...listeners}
        aria-label={`Move stop ${index + 1}, ${title}`}
        className="grid h-8 w-6 cursor-grab touch-none place-items-center text-soft"
      >
        <GripVertical size={14} />
      </button>
      <span className="w-5 text-right text-soft tabular-nums">{index + 1}</span>
      <span className="min-w-0 flex-1 truncate">{title}</span>
      <Small
        label={`Take stop ${index + 1} off the trail`}
        onClick={() => run(removeStop, trail.id, id)}
      >
        <X size={14} />
      </Small>
    </li>
  );
}

function Small(props: {
  label: string;
  isOn?: boolean;
  onClick: () => unknown;
  children: ReactElement;
}): ReactElement {
  return (
    <button
      type="button"
      aria-label={props.label}
      title={props.label}
      aria-pressed={props.isOn}
      onClick={() => props.onClick()}
      className="grid size-7 shrink-0 place-items-center rounded-[4px] text-soft hover:bg-sand aria-pressed:text-brass"
    >
      {props.children}
    </button>
  );
}
