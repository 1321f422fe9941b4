import { MOST_OPTIONS, type ChoiceOption, type OptionId } from '@gobrel/core';
import { useState, type ReactElement } from 'react';
import { Check } from '../../ui/controls';
import { filled, ItemList } from '../ItemList';
import { QuestionDialog } from '../QuestionDialog';
import type { QuestionEditProps } from '../kind';

/** The options of a choice, and which of them are right. */
export default function ChoiceEdit(props: QuestionEditProps<'choice'>): ReactElement {
  const { element } = props;
  const [options, setOptions] = useState<ChoiceOption[]>(element.question.options);
  const [key, setKey] = useState<OptionId[]>(element.key?.optionIds ?? []);
  const [isMultiple, setIsMultiple] = useState(element.question.isMultiple);
  const [isShuffled, setIsShuffled] = useState(element.question.isShuffled);
  const [isPartial, setIsPartial] = useState(element.key?.isPartial ?? false);
  const toggle = (id: OptionId): void => {
    const others = key.filter((other) => other !== id);
    setKey(key.includes(id) ? others : isMultiple ? [...key, id] : [id]);
  };
  return (
    <QuestionDialog
      {...props}
      title="Question: choice"
      isWide
      onKeep={(points) => {
        const kept = filled(options);
        if (kept.length < 2) return 'A choice needs two options at least.';
        const right = key.filter((id) => kept.some((option) => option.id === id));
        const optionIds = isMultiple ? right : right.slice(0, 1);
        return {
          question: { kind: 'choice', isMultiple, isShuffled, options: kept, points },
          key: optionIds.length > 0 ? { kind: 'choice', optionIds, isPartial } : null,
        };
      }}
    >
      <fieldset>
        <legend className="mb-1 text-[14px] font-semibold">Options; tick what is right</legend>
        <ItemList
          items={options}
          most={MOST_OPTIONS}
          noun="option"
          isOrdered
          onChange={setOptions}
          before={(option, index) => (
            <input
              type={isMultiple ? 'checkbox' : 'radio'}
              name="key"
              className="size-6 accent-petrol"
              aria-label={`Option ${index + 1} is right`}
              checked={key.includes(option.id)}
              onChange={() => toggle(option.id)}
            />
          )}
        />
      </fieldset>
      <div className="flex flex-wrap gap-x-5">
        <Check label="Several may be picked" isOn={isMultiple} onChange={setIsMultiple} />
        <Check
          label="Everyone in an order of their own"
          isOn={isShuffled}
          onChange={setIsShuffled}
        />
        {isMultiple && (
          <Check
            label="Some right is worth something, wrong picks cost"
            isOn={isPartial}
            onChange={setIsPartial}
          />
        )}
      </div>
    </QuestionDialog>
  );
}
