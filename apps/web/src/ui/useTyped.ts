import { typed as typedInto } from '@gobrel/core';
import { useId, useRef, useState, type KeyboardEvent } from 'react';

/**
 * A line that is kept with every keystroke, so that closing the page loses nothing. What is on the screen is what was
 * typed, also where the command keeps it a little differently (without blanks at its end). Escape brings back what was
 * there before; what may not be kept (`isFit` says so) is told when the line is left.
 */
export function useTyped(
  value: string,
  onKeep: (text: string) => unknown,
  isFit: (text: string) => boolean = () => true,
): {
  value: string;
  onChange: (event: { target: { value: string } }) => void;
  onBlur: () => void;
  onKeyDown: (event: KeyboardEvent<HTMLInputElement | HTMLTextAreaElement>) => void;
} {
  const field = useId();
  const visits = useRef(0);
  const before = useRef(value);
  const [typed, setTyped] = useState<string | null>(null);
  const keep = (text: string): void => {
    if (typed === null) {
      before.current = value;
      visits.current++;
    }
    setTyped(text);
    if (isFit(text)) typedInto(`${field}${visits.current}`, () => onKeep(text));
  };
  const leave = (): void => {
    if (typed !== null && !isFit(typed)) onKeep(typed);
    setTyped(null);
  };
  return {
    value: typed ?? value,
    onChange: (event) => keep(event.target.value),
    onBlur: leave,
    onKeyDown: (event) => {
      if (event.key === 'Enter' && event.currentTarget instanceof HTMLInputElement) {
        event.currentTarget.blur();
      }
      if (event.key !== 'Escape' || typed === null) return;
      // Only what was typed goes; what the line stands in stays open.
      event.stopPropagation();
      keep(before.current);
      setTyped(null);
    },
  };
}

/** For names: something has to stand there. */
export const isNamed = (text: string): boolean => text.trim() !== '';
