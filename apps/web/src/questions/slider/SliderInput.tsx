import type { SliderQuestion } from '@gobrel/core';
import { useState, type ReactElement } from 'react';
import type { QuestionInputProps, QuestionStillProps } from '../kind';

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
  /** Where it is while it is pulled: an answer once it is let go. A key is one at once. */
  const [pulled, setPulled] = useState<number | null>(null);
  const value = pulled ?? answer?.value;
  const keep = (value: number): void => props.onAnswer({ kind: 'slider', value });
  const letGo = (): void => {
    if (pulled !== null) keep(pulled);
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
        onChange={(event) => (pulled === null ? keep : setPulled)(Number(event.target.value))}
        onPointerDown={(event) => setPulled(Number(event.currentTarget.value))}
        onPointerUp={letGo}
        // A finger that moves the page on has not answered.
        onPointerCancel={() => setPulled(null)}
        onBlur={letGo}
        className={`min-h-11 w-full accent-petrol ${value === undefined ? 'opacity-50' : ''}`}
      />
      <Ends question={question} />
      <output className="block text-center font-semibold">
        {value === undefined ? 'Move it to answer' : value}
      </output>
    </div>
  );
}
