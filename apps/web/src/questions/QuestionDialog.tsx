import {
  setQuestion,
  wordsOf,
  type Question,
  type QuestionElement,
  type QuestionKey,
} from '@gobrel/core';
import { useState, type ReactElement, type ReactNode } from 'react';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { Field } from '../ui/Field';
import { useNotices } from '../ui/Notice';
import { useDeck } from '../workspace/DeckContext';

/** What every kind is edited in: prompt and points, and what the kind adds. Nothing changes until it is kept. */
export function QuestionDialog(props: {
  title: string;
  slideId: string;
  element: Pick<QuestionElement, 'id' | 'text'> & { question: Question };
  /** Question and key as they shall be, or the sentence that says why not. */
  onKeep: (points: number) => { question: Question; key: QuestionKey | null } | string;
  onClose: () => void;
  children: ReactNode;
}): ReactElement {
  const { title, slideId, element, onClose } = props;
  const { doc, run } = useDeck();
  const { trouble } = useNotices();
  const before = wordsOf(element.text);
  const [prompt, setPrompt] = useState(before);
  const [points, setPoints] = useState(String(element.question.points));
  const keep = (): void => {
    const worth = Number(points.replace(',', '.'));
    if (points.trim() === '' || !(worth >= 0 && worth <= 100)) {
      return trouble('Points go from 0 to 100.');
    }
    const kept = props.onKeep(worth);
    if (typeof kept === 'string') return trouble(kept);
    // A prompt that was not touched keeps its styling.
    const changed = prompt === before ? kept : { ...kept, prompt };
    if (run(setQuestion(doc, slideId, element.id, changed))) onClose();
  };
  return (
    <Dialog title={title} isOpen onClose={onClose}>
      <div className="flex flex-col gap-4">
        <label className="block text-[14px] font-semibold">
          Prompt
          <textarea
            rows={2}
            value={prompt}
            onChange={(event) => setPrompt(event.target.value)}
            className="mt-1 w-full rounded-[6px] border border-line bg-sheet px-3 py-2 text-[16px] font-normal"
          />
        </label>
        {props.children}
        <Field
          label="Points"
          className="w-[120px]"
          value={points}
          onChange={(event) => setPoints(event.target.value)}
        />
        <p className="text-[13px] text-soft">
          The key stays with you: it is not sent to any student’s device.
        </p>
        <div className="flex justify-end gap-2">
          <Button onClick={onClose}>Cancel</Button>
          <Button look="main" onClick={keep}>
            Keep
          </Button>
        </div>
      </div>
    </Dialog>
  );
}
