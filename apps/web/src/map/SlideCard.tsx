import type { Link, Slide, ThemeName } from '@gobrel/core';
import { memo, type ReactElement } from 'react';
import { SlideView } from '../stage/SlideView';

export interface SlideCardProps {
  slide: Slide;
  theme: ThemeName;
  links: readonly Link[];
  isSelected?: boolean;
  isStart?: boolean;
  /** What wants attention here, in a word or two. */
  finding?: string;
}

/** A slide as a card: its picture, its name, and what it is. 150 map units wide. */
export const SlideCard = memo(function SlideCard(props: SlideCardProps): ReactElement {
  const { slide } = props;
  const hasQuestion = slide.elements.some((element) => element.kind === 'question');
  return (
    <div
      className={`w-[150px] rounded-[6px] border bg-sheet p-[5px] ${
        props.isSelected ? 'border-petrol outline outline-1 outline-petrol' : 'border-line'
      }`}
    >
      <div
        className="pointer-events-none overflow-hidden rounded-[3px] border border-line/60"
        aria-hidden
        inert
      >
        <SlideView slide={slide} theme={props.theme} links={props.links} width={136} />
      </div>
      <div className="mt-1 flex items-center gap-1">
        <span
          className={`flex-1 truncate text-[11.5px] font-semibold ${slide.title ? '' : 'text-soft'}`}
        >
          {slide.title || 'Untitled'}
        </span>
        {props.isStart && <Tag>start</Tag>}
        {slide.isEnding && <Tag>ending</Tag>}
        {slide.isPattern && <Tag>leaves</Tag>}
        {hasQuestion && <Tag>?</Tag>}
        {props.finding && (
          <span className="rounded-full border border-[#e4cf95] bg-brass-mist px-1.5 text-[10px] leading-[16px] text-brass-deep whitespace-nowrap">
            {props.finding}
          </span>
        )}
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
