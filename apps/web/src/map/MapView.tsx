import {
  addChoice,
  addSlide,
  CARD,
  duplicateSlides,
  FINDING_KINDS,
  leadsOn,
  linkSlides,
  moveCards,
  removeLink,
  removeSlides,
  renameSlide,
  rewordLink,
  setSlideFlag,
  setStart,
  type LinkId,
  type Slide,
  type SlideId,
} from '@gobrel/core';
import {
  Background,
  Handle,
  MiniMap,
  Position,
  ReactFlow,
  ReactFlowProvider,
  useReactFlow,
  type Connection,
  type FinalConnectionState,
  type Node,
  type NodeChange,
  type NodeProps,
} from '@xyflow/react';
import '@xyflow/react/dist/style.css';
import {
  useCallback,
  useEffect,
  useMemo,
  useRef,
  useState,
  type KeyboardEvent,
  type ReactElement,
} from 'react';
import { useNavigate } from 'react-router';
import { sentenceOf } from '../api/http';
import { useNotices } from '../ui/Notice';
import { useCheck } from '../check/CheckProvider';
import { useDeck } from '../workspace/DeckContext';
import { MapBar, type Prompt } from './MapBar';
import { SlideCard, type SlideCardProps } from './SlideCard';
import { WireEdge, type Wire } from './WireEdge';

type CardNode = Node<Omit<SlideCardProps, 'isSelected'>, 'card'>;
type Selection = { kind: 'slides'; ids: SlideId[] } | { kind: 'link'; id: LinkId } | null;

const NODE_TYPES = { card: CardNodeView };
const EDGE_TYPES = { wire: WireEdge };

export default function MapView(): ReactElement {
  return (
    <ReactFlowProvider>
      <DeckMap />
    </ReactFlowProvider>
  );
}

function CardNodeView({ data, selected }: NodeProps<CardNode>): ReactElement {
  return (
    <>
      <Handle
        type="target"
        position={Position.Left}
        className="!size-2 !border-0 !bg-transparent"
      />
      <SlideCard {...data} isSelected={selected} />
      <Handle
        type="source"
        position={Position.Right}
        role="button"
        aria-label={`Draw a link from ${data.slide.title || 'this slide'}`}
        className="!size-3.5 !border-2 !border-sheet !bg-ember opacity-0 hover:opacity-100 [.selected_&]:opacity-100"
      />
    </>
  );
}

function DeckMap(): ReactElement {
  const { deckId, doc, deck, graph, run } = useDeck();
  const navigate = useNavigate();
  const notices = useNotices();
  const flow = useReactFlow();
  const frame = useRef<HTMLDivElement>(null);
  const [selection, setSelection] = useState<Selection>(() => startingSelection(deck.startSlideId));
  const [moving, setMoving] = useState<Record<SlideId, { x: number; y: number }>>({});
  const [prompt, setPrompt] = useState<Prompt | null>(null);
  const selectedIds = useMemo(
    () => (selection?.kind === 'slides' ? selection.ids : []),
    [selection],
  );
  const current: Slide | undefined =
    selectedIds.length === 1 ? deck.slides[selectedIds[0]!] : undefined;

  const { bySlide } = useCheck();

  const nodes = useMemo<CardNode[]>(
    () =>
      Object.values(deck.slides).map((slide) => ({
        id: slide.id,
        type: 'card',
        position: moving[slide.id] ?? { x: slide.x, y: slide.y },
        selected: selectedIds.includes(slide.id),
        initialWidth: CARD.width,
        initialHeight: CARD.height,
        ariaLabel: slide.title || 'Untitled',
        data: {
          slide,
          theme: deck.theme,
          links: graph.waysOut.get(slide.id) ?? [],
          isStart: slide.id === deck.startSlideId,
          finding:
            bySlide.get(slide.id)?.[0] && FINDING_KINDS[bySlide.get(slide.id)![0]!.kind].short,
        },
      })),
    [deck, graph, bySlide, moving, selectedIds],
  );
  const edges = useMemo<Wire[]>(
    () =>
      [...graph.to].flatMap(([linkId, targets]) =>
        targets.map((target, index) => ({
          id: index === 0 ? linkId : `${linkId}>${target}`,
          type: 'wire',
          source: deck.links[linkId]!.from,
          target,
          selected: selection?.kind === 'link' && selection.id === linkId,
          data: { wording: deck.links[linkId]!.wording },
        })),
      ),
    [deck, graph, selection],
  );

  const onNodesChange = useCallback(
    (changes: NodeChange<CardNode>[]) => {
      const moved = changes.filter((change) => change.type === 'position');
      const ended = moved.filter((change) => change.dragging === false && change.position);
      if (ended.length > 0) {
        run(
          moveCards(
            doc,
            ended.map(({ id, position }) => ({ slideId: id, x: position!.x, y: position!.y })),
          ),
        );
        setMoving({});
      } else if (moved.length > 0) {
        setMoving((old) => ({
          ...old,
          ...Object.fromEntries(
            moved.flatMap(({ id, position }) => (position ? [[id, position]] : [])),
          ),
        }));
      }
      const picks = changes.filter((change) => change.type === 'select');
      if (picks.length > 0) {
        setSelection((old) => {
          const ids = new Set(old?.kind === 'slides' ? old.ids : []);
          for (const pick of picks) {
            if (pick.selected) ids.add(pick.id);
            else ids.delete(pick.id);
          }
          return ids.size > 0 ? { kind: 'slides', ids: [...ids] } : null;
        });
      }
    },
    [doc, run],
  );

  const show = useCallback(
    (slideId: SlideId) => {
      setSelection({ kind: 'slides', ids: [slideId] });
      requestAnimationFrame(() => {
        frame.current?.focus();
        const slide = flow.getNode(slideId);
        if (!slide) return;
        const at = flow.flowToScreenPosition(slide.position);
        const bounds = frame.current?.getBoundingClientRect();
        const isSeen =
          bounds &&
          at.x > bounds.left &&
          at.y > bounds.top &&
          at.x < bounds.right - 150 &&
          at.y < bounds.bottom - 200;
        if (!isSeen)
          void flow.setCenter(slide.position.x + 75, slide.position.y + 55, {
            zoom: flow.getZoom(),
            duration: 200,
          });
      });
    },
    [flow],
  );

  const act = {
    addChoice: (from: SlideId) =>
      setPrompt({
        label: 'Wording of the choice',
        value: '',
        done: (wording) => {
          const added = run(addChoice(doc, from, wording));
          if (added) show(added.slideId);
        },
      }),
    addBeside: (slideId: SlideId) => {
      const parent = graph.waysIn.get(slideId)?.[0]?.from;
      if (parent) act.addChoice(parent);
      else act.addSlide();
    },
    addSlide: () =>
      setPrompt({
        label: 'Name of the slide',
        value: '',
        done: (title) => {
          const added = run(addSlide(doc, { title, layout: 'text' }));
          if (added) show(added.slideId);
        },
      }),
    rename: (slide: Slide, value = slide.title) =>
      setPrompt({
        label: 'Name of the slide',
        value,
        done: (title) => {
          run(renameSlide(doc, slide.id, title));
          show(slide.id);
        },
      }),
    reword: (linkId: LinkId) =>
      setPrompt({
        label: 'Wording of the choice',
        value: deck.links[linkId]?.wording ?? '',
        done: (wording) => {
          run(rewordLink(doc, linkId, wording));
          frame.current?.focus();
        },
      }),
    remove: () => {
      if (selection?.kind === 'link') run(removeLink(doc, selection.id));
      if (selectedIds.length > 0) {
        const title = current?.title ? `“${current.title}”` : `${selectedIds.length} slides`;
        if (run(removeSlides(doc, selectedIds)))
          notices.tell(`${title} deleted. Ctrl+Z brings it back.`);
      }
      setSelection(null);
    },
    duplicate: (slideId: SlideId) => {
      const copy = run(duplicateSlides(doc, [slideId]));
      if (copy) show(copy.slideId);
    },
    toggleEnding: (slide: Slide) => run(setSlideFlag(doc, slide.id, 'isEnding', !slide.isEnding)),
    togglePattern: (slide: Slide) =>
      run(setSlideFlag(doc, slide.id, 'isPattern', !slide.isPattern)),
    makeStart: (slideId: SlideId) => run(setStart(doc, slideId)),
    open: (slideId: SlideId) => void navigate(`/deck/${deckId}/slide/${slideId}`),
    tidy: async () => {
      try {
        const { layOut } = await import('./layout');
        run(moveCards(doc, await layOut(deck, graph), 'layout'));
        void flow.fitView({ duration: 300, padding: 0.15 });
      } catch (error) {
        notices.trouble(sentenceOf(error));
      }
    },
  };

  const onConnect = (connection: Connection): void => {
    const added = run(linkSlides(doc, connection.source, connection.target));
    if (added) {
      setSelection({ kind: 'link', id: added.linkId });
      setPrompt({
        label: 'Wording of the choice',
        value: deck.slides[connection.target]?.title ?? '',
        done: (wording) => {
          run(rewordLink(doc, added.linkId, wording));
          frame.current?.focus();
        },
      });
    }
  };
  const onConnectEnd = (_event: MouseEvent | TouchEvent, state: FinalConnectionState): void => {
    if (state.isValid || !state.fromNode || state.toNode) return;
    act.addChoice(state.fromNode.id);
  };

  const onKeyDown = (event: KeyboardEvent): void => {
    const target = event.target as HTMLElement;
    if (target.closest('[role=toolbar]') || event.ctrlKey || event.metaKey || event.altKey) return;
    const take = (doIt: () => unknown): void => {
      event.preventDefault();
      event.stopPropagation();
      doIt();
    };
    if (event.key === 'Escape') return take(() => setSelection(null));
    if ((event.key === 'Delete' || event.key === 'Backspace') && selection) return take(act.remove);
    if (selection?.kind === 'link' && event.key === 'F2')
      return take(() => act.reword(selection.id));
    if (!current) return;
    const { id } = current;
    switch (event.key) {
      case 'Tab':
        return event.shiftKey ? undefined : take(() => act.addChoice(id));
      case 'Enter':
        return take(() => act.addBeside(id));
      case 'F2':
        return take(() => act.rename(current));
      case 'ArrowRight':
      case 'ArrowLeft':
      case 'ArrowUp':
      case 'ArrowDown': {
        const next = neighbour(Object.values(deck.slides), graph, current, event.key);
        return take(() => next && show(next));
      }
      default:
        if (event.key.length === 1 && event.key !== ' ') take(() => act.rename(current, event.key));
    }
  };

  useEffect(() => frame.current?.focus(), []);

  return (
    <div
      ref={frame}
      tabIndex={-1}
      role="application"
      aria-label="Map of the deck"
      className="relative h-full outline-none"
      onKeyDownCapture={onKeyDown}
    >
      <ReactFlow
        nodes={nodes}
        edges={edges}
        nodeTypes={NODE_TYPES}
        edgeTypes={EDGE_TYPES}
        onNodesChange={onNodesChange}
        onEdgesChange={(changes) => {
          for (const change of changes) {
            if (change.type === 'select' && change.selected)
              setSelection({ kind: 'link', id: change.id });
          }
        }}
        onConnect={onConnect}
        onConnectEnd={onConnectEnd}
        onPaneClick={() => setSelection(null)}
        onNodeDoubleClick={(_, node) => act.open(node.id)}
        onEdgeDoubleClick={(_, edge) => act.reword(edge.id)}
        deleteKeyCode={null}
        disableKeyboardA11y
        onlyRenderVisibleElements
        minZoom={0.1}
        maxZoom={2}
        fitView
        fitViewOptions={{ padding: 0.16, maxZoom: 1.05 }}
        proOptions={{ hideAttribution: true }}
      >
        <Background color="#d9d2c2" gap={23} size={1.4} />
        <MiniMap
          pannable
          zoomable
          ariaLabel="Small map"
          nodeColor="#cfc8b8"
          maskColor="rgb(250 247 240 / 0.6)"
          className="!m-4 !rounded-[6px] !border !border-line"
        />
      </ReactFlow>
      <MapBar
        slide={current}
        slideCount={selectedIds.length}
        link={selection?.kind === 'link' ? deck.links[selection.id] : undefined}
        isStart={current?.id === deck.startSlideId}
        prompt={prompt}
        onPromptEnd={() => {
          setPrompt(null);
          frame.current?.focus();
        }}
        act={act}
      />
    </div>
  );
}

const startingSelection = (slideId: SlideId | null): Selection =>
  slideId ? { kind: 'slides', ids: [slideId] } : null;

/** Sideways along the wires, up and down to the nearest card of the column. */
function neighbour(
  slides: Slide[],
  graph: ReturnType<typeof useDeck>['graph'],
  from: Slide,
  key: 'ArrowRight' | 'ArrowLeft' | 'ArrowUp' | 'ArrowDown',
): SlideId | undefined {
  if (key === 'ArrowRight') return leadsOn(graph, from.id)[0];
  if (key === 'ArrowLeft') return graph.waysIn.get(from.id)?.[0]?.from;
  const sign = key === 'ArrowDown' ? 1 : -1;
  return slides
    .filter((slide) => (slide.y - from.y) * sign > 0)
    .sort((a, b) => distance(a, from) - distance(b, from))[0]?.id;
}

const distance = (a: Slide, b: Slide): number => Math.abs(a.y - b.y) + 2 * Math.abs(a.x - b.x);
