import {
  holdsMembers,
  kindName,
  LAYERS,
  membersOf,
  reorder,
  setElement,
  setLayer,
  type Layer,
  type Slide,
  type SlideElement,
} from '@gobrel/core';
import { ChevronDown, ChevronUp, Lock, LockOpen, X } from 'lucide-react';
import { useState, type ReactElement } from 'react';
import { useDeck } from '../deck/DeckContext';
import { Select, Sign } from '../ui/controls';
import { useTyped } from '../ui/useTyped';
import { labelOf } from '../editing/labelOf';
import { LAYER_NAMES, type StageEdit } from '../editing/useStageEdit';

/** All things of the slide from top to bottom: for small, hidden and overlapping ones, and for screen readers. */
export function ThingList(props: {
  slide: Slide;
  edit: StageEdit;
  onClose: () => void;
}): ReactElement {
  const { slide, edit } = props;
  const top = slide.elements.filter(({ groupId }) => groupId === null);
  return (
    <section
      aria-label="Things on this slide"
      className="absolute top-0 bottom-0 left-0 z-20 w-[300px] overflow-y-auto border-r border-line bg-sheet p-3 text-[13px]"
    >
      <div className="flex items-center">
        <h2 className="text-[14px]">Things</h2>
        <span className="ml-auto">
          <Sign icon={X} label="Close the list" onClick={props.onClose} />
        </span>
      </div>
      {[...LAYERS].reverse().map((layer) => {
        const things = top.filter((element) => element.layer === layer).reverse();
        return (
          <section key={layer} aria-label={LAYER_NAMES[layer]} className="mt-2">
            <h3 className="font-body text-[12px] font-normal text-soft">
              {LAYER_NAMES[layer]} · {things.length}
            </h3>
            <ul>
              {things.map((element) => (
                <Thing key={element.id} slide={slide} edit={edit} element={element} depth={0} />
              ))}
            </ul>
          </section>
        );
      })}
      {slide.elements.length === 0 && <p className="mt-2 text-soft">Nothing on it yet.</p>}
    </section>
  );
}

function Thing(props: {
  slide: Slide;
  edit: StageEdit;
  element: SlideElement;
  depth: number;
}): ReactElement {
  const { slide, edit, element, depth } = props;
  const { run } = useDeck();
  const isSelected = edit.selected.some(({ id }) => id === element.id);
  const members = holdsMembers(element) ? membersOf(slide.elements, element.id) : [];
  const pick = (isAdding: boolean): void => {
    const others = isAdding ? edit.selected.map(({ id }) => id) : [];
    if (element.groupId && edit.entered !== element.groupId) edit.enter(element.groupId);
    edit.select([...others.filter((id) => id !== element.id), element.id]);
  };
  const [isNaming, setIsNaming] = useState(false);
  const line = useTyped(element.name, (name) =>
    run(setElement, slide.id, element.id, { name: name.trim() }),
  );
  const keepName = (): void => {
    line.onBlur();
    setIsNaming(false);
  };
  return (
    <li>
      <div
        className={`flex min-h-8 items-center gap-0.5 rounded-[4px] ${isSelected ? 'bg-petrol-mist' : 'hover:bg-sand'}`}
        style={{ paddingLeft: 4 + depth * 14 }}
      >
        {!isNaming ? (
          <button
            type="button"
            aria-pressed={isSelected}
            title="Press twice to rename"
            onClick={(event) => pick(event.shiftKey)}
            onDoubleClick={() => setIsNaming(true)}
            onKeyDown={(event) => {
              if (event.key === 'F2') setIsNaming(true);
            }}
            className="min-h-8 min-w-0 flex-1 truncate px-1 text-left"
          >
            {labelOf(element)}
          </button>
        ) : (
          <input
            autoFocus
            aria-label={`Name of the ${kindName(element).toLowerCase()}`}
            {...line}
            onBlur={keepName}
            onKeyDown={(event) => {
              line.onKeyDown(event);
              if (event.key === 'Enter' || event.key === 'Escape') keepName();
            }}
            className="h-7 min-w-0 flex-1 rounded-[4px] border border-line px-1.5"
          />
        )}
        {isSelected && (
          <>
            <Sign
              icon={ChevronUp}
              label={`Forward: ${labelOf(element)}`}
              onClick={() => run(reorder, slide.id, element.id, 'forward')}
            />
            <Sign
              icon={ChevronDown}
              label={`Backward: ${labelOf(element)}`}
              onClick={() => run(reorder, slide.id, element.id, 'backward')}
            />
          </>
        )}
        <Sign
          icon={element.isLocked ? Lock : LockOpen}
          label={element.isLocked ? `Let go: ${labelOf(element)}` : `Lock: ${labelOf(element)}`}
          isOn={element.isLocked}
          onClick={() => run(setElement, slide.id, element.id, { isLocked: !element.isLocked })}
        />
      </div>
      {isSelected && depth === 0 && edit.selected.length === 1 && (
        <div className="flex items-center gap-1.5 pb-1 pl-2">
          <span className="text-soft">on</span>
          <Select<Layer>
            label={`Layer of ${labelOf(element)}`}
            value={element.layer}
            options={LAYERS.map((value) => ({ value, label: LAYER_NAMES[value] }))}
            onChange={(layer) => {
              if (run(setLayer, slide.id, [element.id], layer)) {
                edit.takeNew([element.id], layer);
              }
            }}
          />
        </div>
      )}
      {members.length > 0 && (
        <ul>
          {[...members].reverse().map((member) => (
            <Thing key={member.id} slide={slide} edit={edit} element={member} depth={depth + 1} />
          ))}
        </ul>
      )}
    </li>
  );
}
