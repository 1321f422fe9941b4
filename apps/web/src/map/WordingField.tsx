import { useEffect, useRef, type ReactElement } from 'react';

/** The wording of a choice, typed in place on its wire. Escape leaves it as it was. */
export function WordingField(props: {
  value: string;
  onDone: (wording: string | null) => void;
}): ReactElement {
  const input = useRef<HTMLInputElement>(null);
  const isDone = useRef(false);
  useEffect(() => {
    input.current?.focus();
    input.current?.select();
  }, []);
  const end = (wording: string | null): void => {
    if (isDone.current) return;
    isDone.current = true;
    props.onDone(wording);
  };
  return (
    <input
      ref={input}
      aria-label="Wording of the choice"
      defaultValue={props.value}
      maxLength={300}
      onKeyDown={(event) => {
        event.stopPropagation();
        if (event.key === 'Enter') end(event.currentTarget.value);
        if (event.key === 'Escape') end(null);
      }}
      onBlur={(event) => end(event.currentTarget.value)}
      className="h-7 w-[180px] rounded-[4px] border border-ember bg-sheet px-2 text-[12px] text-ember-deep"
    />
  );
}
