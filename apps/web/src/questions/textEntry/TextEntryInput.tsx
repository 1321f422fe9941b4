import type { ReactElement } from 'react';
import type { QuestionInputProps } from '../kind';

export const FIELD =
  'min-h-11 w-full rounded-[8px] border-2 border-line bg-sheet px-[0.6em] py-[0.3em] focus-visible:outline-3';

export function Still(): ReactElement {
  return <div className={FIELD} style={{ minHeight: '1.9em' }} />;
}

export function Input(props: QuestionInputProps<'textEntry'>): ReactElement {
  return (
    <input
      aria-label="Your answer"
      name={props.name}
      value={props.answer?.text ?? ''}
      maxLength={300}
      disabled={props.isHeld}
      autoComplete="off"
      onChange={(event) => props.onAnswer({ kind: 'textEntry', text: event.target.value })}
      className={FIELD}
    />
  );
}
