import { shuffled, type OptionId } from '@gobrel/core';
import type { ReactElement } from 'react';
import { ItemBody } from '../ItemBody';
import type { QuestionInputProps, QuestionStillProps } from '../kind';

const LOOK = 'flex items-center gap-[0.6em] rounded-[8px] border-2 px-[0.7em] py-[0.4em] text-left';

export function ChoiceStill({ question }: QuestionStillProps<'choice'>): ReactElement {
  return (
    <ul
      className="flex flex-col gap-[0.4em]"
      style={{ listStyle: 'none', padding: 0, fontSize: '0.92em' }}
    >
      {question.options.map((option) => (
        <li key={option.id} className={`${LOOK} border-line`}>
          <ItemBody item={option} />
        </li>
      ))}
    </ul>
  );
}

/** Sizes follow the type around it: slide units on the stage, reading size on a phone. */
export function ChoiceInput({
  question,
  name,
  answer,
  isHeld,
  seed,
  onAnswer,
}: QuestionInputProps<'choice'>): ReactElement {
  const picked = answer?.optionIds ?? [];
  const options = question.isShuffled ? shuffled(question.options, seed) : question.options;
  const pick = (id: OptionId): void => {
    if (!question.isMultiple) return onAnswer({ kind: 'choice', optionIds: [id] });
    const next = picked.includes(id) ? picked.filter((other) => other !== id) : [...picked, id];
    const inOrder = question.options
      .map((option) => option.id)
      .filter((option) => next.includes(option));
    onAnswer({ kind: 'choice', optionIds: inOrder });
  };
  return (
    <fieldset
      disabled={isHeld}
      className="flex flex-col gap-[0.4em]"
      style={{ fontSize: '0.92em' }}
    >
      <legend className="sr-only">{question.isMultiple ? 'Pick all that fit' : 'Pick one'}</legend>
      {options.map((option) => {
        const isPicked = picked.includes(option.id);
        return (
          <label
            key={option.id}
            className={`${LOOK} min-h-11 cursor-pointer has-[:focus-visible]:outline has-[:focus-visible]:outline-3 has-[:focus-visible]:outline-petrol ${
              isPicked ? 'border-petrol bg-petrol-mist font-semibold' : 'border-line bg-sheet'
            }`}
          >
            <input
              type={question.isMultiple ? 'checkbox' : 'radio'}
              name={name}
              checked={isPicked}
              onChange={() => pick(option.id)}
              className="size-[1em] shrink-0 accent-petrol"
            />
            <ItemBody item={option} />
          </label>
        );
      })}
    </fieldset>
  );
}
