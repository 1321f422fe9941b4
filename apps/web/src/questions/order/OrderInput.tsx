import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type DragEndEvent,
  type Modifier,
} from '@dnd-kit/core';
import {
  arrayMove,
  rectSortingStrategy,
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
  type SortingStrategy,
} from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { shuffled, type Item, idOf } from '@gobrel/core';
import { ArrowDown, ArrowLeft, ArrowRight, ArrowUp, GripVertical } from 'lucide-react';
import { useRef, type ReactElement } from 'react';
import { ItemBody } from '../ItemBody';
import type { QuestionInputProps, QuestionStillProps } from '../kind';

const LOOK =
  'flex items-center gap-[0.4em] rounded-[8px] border-2 border-line bg-sheet px-[0.5em] py-[0.25em]';

export function Still({ question }: QuestionStillProps<'order'>): ReactElement {
  return (
    <ul
      className={`flex gap-[0.4em] ${question.isRow ? 'flex-wrap' : 'flex-col'}`}
      style={{ listStyle: 'none', padding: 0, fontSize: '0.92em' }}
    >
      {question.items.map((item) => (
        <li key={item.id} className={LOOK}>
          <ItemBody item={item} />
        </li>
      ))}
    </ul>
  );
}

/** Things are dragged to their places, or sent there by arrows; until one is moved nothing has been answered. */
export function Input(props: QuestionInputProps<'order'>): ReactElement {
  const { question, answer, seed, isHeld, onAnswer } = props;
  const list = useRef<HTMLUListElement>(null);
  const ids = answer?.itemIds ?? shuffled(question.items, seed).map(({ id }) => id);
  const move = (from: number, to: number): void => {
    if (to >= 0 && to < ids.length && from !== to) {
      onAnswer({ kind: 'order', itemIds: arrayMove([...ids], from, to) });
    }
  };
  // Slides are scaled as a whole: what is measured on the screen is turned into units of the slide.
  const scale = (): number => {
    const element = list.current;
    return element ? element.getBoundingClientRect().width / (element.offsetWidth || 1) : 1;
  };
  const scaled: Modifier = ({ transform }) => ({
    ...transform,
    x: transform.x / scale(),
    y: transform.y / scale(),
  });
  const plain = question.isRow ? rectSortingStrategy : verticalListSortingStrategy;
  const strategy: SortingStrategy = (args) => {
    const moved = plain(args);
    return moved && { ...moved, x: moved.x / scale(), y: moved.y / scale() };
  };
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const drop = ({ active, over }: DragEndEvent): void => {
    if (over) move(ids.indexOf(idOf(String(active.id))), ids.indexOf(idOf(String(over.id))));
  };
  return (
    <div style={{ fontSize: '0.92em' }}>
      <DndContext
        sensors={sensors}
        collisionDetection={closestCenter}
        modifiers={[scaled]}
        onDragEnd={drop}
      >
        <SortableContext items={[...ids]} strategy={strategy} disabled={isHeld}>
          <ul
            ref={list}
            aria-label="Put in order"
            className={`flex gap-[0.4em] ${question.isRow ? 'flex-wrap' : 'flex-col'}`}
            style={{ listStyle: 'none', padding: 0 }}
          >
            {ids.map((id, place) => {
              const item = question.items.find((other) => other.id === id);
              return item ? (
                <Thing
                  key={id}
                  item={item}
                  place={place}
                  isLast={place === ids.length - 1}
                  isRow={question.isRow}
                  isHeld={isHeld}
                  onMove={(to) => move(place, to)}
                />
              ) : null;
            })}
          </ul>
        </SortableContext>
      </DndContext>
      {!answer && !isHeld && (
        <p
          className="mt-[0.3em] flex flex-wrap items-center gap-x-[0.8em] text-soft"
          style={{ fontSize: '0.78em' }}
        >
          Drag them, or use the arrows.
          <button
            type="button"
            className="min-h-11 text-petrol underline"
            onClick={() => onAnswer({ kind: 'order', itemIds: [...ids] })}
          >
            It is right as it stands
          </button>
        </p>
      )}
    </div>
  );
}

function Thing(props: {
  item: Item;
  place: number;
  isLast: boolean;
  isRow: boolean;
  isHeld: boolean;
  onMove: (to: number) => void;
}): ReactElement {
  const { item, place, isRow, isHeld, onMove } = props;
  const sortable = useSortable({ id: item.id });
  const [Back, On] = isRow ? [ArrowLeft, ArrowRight] : [ArrowUp, ArrowDown];
  const name = item.text || `picture ${place + 1}`;
  return (
    <li
      ref={sortable.setNodeRef}
      className={`${LOOK} ${sortable.isDragging ? 'z-10 border-petrol' : ''}`}
      style={{
        transform: CSS.Translate.toString(sortable.transform),
        transition: sortable.transition,
      }}
    >
      <span
        {...sortable.attributes}
        {...sortable.listeners}
        data-pulled
        aria-label={`${name}, place ${place + 1}`}
        className="flex min-h-11 flex-1 cursor-grab touch-none items-center gap-[0.4em]"
      >
        <GripVertical aria-hidden className="size-[0.9em] shrink-0 text-soft" />
        <ItemBody item={item} />
      </span>
      <span className="flex shrink-0">
        <button
          type="button"
          aria-label={`${name}: one place forward`}
          disabled={isHeld || place === 0}
          onClick={() => onMove(place - 1)}
          className="grid size-11 place-items-center rounded-[6px] hover:bg-sand disabled:opacity-30"
        >
          <Back className="size-[0.9em]" aria-hidden />
        </button>
        <button
          type="button"
          aria-label={`${name}: one place back`}
          disabled={isHeld || props.isLast}
          onClick={() => onMove(place + 1)}
          className="grid size-11 place-items-center rounded-[6px] hover:bg-sand disabled:opacity-30"
        >
          <On className="size-[0.9em]" aria-hidden />
        </button>
      </span>
    </li>
  );
}
