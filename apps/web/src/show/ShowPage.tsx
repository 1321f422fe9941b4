import {
  arriveAt,
  DeckReader,
  defaultTrail,
  followTo,
  onlyWayOut,
  routeGraph,
  stopTo,
  waitsForChoice,
  whatStudentsMeet,
  type Deck,
  type SlideElement,
  type ElementId,
  type LinkId,
  type SlideId,
  stepsOn,
  entryAt,
  asId,
  titleOf,
} from '@gobrel/core';
import { useCallback, useLayoutEffect, useMemo, useState, type ReactElement } from 'react';
import { useNavigate, useParams, useSearchParams } from 'react-router';
import { RequireTeacher } from '../ui/RequireTeacher';
import { SlideCard } from '../cards/SlideCard';
import { useTouchWalk } from './useTouchWalk';
import { openBeside } from '../links/openTarget';
import { WithinDeck } from '../stage/WithinDeck';
import { PlayingSlides } from '../elements/media/Playing';
import { Spot } from '../stage/Spot';
import { Turning } from '../stage/Turning';
import { useFlight } from '../stage/useFlight';
import { FittedSlide, SlideView } from '../stage/SlideView';
import type { OpenDocument } from '../sync/openDocument';
import { useDocument, useReader } from '../sync/useDocument';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { NotYours } from '../ui/NotYours';
import { Centre } from '../ui/Page';

interface Step {
  slideId: SlideId;
  /** Where on the trail this is; none beside it. */
  stop?: number;
  spotId?: ElementId;
  /** How many of the things that come one by one have come. */
  shown?: number;
}

export default function ShowPage(): ReactElement {
  const { deckId = '' } = useParams();
  return (
    <RequireTeacher>
      {(teacher) => (
        <Opened key={deckId} deckId={deckId} keepAs={`gobrel:${teacher.id}:deck:${deckId}`} />
      )}
    </RequireTeacher>
  );
}

function Opened({ deckId, keepAs }: { deckId: string; keepAs: string }): ReactElement {
  const opening = useDocument(`deck:${deckId}`, { keepAs });
  if (opening.state === 'opening') return <Centre>Opening …</Centre>;
  if (opening.state === 'failed') return <NotYours>{opening.reason}</NotYours>;
  return <Show deckId={deckId} document={opening.document} />;
}

/** How near the lower edge, in pixels, a pointer brings the band. */
const AT_THE_EDGE = 90;

/** What arrow keys, and the clickers that teachers hold, send. */
const BACK_KEYS = ['ArrowLeft', 'Backspace', 'PageUp'];
const ON_KEYS = ['ArrowRight', 'PageDown'];

function Show({ deckId, document }: { deckId: string; document: OpenDocument }): ReactElement {
  const whole: Deck = useReader(document.doc, (doc) => new DeckReader(doc));
  const navigate = useNavigate();
  const [query] = useSearchParams();
  // What is left out is not come to; who begins on such a slide wants to see it all the same.
  const isApart = entryAt(whole.slides, asId(query.get('from')))?.isLeftOut === true;
  const deck = useMemo(
    () => (isApart ? whole : whatStudentsMeet(whole, 'show').deck),
    [whole, isApart],
  );
  const graph = useMemo(() => routeGraph(deck), [deck]);
  const trail = deck.trails.find(({ id }) => id === query.get('trail')) ?? defaultTrail(deck);
  const [walk, setWalk] = useState<Step[]>(() => {
    const from = asId<SlideId>(query.get('from'));
    const slideId = from && deck.slides[from] ? from : deck.startSlideId;
    return slideId ? [{ slideId, stop: arriveAt(trail, slideId, undefined) }] : [];
  });
  const [isBandShown, setIsBandShown] = useState(false);
  const [isMapOpen, setIsMapOpen] = useState(false);
  const last = walk.at(-1);
  const here = last?.slideId ?? null;
  // Left out while it is shown: it stays until the show goes on.
  const slide = entryAt(whole.slides, here);
  const stop = last?.stop === undefined ? undefined : trail?.stops[last.stop];
  const { camera, way } = useFlight(slide, last?.spotId ?? stop?.closeUpId, walk.length);
  const isWaiting = here !== null && waitsForChoice(graph, here) && !slide?.runsOn;
  const goTo = useCallback(
    (slideId: SlideId, spotId?: ElementId, stop?: number) =>
      setWalk((old) => [
        ...old,
        { slideId, stop: stop ?? arriveAt(trail, slideId, old.at(-1)?.stop), spotId },
      ]),
    [trail],
  );
  const steps = slide ? stepsOn(slide) : 0;
  const shown = Math.min(last?.shown ?? 0, steps);
  const isStillToCome = useCallback(({ comes }: SlideElement) => comes > shown, [shown]);
  const back = useCallback(
    () =>
      setWalk((old) => {
        const now = old.at(-1);
        if (now?.shown) return [...old.slice(0, -1), { ...now, shown: now.shown - 1 }];
        return old.length > 1 ? old.slice(0, -1) : old;
      }),
    [],
  );
  const follow = useCallback(
    (linkId: LinkId) => {
      const link = deck.links[linkId];
      if (!link || openBeside(link.target)) return;
      const { target } = link;
      if (target.kind === 'step' && target.step === 'back') return back();
      if (target.kind === 'deck') {
        const from = target.slideId ? `?from=${target.slideId}` : '';
        return void navigate(`/deck/${target.deckId}/show${from}`);
      }
      const along = { trail, stop: last?.stop, meetsCloseUps: true };
      const goal = followTo(deck, link, along);
      const spotId = target.kind === 'slide' ? target.spotId : undefined;
      if (goal) goTo(goal, spotId, stopTo(deck, link, along));
    },
    [deck, goTo, back, navigate, trail, last],
  );
  /** Arrows go along the trail, or along the only way out; at a choice they stop. */
  const goOn = useCallback(() => {
    if (shown < steps) {
      return setWalk((old) =>
        old.map((step, at) => (at === old.length - 1 ? { ...step, shown: shown + 1 } : step)),
      );
    }
    const next = last?.stop === undefined ? undefined : trail?.stops[last.stop + 1];
    // A close-up on this slide is no step away from its choices.
    if (isWaiting && next?.slideId !== here) return setIsBandShown(true);
    const way = here ? onlyWayOut(graph, here) : undefined;
    if (next) goTo(next.slideId);
    else if (way) follow(way.id);
    else setIsBandShown(true);
  }, [isWaiting, last, trail, graph, here, goTo, follow, shown, steps]);

  // Before it is painted: whoever sees a slide may press a key.
  useLayoutEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (isMapOpen) return;
      if (event.key === 'Escape') return void navigate(`/deck/${deckId}/map`);
      // A link or button that has the focus takes Space and Enter for itself.
      const isFocused = (event.target as HTMLElement).closest?.('a, button, input, [role=link]');
      const isPress = (event.key === ' ' || event.key === 'Enter') && !isFocused;
      if (BACK_KEYS.includes(event.key)) back();
      else if (ON_KEYS.includes(event.key) || isPress) goOn();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [goOn, back, navigate, deckId, isMapOpen]);

  const touch = useTouchWalk({
    isOff: isMapOpen,
    onTap: () => setIsBandShown(!isBandShown),
    onSwipe: (way) => (way === 'on' ? goOn() : back()),
  });

  if (!slide) return <Centre title="Nothing to show">This deck has no slide to start on.</Centre>;
  return (
    <main
      data-shows
      className="relative h-full touch-none bg-[#10191d]"
      onPointerMove={(event) => {
        if (event.pointerType !== 'touch')
          setIsBandShown(event.clientY > window.innerHeight - AT_THE_EDGE);
      }}
      {...touch}
    >
      <h1 className="sr-only">
        {deck.title}: {titleOf(slide)}
      </h1>
      <WithinDeck deck={deck}>
        <PlayingSlides deck={deck} here={here}>
          <Turning deck={deck} slide={slide}>
            <FittedSlide
              key={here}
              className="bg-[#10191d]"
              slide={slide}
              theme={deck.theme}
              links={graph.waysOut.get(slide.id)}
              onFollow={follow}
              isHidden={isStillToCome}
              camera={camera}
              overlay={<Spot slide={slide} spotId={last?.spotId} />}
            />
          </Turning>
        </PlayingSlides>
      </WithinDeck>
      {way}
      <div
        // What is not seen is not pressed by mistake; keys still come to it.
        className={`absolute inset-x-0 bottom-0 flex items-center gap-3 bg-paper/95 px-6 py-3 transition-opacity focus-within:pointer-events-auto focus-within:opacity-100 ${isBandShown ? 'opacity-100' : 'pointer-events-none opacity-0'}`}
      >
        <Button onClick={back} disabled={walk.length < 2 && shown === 0}>
          Back
        </Button>
        <span className="text-[13px] text-soft">The walk so far</span>
        <ol className="flex items-center gap-2 overflow-hidden">
          {walk.slice(-6).map(({ slideId }, index, last6) => {
            const walked = whole.slides[slideId];
            return walked ? (
              <li key={index} className="flex items-center gap-2">
                {index > 0 && <span className="text-ember">→</span>}
                <span
                  className="block overflow-hidden rounded-[3px] border border-line"
                  aria-hidden
                  inert
                >
                  <SlideView
                    slide={walked}
                    theme={deck.theme}
                    links={graph.waysOut.get(slideId)}
                    isHidden={index === last6.length - 1 ? isStillToCome : undefined}
                    width={72}
                  />
                </span>
              </li>
            ) : null;
          })}
        </ol>
        <span className="ml-auto text-[13px] font-semibold text-ember-deep">
          {shown < steps
            ? `${steps - shown} more to come`
            : slide.isEnding
              ? 'An ending'
              : isWaiting
                ? 'Waiting for a choice'
                : ''}
        </span>
        <Button onClick={() => setIsMapOpen(true)}>Map</Button>
        <Button look="quiet" onClick={() => void navigate(`/deck/${deckId}/map`)}>
          Leave the show
        </Button>
      </div>
      <Dialog title="Jump to a slide" isOpen={isMapOpen} onClose={() => setIsMapOpen(false)} isWide>
        <ul className="grid grid-cols-[repeat(auto-fill,150px)] gap-3">
          {Object.values(deck.slides)
            .sort((a, b) => a.x - b.x || a.y - b.y)
            .map((candidate) => (
              <li key={candidate.id}>
                <button
                  type="button"
                  className="block text-left"
                  aria-label={titleOf(candidate)}
                  onClick={() => {
                    goTo(candidate.id);
                    setIsMapOpen(false);
                  }}
                >
                  <SlideCard
                    slide={candidate}
                    theme={deck.theme}
                    links={graph.waysOut.get(candidate.id) ?? []}
                    isSelected={candidate.id === here}
                  />
                </button>
              </li>
            ))}
        </ul>
      </Dialog>
    </main>
  );
}
