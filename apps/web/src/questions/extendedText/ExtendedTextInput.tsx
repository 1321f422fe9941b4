import { wordsIn } from '@gobrel/core';
import { useId, type ReactElement } from 'react';
import { count } from '../../ui/when';
import type { QuestionInputProps } from '../kind';
import { FIELD } from '../textEntry/TextEntryInput';

export function Still(): ReactElement {
  return <div className={FIELD} style={{ minHeight: '5em' }} />;
}

export function Input(props: QuestionInputProps<'extendedText'>): ReactElement {
  const { fewestWords, mostWords } = props.question;
  const id = useId();
  const text = props.answer?.text ?? '';
  const words = wordsIn(text).length;
  const asked = [
    fewestWords > 0 ? `at least ${fewestWords}` : '',
    mostWords > 0 ? `at most ${mostWords}` : '',
  ].filter((part) => part !== '');
  const isOff = words > 0 && (words < fewestWords || (mostWords > 0 && words > mostWords));
  return (
    <div className="flex min-h-0 flex-1 flex-col">
      <textarea
        aria-label="Your answer"
        aria-describedby={id}
        name={props.name}
        value={text}
        rows={4}
        maxLength={20_000}
        disabled={props.isHeld}
        onChange={(event) => props.onAnswer({ kind: 'extendedText', text: event.target.value })}
        className={`${FIELD} min-h-[5em] flex-1 resize-none`}
        style={{ lineHeight: 1.35 }}
      />
      <p
        id={id}
        className={isOff ? 'text-ember-deep' : 'text-soft'}
        style={{ fontSize: '0.72em', marginTop: '0.2em' }}
      >
        {count(words, 'word')}
        {asked.length > 0 && `; ${asked.join(', ')} are asked for`}
      </p>
    </div>
  );
}
