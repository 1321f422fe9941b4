import { readNumber } from '@gobrel/core';
import { useState, type ReactElement } from 'react';
import { Field } from '../../ui/Field';
import { QuestionDialog } from '../QuestionDialog';
import type { QuestionEditProps } from '../registry';

export default function NumberEdit(props: QuestionEditProps<'number'>): ReactElement {
  const { element } = props;
  const { key } = element;
  const [unit, setUnit] = useState(element.question.unit);
  const [value, setValue] = useState(key ? String((key.low + key.high) / 2) : '');
  const [tolerance, setTolerance] = useState(key ? String((key.high - key.low) / 2) : '0');
  return (
    <QuestionDialog
      {...props}
      title="Question: number"
      onKeep={(points) => {
        const question = { ...element.question, unit: unit.trim(), points };
        if (value.trim() === '') return { question, key: null };
        const right = readNumber(value, unit);
        if (right === undefined) return 'The right answer is no number.';
        const [, share] = /^(.*)%$/.exec(tolerance.trim()) ?? [];
        const given = readNumber(share ?? tolerance, unit);
        if (given === undefined || given < 0) {
          return 'How far off it may be is a number such as 0.5, or a share such as 5 %.';
        }
        const by = share === undefined ? given : Math.abs(right) * (given / 100);
        // Ends are as the numbers read, not as they are reckoned in binary.
        const end = (number: number): number => Number(number.toPrecision(12));
        return { question, key: { kind: 'number', low: end(right - by), high: end(right + by) } };
      }}
    >
      <Field
        label="Right answer"
        value={value}
        onChange={(event) => setValue(event.target.value)}
      />
      <Field
        label="It may be off by (a number, or a share such as 5 %)"
        value={tolerance}
        onChange={(event) => setTolerance(event.target.value)}
      />
      <Field label="Unit" value={unit} onChange={(event) => setUnit(event.target.value)} />
    </QuestionDialog>
  );
}
