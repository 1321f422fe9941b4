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

/** What a deck's things are edited with; also in a deck that is not kept, as for a question on the fly. */
type EditedDeck = Pick<OpenDeck, 'doc' | 'deck' | 'run'>;

const Context = createContext<OpenDeck | null>(null);
const Edited = createContext<EditedDeck | null>(null);

export function useDeck(): OpenDeck {
  const deck = useContext(Context);
  if (!deck) throw new Error('no DeckProvider');
  return deck;
}

export function useEditedDeck(): EditedDeck {
  const deck = useContext(Edited);
  if (!deck) throw new Error('no deck to edit');
  return deck;
}

/** For what edits the things of a deck that only this component knows. */
export function EditedDeckProvider(props: { doc: Y.Doc; children: ReactNode }): ReactElement {
  const { doc } = props;
  const { trouble } = useNotices();
  const deck = useReader(doc, (doc) => new DeckReader(doc));
  const value = useMemo<EditedDeck>(
    () => ({ doc, deck, run: teller(trouble) }),
    [doc, deck, trouble],
  );
  return <Edited value={value}>{props.children}</Edited>;
}

/** Runs a command; a refusal is told. */
const teller =
  (trouble: (reason: string) => void): OpenDeck['run'] =>
  (result) => {
    if (result.ok) return result;
    trouble(result.reason);
    return null;
  };

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
      run: teller(trouble),
    }),
    [deckId, teacher, document, doc, deck, graph, history, trouble],
  );
  return (
    <Context value={value}>
      <Edited value={value}>{props.children}</Edited>
    </Context>
  );
}
