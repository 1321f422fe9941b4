import { shuffled, type OptionId } from '@gobrel/core';
import { useState, type ReactElement, type ReactNode } from 'react';
import { ItemBody } from '../ItemBody';
import type { QuestionInputProps, QuestionStillProps } from '../kind';

const LOOK =
  'flex min-h-11 w-full items-center gap-[0.4em] rounded-[8px] border-2 px-[0.5em] py-[0.25em] text-left';

export function Still({ question }: QuestionStillProps<'match'>): ReactElement {
  return (
    <div className="grid grid-cols-2 gap-[1.2em]" style={{ fontSize: '0.92em' }}>
      {[question.lefts, question.rights].map((items, side) => (
        <ul
          key={side}
          className="flex flex-col gap-[0.4em]"
          style={{ listStyle: 'none', padding: 0 }}
        >
          {items.map((item) => (
            <li key={item.id} className={`${LOOK} border-line`}>
              <ItemBody item={item} />
            </li>
          ))}
        </ul>
      ))}
    </div>
  );
}

/** One on the left is taken up, then the one on the right it belongs to; joined ones bear the same letter. */
export function Input(props: QuestionInputProps<'match'>): ReactElement {
  const { question, answer, isHeld, onAnswer } = props;
  const [taken, setTaken] = useState<OptionId | null>(null);
  const pairs = answer?.pairs ?? {};
  const rights = shuffled(question.rights, props.seed);
  const letterOf = (left: string): string =>
    'ABCDEFGHIJKLMNOP'[question.lefts.findIndex(({ id }) => id === left)] ?? '';
  const join = (right: OptionId): void => {
    if (!taken) return;
    onAnswer({ kind: 'match', pairs: { ...pairs, [taken]: right } });
    setTaken(null);
  };
  const part = (left: OptionId): void => {
    const { [left]: _gone, ...others } = pairs;
    onAnswer({ kind: 'match', pairs: others });
    setTaken(null);
  };
  return (
    <div style={{ fontSize: '0.92em' }}>
      <div className="grid grid-cols-2 gap-[1.2em]">
        <ul className="flex flex-col gap-[0.4em]" style={{ listStyle: 'none', padding: 0 }}>
          {question.lefts.map((item) => {
            const right = rights.find(({ id }) => id === pairs[item.id]);
            return (
              <li key={item.id}>
                <button
                  type="button"
                  disabled={isHeld}
                  aria-pressed={taken === item.id}
                  onClick={() => setTaken(taken === item.id ? null : item.id)}
                  className={`${LOOK} ${taken === item.id ? 'border-petrol bg-petrol-mist' : 'border-line bg-sheet'}`}
                >
                  <ItemBody item={item} />
                  {right && (
                    <Letter>
                      {letterOf(item.id)}
                      <span className="sr-only">, joined to {right.text || 'a picture'}</span>
                    </Letter>
                  )}
                </button>
              </li>
            );
          })}
        </ul>
        <ul className="flex flex-col gap-[0.4em]" style={{ listStyle: 'none', padding: 0 }}>
          {rights.map((item) => {
            const joined = question.lefts.filter(({ id }) => pairs[id] === item.id);
            return (
              <li key={item.id}>
                <button
                  type="button"
                  disabled={isHeld || !taken}
                  onClick={() => join(item.id)}
                  className={`${LOOK} disabled:text-ink ${taken ? 'border-petrol' : 'border-line'} bg-sheet`}
                >
                  {joined.map(({ id }) => (
                    <Letter key={id}>{letterOf(id)}</Letter>
                  ))}
                  <ItemBody item={item} />
                </button>
              </li>
            );
          })}
        </ul>
      </div>
      <p
        role="status"
        className="mt-[0.3em] min-h-[1.6em] text-soft"
        style={{ fontSize: '0.78em' }}
      >
        {taken ? (
          <>
            Now pick on the right.{' '}
            {pairs[taken] && (
              <button type="button" className="text-petrol underline" onClick={() => part(taken)}>
                Part it again
              </button>
            )}
          </>
        ) : (
          !isHeld && 'Pick one on the left, then where it belongs.'
        )}
      </p>
    </div>
  );
}

const Letter = ({ children }: { children: ReactNode }): ReactElement => (
  <span
    className="ml-auto grid min-w-[1.5em] shrink-0 place-items-center rounded-full bg-petrol px-[0.3em] font-semibold text-white first:ml-0"
    style={{ fontSize: '0.75em' }}
  >
    {children}
  </span>
);
