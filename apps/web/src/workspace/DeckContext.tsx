import {
  createHistory,
  DeckReader,
  routeGraph,
  type Deck,
  type History,
  type Result,
  type RouteGraph,
} from '@gobrel/core';
import {
  createContext,
  useContext,
  useMemo,
  useState,
  type ReactElement,
  type ReactNode,
} from 'react';
import { ySyncPluginKey } from 'y-prosemirror';
import type * as Y from 'yjs';
import type { Teacher } from '../api/teacher';
import type { OpenDocument } from '../sync/openDocument';
import { useReader } from '../sync/useDocument';
import { useNotices } from '../ui/Notice';

/** The open deck, for every view of the workspace. */
interface OpenDeck {
  deckId: string;
  teacher: Teacher;
  document: OpenDocument;
  doc: Y.Doc;
  deck: Deck;
  graph: RouteGraph;
  history: History;
  /** Runs a command; a refusal is told, and null comes back. */
  run<T extends object>(result: Result<T>): T | null;
}

const Context = createContext<OpenDeck | null>(null);

export function useDeck(): OpenDeck {
  const deck = useContext(Context);
  if (!deck) throw new Error('no DeckProvider');
  return deck;
}

export function DeckProvider(props: {
  deckId: string;
  teacher: Teacher;
  document: OpenDocument;
  children: ReactNode;
}): ReactElement {
  const { deckId, teacher, document } = props;
  const { doc } = document;
  const { trouble } = useNotices();
  const deck = useReader(doc, (doc) => new DeckReader(doc));
  const [history] = useState(() => createHistory(doc, [ySyncPluginKey]));
  const graph = useMemo(() => routeGraph(deck), [deck]);
  const value = useMemo<OpenDeck>(
    () => ({
      deckId,
      teacher,
      document,
      doc,
      deck,
      graph,
      history,
      run(result) {
        if (result.ok) return result;
        trouble(result.reason);
        return null;
      },
    }),
    [deckId, teacher, document, doc, deck, graph, history, trouble],
  );
  return <Context value={value}>{props.children}</Context>;
}
