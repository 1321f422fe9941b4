import {
  LIMITS,
  removeSection,
  sectionPath,
  setSection,
  type Section,
  type SectionId,
  asId,
} from '@gobrel/core';
import type { ReactElement } from 'react';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { Field } from '../ui/Field';
import { isNamed, useTyped } from '../ui/useTyped';
import { useDeck } from '../deck/DeckContext';
import { Tints } from './TrailsPanel';

/** Name, tint and place of a section. */
export function SectionDialog(props: {
  section: Section | null;
  onClose: () => void;
  onSelect: (sectionId: SectionId) => void;
  /** Copies it into another deck. */
  onCopy: (section: Section) => void;
}): ReactElement {
  return (
    <Dialog title="Section" isOpen={props.section !== null} onClose={props.onClose}>
      {props.section && <Settings {...props} section={props.section} />}
    </Dialog>
  );
}

function Settings(props: {
  section: Section;
  onClose: () => void;
  onSelect: (sectionId: SectionId) => void;
  /** Copies it into another deck. */
  onCopy: (section: Section) => void;
}): ReactElement {
  const { section, onClose } = props;
  const { deck, run } = useDeck();
  const line = useTyped(section.name, (name) => run(setSection, section.id, { name }), isNamed);
  const homes = Object.values(deck.sections).filter(
    ({ id }) => !sectionPath(deck, id).some((above) => above.id === section.id),
  );
  return (
    <div className="flex flex-col gap-4">
      <Field label="Name" {...line} />
      <Tints value={section.tint} onChange={(tint) => run(setSection, section.id, { tint })} />
      <label className="flex flex-col gap-1 text-[14px] font-semibold">
        Lies in
        <select
          value={section.parentId ?? ''}
          onChange={(event) =>
            run(setSection, section.id, { parentId: asId<SectionId>(event.target.value) })
          }
          className="h-10 rounded-[6px] border border-line bg-sheet px-2 font-normal"
        >
          <option value="">no other section</option>
          {homes.map(({ id, name: other }) => (
            <option key={id} value={id}>
              {other}
            </option>
          ))}
        </select>
      </label>
      <Field
        label="Minutes in a show"
        hint="Whoever gives the show sees how much of them is left."
        type="number"
        min={0}
        max={LIMITS.sectionMinutes}
        className="max-w-[260px]"
        defaultValue={section.minutes ?? ''}
        onChange={({ target: { value } }) =>
          run(setSection, section.id, { minutes: value === '' ? null : Number(value) })
        }
      />
      <div className="flex flex-wrap justify-between gap-2">
        <Button
          onClick={() => {
            if (run(removeSection, section.id)) onClose();
          }}
        >
          Dissolve it
        </Button>
        <span className="flex flex-wrap gap-2">
          <Button onClick={() => props.onCopy(section)}>Into another deck …</Button>
          <Button
            onClick={() => {
              props.onSelect(section.id);
              onClose();
            }}
          >
            Select its slides
          </Button>
          <Button look="main" onClick={onClose}>
            Done
          </Button>
        </span>
      </div>
    </div>
  );
}
