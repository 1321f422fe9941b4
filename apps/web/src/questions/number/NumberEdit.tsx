import { readRanges } from '@gobrel/core';
import { useState, type ReactElement } from 'react';
import { Field } from '../../ui/Field';
import { QuestionDialog } from '../QuestionDialog';
import type { QuestionEditProps } from '../registry';

export default function NumberEdit(props: QuestionEditProps<'number'>): ReactElement {
  const { element } = props;
  const [unit, setUnit] = useState(element.question.unit);
  const [right, setRight] = useState(element.key?.right ?? '');
  return (
    <QuestionDialog
      {...props}
      title="Question: number"
      onKeep={(points) => {
        const ranges = readRanges(right, unit);
        if (!ranges) {
          return 'What is right cannot be read. Write 12, or 12 ± 0.5, or 12 ± 5 %, or 10 … 20.';
        }
        return {
          question: { kind: 'number', unit: unit.trim(), points },
          key: ranges.length > 0 ? { kind: 'number', right: right.trim(), ranges } : null,
        };
      }}
    >
      <div className="grid grid-cols-[1fr_140px] gap-3">
        <Field
          label="Right"
          hint="12 · 12 ± 0.5 · 12 ± 5 % · 10 … 20; several with semicolons"
          value={right}
          onChange={(event) => setRight(event.target.value)}
        />
        <Field label="Unit" value={unit} onChange={(event) => setUnit(event.target.value)} />
      </div>
    </QuestionDialog>
  );
}
