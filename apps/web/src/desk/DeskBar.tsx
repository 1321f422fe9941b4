import { withFormulas } from '../parts/withFormulas';
import {
  votesOn,
  waysOn,
  type Deck,
  type DeskStudent,
  type LessonState,
  type Link,
  type RouteGraph,
  type SlideId,
  entryAt,
  type LinkId,
  titleOf,
} from '@gobrel/core';
import { useState, type ReactElement } from 'react';
import { Button } from '../ui/Button';
import { Countdown, useTimer } from '../ui/Countdown';
import { Segments } from '../ui/Segments';
import { Sheet } from '../ui/Sheet';
import type { DeskActions } from '../lesson/useDeskActions';

/** What moves the class: pace, on and back, vote, hold, timer, ask now. */
export function DeskBar(props: {
  state: LessonState;
  edition: Deck;
  graph: RouteGraph;
  students: readonly DeskStudent[];
  /** The slide that is looked at. */
  slideId: SlideId | null;
  act: DeskActions;
  onAsk: () => void;
}): ReactElement {
  const { state, act, slideId } = props;
  const isTogether = state.pace === 'together';
  return (
    <div className="flex flex-wrap items-center gap-2 px-4 py-3">
      <Segments
        label="Pace"
        value={state.pace}
        onChange={(pace) => act.pace(pace, pace === 'together' ? slideId : null)}
        options={[
          { value: 'together', label: 'Together' },
          { value: 'own', label: 'Own pace' },
        ]}
      />
      {isTogether && <Moves {...props} />}
      <Hold state={state} act={act} />
      <Timer state={state} act={act} />
      {state.askedSlideId ? (
        <Button look="main" onClick={() => act.ask(null)}>
          Enough asked
        </Button>
      ) : (
        <Button onClick={props.onAsk}>Ask now</Button>
      )}
    </div>
  );
}

/** Back, on along a way out, and the vote on which. */
function Moves(props: {
  state: LessonState;
  edition: Deck;
  graph: RouteGraph;
  students: readonly DeskStudent[];
  act: DeskActions;
}): ReactElement {
  const { state, edition, graph, act, students } = props;
  const [been, setBeen] = useState<SlideId[]>([]);
  const here = state.slideId;
  const ways = here ? waysOn(graph, here) : [];
  const before = been.at(-1) ?? (here ? graph.waysIn.get(here)?.[0]?.from : undefined);
  const go = (link: Link): void => {
    const [to] = graph.to.get(link.id) ?? [];
    if (!to) return;
    setBeen(here ? [...been, here] : been);
    act.pace('together', to);
  };
  const counts: Record<LinkId, number> = here ? votesOn(students, here) : {};
  const votes = (linkId: LinkId): number => counts[linkId] ?? 0;
  const most = Math.max(1, ...ways.map(({ id }) => votes(id)));
  const { vote } = state;
  const [only] = ways;
  return (
    <span className="flex items-center gap-1">
      <Button
        disabled={!before}
        onClick={() => {
          setBeen(been.slice(0, -1));
          act.pace('together', before);
        }}
      >
        Back
      </Button>
      {ways.length === 1 && only && (
        <Button look="ember" title={only.wording} onClick={() => go(only)}>
          On
        </Button>
      )}
      {ways.length > 1 && (
        <Sheet
          label="Ways on"
          width={330}
          trigger={
            <Button look="ember" aria-label={vote ? 'Ways on: vote' : 'Ways on'}>
              {vote ? (vote.isOpen ? 'Voting …' : 'Vote') : 'On …'}
            </Button>
          }
        >
          {(close) => (
            <>
              <ul className="flex flex-col gap-1.5">
                {ways.map((link) => {
                  const [to] = graph.to.get(link.id) ?? [];
                  return (
                    <li key={link.id}>
                      <button
                        type="button"
                        onClick={() => {
                          go(link);
                          close();
                        }}
                        className="relative flex min-h-10 w-full items-center gap-2 overflow-hidden rounded-[6px] border border-[#e6c4b6] px-3 text-left"
                      >
                        {vote && (
                          <span
                            className="absolute inset-y-0 left-0 bg-ember-mist"
                            style={{ width: `${(votes(link.id) / most) * 100}%` }}
                          />
                        )}
                        <span className="relative flex-1 font-semibold text-ember-deep">
                          {withFormulas(link.wording || 'On')}
                        </span>
                        <span className="relative text-soft">
                          {titleOf(entryAt(edition.slides, to))}
                        </span>
                        {vote && <b className="relative">{votes(link.id)}</b>}
                      </button>
                    </li>
                  );
                })}
              </ul>
              <div className="mt-3 flex gap-2">
                {!vote && <Button onClick={() => act.vote('open')}>Let the class vote</Button>}
                {vote?.isOpen && <Button onClick={() => act.vote('closed')}>Close the vote</Button>}
                {vote && !vote.isOpen && (
                  <Button onClick={() => act.vote('open')}>Open it again</Button>
                )}
                {vote && (
                  <Button look="quiet" onClick={() => act.vote('none')}>
                    Put it away
                  </Button>
                )}
              </div>
            </>
          )}
        </Sheet>
      )}
    </span>
  );
}

function Hold({ state, act }: { state: LessonState; act: DeskActions }): ReactElement {
  const [word, setWord] = useState('');
  if (state.isHeld) {
    return (
      <Button look="main" aria-pressed onClick={() => act.hold(false)}>
        Let go on
      </Button>
    );
  }
  return (
    <span className="flex">
      <Button aria-pressed={false} className="rounded-r-none" onClick={() => act.hold(true)}>
        Hold
      </Button>
      <Sheet
        label="Hold with a word"
        trigger={
          <Button aria-label="Hold with a word" className="-ml-px rounded-l-none !px-2">
            …
          </Button>
        }
      >
        {(close) => (
          <form
            className="flex gap-2"
            onSubmit={(event) => {
              event.preventDefault();
              act.hold(true, word);
              setWord('');
              close();
            }}
          >
            <input
              aria-label="Word that goes with the hold"
              placeholder="Look at the big screen"
              value={word}
              maxLength={200}
              onChange={(event) => setWord(event.target.value)}
              className="h-9 min-w-0 flex-1 rounded-[4px] border border-line px-2"
            />
            <Button type="submit" look="main">
              Hold
            </Button>
          </form>
        )}
      </Sheet>
    </span>
  );
}

const TIMES = [1, 2, 3, 5, 10, 15];

function Timer({ state, act }: { state: LessonState; act: DeskActions }): ReactElement {
  const timer = useTimer(state.timerEndsAt);
  return (
    <Sheet
      label="Timer"
      width={230}
      trigger={
        <Button aria-label="Timer">
          {timer ? <Countdown said={timer} className="tabular-nums" /> : 'Timer'}
        </Button>
      }
    >
      {(close) => (
        <div className="grid grid-cols-3 gap-1.5">
          {TIMES.map((minutes) => (
            <Button
              key={minutes}
              onClick={() => {
                act.timer(minutes * 60);
                close();
              }}
            >
              {minutes} min
            </Button>
          ))}
          <Button
            look="quiet"
            className="col-span-3"
            disabled={!timer}
            onClick={() => {
              act.timer(null);
              close();
            }}
          >
            Stop it
          </Button>
        </div>
      )}
    </Sheet>
  );
}
