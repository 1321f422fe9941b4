import {
  asId,
  entryAt,
  titleOf,
  type Deck,
  type InkStroke,
  type Link,
  type Slide,
  type SlideId,
  type TrailId,
} from '@gobrel/core';
import { Suspense, useState, type ReactElement } from 'react';
import { part } from '../offline/part';
import { FittedSlide, SlideView } from '../stage/SlideView';
import { Spot } from '../stage/Spot';
import { useFlight } from '../stage/useFlight';
import { WithinDeck } from '../stage/WithinDeck';
import { Button } from '../ui/Button';
import { useIsNarrow } from '../walking/useIsNarrow';
import { useWalkKeys } from '../walking/useWalking';
import { PointingSurface, type Tool } from './PointingSurface';
import { Remote } from './Remote';
import { Times } from './Times';
import { usePresenting, type Presenting } from './usePresenting';
import type { ShowLine } from './useShowLine';

const Strip = part(() => import('./Strip'));

/** Keeps what was drawn on a slide in the deck; undefined where this device cannot. */
export type KeepInk = (slideId: SlideId, ink: readonly InkStroke[]) => void;

/** A show as whoever gives it sees it: notes, ways on, time, and a hand that points. On a phone: a remote. */
export function Presenter(props: {
  deck: Deck;
  line: ShowLine;
  onKeepInk?: KeepInk;
}): ReactElement {
  const { deck, line } = props;
  const presenting = usePresenting(deck, line);
  const { walking } = presenting;
  const isNarrow = useIsNarrow();
  useWalkKeys({
    isOff: false,
    onBack: walking.back,
    onOn: walking.on,
    onOther: ({ key }) => {
      if (key !== 'b' && key !== '.') return false;
      presenting.setIsBlack(!presenting.isBlack);
      return true;
    },
  });
  return (
    <WithinDeck deck={deck}>
      {isNarrow ? (
        <Remote deck={deck} line={line} presenting={presenting} />
      ) : (
        <Wide {...props} presenting={presenting} />
      )}
    </WithinDeck>
  );
}

function Wide(props: {
  deck: Deck;
  line: ShowLine;
  presenting: Presenting;
  onKeepInk?: KeepInk;
}): ReactElement {
  const { deck, line, presenting, onKeepInk } = props;
  const { walking, slide, graph, isBlack } = presenting;
  const { walk, here, shown, toCome } = walking;
  const [tool, setTool] = useState<Tool | null>(null);
  const [hasStrip, setHasStrip] = useState(false);
  const { camera } = useFlight(slide, walking.closeUpId, walk.length);
  const ink = entryAt(line.show.ink, here) ?? [];
  const choose = (one: Tool): void => setTool(tool === one ? null : one);
  return (
    <main className="grid h-full grid-cols-[minmax(0,1fr)_360px] bg-paper">
      <h1 className="sr-only">
        {deck.title}: {slide ? titleOf(slide) : ''}
      </h1>
      <div className="flex min-h-0 flex-col border-r border-line">
        <div className={`relative min-h-0 flex-1 bg-[#10191d] ${isBlack ? 'opacity-40' : ''}`}>
          {slide && (
            <FittedSlide
              slide={slide}
              theme={deck.theme}
              links={graph.waysOut.get(slide.id)}
              onFollow={tool ? undefined : presenting.follow}
              isHidden={walking.isStillToCome}
              camera={camera}
              overlay={
                <>
                  <Spot slide={slide} spotId={walking.last?.spotId} />
                  <PointingSurface slideId={slide.id} tool={tool} line={line} />
                </>
              }
            />
          )}
        </div>
        {hasStrip && (
          <Suspense>
            <Strip deck={deck} graph={graph} here={here} onJump={walking.jumpTo} />
          </Suspense>
        )}
        <div
          role="toolbar"
          aria-label="Show"
          className="flex flex-wrap items-center gap-2 border-t border-line px-4 py-2.5"
        >
          <Button size="large" onClick={walking.back} disabled={walk.length < 2 && shown === 0}>
            Back
          </Button>
          <Button size="large" look="main" onClick={walking.on} disabled={walking.isOver}>
            {toCome > 0 ? `On · ${toCome} to come` : 'On'}
          </Button>
          <span className="mx-1 h-7 w-px bg-line" />
          <Tools tool={tool} onChoose={choose} />
          {ink.length > 0 && slide && (
            <>
              <Button look="quiet" onClick={() => line.say({ kind: 'wipe', slideId: slide.id })}>
                Wipe
              </Button>
              {onKeepInk && (
                <Button
                  look="quiet"
                  title="It lies on the slide in the deck from now on"
                  onClick={() => {
                    onKeepInk(slide.id, ink);
                    line.say({ kind: 'wipe', slideId: slide.id });
                  }}
                >
                  Keep
                </Button>
              )}
            </>
          )}
          <span className="mx-1 h-7 w-px bg-line" />
          <Button aria-pressed={hasStrip} onClick={() => setHasStrip(!hasStrip)}>
            Slides
          </Button>
          <Button aria-pressed={isBlack} onClick={() => presenting.setIsBlack(!isBlack)}>
            {isBlack ? 'Show the slide' : 'Black page'}
          </Button>
        </div>
        <Ways deck={deck} presenting={presenting} />
      </div>
      <aside aria-label="For you" className="flex min-h-0 flex-col">
        <Times deck={deck} timing={line.timing} here={here} />
        <WhoFollows line={line} isBlack={isBlack} />
        <section aria-label="Notes" className="min-h-0 flex-1 overflow-y-auto px-4 py-3">
          <h2 className="mb-1 text-[16px]">{slide ? titleOf(slide) : ''}</h2>
          <p className="text-[19px] leading-[1.5] whitespace-pre-wrap">
            {slide?.notes || <span className="text-soft">No notes on this slide.</span>}
          </p>
        </section>
        <section aria-label="The walk so far" className="border-t border-line px-4 py-2.5">
          <div className="flex min-h-9 items-center justify-between gap-2">
            <p className="text-[13px] text-soft">The walk so far</p>
            {deck.trails.length > 0 && (
              <select
                aria-label="The trail that is followed"
                value={presenting.trailId ?? ''}
                onChange={(event) => presenting.setTrail(asId<TrailId>(event.target.value))}
                className="h-9 max-w-[180px] rounded-[6px] border border-line bg-sheet px-2"
              >
                <option value="">No trail chosen</option>
                {deck.trails.map(({ id, name }) => (
                  <option key={id} value={id}>
                    Trail: {name}
                  </option>
                ))}
              </select>
            )}
          </div>
          <ol className="mt-1 flex items-center gap-1.5 overflow-hidden">
            {walk.slice(-5).map(({ slideId }, index) => (
              <li key={index} className="flex min-w-0 items-center gap-1.5 text-[13px]">
                {index > 0 && <span className="text-ember">→</span>}
                <span className="truncate">{titleOf(deck.slides[slideId] ?? NAMELESS)}</span>
              </li>
            ))}
          </ol>
        </section>
      </aside>
    </main>
  );
}

const NAMELESS = { title: '', elements: [] } as unknown as Slide;

/** A hand that points, or draws. */
function Tools(props: { tool: Tool | null; onChoose: (tool: Tool) => void }): ReactElement {
  const { tool, onChoose } = props;
  const one = (name: Tool, label: string): ReactElement => (
    <Button aria-pressed={tool === name} onClick={() => onChoose(name)}>
      {label}
    </Button>
  );
  return (
    <>
      {one('point', 'Point')}
      {one('pen', 'Pen')}
      {one('marker', 'Marker')}
    </>
  );
}

/** What those see who follow, in a word. */
function WhoFollows({ line, isBlack }: { line: ShowLine; isBlack: boolean }): ReactElement {
  const { timing, isAlive } = line;
  const count = timing?.followers ?? 0;
  return (
    <p role="status" className="border-b border-line px-4 py-2 text-[13.5px]">
      {!isAlive ? (
        <span className="font-semibold text-ember-deep">
          No connection: others see where the show was. It goes on for them as soon as there is one.
        </span>
      ) : count === 0 ? (
        <span className="text-soft">Nobody follows on a device of their own.</span>
      ) : (
        <>
          <b>{count}</b> {count === 1 ? 'device follows' : 'devices follow'}
          {isBlack ? ': the page is black.' : ` and ${count === 1 ? 'sees' : 'see'} this slide.`}
        </>
      )}
    </p>
  );
}

/** Where it can go from here, as pictures. */
function Ways({ deck, presenting }: { deck: Deck; presenting: Presenting }): ReactElement {
  const { graph, choices, next, walking, slide } = presenting;
  const isChosen = (link: Link): boolean =>
    next !== undefined && (graph.to.get(link.id) ?? []).includes(next.id);
  // What an arrow leads to stands first, where no choice leads there.
  const byTrail = next && !choices.some(isChosen) ? next : undefined;
  return (
    <section aria-label="Ways on" className="border-t border-line bg-sand/40 px-4 py-2.5">
      <p className="text-[13px] text-soft">
        {slide?.isEnding
          ? 'An ending'
          : choices.length > 1 && !next
            ? 'It waits for a choice'
            : 'Ways on'}
      </p>
      <ul className="mt-1.5 flex min-h-[116px] gap-3 overflow-x-auto pb-1">
        {byTrail && (
          <li>
            <Way
              deck={deck}
              presenting={presenting}
              to={byTrail}
              words="On"
              isNext
              onTake={walking.on}
            />
          </li>
        )}
        {choices.map((link) => (
          <li key={link.id}>
            <Way
              deck={deck}
              presenting={presenting}
              to={entryAt(deck.slides, graph.to.get(link.id)?.[0])}
              words={link.wording || 'On'}
              isNext={isChosen(link)}
              onTake={() => presenting.follow(link.id)}
            />
          </li>
        ))}
      </ul>
    </section>
  );
}

function Way(props: {
  deck: Deck;
  presenting: Presenting;
  to: Slide | undefined;
  words: string;
  /** An arrow leads there. */
  isNext: boolean;
  onTake: () => void;
}): ReactElement {
  const { deck, to, isNext } = props;
  return (
    <button
      type="button"
      onClick={props.onTake}
      className={`block w-[152px] rounded-[6px] border-2 bg-sheet p-1 text-left hover:border-petrol ${isNext ? 'border-ember' : 'border-line'}`}
    >
      <span aria-hidden inert className="block h-[80px] overflow-hidden rounded-[3px] bg-sand">
        {to && (
          <SlideView
            slide={to}
            theme={deck.theme}
            links={props.presenting.graph.waysOut.get(to.id)}
            width={142}
          />
        )}
      </span>
      <span className="block truncate px-0.5 pt-0.5 text-[13px] font-semibold text-ember-deep">
        {props.words}
      </span>
    </button>
  );
}
