import { idOf, type OptionId } from '@gobrel/core';
import { useState, type ReactElement } from 'react';
import { Bars, missingRow, type BarRow } from '../Bars';
import type { TallyViewProps } from '../kind';

/** Bars: how many picked each option, the key among them; or just these together. */
export default function ChoiceTallyView(props: TallyViewProps<'choice'>): ReactElement {
  const { element, tally, students, showsKey } = props;
  const { options, isMultiple } = element.question;
  const [isTogether, setIsTogether] = useState(false);
  const key = showsKey ? (element.key?.optionIds ?? []) : [];
  const name = (id: string): string => {
    const index = options.findIndex((option) => option.id === id);
    return options[index]?.text || `picture ${index + 1}`;
  };
  const single = options.map(({ id }): BarRow => ({
    id,
    text: name(id),
    count: tally.picks[id] ?? 0,
    look: key.includes(id) ? 'key' : 'plain',
  }));
  const together = Object.entries(tally.combinations)
    .sort(([, a], [, b]) => b - a)
    .slice(0, 12)
    .map(([ids, count]): BarRow => {
      const picked = ids.split(' ').map((id) => idOf<OptionId>(id));
      const isKey = key.length === picked.length && picked.every((id) => key.includes(id));
      const text = picked.map(name).join(' + ');
      return { id: ids, text, count, look: isKey ? 'key' : 'plain' };
    });
  return (
    <>
      <Bars
        caption={isTogether ? 'Picked together' : 'Picks by option'}
        rows={[...(isTogether ? together : single), missingRow(students, tally.answered)]}
        students={students}
      />
      {isMultiple && (
        <button
          type="button"
          aria-pressed={isTogether}
          className="min-h-8 text-[13px] text-petrol underline"
          onClick={() => setIsTogether(!isTogether)}
        >
          {isTogether ? 'Each option by itself' : 'What was picked together'}
        </button>
      )}
    </>
  );
}
