import {
  CARD,
  routeGraph,
  type Deck,
  type DeskStudent,
  type LinkId,
  type SlideId,
  idOf,
  type FolioId,
  titleOf,
} from '@gobrel/core';
import {
  Handle,
  Position,
  ReactFlow,
  ReactFlowProvider,
  useStore,
  type Node,
  type NodeProps,
} from '@xyflow/react';
import '@xyflow/react/dist/style.css';
import { useMemo, useState, type ReactElement } from 'react';
import { seenDeck } from '../cards/seenDeck';
import { DotGrid } from '../cards/DotGrid';
import { SlideCard, type SlideCardProps } from '../cards/SlideCard';
import { WireLayer } from '../cards/WireLayer';
import { type Wire } from '../cards/wire';
import { initialsOf } from '../ui/Page';

type StandingNode = Node<
  Omit<SlideCardProps, 'isSelected'> & {
    standing: DeskStudent[];
    onOpen: (folioId: FolioId) => void;
  },
  'card'
>;

const NODE_TYPES = { card: StandingCard };
const MOST_DOTS = 4;

function StandingCard({ data, selected }: NodeProps<StandingNode>): ReactElement {
  const { standing, onOpen, ...card } = data;
  const [isAll, setIsAll] = useState(false);
  const shown = [...standing].sort(
    (a, b) => Number(b.handUpAt !== null) - Number(a.handUpAt !== null),
  );
  // Dots stay readable however far the map is zoomed out.
  const grow = useStore((store) =>
    Math.min(2.2, Math.max(1, Math.round(10 / store.transform[2]) / 10)),
  );
  return (
    <>
      <Handle type="target" position={Position.Left} className="!opacity-0" isConnectable={false} />
      <SlideCard {...card} isSelected={selected} />
      <Handle
        type="source"
        position={Position.Right}
        className="!opacity-0"
        isConnectable={false}
      />
      {standing.length > 0 && (
        <ul
          aria-label={`Students on ${titleOf(card.slide)}`}
          className={`absolute left-1/2 top-full flex justify-center -space-x-1.5 ${isAll ? 'z-10 w-[112px] flex-wrap gap-y-1' : ''}`}
          style={{ transform: `translate(-50%, -50%) scale(${grow})` }}
        >
          {shown.slice(0, isAll ? undefined : MOST_DOTS).map((student) => (
            <li key={student.folioId}>
              <button
                type="button"
                title={student.handUpAt ? `${student.name}: hand up` : student.name}
                aria-label={student.name}
                onClick={(event) => {
                  event.stopPropagation();
                  onOpen(student.folioId);
                }}
                data-hand={student.handUpAt !== null || undefined}
                className={`nopan data-hand:ring-[3px] data-hand:ring-brass grid size-[26px] place-items-center rounded-full border-[1.5px] border-petrol text-[10.5px] font-bold ${
                  student.handedInAt
                    ? 'bg-petrol text-white'
                    : student.isHere
                      ? 'bg-sheet text-petrol'
                      : 'border-dashed bg-sheet text-soft'
                }`}
              >
                {initialsOf(student.name)}
              </button>
            </li>
          ))}
          {standing.length > MOST_DOTS && (
            <li>
              <button
                type="button"
                aria-expanded={isAll}
                aria-label={
                  isAll
                    ? 'Show fewer of them'
                    : `Show all ${standing.length} students on ${titleOf(card.slide)}`
                }
                onClick={(event) => {
                  event.stopPropagation();
                  setIsAll(!isAll);
                }}
                className="nopan grid h-[26px] min-w-[26px] place-items-center rounded-full border-[1.5px] border-petrol bg-sheet px-1.5 text-[10.5px] font-bold text-petrol"
              >
                {isAll ? '–' : `+${standing.length - MOST_DOTS}`}
              </button>
            </li>
          )}
        </ul>
      )}
    </>
  );
}

/** The edition's map with the students standing on it as dots: filled once handed in, dashed while away. */
export function LessonMap(props: {
  edition: Deck;
  students: DeskStudent[];
  walks: Record<LinkId, number>;
  current: SlideId | null;
  onPick: (slideId: SlideId) => void;
  onOpenFolio: (folioId: FolioId) => void;
}): ReactElement {
  const { students, walks, current, onPick, onOpenFolio } = props;
  const { deck: edition, isLeftward } = seenDeck(props.edition);
  const graph = useMemo(() => routeGraph(edition), [edition]);
  const nodes = useMemo<StandingNode[]>(
    () =>
      Object.values(edition.slides).map((slide) => ({
        id: slide.id,
        type: 'card',
        position: { x: slide.x, y: slide.y },
        initialWidth: CARD.width,
        initialHeight: CARD.height,
        selected: slide.id === current,
        ariaLabel: titleOf(slide),
        data: {
          slide,
          theme: edition.theme,
          links: graph.waysOut.get(slide.id) ?? [],
          standing: students.filter((student) => student.slideId === slide.id),
          onOpen: onOpenFolio,
        },
      })),
    [edition, graph, students, current, onOpenFolio],
  );
  const most = Math.max(4, ...Object.values(walks));
  const wires = useMemo<Wire[]>(
    () =>
      [...graph.to].flatMap(([linkId, targets]) =>
        targets.map((to) => ({
          id: `${linkId}>${to}`,
          from: edition.links[linkId]!.from,
          to,
          wording: edition.links[linkId]!.wording,
          isGathered: false,
          lane: 0,
          aside: 0,
          // The more have walked it the thicker; never so thick that it hides its neighbours.
          thickness: 2 + 8 * ((walks[linkId] ?? 0) / most),
        })),
      ),
    [edition, graph, walks, most],
  );
  const spots = useMemo(
    () => new Map(Object.values(edition.slides).map(({ id, x, y }) => [id, { x, y }])),
    [edition],
  );
  return (
    <ReactFlowProvider>
      <ReactFlow
        nodes={nodes}
        nodeTypes={NODE_TYPES}
        onNodeClick={(_, node) => onPick(idOf(node.id))}
        onKeyDown={(event) => {
          const card = event.target as HTMLElement;
          if (event.key !== 'Enter' || !card.matches('.react-flow__node')) return;
          event.preventDefault();
          if (card.dataset.id) onPick(idOf(card.dataset.id));
        }}
        nodesDraggable={false}
        nodesConnectable={false}
        deleteKeyCode={null}
        fitView
        fitViewOptions={{ padding: 0.08 }}
        minZoom={0.1}
        proOptions={{ hideAttribution: true }}
      >
        <WireLayer
          wires={wires}
          spots={spots}
          direction={isLeftward ? 'left' : 'right'}
          isLabelled={false}
        />
        <DotGrid />
      </ReactFlow>
    </ReactFlowProvider>
  );
}
