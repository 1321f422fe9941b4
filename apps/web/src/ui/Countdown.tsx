import { useEffect, useState, type ReactElement } from 'react';
import { serverNow } from '../api/clock';

/** How long it is said that time is up, in milliseconds. */
const SAID_FOR = 60_000;

/** What a timer says by the server's clock: minutes and seconds, for a while that time is up, then nothing. */
export function useTimer(endsAt: number | null | undefined): string | null {
  const [said, setSaid] = useState(() => timerSays(endsAt));
  useEffect(() => {
    const tick = (): void => setSaid(timerSays(endsAt));
    tick();
    if (timerSays(endsAt) === null) return;
    const timer = setInterval(tick, 250);
    return () => clearInterval(timer);
  }, [endsAt]);
  return said;
}

function timerSays(endsAt: number | null | undefined): string | null {
  if (!endsAt) return null;
  const left = endsAt - serverNow();
  if (left <= 0) return left > -SAID_FOR ? 'Time is up' : null;
  const seconds = Math.ceil(left / 1000);
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;
}

/** A timer where it runs. */
export function Countdown(props: { said: string; className?: string }): ReactElement {
  return (
    <span role="timer" aria-label={`Timer: ${props.said}`} className={props.className}>
      {props.said}
    </span>
  );
}
