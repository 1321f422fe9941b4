import { PLAIN_SCALE } from '@gobrel/core';
import { useState, type ReactElement } from 'react';
import { Field } from '../../ui/Field';
import { QuestionDialog } from '../QuestionDialog';
import type { QuestionEditProps } from '../kind';
import { readScaleLines, ScaleFields, writeScale } from '../ScaleFields';

export default function ExtendedTextEdit(props: QuestionEditProps<'extendedText'>): ReactElement {
  const { question, key } = props.element;
  const shown = (count: number): string => (count > 0 ? String(count) : '');
  const [fewest, setFewest] = useState(shown(question.fewestWords));
  const [most, setMost] = useState(shown(question.mostWords));
  const [scale, setScale] = useState(writeScale(key?.scale ?? PLAIN_SCALE));
  return (
    <QuestionDialog
      {...props}
      title="Question: extended text"
      onKeep={(points) => {
        const [fewestWords, mostWords] = [Number(fewest || 0), Number(most || 0)];
        const isCount = (count: number): boolean => Number.isInteger(count) && count >= 0;
        if (!isCount(fewestWords) || !isCount(mostWords) || fewestWords > 5000) {
          return 'Words are counted in whole numbers.';
        }
        if (mostWords > 0 && mostWords < fewestWords) {
          return 'The most words are fewer than the fewest.';
        }
        const steps = readScaleLines(scale);
        if (typeof steps === 'string') return steps;
        return {
          question: { kind: 'extendedText', fewestWords, mostWords, points },
          key: steps.length > 0 ? { kind: 'extendedText', scale: steps } : null,
        };
      }}
    >
      <div className="grid grid-cols-2 gap-3">
        <Field
          label="At least so many words"
          inputMode="numeric"
          value={fewest}
          onChange={(event) => setFewest(event.target.value)}
        />
        <Field
          label="At most so many words"
          inputMode="numeric"
          value={most}
          onChange={(event) => setMost(event.target.value)}
        />
      </div>
      <ScaleFields value={scale} onChange={setScale} />
    </QuestionDialog>
  );
}
