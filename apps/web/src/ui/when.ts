/** When something was, as one would say it: today, a weekday within the week, otherwise the date. */
export function when(iso: string, now = new Date()): string {
  const then = new Date(iso);
  const days = Math.floor((startOfDay(now) - startOfDay(then)) / 86_400_000);
  if (days <= 0) return 'today';
  if (days === 1) return 'yesterday';
  if (days < 7) return then.toLocaleDateString('en-GB', { weekday: 'long' });
  return then.toLocaleDateString('en-GB', {
    day: 'numeric',
    month: 'long',
    ...(then.getFullYear() === now.getFullYear() ? {} : { year: 'numeric' }),
  });
}

/** The day and the time, in the reader's own zone. */
export const whenAt = (iso: string, now = new Date()): string =>
  `${when(iso, now)}, ${new Date(iso).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })}`;

/** When something to come is: today, tomorrow, a weekday, otherwise the date; with its time. */
export function comesAt(iso: string, now = new Date()): string {
  const then = new Date(iso);
  const days = Math.round((startOfDay(then) - startOfDay(now)) / 86_400_000);
  const day =
    days <= 0
      ? 'today'
      : days === 1
        ? 'tomorrow'
        : then.toLocaleDateString(
            'en-GB',
            days < 7 ? { weekday: 'long' } : { day: 'numeric', month: 'long' },
          );
  return `${day}, ${then.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })}`;
}

const startOfDay = (date: Date): number =>
  new Date(date.getFullYear(), date.getMonth(), date.getDate()).getTime();

export function count(number: number, one: string, many = `${one}s`): string {
  return `${number} ${number === 1 ? one : many}`;
}

/** What the browser’s field for date and time says, as ISO 8601; null when it is empty. */
export const fromLocal = (local: string): string | null =>
  local ? new Date(local).toISOString() : null;

/** As the browser's field for date and time has it: local, to the minute. */
export function toLocal(iso: string | null): string {
  if (!iso) return '';
  const date = new Date(iso);
  return new Date(date.getTime() - date.getTimezoneOffset() * 60_000).toISOString().slice(0, 16);
}
