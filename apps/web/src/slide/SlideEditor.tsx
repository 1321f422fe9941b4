import { setNotes, STAGE, type ElementId, type Layer, type Slide } from '@gobrel/core';
import type { Editor } from '@tiptap/react';
import { Redo2, Undo2 } from 'lucide-react';
import {
  useEffect,
  useRef,
  useState,
  useSyncExternalStore,
  type ClipboardEvent,
  type KeyboardEvent,
  type ReactElement,
} from 'react';
import { Navigate, useLocation, useParams } from 'react-router';
import { useLinking } from '../links/Linking';
import { pastedTarget } from '../links/pastedTarget';
import { Button } from '../ui/Button';
import { Centre } from '../ui/Page';
import { Segments } from '../ui/Segments';
import { useSize } from '../ui/useSize';
import { useDeck } from '../workspace/DeckContext';
import { EditingStage } from './EditingStage';
import { Tray } from './Tray';
import { useRemoval } from './useRemoval';
import { useStageEdit, type StageEdit } from './useStageEdit';
import { WayLines } from './WayLines';
import { WaysIn, WaysOut } from './Ways';

export default function SlideEditor(): ReactElement {
  const { deckId, deck } = useDeck();
  const { slideId } = useParams();
  const slide = slideId ? deck.slides[slideId] : undefined;
  if (slide) return <OpenSlide slide={slide} />;
  const first = deck.startSlideId ?? Object.keys(deck.slides)[0];
  if (first && first !== slideId) return <Navigate to={`/deck/${deckId}/slide/${first}`} replace />;
  return <Centre title="No slide yet">Make the first one on the Map.</Centre>;
}

function OpenSlide({ slide }: { slide: Slide }): ReactElement {
  const { deckId, deck, graph, doc, run } = useDeck();
  const edit = useStageEdit(slide);
  const linking = useLinking(slide);
  const { state, key } = useLocation() as { state: { select?: ElementId[] } | null; key: string };
  const { select } = edit;
  // Who comes from a finding meets what it is about in hand.
  useEffect(() => {
    if (state?.select?.length) select(state.select);
    // Once for each arrival, not for each change of the slide.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key]);
  const removal = useRemoval(slide, edit);
  const [editor, setEditor] = useState<Editor | null>(null);
  const frame = useRef<HTMLDivElement>(null);
  const desk = useRef<HTMLDivElement>(null);
  const stage = useRef<HTMLDivElement>(null);
  const ways = useRef<HTMLElement>(null);
  const space = useSize(desk);
  const width = Math.max(
    240,
    Math.floor(Math.min(space.width - 48, ((space.height - 76) * STAGE.width) / STAGE.height)),
  );
  const links = graph.waysOut.get(slide.id) ?? [];
  const [one, ...more] = edit.selected;
  const isWords = editor !== null && !editor.state.selection.empty;

  /** The common key for links: for the marked words, for what is selected, or a new way out. */
  const onKeyDown = (event: KeyboardEvent): void => {
    if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'k') return;
    event.preventDefault();
    event.stopPropagation();
    if (edit.typing && editor) {
      if (isWords) linking.ask({ kind: 'words', elementId: edit.typing, editor });
    } else if (one && more.length === 0 && one.kind !== 'question') {
      linking.ask({ kind: 'element', elementId: one.id });
    } else if (!one) linking.ask({ kind: 'new' });
  };
  /** An address that is pasted on something makes it lead there. */
  const onPaste = (event: ClipboardEvent): void => {
    const inField = (event.target as HTMLElement).closest('input, textarea');
    if (inField || !one || more.length > 0 || (edit.typing && !isWords)) return;
    const target = pastedTarget(event.clipboardData.getData('text/plain'), deckId, deck);
    if (!target) return;
    event.preventDefault();
    event.stopPropagation();
    linking.lead(
      edit.typing && editor
        ? { kind: 'words', elementId: edit.typing, editor }
        : { kind: 'element', elementId: one.id },
      target,
    );
  };

  return (
    <div className="flex h-full flex-col" onKeyDownCapture={onKeyDown} onPasteCapture={onPaste}>
      <div ref={frame} className="relative flex min-h-0 flex-1">
        <WaysIn slide={slide} />
        <div ref={desk} className="min-w-0 flex-1 overflow-hidden border-x border-line bg-sand">
          <div className="mx-auto flex h-[52px] items-center" style={{ width }}>
            <LayerSwitch edit={edit} />
            <UndoRedo />
            <span className="ml-auto text-[13px] text-soft">
              {Math.round((width / STAGE.width) * 100)} %
            </span>
          </div>
          <div ref={stage} className="mx-auto border border-line" style={{ width: width + 2 }}>
            {space.width > 0 && (
              <EditingStage
                doc={doc}
                slide={slide}
                theme={deck.theme}
                links={links}
                width={width}
                edit={edit}
                run={run}
                onEditor={setEditor}
                onRemove={removal.remove}
              />
            )}
          </div>
        </div>
        <WaysOut ref={ways} slide={slide} linking={linking} />
        <WayLines slide={slide} links={links} frame={frame} stage={stage} ways={ways} />
      </div>
      <Notes key={slide.id} slide={slide} />
      <Tray {...{ slide, edit, editor, linking }} onRemove={removal.remove} />
      {linking.picker}
      {removal.question}
    </div>
  );
}

function LayerSwitch({ edit }: { edit: StageEdit }): ReactElement {
  return (
    <Segments<Layer>
      label="Layer"
      value={edit.layer}
      onChange={edit.setLayer}
      options={[
        {
          value: 'background',
          label: edit.layer === 'background' ? 'Background' : 'Background · locked',
        },
        { value: 'content', label: 'Content' },
        { value: 'pieces', label: 'Pieces' },
      ]}
    />
  );
}

function UndoRedo(): ReactElement {
  const { history } = useDeck();
  const state = useSyncExternalStore(
    history.subscribe,
    () => `${history.canUndo()} ${history.canRedo()}`,
  );
  const [canUndo, canRedo] = state.split(' ').map((word) => word === 'true');
  return (
    <span className="ml-3 flex">
      <Button
        look="quiet"
        size="small"
        aria-label="Undo"
        title="Undo (Ctrl+Z)"
        disabled={!canUndo}
        onClick={history.undo}
      >
        <Undo2 size={17} />
      </Button>
      <Button
        look="quiet"
        size="small"
        aria-label="Redo"
        title="Redo (Ctrl+Y)"
        disabled={!canRedo}
        onClick={history.redo}
      >
        <Redo2 size={17} />
      </Button>
    </span>
  );
}

/** For the teacher only; students never get them. */
function Notes({ slide }: { slide: Slide }): ReactElement {
  const { doc, run } = useDeck();
  const [typed, setTyped] = useState<string | null>(null);
  return (
    <label className="flex shrink-0 items-center gap-2 border-t border-line px-5 py-1 text-[13px] text-soft">
      Notes for you
      <input
        value={typed ?? slide.notes}
        placeholder="Students never see these"
        onChange={(event) => setTyped(event.target.value)}
        onBlur={() => {
          if (typed !== null && typed !== slide.notes) run(setNotes(doc, slide.id, typed));
          setTyped(null);
        }}
        className="h-7 flex-1 rounded-[4px] border border-transparent bg-transparent px-2 text-ink hover:border-line focus:bg-sheet"
      />
    </label>
  );
}
