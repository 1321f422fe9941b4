import type { ReactElement } from 'react';

/** Words on several lines, with their name above. */
export function Lines(props: {
  label: string;
  value: string;
  rows: number;
  hint?: string;
  onChange: (value: string) => void;
}): ReactElement {
  return (
    <label className="block text-[14px] font-semibold">
      {props.label}
      <textarea
        rows={props.rows}
        value={props.value}
        onChange={(event) => props.onChange(event.target.value)}
        className="mt-1 w-full rounded-[6px] border border-line bg-sheet px-3 py-2 text-[16px] font-normal"
      />
      {props.hint && <span className="font-normal text-soft">{props.hint}</span>}
    </label>
  );
}
