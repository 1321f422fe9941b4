import { useEffect, useRef, useState } from 'react';

/** After a pause of so many milliseconds in typing what is written is handed on. */
const PAUSE = 600;

/** A line that is typed: shown at once, handed on after a pause, when the field is left, or when the slide is. */
export function useTypedAnswer(
  kept: string,
  onKeep: (text: string) => void,
): { text: string; type: (text: string) => void; keep: () => void } {
  const [typed, setTyped] = useState<string | null>(null);
  const keep = (): void => {
    if (typed !== null && typed !== kept) onKeep(typed);
  };
  const latest = useRef(keep);
  useEffect(() => {
    latest.current = keep;
  });
  useEffect(() => {
    if (typed === null) return;
    const timer = setTimeout(() => latest.current(), PAUSE);
    return () => clearTimeout(timer);
  }, [typed]);
  useEffect(() => () => latest.current(), []);
  return { text: typed ?? kept, type: setTyped, keep };
}
