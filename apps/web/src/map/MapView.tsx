import {
  addStop,
  CARD,
  findSlides,
  linkSlides,
  moveCards,
  rewordLink,
  type Link,
  type LinkId,
  type Section,
  type SlideId,
  type TrailId,
  type Walks,
  idOf,
  sectionPath,
} from '@gobrel/core';
import { useQuery } from '@tanstack/react-query';
import {
  ReactFlow,
  ReactFlowProvider,
  SelectionMode,
  useReactFlow,
  type Connection,
  type FinalConnectionState,
  type NodeChange,
} from '@xyflow/react';
import '@xyflow/react/dist/style.css';
import {
  useCallback,
  useDeferredValue,
  useEffect,
  useMemo,
  useRef,
  useState,
  type KeyboardEvent,
  type MouseEvent as ReactMouseEvent,
  type ReactElement,
} from 'react';
import { http } from '../api/http';
import { useCheck } from '../deck/CheckProvider';
import { Main } from '../ui/Page';
import { useNotices } from '../ui/Notice';
import { useStable } from '../ui/useStable';
import { useSeenDeck } from '../cards/useSeenDeck';
import { useDeck } from '../deck/DeckContext';
import { cardAt, cardsMoved, sectionUnder } from './cardMoves';
import { MapDoing, NODE_TYPES, type MapNode } from './cards';
import { carrierWords } from './CutDialog';
import { DotGrid } from '../cards/DotGrid';
import { FarMark } from './FarMark';
import { MapBar, type Prompt } from './MapBar';
import { MapDialogs, type MapDialog } from './MapDialogs';
import { onMapKey } from './mapKeys';
import { useMapSettings } from './mapSettings';
import { MapTools } from './MapTools';
import { CommentsHere } from './CommentsHere';
import { OthersHere } from './OthersHere';
import { PlanPanel } from './PlanPanel';
import { useFolding } from './useFolding';
import { NOTHING, onlyCards, onlyLink, slidesIn, type MapSelection } from './selection';
import { SmallMap } from './SmallMap';
import { TrailLines } from './TrailLines';
import { TrailsPanel } from './TrailsPanel';
import { FARTHEST, useMapMoves, WHOLE_MAP } from './useMapMoves';
import { useMapActions } from './useMapActions';
import { useMapElements } from './useMapElements';
import { useTidy } from './useTidy';
import { useWireHands } from './useWireHands';
import { WireLayer } from '../cards/WireLayer';

const OTHER_BUTTONS = [1, 2];
const PLAIN = { hideAttribution: true };

export default function MapView(): ReactElement {
  return (
    <ReactFlowProvider>
      <DeckMap />
    </ReactFlowProvider>
  );
}

/** With these held one more card is taken in hand, as on the stage. */
const MORE_KEYS = ['Shift', 'Meta', 'Control'];

function DeckMap(): ReactElement {
  const { deckId, graph, run, isOpen } = useDeck();
  const { deck, isLeftward, inDeck } = useSeenDeck();
  const { report, bySlide } = useCheck();
  const notices = useNotices();
  const flow = useReactFlow<MapNode>();
  const frame = useRef<HTMLDivElement>(null);
  const findField = useRef<HTMLInputElement>(null);
  const [settings, setSettings] = useMapSettings(deckId, isLeftward);
  const [selection, setSelection] = useState<MapSelection>(() =>
    deck.startSlideId ? onlyCards([deck.startSlideId]) : NOTHING,
  );
  const [moving, setMoving] = useState<Record<string, { x: number; y: number }>>({});
  const [prompt, setPrompt] = useState<Prompt | null>(null);
  const [rewording, setRewording] = useState<LinkId | null>(null);
  const [dialog, setDialog] = useState<MapDialog | null>(null);
  const [sought, setSought] = useState('');
  const [isSelecting, setIsSelecting] = useState(false);
  const [trailId, setTrailId] = useState<TrailId | null>(deck.defaultTrailId);
  const [isClicking, setIsClicking] = useState(false);
  const [linkingFrom, setLinkingFrom] = useState<SlideId | null>(null);
  const walks = useQuery({
    queryKey: ['walks', deckId],
    queryFn: () => http.get<Walks>(`decks/${deckId}/walks`),
    enabled: settings.overlay === 'walks',
  });

  const { regions, fold } = useFolding();
  // What was in hand may have been taken out since, by an undo or by somebody else.
  const slideIds = useMemo(
    () => slidesIn(selection, regions).filter((id) => deck.slides[id]),
    [selection, regions, deck.slides],
  );
  const slides = slideIds.map((id) => deck.slides[id]!);
  const link: Link | undefined = selection.linkId ? deck.links[selection.linkId] : undefined;
  const deferred = useDeferredValue(sought);
  const found = useMemo(
    () =>
      deferred.trim() === ''
        ? null
        : new Set(findSlides(deck, graph, deferred).map(({ slideId }) => slideId)),
    [deck, graph, deferred],
  );

  const focusMap = useCallback(() => frame.current?.focus(), []);
  const moves = useMapMoves(frame);
  const onReword = useCallback(
    (linkId: LinkId, wording: string | null) => {
      if (wording !== null) return void run(rewordLink, linkId, wording);
      setRewording(null);
      focusMap();
    },
    [run, focusMap],
  );
  const { nodes, wires, spots, missed } = useMapElements({
    regions,
    selection,
    moving,
    settings,
    bySlide,
    found,
    measures: report?.measures ?? null,
    walks: settings.overlay === 'walks' ? walks.data : undefined,
  });

  const { tidy, isTidying } = useTidy(frame, moves, settings.direction);
  const movingCards = useMemo(() => new Set(Object.keys(moving)), [moving]);
  const show = useCallback(
    (ids: SlideId[]) => {
      setSelection(onlyCards(ids));
      // At once: a moment later the next line may have been opened for typing.
      focusMap();
      if (ids[0]) moves.bringIntoView(ids[0]);
    },
    [moves, focusMap],
  );

  const act = useMapActions({
    slideIds,
    linkId: selection.linkId,
    ask: setPrompt,
    show,
    clear: () => setSelection(NOTHING),
    reword: setRewording,
    lead: (linkId) => setDialog({ kind: 'lead', linkId }),
    cut: (linkId) => setDialog({ kind: 'cut', linkId }),
    editSection: ({ id }) => setDialog({ kind: 'section', sectionId: id }),
    openStarters: () => setDialog({ kind: 'starters' }),
    copyInto: (slideIds) => setDialog({ kind: 'into', slideIds, section: null }),
    linkFrom: (from, to) => {
      if (to) return linkTo(from, to);
      setLinkingFrom(from);
      notices.tell('Now choose the slide that it leads to. Escape leaves it.');
    },
  });

  const onNodesChange = useCallback(
    (changes: NodeChange<MapNode>[]) => {
      const moved = changes.filter((change) => change.type === 'position');
      const ended = moved.filter((change) => change.dragging === false && change.position);
      if (ended.length > 0) {
        const spots = ended.flatMap(({ id, position }) =>
          cardsMoved(id, position!, deck.slides, regions),
        );
        // A folded section that is moved takes its slides along, and they stay in it.
        const areSlides = ended.every(({ id }) => deck.slides[idOf<SlideId>(id)]);
        const into = areSlides ? sectionUnder(spots, deck, regions) : undefined;
        run(moveCards, spots.map(inDeck), 'hand', into);
        setMoving({});
      } else if (moved.length > 0) {
        setMoving((old) => {
          const next = { ...old };
          for (const { id, position } of moved) if (position) next[id] = position;
          return next;
        });
      }
      const picks = changes.filter((change) => change.type === 'select');
      if (picks.length > 0) {
        setSelection((old) => {
          const cards = new Set(old.cards);
          for (const { id, selected } of picks) {
            if (selected) cards.add(id);
            else cards.delete(id);
          }
          return onlyCards([...cards]);
        });
      }
    },
    [run, deck, inDeck, regions],
  );

  const linkTo = (source: string, target: string): void => {
    if (source.startsWith('section:') || target.startsWith('section:')) {
      notices.tell('Unfold the section first: a wire goes from slide to slide.');
      return;
    }
    const added = run(linkSlides, idOf(source), idOf(target));
    if (!added) return;
    setSelection(onlyLink(added.linkId));
    // What is typed next is its wording.
    setRewording(added.linkId);
  };
  const onConnect = useStable(({ source, target }: Connection) => linkTo(source, target));
  const onConnectEnd = useStable((event: MouseEvent | TouchEvent, state: FinalConnectionState) => {
    if (state.isValid || !state.fromNode || state.toNode) return;
    if (state.fromNode.id.startsWith('section:')) return;
    const point = 'changedTouches' in event ? event.changedTouches[0]! : event;
    const at = flow.screenToFlowPosition({ x: point.clientX, y: point.clientY });
    // Anywhere on a card is on the card; only where there is none a new slide is meant.
    const onto = cardAt(nodes, at);
    if (onto) return onto.id === state.fromNode.id ? undefined : linkTo(state.fromNode.id, onto.id);
    const corner = { x: at.x - (isLeftward ? CARD.width : 0), y: at.y - 55 };
    act.addChoice(idOf(state.fromNode.id), inDeck(corner));
  });
  const wireHands = useWireHands({
    take: setSelection,
    reword: act.reword,
    word: onReword,
    focusMap,
  });

  const onKeyDown = (event: KeyboardEvent): void =>
    onMapKey(event, {
      slides: Object.values(deck.slides),
      isLeftward,
      graph,
      selected: slides,
      link,
      act,
      show,
      pickLink: (linkId) => setSelection(onlyLink(linkId)),
      pickMore: (slideId) => setSelection(onlyCards([...selection.cards, slideId])),
      pickAll: () =>
        setSelection(onlyCards(nodes.filter(({ type }) => type !== 'region').map(({ id }) => id))),
      find: () => findField.current?.focus(),
      leave: () => {
        setSelection(NOTHING);
        setIsClicking(false);
        setLinkingFrom(null);
      },
    });

  useEffect(() => {
    // Whoever has begun to write somewhere meanwhile goes on there.
    const isWriting = document.activeElement?.matches('input, textarea') ?? false;
    if (!isWriting) focusMap();
  }, [focusMap]);

  const editSection = useStable((section: Section) => act.editSection(section));
  const doing = useMemo(
    () => ({
      fold: (of: Section, isFolded: boolean) => fold(of.id, isFolded),
      pickSection: (section: Section) => editSection(section),
    }),
    [fold, editSection],
  );
  const shownTrails =
    settings.panel === 'trails'
      ? deck.trails.filter(({ id }) => trailId === null || id === trailId)
      : [];
  const isAdding = settings.panel === 'trails' && isClicking && trailId !== null;

  const onNodeClick = useStable((event: ReactMouseEvent, node: MapNode) => {
    if (linkingFrom && node.type !== 'region') {
      setLinkingFrom(null);
      if (node.id !== linkingFrom) linkTo(linkingFrom, node.id);
      return;
    }
    if (isAdding && trailId && node.type === 'card') run(addStop, trailId, idOf(node.id));
    // One of several that is pressed alone is alone in hand.
    const isMore = event.shiftKey || event.ctrlKey || event.metaKey;
    if (!isMore && node.type !== 'region') setSelection(onlyCards([node.id]));
  });
  const onNodeDoubleClick = useStable((_: unknown, node: MapNode) => {
    if (node.type === 'card') act.open(idOf(node.id));
    else if (node.type === 'folded') doing.fold(node.data.section, false);
  });
  const onPaneClick = useCallback(() => setSelection(NOTHING), []);

  return (
    <MapDoing value={doing}>
      <Main title={`Map of ${deck.title}`} className="flex h-full flex-col">
        <MapTools
          settings={settings}
          sought={sought}
          findField={findField}
          isSelecting={isSelecting}
          isTidying={isTidying}
          canTidy={isOpen}
          moves={moves}
          onChange={setSettings}
          onSeek={setSought}
          onShow={(slideId) => {
            const hidden = regions.hiddenIn.get(slideId);
            if (hidden) fold(hidden, false);
            setSelection(onlyCards([slideId]));
            const slide = deck.slides[slideId];
            if (slide) moves.centre(slide);
          }}
          selected={selection.cards}
          onSelecting={setIsSelecting}
          onTidy={(which) => void tidy(which)}
        />
        <div className="flex min-h-0 flex-1">
          {settings.panel !== 'none' && (
            <aside
              aria-label={settings.panel === 'plan' ? 'Written plan' : 'Trails'}
              className="w-[360px] shrink-0 border-r border-line bg-paper"
            >
              {settings.panel === 'plan' ? (
                <PlanPanel onGrown={moves.fitGrown} />
              ) : (
                <TrailsPanel
                  openId={trailId}
                  onOpen={(id) => {
                    setTrailId(id);
                    setIsClicking(false);
                  }}
                  isClicking={isClicking}
                  onClicking={setIsClicking}
                />
              )}
            </aside>
          )}
          <div
            ref={frame}
            tabIndex={-1}
            role="application"
            aria-label="Map of the deck"
            data-direction={settings.direction}
            className="deck-map select-none relative min-w-0 flex-1 outline-none"
            onKeyDownCapture={onKeyDown}
            onDoubleClick={(event) => {
              if (!(event.target as HTMLElement).classList.contains('react-flow__pane')) return;
              const at = { x: event.clientX - 60, y: event.clientY - 40 };
              act.addSlide(inDeck(flow.screenToFlowPosition(at)));
            }}
          >
            <ReactFlow
              nodes={nodes}
              nodeTypes={NODE_TYPES}
              onNodesChange={onNodesChange}
              onConnect={onConnect}
              onConnectEnd={onConnectEnd}
              onNodeClick={onNodeClick}
              onPaneClick={onPaneClick}
              onNodeDoubleClick={onNodeDoubleClick}
              multiSelectionKeyCode={MORE_KEYS}
              selectionKeyCode={null}
              selectionOnDrag={isSelecting}
              panOnDrag={isSelecting ? OTHER_BUTTONS : true}
              selectionMode={SelectionMode.Partial}
              zoomOnDoubleClick={false}
              deleteKeyCode={null}
              disableKeyboardA11y
              onlyRenderVisibleElements
              minZoom={FARTHEST}
              maxZoom={2}
              fitView
              fitViewOptions={WHOLE_MAP}
              onMoveStart={moves.onMoveStart}
              proOptions={PLAIN}
            >
              <FarMark />
              <WireLayer
                wires={wires}
                spots={spots}
                rewording={rewording}
                moving={movingCards}
                direction={settings.direction}
                selected={selection.linkId}
                {...wireHands}
              />
              <DotGrid />
              {shownTrails.length > 0 && <TrailLines deck={deck} trails={shownTrails} />}
              <OthersHere />
              <CommentsHere />
              <SmallMap spots={spots} />
            </ReactFlow>
            <MapBar
              slides={slides}
              link={link}
              carriedBy={link ? carrierWords(link, deck.slides[link.from]) : ''}
              missed={(link && missed.get(link.id)) ?? null}
              waysOut={slides.length === 1 ? (graph.waysOut.get(slides[0]!.id) ?? []) : []}
              startSlideId={deck.startSlideId}
              prompt={prompt}
              onPromptEnd={() => {
                setPrompt(null);
                focusMap();
              }}
              act={act}
            />
          </div>
        </div>
      </Main>
      <MapDialogs
        dialog={dialog}
        beside={slides.length === 1 ? slides[0]!.id : undefined}
        onClose={() => {
          setDialog(null);
          focusMap();
        }}
        onShow={show}
        onSelect={(ids) => setSelection(onlyCards(ids))}
        onCopySection={({ id, name }) =>
          setDialog({
            kind: 'into',
            section: name,
            slideIds: Object.values(deck.slides)
              .filter(({ sectionId }) => sectionPath(deck, sectionId).some((one) => one.id === id))
              .map((slide) => slide.id),
          })
        }
      />
    </MapDoing>
  );
}
