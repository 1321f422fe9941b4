import { plainNumber, readingsOf } from '@gobrel/core';
import { useId, type ReactElement } from 'react';
import type { QuestionInputProps } from '../kind';
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
  const { unit, decimal } = question;
  const hint = useId();
  const text = props.answer?.text ?? '';
  const counts = props.counts?.text;
  const readings = readingsOf(text, unit, decimal);
  const isNumber = text === '' || readings.length === 1;
  const plain = readings.map((value) => plainNumber(value, decimal));
  const type = (written: string): void => {
    const given = { kind: 'number', text: written } as const;
    const isRead = written === '' || readingsOf(written, unit, decimal).length === 1;
    if (isRead) props.onAnswer(given);
    else props.onDraft(given);
  };
  return (
    <div>
      <div className="flex items-center gap-[0.5em]">
        <input
          aria-label={question.unit ? `Your answer in ${question.unit}` : 'Your answer'}
          aria-describedby={hint}
          aria-invalid={!isNumber}
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
      <div id={hint} className="mt-[0.2em] text-ember-deep" style={{ fontSize: '0.75em' }}>
        {readings.length === 2 ? (
          <div className="flex flex-wrap items-center gap-[0.5em]">
            Not counted yet. Do you mean
            {plain.map((number) => (
              <button
                key={number}
                type="button"
                disabled={props.isHeld}
                onClick={() => type(number)}
                className="min-h-11 rounded-[6px] border border-line bg-sheet px-[0.8em] font-semibold text-petrol"
              >
                {number}
              </button>
            ))}
            {counts && `What counts is still ${counts}.`}
          </div>
        ) : (
          !isNumber && (
            <>
              This is not counted: it is no number yet. {`1${decimal}5`}, 3/2 and 2e3 can be written
              {unit && `, in ${unit}`}.{counts && ` What counts is still ${counts}.`}
            </>
          )
        )}
        {readings.length === 1 && plain[0] !== text.trim() && (
          <span className="text-soft">
            Read as {plain[0]} {unit}
          </span>
        )}
      </div>
    </div>
  );
}
