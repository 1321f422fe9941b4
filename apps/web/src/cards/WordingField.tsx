import { useEffect, useRef, type ReactElement } from 'react';
import { isNamed, useTyped } from '../ui/useTyped';

/** The wording of a choice, typed in place on its wire and kept with every keystroke. */
export function WordingField(props: {
  value: string;
  onType: (wording: string) => unknown;
  onDone: () => void;
}): ReactElement {
  const line = useTyped(props.value, props.onType, isNamed);
  const input = useRef<HTMLInputElement>(null);
  const isDone = useRef(false);
  useEffect(() => {
    input.current?.focus();
    input.current?.select();
  }, []);
  const end = (): void => {
    if (isDone.current) return;
    isDone.current = true;
    line.onBlur();
    props.onDone();
  };
  return (
    <input
      ref={input}
      aria-label="Wording of the choice"
      {...line}
      maxLength={300}
      onKeyDown={(event) => {
        event.stopPropagation();
        line.onKeyDown(event);
        if (event.key === 'Enter' || event.key === 'Escape') end();
      }}
      onBlur={end}
      className="h-7 w-[180px] rounded-[4px] border border-ember bg-sheet px-2 text-[12px] text-ember-deep"
    />
  );
}
