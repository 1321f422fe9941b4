import { useState, type ReactElement } from 'react';
import { Check } from '../../slide/controls';
import { QuestionDialog } from '../QuestionDialog';
import type { QuestionEditProps } from '../registry';

export default function TextEntryEdit(props: QuestionEditProps<'textEntry'>): ReactElement {
  const { element } = props;
  const { key } = element;
  const [accepted, setAccepted] = useState(key?.accepted.join('\n') ?? '');
  const [heedsCase, setHeedsCase] = useState(key?.heedsCase ?? false);
  const [heedsAccents, setHeedsAccents] = useState(key?.heedsAccents ?? false);
  return (
    <QuestionDialog
      {...props}
      title="Question: text entry"
      onKeep={(points) => {
        const lines = accepted.split('\n').map((line) => line.trim());
        const given = lines.filter((line) => line !== '');
        return {
          question: { ...element.question, points },
          key:
            given.length > 0
              ? { kind: 'textEntry', accepted: given, heedsCase, heedsAccents }
              : null,
        };
      }}
    >
      <label className="block text-[14px] font-semibold">
        Right answers, one on each line
        <textarea
          rows={4}
          value={accepted}
          onChange={(event) => setAccepted(event.target.value)}
          className="mt-1 w-full rounded-[6px] border border-line bg-sheet px-3 py-2 font-normal"
        />
        <span className="font-normal text-soft">
          Spaces do not matter. A * stands for any letters: light* takes lighthouse too.
        </span>
      </label>
      <Check label="Capital letters matter" isOn={heedsCase} onChange={setHeedsCase} />
      <Check label="Accents matter" isOn={heedsAccents} onChange={setHeedsAccents} />
    </QuestionDialog>
  );
}
