import type { ReactElement } from 'react';
import type { QuestionInputProps, QuestionStillProps } from '../kind';

const GAP =
  'min-h-11 max-w-full rounded-[6px] border-2 border-line bg-sheet px-[0.4em] align-middle';

export function Still({ question }: QuestionStillProps<'gap'>): ReactElement {
  return (
    <div>
      <p className="leading-[1.9] whitespace-pre-wrap">
        {question.parts.map((part, index) => (
          <span key={index}>
            {index > 0 && (
              <span className="inline-block w-[5em] border-b-2 border-ink">&nbsp;</span>
            )}
            {part}
          </span>
        ))}
      </p>
      {question.bank && <Bank words={question.bank} />}
    </div>
  );
}

function Bank({ words }: { words: readonly string[] }): ReactElement {
  return (
    <ul
      className="mt-[0.4em] flex flex-wrap gap-[0.4em]"
      style={{ listStyle: 'none', padding: 0, fontSize: '0.85em' }}
    >
      {words.map((word) => (
        <li key={word} className="rounded-[6px] border border-line bg-paper px-[0.6em] py-[0.1em]">
          {word}
        </li>
      ))}
    </ul>
  );
}

export function Input(props: QuestionInputProps<'gap'>): ReactElement {
  const { question, answer } = props;
  const given = answer?.texts ?? question.parts.slice(1).map(() => '');
  const fill = (index: number, text: string): void =>
    props.onAnswer({ kind: 'gap', texts: given.map((old, at) => (at === index ? text : old)) });
  return (
    <div>
      <p className="leading-[2.1] whitespace-pre-wrap">
        {question.parts.map((part, index) => (
          <span key={index}>
            {index > 0 &&
              (question.bank ? (
                <select
                  aria-label={`Gap ${index}`}
                  disabled={props.isHeld}
                  value={given[index - 1]}
                  onChange={(event) => fill(index - 1, event.target.value)}
                  className={GAP}
                >
                  <option value="">…</option>
                  {question.bank.map((word) => (
                    <option key={word}>{word}</option>
                  ))}
                </select>
              ) : (
                <TypedGap
                  label={`Gap ${index}`}
                  kept={given[index - 1] ?? ''}
                  isHeld={props.isHeld}
                  onType={(text) => fill(index - 1, text)}
                />
              ))}
            {part}
          </span>
        ))}
      </p>
      {question.bank && <Bank words={question.bank} />}
    </div>
  );
}

function TypedGap(props: {
  label: string;
  kept: string;
  isHeld: boolean;
  onType: (text: string) => void;
}): ReactElement {
  const { kept } = props;
  return (
    <input
      aria-label={props.label}
      value={kept}
      maxLength={100}
      disabled={props.isHeld}
      autoComplete="off"
      onChange={(event) => props.onType(event.target.value)}
      className={GAP}
      style={{ width: `${Math.max(5, kept.length + 2)}ch` }}
    />
  );
}
