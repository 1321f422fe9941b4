import { addElement, addPlaced, type NewElement } from '@gobrel/core';
import type { ReactElement } from 'react';
import { useDeck } from '../../deck/DeckContext';
import { LookOnly } from '../../deck/LookOnly';
import { ADDINGS } from './kinds';
import { SelectionRow, type SelectionRowProps } from './SelectionRow';

/** Below the stage: with a selection what can be set on it, and always what can be added. */
export function Tray(props: SelectionRowProps): ReactElement {
  const { slide, edit } = props;
  const { run, isOpen } = useDeck();
  const add = (element: NewElement, thenType = false): void => {
    const command = element.layer === 'content' ? addPlaced : addElement;
    const added = run(command, slide.id, element);
    if (added) edit.takeNew([added.elementId], element.layer, thenType);
  };
  return (
    <div
      role="toolbar"
      aria-label="Tray"
      className="shrink-0 border-t border-line bg-sheet px-5 pb-2"
    >
      {isOpen ? <SelectionRow {...props} /> : <LookOnly />}
      <div className="flex gap-1 overflow-x-auto">
        {(isOpen ? ADDINGS : []).map((Adding, index) => (
          <Adding key={index} slide={slide} edit={edit} add={add} layer={edit.layer} />
        ))}
      </div>
    </div>
  );
}
