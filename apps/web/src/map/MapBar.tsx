import {
  rewordLink,
  type Link,
  type LinkId,
  type Section,
  type Slide,
  type SlideFlag,
  type SlideId,
  type Unmet,
  titleOf,
} from '@gobrel/core';
import { DropdownMenu } from 'radix-ui';
import { MoreHorizontal } from 'lucide-react';
import { LookOnly } from '../deck/LookOnly';
import { useDeck } from '../deck/DeckContext';
import { useEffect, useRef, useState, type ReactElement, type ReactNode } from 'react';

export interface Prompt {
  label: string;
  value: string;
  done: (text: string) => void;
}

/** Everything that can be done on the map; `useMapActions` makes it. */
export interface MapActions {
  addChoice(slideId: SlideId, at?: { x: number; y: number }): void;
  addBeside(slideId: SlideId): void;
  addSlide(at?: { x: number; y: number }): void;
  rename(slide: Slide, value?: string): void;
  reword(linkId: LinkId): void;
  lead(linkId: LinkId): void;
  remove(): void;
  duplicate(): void;
  duplicateBelow(slideId: SlideId): void;
  copy(): void;
  /** Into another deck. */
  copyInto(): void;
  setFlag(slides: Slide[], flag: SlideFlag, value: boolean): void;
  makeStart(slideId: SlideId): void;
  open(slideId: SlideId): void;
  makeSection(): void;
  leaveSection(): void;
  editSection(section: Section): void;
  openStarters(): void;
  /** Each of the picked slides in the best arrangement for it. */
  setOut(): void;
  /** Links a slide to another one, or to the one that is chosen next. */
  linkFrom(from: SlideId, to?: SlideId): void;
  keepAsStarter(slide: Slide): void;
}

/** At the foot of the map: what can be done with what is in hand, with its keys, or the line being typed. */
export function MapBar(props: {
  slides: Slide[];
  link: Link | undefined;
  /** What carries the link, in words. */
  carriedBy: string;
  /** Why students do not get the link. */
  missed: Unmet | null;
  /** Those of the one slide in hand. */
  waysOut: readonly Link[];
  startSlideId: SlideId | null;
  prompt: Prompt | null;
  onPromptEnd: () => void;
  act: MapActions;
}): ReactElement {
  const { slides, link, act, prompt } = props;
  const { isOpen, refusalOf } = useDeck();
  const [slide, ...more] = slides;
  return (
    <div
      role="toolbar"
      aria-label="Map"
      className="absolute bottom-4 left-4 z-10 flex max-w-[calc(100%-250px)] flex-wrap items-center gap-x-1 gap-y-1 rounded-[6px] border border-line bg-sheet px-2 py-1.5 max-sm:right-4 max-sm:max-w-none"
    >
      {!isOpen ? (
        <>
          <LookOnly />
          {slide && more.length === 0 && <Act onClick={() => act.open(slide.id)}>Open</Act>}
        </>
      ) : prompt ? (
        <PromptLine key={prompt.label + prompt.value} prompt={prompt} onEnd={props.onPromptEnd} />
      ) : slide && more.length === 0 ? (
        <>
          <OneSlide slide={slide} isStart={slide.id === props.startSlideId} act={act} />
          {/* Wires are painted; this is what is read aloud of them. */}
          <ul aria-label={`Ways out of ${titleOf(slide)}`} className="sr-only">
            {props.waysOut.map(({ id, wording }) => (
              <li key={id}>{wording}</li>
            ))}
          </ul>
        </>
      ) : slide ? (
        <ManySlides slides={slides} act={act} />
      ) : link ? (
        <>
          <Name className="text-ember-deep">“{link.wording}”</Name>
          {props.missed !== 'no-carrier' && (
            <span className="px-1 text-[13px] text-soft">{props.carriedBy}</span>
          )}
          {props.missed && (
            <span className="px-1 text-[13px] font-semibold text-ember-deep">
              Students do not get it: {MISSED[props.missed]}
            </span>
          )}
          <Act
            keys="F2"
            why={refusalOf(rewordLink, link.id, link.wording || '…')}
            onClick={() => act.reword(link.id)}
          >
            Reword
          </Act>
          <Act keys="Ctrl+K" onClick={() => act.lead(link.id)}>
            Lead elsewhere
          </Act>
          <Act keys="Del" onClick={act.remove}>
            Cut the wire
          </Act>
        </>
      ) : (
        <>
          <Act onClick={() => act.addSlide()}>New slide</Act>
          <Act onClick={act.openStarters}>From a starter</Act>
        </>
      )}
    </div>
  );
}

const MISSED: Record<Unmet, string> = {
  'from-left-out': 'its slide is left out',
  'no-carrier': 'nothing on its slide carries it',
  'carrier-off-stage': 'what carries it lies beside the stage',
  'leads-nowhere': 'it leads nowhere',
  'to-left-out': 'it leads to a slide that is left out',
  'off-trail': 'the trail they walk does not go on from here',
  'to-other-deck': 'they have no other deck',
};

function OneSlide(props: { slide: Slide; isStart: boolean; act: MapActions }): ReactElement {
  const { slide, act } = props;
  const flag = (name: SlideFlag): void => act.setFlag([slide], name, !slide[name]);
  return (
    <>
      <Name>{titleOf(slide)}</Name>
      <Act keys="Tab" onClick={() => act.addChoice(slide.id)}>
        add a choice
      </Act>
      <Act keys="Enter" onClick={() => act.addBeside(slide.id)}>
        one beside it
      </Act>
      <Act keys="Ctrl+K" onClick={() => act.linkFrom(slide.id)}>
        Link to …
      </Act>
      <Act onClick={() => act.open(slide.id)}>Open</Act>
      <Act keys="F2" onClick={() => act.rename(slide)}>
        Rename
      </Act>
      <Act isOn={slide.isEnding} onClick={() => flag('isEnding')}>
        Ending
      </Act>
      <Act isOn={slide.isReady} onClick={() => flag('isReady')}>
        Ready
      </Act>
      {!props.isStart && <Act onClick={() => act.makeStart(slide.id)}>Start here</Act>}
      <Act keys="Del" onClick={act.remove}>
        Delete
      </Act>
      <More>
        <MoreAct keys="Ctrl+D" onPick={act.duplicate}>
          Duplicate
        </MoreAct>
        <MoreAct keys="Ctrl+Shift+D" onPick={() => act.duplicateBelow(slide.id)}>
          Duplicate with what hangs below
        </MoreAct>
        <MoreAct keys="Ctrl+C" onPick={act.copy}>
          Copy
        </MoreAct>
        <MoreAct onPick={act.copyInto}>Copy into another deck …</MoreAct>
        <MoreAct onPick={act.openStarters}>A starter beside it</MoreAct>
        <MoreAct onPick={() => act.keepAsStarter(slide)}>Keep as a starter</MoreAct>
        <DropdownMenu.Separator className="my-1 border-t border-line" />
        <MoreFlag isOn={slide.isPattern} onPick={() => flag('isPattern')}>
          Open for leaves
        </MoreFlag>
        <MoreFlag isOn={slide.isLeftOut} onPick={() => flag('isLeftOut')}>
          Left out of lessons and shows
        </MoreFlag>
        <MoreFlag isOn={slide.runsOn} onPick={() => flag('runsOn')}>
          Arrow keys run past its choices
        </MoreFlag>
        <DropdownMenu.Separator className="my-1 border-t border-line" />
        <MoreAct keys="Ctrl+G" onPick={act.makeSection}>
          New section from it
        </MoreAct>
        {slide.sectionId && <MoreAct onPick={act.leaveSection}>Out of its section</MoreAct>}
      </More>
    </>
  );
}

function ManySlides({ slides, act }: { slides: Slide[]; act: MapActions }): ReactElement {
  const areReady = slides.every(({ isReady }) => isReady);
  return (
    <>
      <Name>{slides.length} slides</Name>
      {slides.length === 2 && (
        <Act keys="Ctrl+K" onClick={() => act.linkFrom(slides[0]!.id, slides[1]!.id)}>
          Link the first to the second
        </Act>
      )}
      <Act keys="Ctrl+G" onClick={act.makeSection}>
        Section
      </Act>
      <Act isOn={areReady} onClick={() => act.setFlag(slides, 'isReady', !areReady)}>
        Ready
      </Act>
      <Act onClick={act.setOut}>Set out</Act>
      <Act keys="Ctrl+D" onClick={act.duplicate}>
        Duplicate
      </Act>
      <Act keys="Ctrl+C" onClick={act.copy}>
        Copy
      </Act>
      <Act onClick={act.copyInto}>Into another deck …</Act>
      {slides.some(({ sectionId }) => sectionId) && (
        <Act onClick={act.leaveSection}>Out of the section</Act>
      )}
      <Act keys="Del" onClick={act.remove}>
        Delete
      </Act>
    </>
  );
}

function Name({
  className = '',
  children,
}: {
  className?: string;
  children: ReactNode;
}): ReactElement {
  return (
    <span className={`max-w-[180px] truncate px-1.5 text-[13px] font-semibold ${className}`}>
      {children}
    </span>
  );
}

function Act(props: {
  keys?: string;
  isOn?: boolean;
  /** Why it cannot be done now. */
  why?: string | null;
  onClick: () => unknown;
  children: string;
}): ReactElement {
  const { why = null } = props;
  return (
    <button
      type="button"
      aria-pressed={props.isOn}
      disabled={why !== null}
      title={why ?? undefined}
      onClick={() => props.onClick()}
      className={`min-h-8 rounded-[4px] px-1.5 text-[13px] hover:bg-sand disabled:opacity-40 ${props.isOn ? 'bg-petrol-mist font-semibold text-petrol' : 'text-soft'}`}
    >
      {props.keys && <kbd className="mr-1 text-ink">{props.keys}</kbd>}
      {props.children}
    </button>
  );
}

function More({ children }: { children: ReactNode }): ReactElement {
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger
        aria-label="More"
        className="grid size-8 place-items-center rounded-[4px] text-soft hover:bg-sand"
      >
        <MoreHorizontal size={17} />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          side="top"
          sideOffset={6}
          className="z-30 rounded-[6px] border border-line bg-sheet p-1.5 text-[13.5px]"
        >
          {children}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

const MORE_LOOK =
  'flex min-h-8 cursor-default items-center justify-between gap-6 rounded-[4px] px-2 outline-none data-[highlighted]:bg-petrol-mist';

function MoreAct(props: { keys?: string; onPick: () => void; children: string }): ReactElement {
  return (
    <DropdownMenu.Item className={MORE_LOOK} onSelect={props.onPick}>
      {props.children}
      {props.keys && <kbd className="text-[12px] text-soft">{props.keys}</kbd>}
    </DropdownMenu.Item>
  );
}

function MoreFlag(props: { isOn: boolean; onPick: () => void; children: string }): ReactElement {
  return (
    <DropdownMenu.CheckboxItem checked={props.isOn} className={MORE_LOOK} onSelect={props.onPick}>
      {props.children}
      <span aria-hidden className="text-petrol">
        {props.isOn ? '✓' : ''}
      </span>
    </DropdownMenu.CheckboxItem>
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
