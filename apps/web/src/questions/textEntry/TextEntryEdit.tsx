import { textLines } from '@gobrel/core';
import { useState, type ReactElement } from 'react';
import { Check } from '../../ui/controls';
import { Lines } from '../../ui/Lines';
import { QuestionDialog } from '../QuestionDialog';
import type { QuestionEditProps } from '../kind';

export default function TextEntryEdit(props: QuestionEditProps<'textEntry'>): ReactElement {
  const { key } = props.element;
  const [written, setWritten] = useState(key?.accepted.join('\n') ?? '');
  const [heedsCase, setHeedsCase] = useState(key?.heedsCase ?? false);
  const [heedsAccents, setHeedsAccents] = useState(key?.heedsAccents ?? false);
  return (
    <QuestionDialog
      {...props}
      title="Question: text entry"
      onKeep={(points) => {
        const accepted = textLines(written);
        return {
          question: { kind: 'textEntry', points },
          key:
            accepted.length > 0 ? { kind: 'textEntry', accepted, heedsCase, heedsAccents } : null,
        };
      }}
    >
      <Lines
        label="Right answers, one on each line"
        rows={4}
        value={written}
        hint="Spaces do not matter. A * stands for any letters: light* takes lighthouse too."
        onChange={setWritten}
      />
      <div className="flex flex-wrap gap-x-5">
        <Check label="Capital letters matter" isOn={heedsCase} onChange={setHeedsCase} />
        <Check label="Accents matter" isOn={heedsAccents} onChange={setHeedsAccents} />
      </div>
    </QuestionDialog>
  );
}
