import { CARD, type Section, titleOf } from '@gobrel/core';
import { Handle, Position, type Node, type NodeProps } from '@xyflow/react';
import { ChevronDown, ChevronRight } from 'lucide-react';
import { createContext, useContext, type ReactElement } from 'react';
import { CardPicture } from './CardPicture';
import { SlideCard, type SlideCardProps } from '../cards/SlideCard';
import { TINT_COLOURS } from './tints';
import type { Direction } from '../cards/wirePath';

export type CardNode = Node<
  Omit<SlideCardProps, 'isSelected' | 'picture'> & { direction: Direction },
  'card'
>;
export type FoldedNode = Node<{ section: Section; count: number; direction: Direction }, 'folded'>;
export type RegionNode = Node<{ section: Section; isMore: boolean }, 'region'>;
export type MapNode = CardNode | FoldedNode | RegionNode;

/** What can be done from within a card or a region. */
export const MapDoing = createContext<{
  fold: (section: Section, isFolded: boolean) => void;
  pickSection: (section: Section) => void;
}>({ fold: () => undefined, pickSection: () => undefined });

const COMES_IN = { right: Position.Left, down: Position.Top, left: Position.Right } as const;
const GOES_OUT = { right: Position.Right, down: Position.Bottom, left: Position.Left } as const;

function Ends({ direction, title }: { direction: Direction; title: string }): ReactElement {
  return (
    <>
      <Handle
        type="target"
        position={COMES_IN[direction]}
        isConnectableStart={false}
        // Out of the way of the wires' ends, which are taken hold of here.
        className="!pointer-events-none !size-2 !border-0 !bg-transparent"
      />
      <Handle
        type="source"
        position={GOES_OUT[direction]}
        role="button"
        aria-label={`Draw a link from ${title || 'this slide'}`}
        // Seen by its colour and not by opacity, which would make every card a layer of several.
        className="!size-3.5 !border-2 !border-transparent !bg-transparent hover:!border-sheet hover:!bg-ember [.selected_&]:!border-sheet [.selected_&]:!bg-ember pointer-coarse:!size-6"
      />
    </>
  );
}

function CardNodeView({ data, selected }: NodeProps<CardNode>): ReactElement {
  const { direction, ...card } = data;
  return (
    <>
      <SlideCard
        {...card}
        isSelected={selected}
        picture={<CardPicture slide={card.slide} theme={card.theme} links={card.links} />}
      />
      <Ends direction={direction} title={titleOf(card.slide)} />
    </>
  );
}

/** A folded section: one card for all that lies in it. */
function FoldedNodeView({ data, selected }: NodeProps<FoldedNode>): ReactElement {
  const { section, count, direction } = data;
  const { fold } = useContext(MapDoing);
  return (
    <>
      <div
        className={`flex flex-col justify-between rounded-[6px] border-2 p-2.5 ${selected ? 'outline outline-2 outline-petrol' : ''}`}
        style={{
          width: CARD.width,
          height: CARD.height,
          borderColor: TINT_COLOURS[section.tint].line,
          background: TINT_COLOURS[section.tint].wash,
        }}
      >
        <b className="line-clamp-2 text-[13px] leading-tight">{section.name}</b>
        <span className="flex items-center justify-between text-[12px] text-soft">
          {count} slides
          <button
            type="button"
            aria-label={`Unfold ${section.name}`}
            onClick={() => fold(section, false)}
            className="nodrag grid size-7 place-items-center rounded-[4px] hover:bg-sheet"
          >
            <ChevronRight size={15} />
          </button>
        </span>
      </div>
      <Ends direction={direction} title={section.name} />
    </>
  );
}

/** A piece of an open section: a soft region behind its cards. The first bears what can be done with it. */
function RegionNodeView({ data, width, height }: NodeProps<RegionNode>): ReactElement {
  const { section, isMore } = data;
  const { fold, pickSection } = useContext(MapDoing);
  const { line, wash, ink } = TINT_COLOURS[section.tint];
  return (
    <div
      className="pointer-events-none rounded-[14px] border"
      style={{ width, height, borderColor: line, background: wash }}
    >
      {isMore ? (
        <span
          aria-hidden
          className="block truncate px-2.5 py-1.5 text-[12.5px]"
          style={{ color: ink }}
        >
          {section.name}
        </span>
      ) : (
        <span className="pointer-events-auto inline-flex items-center">
          <button
            type="button"
            aria-label={`Fold ${section.name}`}
            onClick={() => fold(section, true)}
            className="grid size-8 place-items-center rounded-[4px] hover:bg-sheet"
          >
            <ChevronDown size={14} />
          </button>
          <button
            type="button"
            onClick={() => pickSection(section)}
            className="min-h-8 max-w-[260px] truncate rounded-[4px] px-1 text-[12.5px] font-semibold hover:bg-sheet"
            style={{ color: ink }}
          >
            {section.name}
          </button>
        </span>
      )}
    </div>
  );
}

export const NODE_TYPES = { card: CardNodeView, folded: FoldedNodeView, region: RegionNodeView };
