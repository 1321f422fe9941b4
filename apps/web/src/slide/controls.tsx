import { useState, type ReactElement, type ReactNode } from 'react';

/** What stands in the tray's row: a setting with its name, and the inputs that set it. */
export function Setting({ label, children }: { label: string; children: ReactNode }): ReactElement {
  return (
    <span className="flex items-center gap-1.5">
      <span className="text-soft">{label}</span>
      {children}
    </span>
  );
}

export function Plain({
  onClick,
  children,
}: {
  onClick: () => unknown;
  children: ReactNode;
}): ReactElement {
  return (
    <button
      type="button"
      onClick={() => onClick()}
      className="min-h-7 rounded-[4px] px-1.5 text-petrol hover:bg-sand"
    >
      {children}
    </button>
  );
}

export function Select<T extends string>(props: {
  label: string;
  value: T;
  options: readonly T[];
  onChange: (value: T) => unknown;
}): ReactElement {
  return (
    <select
      aria-label={props.label}
      value={props.value}
      onChange={(event) => props.onChange(event.target.value as T)}
      className="h-7 rounded-[4px] border border-line bg-sheet px-1.5"
    >
      {props.options.map((option) => (
        <option key={option}>{option}</option>
      ))}
    </select>
  );
}

export function Colour({
  label,
  value,
  onChange,
}: {
  label: string;
  value: string;
  onChange: (value: string) => unknown;
}): ReactElement {
  return (
    <span className="flex items-center gap-1">
      <input
        type="color"
        aria-label={label}
        value={value || '#ffffff'}
        onChange={(event) => onChange(event.target.value)}
        className="h-7 w-8 rounded-[4px] border border-line bg-sheet"
      />
      {value && <Plain onClick={() => onChange('')}>as the theme</Plain>}
    </span>
  );
}

/** A line kept when it is left or Enter is pressed, so that it is one step to undo. */
export function Line({
  label,
  value,
  onKeep,
}: {
  label: string;
  value: string;
  onKeep: (value: string) => unknown;
}): ReactElement {
  const [typed, setTyped] = useState<string | null>(null);
  const keep = (): void => {
    if (typed !== null && typed !== value) onKeep(typed);
    setTyped(null);
  };
  return (
    <label className="flex items-center gap-1.5">
      <span className="text-soft">{label}</span>
      <input
        value={typed ?? value}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={keep}
        onKeyDown={(event) => event.key === 'Enter' && keep()}
        className="h-7 w-[180px] rounded-[4px] border border-line bg-sheet px-2"
      />
    </label>
  );
}
