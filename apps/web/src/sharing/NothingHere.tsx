import type { ReactElement } from 'react';
import { Link } from 'react-router';
import { sentenceOf } from '../api/http';
import { Centre } from '../ui/Page';

/** An address out of a letter that is good no more, with a way on. */
export const NothingHere = (props: { title: string; error: Error }): ReactElement => (
  <Centre title={props.title}>
    <p>{sentenceOf(props.error)}</p>
    <p className="mt-3">
      <Link
        to="/"
        className="inline-flex min-h-8 items-center text-petrol underline underline-offset-4"
      >
        To your decks
      </Link>
    </p>
  </Centre>
);
