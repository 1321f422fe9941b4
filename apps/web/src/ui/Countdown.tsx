import { useEffect, useState, type ReactElement } from 'react';
import { serverNow } from '../api/clock';

/** Minutes and seconds until a time by the server's clock; 0:00 from then on. */
export function Countdown({
  endsAt,
  className,
}: {
  endsAt: number;
  className?: string;
}): ReactElement {
  const [left, setLeft] = useState(() => endsAt - serverNow());
  useEffect(() => {
    const tick = (): void => setLeft(endsAt - serverNow());
    tick();
    const timer = setInterval(tick, 250);
    return () => clearInterval(timer);
  }, [endsAt]);
  const seconds = Math.max(0, Math.ceil(left / 1000));
  const shown = `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;
  return (
    <span role="timer" aria-label={`${shown} left`} className={className}>
      {shown}
    </span>
  );
}
