import { readNumber } from '@gobrel/core';
import { useId, type ReactElement } from 'react';
import type { QuestionInputProps } from '../registry';
import { FIELD } from '../textEntry/TextEntryInput';

export function Still({ question }: { question: { unit: string } }): ReactElement {
  return (
    <div className="flex items-center gap-[0.5em]">
      <div className={FIELD} style={{ minHeight: '1.9em' }} />
      {question.unit}
    </div>
  );
}

export function Input(props: QuestionInputProps<'number'>): ReactElement {
  const { question } = props;
  const hint = useId();
  const isNumber = (text: string): boolean =>
    text === '' || readNumber(text, question.unit) !== undefined;
  const text = props.answer?.text ?? '';
  const counts = props.counts?.text;
  const type = (written: string): void => {
    const given = { kind: 'number', text: written } as const;
    if (isNumber(written)) props.onAnswer(given);
    else props.onDraft(given);
  };
  return (
    <div>
      <div className="flex items-center gap-[0.5em]">
        <input
          aria-label={question.unit ? `Your answer in ${question.unit}` : 'Your answer'}
          aria-describedby={hint}
          aria-invalid={!isNumber(text)}
          name={props.name}
          value={text}
          maxLength={60}
          disabled={props.isHeld}
          inputMode="text"
          autoComplete="off"
          onChange={(event) => type(event.target.value)}
          className={FIELD}
        />
        {question.unit}
      </div>
      <p id={hint} className="mt-[0.2em] text-ember-deep" style={{ fontSize: '0.75em' }}>
        {!isNumber(text) && (
          <>
            This is not counted: it is no number yet. 1.5, 1,5, 3/2 and 2e3 can be written.
            {counts && ` What counts is still ${counts}.`}
          </>
        )}
      </p>
    </div>
  );
}
