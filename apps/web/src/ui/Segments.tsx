import { ToggleGroup } from 'radix-ui';
import type { ReactElement } from 'react';

/** One of a few, side by side. */
export function Segments<T extends string>(props: {
  label: string;
  value: T;
  options: readonly { value: T; label: string; disabled?: boolean }[];
  onChange: (value: T) => void;
}): ReactElement {
  return (
    <ToggleGroup.Root
      type="single"
      aria-label={props.label}
      value={props.value}
      onValueChange={(value) => value && props.onChange(value as T)}
      className="inline-flex w-fit rounded-[6px] border border-line bg-sheet p-0.5"
    >
      {props.options.map((option) => (
        <ToggleGroup.Item
          key={option.value}
          value={option.value}
          disabled={option.disabled}
          className="min-h-7 rounded-[4px] px-3 text-[13px] text-soft hover:text-ink data-[state=on]:bg-petrol-mist data-[state=on]:font-semibold data-[state=on]:text-petrol disabled:opacity-50"
        >
          {option.label}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  );
}
