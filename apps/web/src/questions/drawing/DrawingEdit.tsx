import { PLAIN_SCALE } from '@gobrel/core';
import { useState, type ReactElement } from 'react';
import { QuestionDialog } from '../QuestionDialog';
import type { QuestionEditProps } from '../kind';
import { readScaleLines, ScaleFields, writeScale } from '../ScaleFields';

export default function DrawingEdit(props: QuestionEditProps<'drawing'>): ReactElement {
  const [scale, setScale] = useState(writeScale(props.element.key?.scale ?? PLAIN_SCALE));
  return (
    <QuestionDialog
      {...props}
      title="Question: drawing"
      onPicture={() => undefined}
      onKeep={(points) => {
        const steps = readScaleLines(scale);
        if (typeof steps === 'string') return steps;
        return {
          question: { kind: 'drawing', points },
          key: steps.length > 0 ? { kind: 'drawing', scale: steps } : null,
        };
      }}
    >
      <p className="text-[14px] text-soft">
        Students draw on the picture, or on plain paper when there is none.
      </p>
      <ScaleFields value={scale} onChange={setScale} />
    </QuestionDialog>
  );
}
