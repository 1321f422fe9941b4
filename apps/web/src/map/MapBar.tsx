import type { Link, LinkId, Slide, SlideId } from '@gobrel/core';
import { useEffect, useRef, useState, type ReactElement } from 'react';

export interface Prompt {
  label: string;
  value: string;
  done: (text: string) => void;
}

interface MapActions {
  addChoice(slideId: SlideId): void;
  addBeside(slideId: SlideId): void;
  addSlide(): void;
  rename(slide: Slide): void;
  reword(linkId: LinkId): void;
  remove(): void;
  duplicate(slideId: SlideId): void;
  toggleEnding(slide: Slide): unknown;
  togglePattern(slide: Slide): unknown;
  makeStart(slideId: SlideId): unknown;
  open(slideId: SlideId): void;
  tidy(): Promise<void>;
}

/** At the foot of the map: what can be done with what is selected, with its keys, or the line being typed. */
export function MapBar(props: {
  slide: Slide | undefined;
  slideCount: number;
  link: Link | undefined;
  isStart: boolean;
  prompt: Prompt | null;
  onPromptEnd: () => void;
  act: MapActions;
}): ReactElement {
  const { slide, link, act, prompt } = props;
  return (
    <div
      role="toolbar"
      aria-label="Map"
      className="absolute bottom-4 left-4 z-10 flex max-w-[calc(100%-250px)] flex-wrap items-center gap-x-1 gap-y-1 rounded-[6px] border border-line bg-sheet px-2 py-1.5"
    >
      {prompt ? (
        <PromptLine key={prompt.label + prompt.value} prompt={prompt} onEnd={props.onPromptEnd} />
      ) : slide ? (
        <>
          <span className="max-w-[180px] truncate px-1.5 text-[13px] font-semibold">
            {slide.title || 'Untitled'}
          </span>
          <Act keys="Tab" onClick={() => act.addChoice(slide.id)}>
            add a choice
          </Act>
          <Act keys="Enter" onClick={() => act.addBeside(slide.id)}>
            one beside it
          </Act>
          <Act onClick={() => act.open(slide.id)}>Open</Act>
          <Act keys="F2" onClick={() => act.rename(slide)}>
            Rename
          </Act>
          <Act isOn={slide.isEnding} onClick={() => act.toggleEnding(slide)}>
            Ending
          </Act>
          <Act isOn={slide.isPattern} onClick={() => act.togglePattern(slide)}>
            Open for leaves
          </Act>
          {!props.isStart && <Act onClick={() => act.makeStart(slide.id)}>Start here</Act>}
          <Act onClick={() => act.duplicate(slide.id)}>Duplicate</Act>
          <Act onClick={act.remove}>Delete</Act>
        </>
      ) : link ? (
        <>
          <span className="max-w-[180px] truncate px-1.5 text-[13px] font-semibold text-ember-deep">
            “{link.wording}”
          </span>
          <Act keys="F2" onClick={() => act.reword(link.id)}>
            Reword
          </Act>
          <Act onClick={act.remove}>Cut the wire</Act>
        </>
      ) : props.slideCount > 1 ? (
        <>
          <span className="px-1.5 text-[13px] font-semibold">{props.slideCount} slides</span>
          <Act onClick={act.remove}>Delete</Act>
        </>
      ) : (
        <Act onClick={act.addSlide}>New slide</Act>
      )}
      {!prompt && (
        <>
          <span className="mx-1 h-5 border-l border-line" />
          <Act onClick={() => void act.tidy()}>Tidy</Act>
        </>
      )}
    </div>
  );
}

function Act(props: {
  keys?: string;
  isOn?: boolean;
  onClick: () => unknown;
  children: string;
}): ReactElement {
  return (
    <button
      type="button"
      aria-pressed={props.isOn}
      onClick={() => props.onClick()}
      className={`min-h-8 rounded-[4px] px-1.5 text-[13px] hover:bg-sand ${props.isOn ? 'bg-petrol-mist font-semibold text-petrol' : 'text-soft'}`}
    >
      {props.keys && <kbd className="mr-1 text-ink">{props.keys}</kbd>}
      {props.children}
    </button>
  );
}

function PromptLine({ prompt, onEnd }: { prompt: Prompt; onEnd: () => void }): ReactElement {
  const [text, setText] = useState(prompt.value);
  const input = useRef<HTMLInputElement>(null);
  useEffect(() => {
    const field = input.current;
    field?.focus();
    field?.setSelectionRange(field.value.length, field.value.length);
  }, []);
  return (
    <form
      className="flex items-center gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        onEnd();
        if (text.trim()) prompt.done(text);
      }}
    >
      <label className="flex items-center gap-2 text-[13px] font-semibold">
        {prompt.label}
        <input
          ref={input}
          value={text}
          maxLength={300}
          onChange={(event) => setText(event.target.value)}
          onKeyDown={(event) => {
            event.stopPropagation();
            if (event.key === 'Escape') onEnd();
          }}
          className="h-8 w-[300px] rounded-[4px] border border-petrol bg-sheet px-2 text-[14px] font-normal"
        />
      </label>
      <button
        type="submit"
        className="min-h-8 rounded-[4px] px-2 text-[13px] text-petrol hover:bg-sand"
      >
        <kbd>Enter</kbd> done
      </button>
    </form>
  );
}
