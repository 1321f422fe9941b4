import {
  createHistory,
  DeckReader,
  gateOf,
  refusalOf,
  routeGraph,
  setOut,
  told,
  type Command,
  type Deck,
  type Gate,
  type History,
  type RouteGraph,
  type RunCommand,
  type SlideId,
  type Teacher,
} from '@gobrel/core';
import {
  createContext,
  useContext,
  useEffect,
  useMemo,
  useState,
  useSyncExternalStore,
  type ReactElement,
  type ReactNode,
} from 'react';
import { ySyncPluginKey } from 'y-prosemirror';
import type * as Y from 'yjs';
import type { OpenDocument } from '../sync/openDocument';
import { useReader } from '../sync/useDocument';
import { useNotices } from '../ui/Notice';
import { runner } from '../ui/runner';
import { settingOut, SettingOutLater, settingOutTyped } from './settingOut';

/** The open deck, for every view of the workspace. */
interface OpenDeck {
  deckId: string;
  teacher: Teacher;
  document: OpenDocument;
  doc: Y.Doc;
  deck: Deck;
  graph: RouteGraph;
  history: History;
  /** Runs a command through the gate; a refusal is told, and null comes back. */
  run: RunCommand;
  /** Sets slides out as one step, however many: the page goes on meanwhile. */
  setOutMany(slideIds: readonly SlideId[]): object | null;
  /** Why a command would be refused now: what a button asks before it offers it. */
  refusalOf: AskCommand;
  /** Whether anything may be changed at all. */
  isOpen: boolean;
}

/** The sentence of the refusal, or null when the command can be run. */
type AskCommand = <Args extends unknown[], T extends object>(
  command: Command<Args, T>,
  ...args: Args
) => string | null;

/** What a deck's things are edited with; also in a deck that is not kept, as for a question on the fly. */
type EditedDeck = Pick<OpenDeck, 'doc' | 'deck' | 'run' | 'refusalOf' | 'isOpen'>;

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
  const gate = useMemo(() => gated(doc, OWN, trouble), [doc, trouble]);
  const value = useMemo<EditedDeck>(() => ({ doc, deck, ...gate }), [doc, deck, gate]);
  return <Edited value={value}>{props.children}</Edited>;
}

/** What is not kept is one's own. */
const OWN = gateOf(['owner']);
/** A server lets people write a document or read it; who may what is its own to say. */
const GATES = { write: gateOf(['coauthor']), read: gateOf(['viewer']) };

function gated(
  doc: Y.Doc,
  gate: Gate,
  trouble: (reason: string) => void,
): Pick<OpenDeck, 'run' | 'refusalOf' | 'isOpen' | 'setOutMany'> & { later: SettingOutLater } {
  const run = runner(doc, gate, trouble);
  const later = new SettingOutLater(
    doc,
    runner(doc, gate, () => undefined),
  );
  return {
    later,
    run: settingOut(doc, run, later),
    setOutMany: (slideIds) => later.setOut(slideIds) ?? run(setOut, slideIds),
    refusalOf(command, ...args) {
      const refusal = refusalOf(gate, doc, command, ...args);
      return refusal && told(refusal);
    },
    isOpen: gate.may('deck:write'),
  };
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
  const [steps] = useState(() => createHistory(doc, [ySyncPluginKey]));
  const graph = useMemo(() => routeGraph(deck), [deck]);
  const access = useSyncExternalStore(document.subscribe, document.access);
  const gate = useMemo(() => gated(doc, GATES[access], trouble), [doc, access, trouble]);
  useEffect(() => settingOutTyped(doc, gate.run, ySyncPluginKey), [doc, gate]);
  useEffect(
    () => () => {
      // Whoever may not write any more leaves the rest as it lies.
      if (document.access() === 'write') gate.later.finish();
      else gate.later.stop();
    },
    [document, gate],
  );
  const history = useMemo<History>(() => {
    const whole = (step: () => void) => () => {
      gate.later.finish();
      step();
    };
    return { ...steps, undo: whole(steps.undo), redo: whole(steps.redo) };
  }, [steps, gate]);
  const value = useMemo<OpenDeck>(
    () => ({
      deckId,
      teacher,
      document,
      doc,
      deck,
      graph,
      history,
      ...gate,
    }),
    [deckId, teacher, document, doc, deck, graph, history, gate],
  );
  return (
    <Context value={value}>
      <Edited value={value}>{props.children}</Edited>
    </Context>
  );
}
