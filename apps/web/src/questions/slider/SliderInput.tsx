import type { SliderQuestion } from '@gobrel/core';
import { useState, type ReactElement } from 'react';
import type { QuestionInputProps, QuestionStillProps } from '../registry';

const Ends = ({ question }: { question: SliderQuestion }): ReactElement => (
  <div className="flex justify-between gap-4" style={{ fontSize: '0.85em' }}>
    <span>{question.lowLabel || question.low}</span>
    <span className="text-right">{question.highLabel || question.high}</span>
  </div>
);

export function Still({ question }: QuestionStillProps<'slider'>): ReactElement {
  return (
    <div>
      <div className="my-[0.6em] h-[0.25em] rounded-full bg-line" />
      <Ends question={question} />
    </div>
  );
}

export function Input(props: QuestionInputProps<'slider'>): ReactElement {
  const { question, answer } = props;
  const [pulled, setPulled] = useState<number | null>(null);
  const value = pulled ?? answer?.value;
  const keep = (): void => {
    if (pulled !== null) props.onAnswer({ kind: 'slider', value: pulled });
    setPulled(null);
  };
  return (
    <div>
      <input
        type="range"
        aria-label="Your answer"
        name={props.name}
        min={question.low}
        max={question.high}
        step={question.step}
        disabled={props.isHeld}
        value={value ?? (question.low + question.high) / 2}
        onChange={(event) => setPulled(Number(event.target.value))}
        onPointerDown={(event) => setPulled(Number(event.currentTarget.value))}
        onPointerUp={keep}
        onKeyUp={keep}
        onBlur={keep}
        className={`min-h-11 w-full accent-petrol ${value === undefined ? 'opacity-50' : ''}`}
      />
      <Ends question={question} />
      <output className="block text-center font-semibold">
        {value === undefined ? 'Move it to answer' : value}
      </output>
    </div>
  );
}
