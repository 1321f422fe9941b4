import { questionsOn, readNumber, wordsOf, asId, type ElementId } from '@gobrel/core';
import { useState, type ReactElement } from 'react';
import { useEditedDeck } from '../../deck/DeckContext';
import { Field } from '../../ui/Field';
import { QuestionDialog } from '../QuestionDialog';
import type { QuestionEditProps } from '../kind';

export default function SliderEdit(props: QuestionEditProps<'slider'>): ReactElement {
  const { element } = props;
  const { question, key } = element;
  const [low, setLow] = useState(String(question.low));
  const [high, setHigh] = useState(String(question.high));
  const [step, setStep] = useState(String(question.step));
  const [lowLabel, setLowLabel] = useState(question.lowLabel);
  const [highLabel, setHighLabel] = useState(question.highLabel);
  const [before, setBefore] = useState(question.before);
  const { deck } = useEditedDeck();
  const others = Object.values(deck.slides).flatMap((slide) =>
    questionsOn(slide).filter((one) => one.question.kind === 'slider' && one.id !== element.id),
  );
  const [from, setFrom] = useState(key ? String(key.low) : '');
  const [to, setTo] = useState(key ? String(key.high) : '');
  return (
    <QuestionDialog
      {...props}
      title="Question: slider"
      onKeep={(points) => {
        const [least, most, by] = [readNumber(low), readNumber(high), readNumber(step)];
        if (least === undefined || most === undefined || least >= most) {
          return 'The scale goes from a smaller number to a larger one.';
        }
        if (by === undefined || by <= 0 || by > most - least) {
          return 'The step is larger than nothing and fits into the scale.';
        }
        const changed = {
          ...question,
          low: least,
          high: most,
          step: by,
          lowLabel,
          highLabel,
          points,
          before,
        };
        if (from.trim() === '' && to.trim() === '') return { question: changed, key: null };
        const [start, end] = [readNumber(from), readNumber(to)];
        if (start === undefined || end === undefined || start > end) {
          return 'What is right goes from a smaller number to a larger one, or is left empty.';
        }
        return { question: changed, key: { kind: 'slider', low: start, high: end } };
      }}
    >
      <div className="grid grid-cols-3 gap-3">
        <Field label="From" value={low} onChange={(event) => setLow(event.target.value)} />
        <Field label="To" value={high} onChange={(event) => setHigh(event.target.value)} />
        <Field label="Step" value={step} onChange={(event) => setStep(event.target.value)} />
      </div>
      <div className="grid grid-cols-2 gap-3">
        <Field
          label="Word at the low end"
          value={lowLabel}
          onChange={(event) => setLowLabel(event.target.value)}
        />
        <Field
          label="Word at the high end"
          value={highLabel}
          onChange={(event) => setHighLabel(event.target.value)}
        />
        <Field label="Right from" value={from} onChange={(event) => setFrom(event.target.value)} />
        <Field label="Right to" value={to} onChange={(event) => setTo(event.target.value)} />
      </div>
      {others.length > 0 && (
        <label className="block text-[14px] font-semibold">
          Asked the same before by
          <select
            value={before ?? ''}
            onChange={(event) => setBefore(asId<ElementId>(event.target.value))}
            className="mt-1 block h-10 w-full rounded-[6px] border border-line bg-sheet px-2 font-normal"
          >
            <option value="">no other question</option>
            {others.map((one) => (
              <option key={one.id} value={one.id}>
                {wordsOf(one.text)}
              </option>
            ))}
          </select>
        </label>
      )}
    </QuestionDialog>
  );
}
