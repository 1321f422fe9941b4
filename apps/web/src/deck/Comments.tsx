import {
  COMMENTED,
  type DeckComment,
  type DeckComments,
  type ElementId,
  type SlideId,
} from '@gobrel/core';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import {
  createContext,
  useContext,
  useEffect,
  useMemo,
  useState,
  type ReactElement,
  type ReactNode,
} from 'react';
import { http, isRefusal } from '../api/http';
import { useDeck } from './DeckContext';

/** A comment with its answers. */
export interface Thread {
  first: DeckComment;
  answers: DeckComment[];
}

interface Comments {
  threads: readonly Thread[];
  people: DeckComments['people'];
  /** False for those who only look. */
  mayComment: boolean;
  isOpen: boolean;
  open: (isOpen: boolean) => void;
}

const Context = createContext<Comments>({
  threads: [],
  people: [],
  mayComment: false,
  isOpen: false,
  open: () => undefined,
});
export const useComments = (): Comments => useContext(Context);

/** Milliseconds after which comments are asked for that nobody has told us of. */
const LOOK = 30_000;

/** What is said to the deck, for every view of it. */
export function CommentsProvider(props: {
  isOpenAtFirst: boolean;
  children: ReactNode;
}): ReactElement {
  const { deckId, document, isOpen: mayBuild } = useDeck();
  const queries = useQueryClient();
  const [isOpen, open] = useState(props.isOpenAtFirst);
  const found = useQuery({
    // Whose role has changed asks anew, and sees nothing that was for the role before.
    queryKey: ['comments', deckId, mayBuild],
    queryFn: () => http.get<DeckComments>(`decks/${deckId}/comments`),
    retry: false,
    refetchInterval: LOOK,
  });
  useEffect(
    () =>
      document.onTold((message) => {
        if (message === COMMENTED)
          void queries.invalidateQueries({ queryKey: ['comments', deckId] });
      }),
    [document, queries, deckId],
  );
  const data = isRefusal(found.error) ? undefined : found.data;
  const comments = useMemo(
    () => ({
      threads: threadsOf(data?.comments ?? []),
      people: data?.people ?? [],
      mayComment: data !== undefined,
      isOpen: isOpen && data !== undefined,
      open,
    }),
    [data, isOpen],
  );
  return <Context value={comments}>{props.children}</Context>;
}

function threadsOf(comments: readonly DeckComment[]): Thread[] {
  const threads = new Map<string, Thread>();
  for (const first of comments) if (!first.underId) threads.set(first.id, { first, answers: [] });
  for (const answer of comments) {
    if (answer.underId) threads.get(answer.underId)?.answers.push(answer);
  }
  return [...threads.values()];
}

/** How many threads of a slide are not done yet, by the thing that they are about. */
export function useOpenOn(slideId: SlideId): ReadonlyMap<ElementId | null, number> {
  const { threads } = useComments();
  return useMemo(() => {
    const counts = new Map<ElementId | null, number>();
    for (const { first } of threads) {
      if (first.slideId !== slideId || first.doneAt) continue;
      counts.set(first.elementId, (counts.get(first.elementId) ?? 0) + 1);
    }
    return counts;
  }, [threads, slideId]);
}

/** A quiet mark with how many threads there are; pressed it opens them. */
export function CommentMark(props: { count: number; about: string; size?: number }): ReactElement {
  const { count, about, size = 24 } = props;
  const { open } = useComments();
  return (
    <button
      type="button"
      aria-label={`${count === 1 ? 'A comment' : `${count} comments`} on ${about}`}
      onPointerDown={(event) => event.stopPropagation()}
      onClick={(event) => {
        event.stopPropagation();
        open(true);
      }}
      className="pointer-events-auto grid place-items-center rounded-full rounded-bl-none border border-brass bg-brass-mist font-bold text-brass-deep"
      style={{ width: size, height: size, fontSize: size / 2 }}
    >
      {count}
    </button>
  );
}
