import {
  asId,
  choicesOf,
  DeckReader,
  entryAt,
  hasNestedSections,
  readPace,
  routeGraph,
  slideNumbers,
  titleOf,
  trailToWalk,
  whatStudentsMeet,
  type Deck,
  type LinkId,
  type SlideId,
  type TrailId,
} from '@gobrel/core';
import { Suspense, useCallback, useEffect, useMemo, useState, type ReactElement } from 'react';
import { useNavigate, useParams } from 'react-router';
import { RequireTeacher } from '../ui/RequireTeacher';
import { useTouchWalk } from '../walking/useTouchWalk';
import { openBeside } from '../links/openTarget';
import { WithinDeck } from '../stage/WithinDeck';
import { PlayingSlides } from '../elements/media/Playing';
import { Spot } from '../stage/Spot';
import { Turning } from '../stage/Turning';
import { useFlight } from '../stage/useFlight';
import { useWalking, useWalkKeys } from '../walking/useWalking';
import { FittedSlide, SlideView } from '../stage/SlideView';
import type { OpenDocument } from '../sync/openDocument';
import { useDocument, useReader } from '../sync/useDocument';
import { part } from '../offline/part';
import { Button } from '../ui/Button';
import { useNotices } from '../ui/Notice';
import { useAddress } from '../ui/useAddress';
import { memory } from '../sync/memory';
import { useOthers } from './useOthers';
import { usePlaying } from './usePlaying';
import { NotYours } from '../ui/NotYours';
import { Centre } from '../ui/Page';

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
  return <Show deckId={deckId} opened={opening.document} />;
}

// What a show needs when it is asked for.
const ShowMap = part(() => import('./ShowMap'));
const PlayDialog = part(() => import('./PlayDialog'));
const OthersDialog = part(() => import('./OthersDialog'));
const LeaveDialog = part(() => import('./LeaveDialog'));
const TriedSlide = part(() => import('./TriedSlide'));
const OverSlide = part(() => import('./OverSlide'));
const Marks = part(() => import('../running/Marks'));
const Strip = part(() => import('../running/Strip'));

/** Whether the code of a show stands on its first slide. */
const ON_FIRST = 'gobrel.codeOnFirst';

/** No slide: the numbers begin with the first one of the map. */
const NO_FIRST = '' as SlideId;

/** Where sections lie in one another, arrows go across them and within. */
const BESIDE: Readonly<Record<string, ['across' | 'within', 1 | -1]>> = {
  ArrowRight: ['across', 1],
  ArrowLeft: ['across', -1],
  ArrowDown: ['within', 1],
  ArrowUp: ['within', -1],
};

/** Milliseconds that a slide stays until the address leads to it. */
const ADDRESS_AFTER = 150;

/** How near the lower edge, in pixels, a pointer brings the band. */
const AT_THE_EDGE = 90;

function Show(props: { deckId: string; opened: OpenDocument }): ReactElement {
  const { deckId, opened } = props;
  const whole: Deck = useReader(opened.doc, (doc) => new DeckReader(doc));
  const navigate = useNavigate();
  // What the address says of the show, so that a page that is loaded anew is the same.
  const [query, setQuery] = useAddress();
  const [from] = useState(() => asId<SlideId>(query.get('from')));
  // What is left out is not come to; who begins on such a slide wants to see it all the same.
  const isApart = entryAt(whole.slides, from)?.isLeftOut === true;
  const deck = useMemo(
    () => (isApart ? whole : whatStudentsMeet(whole, 'show').deck),
    [whole, isApart],
  );
  const graph = useMemo(() => routeGraph(deck), [deck]);
  const chosen = query.get('trail');
  const ground = useMemo(
    () => ({ deck, graph, trail: trailToWalk(deck, chosen), isLed: chosen !== null }),
    [deck, graph, chosen],
  );
  const [isBandShown, setIsBandShown] = useState(false);
  const [hasStrip, setHasStrip] = useState(false);
  const [open, setOpen] = useState<'map' | 'play' | 'others' | 'leave' | null>(null);
  const [isBlack, setIsBlack] = useState(false);
  const [digits, setDigits] = useState('');
  // Left out while it is shown: it stays until the show goes on.
  const walking = useWalking(ground, (id) => entryAt(whole.slides, id), {
    from,
    onStopped: useCallback(() => setIsBandShown(true), []),
  });
  const { walk, here, last, back, on, shown, toCome, isWaiting, isStillToCome, jumpTo } = walking;
  const slide = entryAt(whole.slides, here);
  const { camera, way } = useFlight(slide, walking.closeUpId, walk.length);
  useEffect(() => {
    if (here === null) return;
    // Browsers take only so many changes of an address in a while: of a fast walk the last one is enough.
    const timer = setTimeout(() => setQuery({ from: here }), ADDRESS_AFTER);
    return () => clearTimeout(timer);
  }, [here, setQuery]);
  const [isCodeUp, setIsCodeUp] = useState(false);
  const [isOnFirst, setIsOnFirst] = useState(memory.get(ON_FIRST) === 'yes');
  const others = useOthers({
    deckId,
    deck: whole,
    wasOpen: query.has('others'),
    mine: { walking, trailId: asId<TrailId>(chosen), isBlack },
    take: (place) => {
      walking.takeOver(place.walk);
      setQuery({ trail: place.trailId });
      setIsBlack(place.isBlack);
    },
  });
  const { given, line } = others;
  const isShared = given !== null;
  useEffect(() => {
    // A page that is loaded anew has its part in the show again.
    if (isShared) setQuery({ others: '1' });
  }, [isShared, setQuery]);
  const ink = entryAt(line.show.ink, here);
  const first = ground.trail?.stops[0]?.slideId ?? deck.startSlideId;
  const final = ground.trail?.stops.at(-1)?.slideId ?? null;
  const played = query.get('play');
  const pace = useMemo(() => readPace(played), [played]);
  usePlaying({
    pace: open === null ? pace : null,
    isLooped: query.has('loop'),
    slide,
    walking,
    played: slide && choicesOf(graph, slide.id).find(({ isPlayed }) => isPlayed)?.id,
    onRestart: useCallback(() => first && jumpTo(first), [first, jumpTo]),
    onStop: useCallback(() => {
      setQuery({ play: null, loop: null });
      setIsBandShown(true);
    }, [setQuery]),
  });
  const { trouble } = useNotices();
  const fill = (): void => {
    const change = document.fullscreenElement
      ? document.exitFullscreen()
      : document.documentElement.requestFullscreen();
    change.catch(() => trouble('The browser does not let the show fill the screen.'));
  };
  const isNested = useMemo(() => hasNestedSections(ground), [ground]);
  /** Keys of a show: to the ends, to a number, across and within sections, a black page, full screen. */
  const onOther = (event: KeyboardEvent): boolean => {
    const { key } = event;
    if (isCodeUp) {
      setIsCodeUp(false);
      return true;
    }
    if (isBlack) {
      setIsBlack(false);
      return true;
    }
    const typed = digits;
    if (/^\d$/.test(key)) {
      setDigits((typed + key).slice(-4));
      return true;
    }
    if (typed !== '') setDigits('');
    if (key === 'Enter' && typed !== '') {
      const numbers = slideNumbers({ ...deck, numbering: deck.numbering ?? NO_FIRST });
      const [found] = [...numbers].find(([, number]) => number === Number(typed)) ?? [];
      if (found) jumpTo(found);
      else trouble(`There is no slide ${Number(typed)}.`);
      return true;
    }
    if (typed !== '' && key === 'Escape') return true;
    const beside = isNested ? BESIDE[key] : undefined;
    if (beside) walking.beside(...beside);
    else if (key === 'ArrowDown') on();
    else if (key === 'ArrowUp') back();
    else if (key === 'Home' && first) jumpTo(first);
    else if (key === 'End' && final) jumpTo(final);
    else if (key === 'b' || key === '.') setIsBlack(true);
    else if (key === 'f') fill();
    else return false;
    return true;
  };
  const follow = (linkId: LinkId): void => {
    const target = entryAt(deck.links, linkId)?.target;
    if (!target || openBeside(target)) return;
    if (target.kind === 'deck') {
      const at = target.slideId ? `?from=${target.slideId}` : '';
      return void navigate(`/deck/${target.deckId}/show${at}`);
    }
    walking.follow(linkId);
  };
  const leave = useCallback(() => void navigate(`/deck/${deckId}/map`), [navigate, deckId]);
  const askToLeave = useCallback(() => (isShared ? setOpen('leave') : leave()), [isShared, leave]);
  useWalkKeys({ isOff: open !== null, onBack: back, onOn: on, onLeave: askToLeave, onOther });

  const touch = useTouchWalk({
    isOff: open !== null,
    onTap: (edge) => {
      if (edge === null) setIsBandShown(!isBandShown);
      else if (edge === 'right') on();
      else back();
    },
    onSwipe: (way) => (way === 'on' ? on() : back()),
  });

  if (!slide) return <Centre title="Nothing to show">This deck has no slide to start on.</Centre>;
  const stage = {
    className: 'bg-[#10191d]',
    slide,
    theme: deck.theme,
    links: graph.waysOut.get(slide.id) ?? [],
    onFollow: follow,
    isHidden: isStillToCome,
    camera,
    overlay: (
      <>
        <Spot slide={slide} spotId={last?.spotId} />
        {(ink ?? line.point) && (
          <Suspense>
            <Marks ink={ink ?? []} point={line.point} />
          </Suspense>
        )}
      </>
    ),
  };
  const isTried = slide.elements.some(
    ({ kind, layer }) => kind === 'question' || layer === 'pieces',
  );
  return (
    <main
      data-shows
      className="relative h-full touch-none bg-[#10191d]"
      onPointerMove={(event) => {
        if (event.pointerType === 'touch') return;
        const isAtFoot = event.clientY > window.innerHeight - AT_THE_EDGE;
        setIsBandShown(isAtFoot || (event.target as Element).closest('[data-band]') !== null);
      }}
      {...touch}
    >
      <h1 className="sr-only">
        {deck.title}: {titleOf(slide)}
      </h1>
      <WithinDeck deck={deck}>
        <PlayingSlides deck={deck} here={here}>
          <Turning deck={deck} slide={slide}>
            {isTried ? (
              <Suspense fallback={<FittedSlide key={here} {...stage} />}>
                <TriedSlide key={here} {...stage} deckId={deckId} deck={whole} />
              </Suspense>
            ) : (
              <FittedSlide key={here} {...stage} />
            )}
          </Turning>
        </PlayingSlides>
      </WithinDeck>
      {way}
      <div
        data-band
        // What is not seen is not pressed by mistake; keys still come to it.
        className={`absolute inset-x-0 bottom-0 transition-opacity focus-within:pointer-events-auto focus-within:opacity-100 ${isBandShown ? 'opacity-100' : 'pointer-events-none opacity-0'}`}
      >
        {hasStrip && isBandShown && (
          <Suspense>
            <Strip deck={deck} graph={graph} here={here} onJump={jumpTo} />
          </Suspense>
        )}
        <div className="flex items-center gap-3 overflow-x-auto bg-paper/95 px-6 py-3">
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
            {toCome > 0
              ? `${toCome} more to come`
              : slide.isEnding
                ? 'An ending'
                : isWaiting
                  ? 'Waiting for a choice'
                  : ''}
          </span>
          {deck.trails.length > 0 && (
            <select
              aria-label="The trail that is followed"
              value={chosen ?? ''}
              onChange={(event) => setQuery({ trail: event.target.value || null })}
              className="h-9 max-w-[200px] rounded-[6px] border border-line bg-sheet px-2"
            >
              <option value="">No trail chosen</option>
              {deck.trails.map(({ id, name }) => (
                <option key={id} value={id}>
                  Trail: {name}
                </option>
              ))}
            </select>
          )}
          <Button onClick={() => setHasStrip(!hasStrip)} aria-pressed={hasStrip}>
            Slides
          </Button>
          <Button onClick={() => setOpen('map')}>Map</Button>
          <Button onClick={() => setOpen('play')}>Play</Button>
          <Button onClick={() => setOpen('others')}>
            {isShared ? `Others · ${line.timing?.followers ?? 0}` : 'Others'}
          </Button>
          {document.fullscreenEnabled && <Button onClick={fill}>Full screen</Button>}
          <Button look="quiet" onClick={askToLeave}>
            Leave the show
          </Button>
        </div>
      </div>
      {isBlack && (
        <div
          role="status"
          aria-label="The page is black. Any key or touch brings the slide back."
          className="absolute inset-0 z-20 bg-black"
          onPointerDown={() => setIsBlack(false)}
        />
      )}
      {digits !== '' && (
        <p
          role="status"
          className="absolute left-6 top-6 rounded-[6px] bg-paper/95 px-4 py-2 font-head text-[28px]"
        >
          {digits}
        </p>
      )}
      <Suspense>
        {given && (isCodeUp || (isOnFirst && here === first && !isBlack)) && (
          <OverSlide given={given} isLarge={isCodeUp} onAway={() => setIsCodeUp(false)} />
        )}
        {open === 'others' && (
          <OthersDialog
            deckId={deckId}
            others={others}
            isOnFirst={isOnFirst}
            onOnFirst={(isOn) => {
              memory.set(ON_FIRST, isOn ? 'yes' : 'no');
              setIsOnFirst(isOn);
            }}
            onPutUp={() => {
              setOpen(null);
              setIsBandShown(false);
              setIsCodeUp(true);
            }}
            onClose={() => setOpen(null)}
          />
        )}
        {open === 'leave' && (
          <LeaveDialog
            followers={line.timing?.followers ?? 0}
            end={others.end}
            onLeave={leave}
            onClose={() => setOpen(null)}
          />
        )}
        {open === 'map' && (
          <ShowMap
            deck={deck}
            walk={walk}
            here={here}
            onJump={(slideId) => {
              jumpTo(slideId);
              setOpen(null);
            }}
            onClose={() => setOpen(null)}
          />
        )}
        {open === 'play' && (
          <PlayDialog
            onPlay={(pace, isLooped) => {
              setOpen(null);
              setIsBandShown(false);
              setQuery({ play: pace, loop: isLooped ? '1' : null });
            }}
            onClose={() => setOpen(null)}
          />
        )}
      </Suspense>
    </main>
  );
}
