import { newId, type ChoiceOption, type OptionId } from '@gobrel/core';
import { Plus, Trash2 } from 'lucide-react';
import { useState, type ReactElement } from 'react';
import { Button } from '../../ui/Button';
import { QuestionDialog } from '../QuestionDialog';
import type { QuestionEditProps } from '../registry';

const MOST_OPTIONS = 12;

/** The options of a choice, and which of them are right. */
export default function ChoiceEdit(props: QuestionEditProps<'choice'>): ReactElement {
  const { element } = props;
  const [options, setOptions] = useState<ChoiceOption[]>(element.question.options);
  const [key, setKey] = useState<OptionId[]>(element.key?.optionIds ?? []);
  const [isMultiple, setIsMultiple] = useState(element.question.isMultiple);

  const toggle = (id: OptionId): void =>
    setKey((old) =>
      isMultiple
        ? old.includes(id)
          ? old.filter((o) => o !== id)
          : [...old, id]
        : old[0] === id
          ? []
          : [id],
    );
  return (
    <QuestionDialog
      {...props}
      title="Question: choice"
      onKeep={(points) => {
        const filled = options.filter(({ text }) => text.trim() !== '');
        if (filled.length < 2) return 'A choice needs two options at least.';
        const right = key.filter((id) => filled.some((option) => option.id === id));
        const kept = isMultiple ? right : right.slice(0, 1);
        return {
          question: { ...element.question, isMultiple, options: filled, points },
          key: kept.length > 0 ? { kind: 'choice', optionIds: kept } : null,
        };
      }}
    >
      <fieldset>
        <legend className="mb-1 text-[14px] font-semibold">Options; tick what is right</legend>
        <ul className="flex flex-col gap-2">
          {options.map((option, index) => (
            <li key={option.id} className="flex items-center gap-2">
              <input
                type={isMultiple ? 'checkbox' : 'radio'}
                name="key"
                className="size-5 accent-petrol"
                aria-label={`Option ${index + 1} is right`}
                checked={key.includes(option.id)}
                onChange={() => toggle(option.id)}
              />
              <input
                aria-label={`Option ${index + 1}`}
                value={option.text}
                onChange={(event) =>
                  setOptions(
                    options.map((o) =>
                      o.id === option.id ? { ...o, text: event.target.value } : o,
                    ),
                  )
                }
                className="h-10 flex-1 rounded-[6px] border border-line bg-sheet px-3"
              />
              <Button
                look="quiet"
                aria-label={`Remove option ${index + 1}`}
                onClick={() => setOptions(options.filter((o) => o.id !== option.id))}
              >
                <Trash2 size={16} />
              </Button>
            </li>
          ))}
        </ul>
        <Button
          size="small"
          look="quiet"
          className="mt-2"
          disabled={options.length >= MOST_OPTIONS}
          onClick={() => setOptions([...options, { id: newId(), text: '' }])}
        >
          <Plus size={15} /> Add an option
        </Button>
      </fieldset>
      <label className="flex min-h-8 items-center gap-2">
        <input
          type="checkbox"
          className="size-4 accent-petrol"
          checked={isMultiple}
          onChange={(event) => setIsMultiple(event.target.checked)}
        />
        Several may be picked
      </label>
    </QuestionDialog>
  );
}
