import { textWidth, type Link, type Slide, type DeckTheme, titleOf } from '@gobrel/core';
import { memo, type ReactElement, type ReactNode } from 'react';
import { SlideView } from '../stage/SlideView';
import type { CardMark } from './cardMark';

export interface SlideCardProps {
  slide: Slide;
  theme: DeckTheme;
  links: readonly Link[];
  isSelected?: boolean;
  isStart?: boolean;
  /** What an overlay of the map says about it. */
  mark?: CardMark | null;
  /** Stands back because something else is sought. */
  isDim?: boolean;
  isDraft?: boolean;
  /** A picture of the slide instead of the slide itself. */
  picture?: ReactNode;
}

const TONES: Record<CardMark['tone'], string> = {
  wants: 'border-[#e4cf95] bg-brass-mist text-brass-deep',
  good: 'border-petrol/40 bg-petrol-mist text-petrol',
  plain: 'border-line bg-paper text-soft',
};

/** Pixels inside the card, and what a tag takes besides its letters. */
const INSIDE = 138;
const TAG_ROOM = 14;

/**
 * Words cut to a width in pixels. By the letters' widths and not by the browser: each cut of the browser's own makes
 * a card another layer, and of hundreds of cards a slow map.
 */
function fitted(words: string, width: number, size: number): string {
  if (textWidth(words, 'bold', size) <= width) return words;
  let end = words.length;
  while (end > 1 && textWidth(`${words.slice(0, end)}…`, 'bold', size) > width) end -= 1;
  return `${words.slice(0, end).trimEnd()}…`;
}

/** A slide as a card: its picture, its name, and what it is. 150 map units wide. */
export const SlideCard = memo(function SlideCard(props: SlideCardProps): ReactElement {
  const { slide, mark } = props;
  const tags = [
    ...(props.isStart ? ['start'] : []),
    ...(slide.isEnding ? ['ending'] : []),
    ...(slide.isPattern ? ['leaves'] : []),
    ...(slide.isLeftOut ? ['left out'] : []),
    ...(slide.elements.some((element) => element.kind === 'question') ? ['?'] : []),
  ];
  const room = tags.reduce((left, tag) => left - textWidth(tag, 'body', 10) - TAG_ROOM, INSIDE);
  return (
    <div
      className={`relative w-[150px] rounded-[6px] border bg-sheet p-[5px] ${
        props.isSelected ? 'border-petrol outline outline-1 outline-petrol' : 'border-line'
      } ${props.isDim ? 'opacity-30' : ''} ${props.isDraft ? 'border-dashed' : ''}`}
    >
      <div className="pointer-events-none border border-line/60" aria-hidden inert>
        {props.picture ?? (
          <SlideView slide={slide} theme={props.theme} links={props.links} width={136} />
        )}
      </div>
      {mark && (
        <span
          className={`absolute top-2 right-2 rounded-full whitespace-nowrap border px-1.5 text-[10px] leading-[16px] ${TONES[mark.tone]}`}
        >
          {fitted(mark.text, 118, 10)}
        </span>
      )}
      <div className="mt-1 flex items-center gap-1">
        <span
          className={`flex-1 text-[11.5px] font-semibold whitespace-nowrap ${slide.title ? '' : 'text-soft'}`}
        >
          {fitted(titleOf(slide), room, 11.5)}
        </span>
        {tags.map((tag) => (
          <Tag key={tag}>{tag}</Tag>
        ))}
      </div>
    </div>
  );
});

function Tag({ children }: { children: string }): ReactElement {
  return (
    <span className="rounded-[4px] border border-petrol/60 px-1 text-[10px] leading-[15px] text-petrol whitespace-nowrap">
      {children}
    </span>
  );
}
