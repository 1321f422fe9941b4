import {
  plain,
  setElement,
  setText,
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
  const [prompt, setPrompt] = useState(wordsOf(element.text));
  const [points, setPoints] = useState(String(element.question.points));
  const keep = (): void => {
    const worth = Number(points.replace(',', '.'));
    if (!(worth >= 0 && worth <= 100)) return trouble('Points go from 0 to 100.');
    const kept = props.onKeep(worth);
    if (typeof kept === 'string') return trouble(kept);
    if (prompt !== wordsOf(element.text)) {
      run(setText(doc, slideId, element.id, plain(...prompt.split('\n'))));
    }
    if (run(setElement(doc, slideId, element.id, kept))) onClose();
  };
  return (
    <Dialog title={title} isOpen onClose={onClose}>
      <div className="flex flex-col gap-4">
        <Field label="Prompt" value={prompt} onChange={(event) => setPrompt(event.target.value)} />
        {props.children}
        <Field label="Points" value={points} onChange={(event) => setPoints(event.target.value)} />
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
