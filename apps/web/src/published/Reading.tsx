import type { PublishedDeck, ShownStep, StudentMark } from '@gobrel/core';
import { Suspense, useMemo, useState, type ReactElement } from 'react';
import { http } from '../api/http';
import { part } from '../offline/part';
import { isFramed } from '../reading/frame';
import { ReadDeck } from '../reading/ReadDeck';
import { useAddress } from '../ui/useAddress';
import { useCounted } from './useCounted';

const TakeCopy = part(() => import('./TakeCopy'));

/** A published deck as its readers walk it. */
export function Reading(props: { code: string; published: PublishedDeck }): ReactElement {
  const { code, published } = props;
  const [query, setQuery] = useAddress();
  const [walk, setWalk] = useState<readonly ShownStep[]>([]);
  useCounted(code, walk);
  const at = query.get('to');
  return (
    <ReadDeck
      edition={published.edition}
      place={useMemo(() => ({ at, onCome: (to) => setQuery({ to }) }), [at, setQuery])}
      takesAnswers={published.allowsTries}
      mark={(tried) => http.post<StudentMark>(`published/${code}/tries`, tried)}
      onWalk={setWalk}
      beside={
        published.allowsCopies &&
        !isFramed() && (
          <Suspense>
            <TakeCopy code={code} />
          </Suspense>
        )
      }
    />
  );
}
