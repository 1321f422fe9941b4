import type { ReactElement, ReactNode } from 'react';
import { Link } from 'react-router';
import { Centre } from './Page';

/** In place of what a teacher may not open, with the way to what is theirs. */
export function NotYours({ children }: { children: ReactNode }): ReactElement {
  return (
    <Centre title="Not yours to open">
      <p>{children}</p>
      <Link to="/" className="mt-3 inline-block min-h-8 font-semibold text-petrol underline">
        To your decks
      </Link>
    </Centre>
  );
}
