import {
  isPiece,
  promptIn,
  setNotes,
  type ElementId,
  type Layer,
  type Link,
  type Slide,
  asId,
  entryAt,
  type SlideId,
  titleOf,
  readsLeftward,
} from '@gobrel/core';
import type { Editor } from '@tiptap/react';
import { ListTree, Minus, Plus } from 'lucide-react';
import { useEffect, useRef, useState, type DragEvent, type ReactElement } from 'react';
import { Navigate, useLocation, useParams } from 'react-router';
import { useLinking } from '../links/Linking';
import { pastedTarget } from '../links/pastedTarget';
import { WithinDeck } from '../stage/WithinDeck';
import { Button } from '../ui/Button';
import { Centre, Main } from '../ui/Page';
import { Segments } from '../ui/Segments';
import { useNotices } from '../ui/Notice';
import { useDeck } from '../deck/DeckContext';
import { Sign } from '../ui/controls';
import { useStable } from '../ui/useStable';
import { useTyped } from '../ui/useTyped';
import { useTellHand } from '../deck/presence';
import { CommentMarks } from './CommentMarks';
import { OthersHands } from './OthersHands';
import { SlotGhosts } from './SlotGhosts';
import { EditingStage } from '../editing/EditingStage';
import type { PenLook } from '../editing/StageHands';
import { useStageView, type ViewControl } from '../editing/useStageView';
import { useStageKeys } from './stageKeys';
import { ThingList } from './ThingList';
import { Tray } from './tray/Tray';
import { TryOut } from './TryOut';
import { useRemoval } from './useRemoval';
import { useStageClipboard } from './useStageClipboard';
import { useStageEdit, type StageEdit } from '../editing/useStageEdit';
import { WayLines } from './WayLines';
import { WaysIn, WaysOut } from './Ways';

export default function SlideEditor(): ReactElement {
  const { deckId, deck } = useDeck();
  const slideId = asId<SlideId>(useParams().slideId);
  const slide = entryAt(deck.slides, slideId);
  if (slide) {
    return (
      <WithinDeck deck={deck}>
        <OpenSlide slide={slide} />
      </WithinDeck>
    );
  }
  const first = deck.startSlideId ?? Object.keys(deck.slides)[0];
  if (first && first !== slideId) return <Navigate to={`/deck/${deckId}/slide/${first}`} replace />;
  return <Centre title="No slide yet">Make the first one on the Map.</Centre>;
}

function OpenSlide({ slide }: { slide: Slide }): ReactElement {
  const { deckId, deck, graph, doc, run, isOpen } = useDeck();
  const edit = useStageEdit(slide, isOpen);
  const { tell, trouble } = useNotices();
  const linking = useLinking(slide);
  const { state, key } = useLocation() as { state: { select?: ElementId[] } | null; key: string };
  const { select } = edit;
  // Who comes from a finding meets what it is about in hand.
  useEffect(() => {
    if (state?.select?.length) select(state.select);
    // Once for each arrival, not for each change of the slide.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key]);
  useTellHand(edit.selected.map(({ id }) => id));
  const removal = useRemoval(slide, edit);
  const clipboard = useStageClipboard(slide, edit, removal.remove);
  useStageKeys({
    doc,
    slide,
    edit,
    run,
    remove: removal.remove,
    pasteInPlace: clipboard.pasteInPlace,
  });
  const [editor, setEditor] = useState<Editor | null>(null);
  const [pen, setPen] = useState<PenLook>({ colour: '', weight: 5, isMarker: false });
  const [isListed, setIsListed] = useState(false);
  const [isTrying, setIsTrying] = useState(false);
  const frame = useRef<HTMLDivElement>(null);
  const desk = useRef<HTMLDivElement>(null);
  const room = useRef<HTMLDivElement>(null);
  const stage = useRef<HTMLDivElement>(null);
  const ways = useRef<HTMLElement>(null);
  const control = useStageView(room, 36);
  const links = graph.waysOut.get(slide.id) ?? NO_LINKS;
  const [one, ...more] = edit.selected;

  /** The common key for links: for the marked words, for what is selected, or a new way out. */
  const onLinkKey = useStable((event: KeyboardEvent): void => {
    if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'k') return;
    const at = event.target instanceof Element ? event.target : null;
    if (at?.closest('[role=dialog], input, textarea')) return;
    event.preventDefault();
    event.stopPropagation();
    if (edit.typing && editor) {
      if (!editor.state.selection.empty) {
        linking.ask({ kind: 'words', elementId: edit.typing, editor });
      } else tell('Mark the words that shall lead somewhere first.');
    } else if (one && more.length === 0 && one.kind !== 'question') {
      linking.ask({ kind: 'element', elementId: one.id });
    } else if (one?.kind === 'question') tell('A question carries ways out on its options.');
    else if (one) tell('Pick one thing, or make a group of them: one thing carries a way out.');
    else linking.ask({ kind: 'new' });
  });
  /** An address that is pasted on something makes it lead there. */
  const onPaste = useStable((event: ClipboardEvent): void => {
    const at = event.target instanceof Element ? event.target : null;
    const inField = at?.closest('input, textarea, [role=dialog]');
    const marksWords = editor !== null && !editor.state.selection.empty;
    if (inField || !one || more.length > 0 || (edit.typing && !marksWords)) return;
    const target = pastedTarget(event.clipboardData?.getData('text/plain') ?? '', deckId, deck);
    if (!target) return;
    event.preventDefault();
    event.stopPropagation();
    linking.lead(
      edit.typing && editor
        ? { kind: 'words', elementId: edit.typing, editor }
        : { kind: 'element', elementId: one.id },
      target,
    );
  });

  // Wherever the focus is, also nowhere.
  useEffect(() => {
    window.addEventListener('keydown', onLinkKey, true);
    return () => window.removeEventListener('keydown', onLinkKey, true);
  }, [onLinkKey]);
  useEffect(() => {
    window.addEventListener('paste', onPaste, true);
    return () => window.removeEventListener('paste', onPaste, true);
  }, [onPaste]);

  const onDrop = (event: DragEvent): void => {
    event.preventDefault();
    const entries = [...event.dataTransfer.items].map((item) => item.webkitGetAsEntry?.() ?? null);
    const folder = entries.find((entry) => entry?.isDirectory);
    if (folder) {
      trouble(`“${folder.name}” is a folder: open it and drop the files themselves.`);
      return;
    }
    const files = [...event.dataTransfer.files];
    if (files.length > 0) void clipboard.takeFiles(files);
  };

  return (
    <Main title={`Slide: ${titleOf(slide)}`} className="flex h-full flex-col">
      <div
        ref={frame}
        // Ways lead on to where reading goes, as on the map.
        className={`relative flex min-h-0 flex-1 ${readsLeftward(deck) ? 'flex-row-reverse' : ''}`}
      >
        <WaysIn slide={slide} />
        <div className="flex min-w-0 flex-1 flex-col border-x border-line bg-sand">
          <div className="flex h-[46px] shrink-0 items-center gap-1.5 px-3">
            <LayerSwitch edit={edit} />
            <Sign
              icon={ListTree}
              label="Things on this slide"
              isOn={isListed}
              onClick={() => setIsListed(!isListed)}
            />
            {slide.elements.some(isPiece) && (
              <Button
                size="small"
                look={isTrying ? 'main' : 'quiet'}
                aria-pressed={isTrying}
                onClick={() => setIsTrying(!isTrying)}
              >
                Try it out
              </Button>
            )}
            <Zoom control={control} />
          </div>
          <div
            ref={room}
            className="relative min-h-0 flex-1"
            onDragOver={(event) => event.preventDefault()}
            onDrop={onDrop}
          >
            {isTrying ? (
              <TryOut
                key={slide.id}
                slide={slide}
                theme={deck.theme}
                links={links}
                view={control.view}
                onDone={() => setIsTrying(false)}
              />
            ) : (
              <EditingStage
                key={slide.id}
                doc={doc}
                slide={slide}
                links={links}
                desk={desk}
                stage={stage}
                control={control}
                edit={edit}
                pen={pen}
                run={run}
                isLookedAt={!isOpen}
                theme={deck.theme}
                onEditor={setEditor}
                onRemove={removal.remove}
                promptOf={({ slot }) => promptIn(deck, slide, slot)}
              >
                <SlotGhosts slide={slide} edit={edit} scale={control.view.scale} />
                <OthersHands slide={slide} scale={control.view.scale} />
                <CommentMarks slide={slide} scale={control.view.scale} />
              </EditingStage>
            )}
            {isListed && <ThingList slide={slide} edit={edit} onClose={() => setIsListed(false)} />}
          </div>
        </div>
        <WaysOut ref={ways} slide={slide} linking={linking} />
        {!isTrying && (
          <WayLines
            slide={slide}
            links={links}
            frame={frame}
            stage={stage}
            ways={ways}
            room={room}
            view={control.view}
          />
        )}
      </div>
      <Notes key={slide.id} slide={slide} />
      <Tray
        slide={slide}
        edit={edit}
        editor={editor}
        linking={linking}
        pen={pen}
        onPen={setPen}
        onPasteInPlace={clipboard.hasClip ? clipboard.pasteInPlace : null}
        onRemove={removal.remove}
      />
      {linking.picker}
      {removal.question}
    </Main>
  );
}

const NO_LINKS: readonly Link[] = [];

/** How large the stage is shown; pressing the number shows all of it. */
function Zoom({ control }: { control: ViewControl }): ReactElement {
  const { view, isFitted, fit, zoomBy, zoomTo } = control;
  return (
    <span className="ml-auto flex items-center text-[13px] text-soft">
      <Sign icon={Minus} label="Smaller" onClick={() => zoomBy(0.8)} />
      <button
        type="button"
        title={isFitted ? 'As large as it is projected' : 'All of the stage'}
        aria-label={`Zoom ${Math.round(view.scale * 100)} %: ${isFitted ? 'show at 100 %' : 'show all of the stage'}`}
        onClick={() => (isFitted ? zoomTo(1) : fit())}
        className="min-h-7 min-w-[48px] rounded-[4px] hover:bg-sheet"
      >
        {Math.round(view.scale * 100)} %
      </button>
      <Sign icon={Plus} label="Larger" onClick={() => zoomBy(1.25)} />
    </span>
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

/** For the teacher only; students never get them. */
function Notes({ slide }: { slide: Slide }): ReactElement {
  const { run, isOpen } = useDeck();
  const line = useTyped(slide.notes, (notes) => run(setNotes, slide.id, notes));
  return (
    <label className="flex shrink-0 items-center gap-2 border-t border-line px-5 py-1 text-[13px] text-soft">
      Notes for you
      <input
        {...line}
        readOnly={!isOpen}
        placeholder="Students never see these"
        className="h-7 flex-1 rounded-[4px] border border-transparent bg-transparent px-2 text-ink hover:border-line focus:bg-sheet"
      />
    </label>
  );
}
