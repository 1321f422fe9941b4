import { ChevronDown, type LucideIcon } from 'lucide-react';
import { useEffect, useRef, useState, type ReactElement, type ReactNode } from 'react';
import { useNotices } from './Notice';
import { Sheet } from './Sheet';
import { useTyped } from './useTyped';

/** A setting with its name, and the inputs that set it. */
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
  why = null,
  ...rest
}: {
  onClick: () => unknown;
  children: ReactNode;
  disabled?: boolean;
  /** Why it cannot be pressed now. */
  why?: string | null;
  'aria-pressed'?: boolean;
}): ReactElement {
  return (
    <button
      type="button"
      {...rest}
      {...(why !== null && { disabled: true, title: why })}
      onPointerDown={keepFocus}
      onClick={() => onClick()}
      className="min-h-7 rounded-[4px] px-1.5 text-petrol hover:bg-sand disabled:opacity-40 aria-pressed:bg-petrol-mist"
    >
      {children}
    </button>
  );
}

/** A press on a setting leaves the focus in the text that is being typed. */
export const keepFocus = (event: { preventDefault: () => void }): void => event.preventDefault();

/** A small sign that does something, or is on or off. */
export function Sign(props: {
  icon: LucideIcon;
  label: string;
  isOn?: boolean;
  disabled?: boolean;
  /** Why it cannot be pressed now. */
  why?: string | null;
  onClick: () => unknown;
}): ReactElement {
  const { icon: Icon, label, isOn, why = null } = props;
  return (
    <button
      type="button"
      aria-label={label}
      title={why === null ? label : `${label}: ${why}`}
      aria-pressed={isOn}
      disabled={props.disabled === true || why !== null}
      onPointerDown={keepFocus}
      onClick={() => props.onClick()}
      className="grid size-7 place-items-center rounded-[4px] hover:bg-sand disabled:opacity-35 aria-pressed:bg-petrol-mist aria-pressed:text-petrol"
    >
      <Icon size={16} strokeWidth={1.8} aria-hidden />
    </button>
  );
}

/** A setting as a pill that opens what sets it. */
export function Pop(props: {
  label: string;
  value?: ReactNode;
  /** What a screen reader says of the value when it is a picture. */
  says?: string;
  children: ReactNode | ((choose: () => void) => ReactNode);
  width?: number;
}): ReactElement {
  const { label, value, says } = props;
  const said = says ?? (typeof value === 'string' ? value : '');
  const pill = (
    <button
      type="button"
      aria-label={said ? `${label}: ${said}` : label}
      className="flex min-h-7 items-center gap-1.5 rounded-[4px] hover:bg-sand"
    >
      <span className={value === undefined ? 'pl-1.5' : 'text-soft'}>{label}</span>
      {value === undefined ? (
        <ChevronDown size={13} aria-hidden className="mr-1" />
      ) : (
        <span className="flex min-h-7 max-w-[150px] items-center gap-1 rounded-full border border-line bg-sheet px-2.5">
          <span className="truncate">{value}</span>
          <ChevronDown size={12} aria-hidden className="shrink-0" />
        </span>
      )}
    </button>
  );
  return (
    <Sheet label={label} trigger={pill} width={props.width}>
      {props.children}
    </Sheet>
  );
}

export interface Choice<T extends string> {
  value: T;
  label: string;
}

export function Select<T extends string>(props: {
  label: string;
  value: T;
  options: readonly Choice<T>[];
  onChange: (value: T) => unknown;
}): ReactElement {
  return (
    <select
      aria-label={props.label}
      value={props.value}
      onChange={(event) => props.onChange(event.target.value as T)}
      className="h-7 max-w-[180px] rounded-full border border-line bg-sheet px-2"
    >
      {props.options.map(({ value, label }) => (
        <option key={value} value={value}>
          {label}
        </option>
      ))}
    </select>
  );
}

/** Options whose values are their names. */
export const named = <T extends string>(values: readonly T[]): Choice<T>[] =>
  values.map((value) => ({ value, label: value.replaceAll('-', ' ') }));

export function Check(props: {
  label: string;
  isOn: boolean;
  onChange: (isOn: boolean) => unknown;
}): ReactElement {
  return (
    <label className="flex min-h-7 items-center gap-1.5">
      <input
        type="checkbox"
        className="size-4 accent-petrol"
        checked={props.isOn}
        onChange={(event) => props.onChange(event.target.checked)}
      />
      {props.label}
    </label>
  );
}

/** A line that is kept with every keystroke; a visit to it is one step to undo, or several by pauses. */
export function Line(props: {
  label: string;
  value: string;
  onKeep: (value: string) => unknown;
  placeholder?: string;
  isWide?: boolean;
  /** Longer than a name, and still in a row. */
  isBroad?: boolean;
  isLong?: boolean;
}): ReactElement {
  const { label, isWide } = props;
  const common = {
    ...useTyped(props.value, props.onKeep),
    placeholder: props.placeholder,
    className: `${isWide ? 'w-full' : props.isBroad ? 'w-[320px]' : 'w-[170px]'} rounded-[4px] border border-line bg-sheet px-2`,
  };
  return (
    <label className={isWide ? 'block' : 'flex items-center gap-1.5'}>
      <span className="text-soft">{label}</span>
      {props.isLong ? (
        <textarea rows={5} {...common} className={`${common.className} py-1`} />
      ) : (
        <input {...common} className={`${common.className} h-7`} />
      )}
    </label>
  );
}

/** A number that is kept when it is left or Enter is pressed; out of its range it says so and changes nothing. */
export function NumberField(props: {
  label: string;
  value: number;
  min: number;
  max: number;
  step?: number;
  /** Shown when the value is a standard one. */
  onKeep: (value: number) => unknown;
}): ReactElement {
  const { label, value, min, max, onKeep, step = 1 } = props;
  const [typed, setTyped] = useState<string | null>(null);
  const { trouble } = useNotices();
  const keep = (): void => {
    const said = typed;
    setTyped(null);
    if (said === null) return;
    const number = Number(said.replace(',', '.'));
    if (said.trim() === '' || !Number.isFinite(number) || number < min || number > max) {
      trouble(`${label} goes from ${min.toLocaleString('en')} to ${max.toLocaleString('en')}.`);
    } else if (number !== value) onKeep(number);
  };
  const bump = (by: number): void => {
    const from = typed === null ? value : Number(typed);
    const next = Math.min(max, Math.max(min, Math.round((from + by) / step) * step));
    if (Number.isFinite(next)) onKeep(Number(next.toFixed(3)));
    setTyped(null);
  };
  return (
    <label className="flex items-center gap-1.5">
      <span className="text-soft">{label}</span>
      <input
        inputMode="decimal"
        data-is-kept={typed === null || undefined}
        value={typed ?? String(Number(value.toFixed(2)))}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={keep}
        onKeyDown={(event) => {
          if (event.key === 'Enter') keep();
          else if (event.key === 'ArrowUp') bump(step);
          else if (event.key === 'ArrowDown') bump(-step);
          else return;
          event.preventDefault();
        }}
        className="h-7 w-[58px] rounded-[4px] border border-line bg-sheet px-1.5"
      />
    </label>
  );
}

/** A slider whose value is kept when it is let go. */
export function Slide(props: {
  label: string;
  value: number;
  min: number;
  max: number;
  step: number;
  onKeep: (value: number) => unknown;
}): ReactElement {
  const { label, value, min, max, step } = props;
  const [pulled, setPulled] = useState<number | null>(null);
  const keep = (): void => {
    if (pulled !== null && pulled !== value) props.onKeep(pulled);
    setPulled(null);
  };
  return (
    <label className="flex min-h-7 items-center gap-2">
      <span className="w-[84px] shrink-0 text-soft">{label}</span>
      <input
        type="range"
        min={min}
        max={max}
        step={step}
        value={pulled ?? value}
        onChange={(event) => setPulled(Number(event.target.value))}
        onPointerUp={keep}
        onKeyUp={keep}
        onBlur={keep}
        className="min-w-0 flex-1 accent-petrol"
      />
    </label>
  );
}

/**
 * Any colour. The browser tells of every colour passed over; kept is the one that is chosen, and shown is what was made of
 * it.
 */
export function AnyColour(props: {
  label: string;
  value: string;
  onKeep: (value: string) => unknown;
}): ReactElement {
  const input = useRef<HTMLInputElement>(null);
  const onKeep = useRef(props.onKeep);
  const [kept, setKept] = useState(0);
  useEffect(() => {
    onKeep.current = props.onKeep;
  });
  useEffect(() => {
    const field = input.current;
    const keep = (): void => {
      if (field) onKeep.current(field.value);
      setKept((before) => before + 1);
    };
    field?.addEventListener('change', keep);
    return () => field?.removeEventListener('change', keep);
  }, []);
  const shown = props.value || '#ffffff';
  useEffect(() => {
    if (input.current) input.current.value = shown;
  }, [shown, kept]);
  return (
    <input
      ref={input}
      type="color"
      aria-label={props.label}
      defaultValue={shown}
      className="h-7 w-9 rounded-[4px] border border-line bg-sheet"
    />
  );
}
