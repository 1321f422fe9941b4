import type { AtAddress, PublishedDeck } from '@gobrel/core';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, type ReactElement } from 'react';
import { useParams } from 'react-router';
import { ApiProblem, http, isRefusal, sentenceOf } from '../api/http';
import { Button } from '../ui/Button';
import { Centre } from '../ui/Page';
import { part } from '../offline/part';
import { Reading } from './Reading';

// Few decks ask for one.
const PassWord = part(() => import('./PassWord'));

/** Milliseconds between two looks whether the deck is still published, and which edition. */
const LOOK = 5000;

/** A published deck, for whoever has its address: without an account, without a name. */
export default function PublishedPage(): ReactElement {
  const { code = '' } = useParams();
  const queries = useQueryClient();
  const found = useQuery({
    queryKey: ['published', code],
    queryFn: () => http.get<AtAddress>(`published/${code}`),
    retry: (tries, error) => !isRefusal(error) && tries < 2,
    staleTime: Infinity,
  });
  const deck: PublishedDeck | null = found.data?.needsPass === false ? found.data : null;
  const now = useQuery({
    queryKey: ['published', code, 'version'],
    queryFn: () => http.get<{ version: string }>(`published/${code}/version`),
    enabled: deck !== null,
    retry: false,
    refetchInterval: LOOK,
    refetchIntervalInBackground: true,
  });
  // Another edition, or none any more, or a pass word by now. Without a network the deck stays as it is.
  // Only what was heard after the deck came says something of it.
  const isOther =
    deck !== null && now.dataUpdatedAt > found.dataUpdatedAt && now.data?.version !== deck.version;
  const isRefused =
    deck !== null && now.errorUpdatedAt > found.dataUpdatedAt && isRefusal(now.error);
  useEffect(() => {
    if (isOther || isRefused)
      void queries.resetQueries({ queryKey: ['published', code], exact: true });
  }, [isOther, isRefused, queries, code]);
  if (found.error) {
    const isGone = found.error instanceof ApiProblem && [404, 410].includes(found.error.status);
    return (
      <Centre title={isGone ? 'No deck here' : 'No answer'}>
        <p className="mb-4">{sentenceOf(found.error)}</p>
        {!isGone && <Button onClick={() => void found.refetch()}>Try again</Button>}
      </Centre>
    );
  }
  if (found.data?.needsPass) {
    return (
      <PassWord
        code={code}
        onTold={() => void queries.resetQueries({ queryKey: ['published', code] })}
      />
    );
  }
  if (!deck) return <Centre>Opening …</Centre>;
  return <Reading key={deck.version} code={code} published={deck} />;
}
