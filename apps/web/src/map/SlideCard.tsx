import type { Link, Slide, ThemeName } from '@gobrel/core';
import { memo, type ReactElement, type ReactNode } from 'react';
import { SlideView } from '../stage/SlideView';
import type { CardMark } from './cardMark';

export interface SlideCardProps {
  slide: Slide;
  theme: ThemeName;
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

/** A slide as a card: its picture, its name, and what it is. 150 map units wide. */
export const SlideCard = memo(function SlideCard(props: SlideCardProps): ReactElement {
  const { slide, mark } = props;
  const hasQuestion = slide.elements.some((element) => element.kind === 'question');
  return (
    <div
      className={`relative w-[150px] rounded-[6px] border bg-sheet p-[5px] ${
        props.isSelected ? 'border-petrol outline outline-1 outline-petrol' : 'border-line'
      } ${props.isDim ? 'opacity-30' : ''} ${props.isDraft ? 'border-dashed' : ''}`}
    >
      <div
        className="pointer-events-none overflow-hidden rounded-[3px] border border-line/60"
        aria-hidden
        inert
      >
        {props.picture ?? (
          <SlideView slide={slide} theme={props.theme} links={props.links} width={136} />
        )}
      </div>
      {mark && (
        <span
          className={`absolute top-2 right-2 max-w-[134px] truncate rounded-full border px-1.5 text-[10px] leading-[16px] ${TONES[mark.tone]}`}
        >
          {mark.text}
        </span>
      )}
      <div className="mt-1 flex items-center gap-1">
        <span
          className={`flex-1 truncate text-[11.5px] font-semibold ${slide.title ? '' : 'text-soft'}`}
        >
          {slide.title || 'Untitled'}
        </span>
        {props.isStart && <Tag>start</Tag>}
        {slide.isEnding && <Tag>ending</Tag>}
        {slide.isPattern && <Tag>leaves</Tag>}
        {slide.isLeftOut && <Tag>left out</Tag>}
        {hasQuestion && <Tag>?</Tag>}
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
