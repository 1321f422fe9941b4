import { plainNumber, readingsOf, readRanges, type Decimal, type Range } from '@gobrel/core';
import { useState, type ReactElement } from 'react';
import { Select, Setting } from '../../ui/controls';
import { Field } from '../../ui/Field';
import { QuestionDialog } from '../QuestionDialog';
import type { QuestionEditProps } from '../kind';

const DECIMAL_OPTIONS = [
  { value: '.', label: 'as in 1.5' },
  { value: ',', label: 'as in 1,5' },
] as const;

/** What was understood of a key, so that nobody is marked by something else than was meant. */
function understood(ranges: readonly Range[], unit: string, decimal: Decimal): string {
  const said = ranges.map(({ low, high }) =>
    low === high
      ? plainNumber(low, decimal)
      : `${plainNumber(low, decimal)} to ${plainNumber(high, decimal)}`,
  );
  return `Read as ${said.join('; ')}${unit ? ` ${unit}` : ''}.`;
}

function objection(right: string, unit: string, decimal: Decimal): string {
  const both = right
    .split(/;|±|…|\bto\b|\.\.\.?/)
    .map((part) => readingsOf(part, unit, decimal))
    .find((readings) => readings.length === 2);
  if (!both) {
    return `What is right cannot be read. Write 12, or 12 ± 0${decimal}5, or 12 ± 5 %, or 10 … 20.`;
  }
  const [large, small] = both.map((value) => plainNumber(value, decimal));
  return `What is right can be read in two ways: write ${large} or ${small}.`;
}

export default function NumberEdit(props: QuestionEditProps<'number'>): ReactElement {
  const { element } = props;
  const [unit, setUnit] = useState(element.question.unit);
  const [decimal, setDecimal] = useState(element.question.decimal);
  const [right, setRight] = useState(element.key?.right ?? '');
  const ranges = readRanges(right, unit, decimal);
  return (
    <QuestionDialog
      {...props}
      title="Question: number"
      onKeep={(points) => {
        if (!ranges) return objection(right, unit, decimal);
        return {
          question: { kind: 'number', unit: unit.trim(), decimal, points },
          key: ranges.length > 0 ? { kind: 'number', right: right.trim(), ranges } : null,
        };
      }}
    >
      <div>
        <div className="grid grid-cols-[1fr_120px] items-start gap-3">
          <Field
            label="Right"
            hint="12 · 12 ± 0.5 · 12 ± 5 % · 10 … 20; several with semicolons"
            value={right}
            onChange={(event) => setRight(event.target.value)}
          />
          <Field label="Unit" value={unit} onChange={(event) => setUnit(event.target.value)} />
        </div>
        <div className="mt-1 flex min-h-9 items-center justify-between gap-3">
          <p role="status" aria-label="What is right" className="text-[14px] font-semibold">
            {ranges ? ranges.length > 0 && understood(ranges, unit, decimal) : ''}
          </p>
          <Setting label="Decimals">
            <Select
              label="Decimals"
              value={decimal}
              options={[...DECIMAL_OPTIONS]}
              onChange={setDecimal}
            />
          </Setting>
        </div>
      </div>
    </QuestionDialog>
  );
}
