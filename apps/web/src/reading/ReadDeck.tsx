import {
  asId,
  entryAt,
  routeGraph,
  titleOf,
  trailToWalk,
  type Deck,
  type ElementId,
  type LinkId,
  type ShownStep,
  type Slide,
  type SlideId,
} from '@gobrel/core';
import {
  Suspense,
  useCallback,
  useEffect,
  useMemo,
  useState,
  type ReactElement,
  type ReactNode,
} from 'react';
import { PlayingSlides } from '../elements/media/Playing';
import { openBeside } from '../links/openTarget';
import { part } from '../offline/part';
import { FittedSlide } from '../stage/SlideView';
import { Spot } from '../stage/Spot';
import { useFlight } from '../stage/useFlight';
import { WithinDeck } from '../stage/WithinDeck';
import { Button } from '../ui/Button';
import { useNotices } from '../ui/Notice';
import { Centre, Main } from '../ui/Page';
import { useLiveElements } from '../walking/LiveSlide';
import type { SlideWork } from '../walking/SlideWork';
import { useIsNarrow } from '../walking/useIsNarrow';
import { useTurning } from '../walking/useTurning';
import { useWalking, useWalkKeys, type Walking } from '../walking/useWalking';
import { isFramed } from './frame';
import { NOTHING_TRIED, useTrying, type Tried } from '../walking/useTrying';

// A wide screen needs none of it.
const PhoneSlide = part(() => import('../walking/PhoneSlide'));

export interface ReadDeckProps {
  edition: Deck;
  /** Where it begins or has come to, as an address says it: a slide, or `slide.thing`. */
  place: { at: string | null; onCome: (slideId: SlideId) => void };
  /** Questions are answered; otherwise they only stand there. */
  takesAnswers: boolean;
  /** Who marks what is tried; null: nobody. */
  mark: Parameters<typeof useTrying>[0]['mark'];
  onWalk?: (walk: readonly ShownStep[]) => void;
  /** What else can be done with the deck. */
  beside?: ReactNode;
}

/** A deck as its readers walk it: at its address, or from a file. */
export function ReadDeck(props: ReadDeckProps): ReactElement {
  const { edition, place, onWalk } = props;
  const { tell, trouble } = useNotices();
  // Where an address leads: a slide, or something on it.
  const [[to, spot]] = useState(() => (place.at ?? '').split('.'));
  const graph = useMemo(() => routeGraph(edition), [edition]);
  const ground = useMemo(
    () => ({ deck: edition, graph, trail: trailToWalk(edition, null), isLed: false }),
    [edition, graph],
  );
  const walking = useWalking(ground, (id) => entryAt(edition.slides, id), {
    from: asId<SlideId>(to),
    spotId: asId<ElementId>(spot) ?? undefined,
    onStopped: useCallback(() => undefined, []),
  });
  const [tried, setTried] = useState<Tried>(NOTHING_TRIED);
  const { here, back, on, jumpTo } = walking;
  useEffect(() => onWalk?.(walking.walk), [onWalk, walking.walk]);
  const slide = entryAt(edition.slides, here);
  const isFirst = walking.walk.length === 1;
  const isAtStart = isFirst && here === edition.startSlideId && tried === NOTHING_TRIED;
  const { at, onCome } = place;
  useEffect(() => {
    // A page that is loaded anew, and an address that is given on, lead to the slide one is on.
    if (here === null || at?.split('.')[0] === here || (isFirst && at === null)) return;
    const timer = setTimeout(() => onCome(here), 150);
    return () => clearTimeout(timer);
  }, [here, isFirst, at, onCome]);
  useWalkKeys({ isOff: false, onBack: back, onOn: on });
  const follow = (linkId: LinkId): void => {
    const target = entryAt(edition.links, linkId)?.target;
    if (!target || openBeside(target)) return;
    if (!walking.follow(linkId)) tell('This leads nowhere.');
  };
  const isNarrow = useIsPhone();
  const Turns = useTurning(edition);
  if (!slide) return <Centre title="Nothing to see">This deck has no slide to begin on.</Centre>;
  const shown = (
    <OneSlide
      key={slide.id}
      edition={edition}
      mark={props.mark}
      slide={slide}
      walking={walking}
      links={graph.waysOut.get(slide.id) ?? []}
      takesAnswers={props.takesAnswers}
      tried={tried}
      onTried={setTried}
      onFollow={follow}
      onTrouble={trouble}
    />
  );
  const restart = (): void => {
    setTried(NOTHING_TRIED);
    if (edition.startSlideId) jumpTo(edition.startSlideId);
  };
  return (
    <div className="flex h-full flex-col">
      <Main {...(isNarrow ? {} : { title: edition.title })} className="min-h-0 flex-1">
        <WithinDeck deck={edition}>
          <PlayingSlides deck={edition} here={slide.id}>
            {Turns ? (
              <Turns deck={edition} slide={slide}>
                {shown}
              </Turns>
            ) : (
              shown
            )}
          </PlayingSlides>
        </WithinDeck>
      </Main>
      <footer className="flex min-h-[52px] shrink-0 items-center gap-2 border-t border-line bg-sheet px-3 pb-[env(safe-area-inset-bottom)]">
        <Button size="large" onClick={back} disabled={isFirst && walking.shown === 0}>
          Back
        </Button>
        <Button size="large" onClick={on} disabled={walking.isWaiting && walking.toCome === 0}>
          On
        </Button>
        <p role="status" className="min-w-0 flex-1 truncate text-[13px] text-soft">
          <span className="hidden sm:inline">{edition.title}</span>
          <span className="ml-2 font-semibold text-ember-deep">
            {slide.isEnding
              ? 'An ending'
              : walking.isWaiting && walking.toCome === 0
                ? 'Choose'
                : ''}
          </span>
        </p>
        {props.beside}
        <Button look="quiet" size="large" onClick={restart} disabled={isAtStart}>
          <span className="sr-only sm:not-sr-only">Start again</span>
          <span aria-hidden className="sm:hidden">
            ↺
          </span>
        </Button>
        <Larger />
      </footer>
    </div>
  );
}

/** More room: the whole screen, or, within another page, a window of its own. */
function Larger(): ReactElement | null {
  const { trouble } = useNotices();
  const look =
    'inline-flex min-h-11 items-center rounded-[6px] px-2 font-semibold text-petrol hover:bg-sand';
  if (isFramed()) {
    return (
      <a href={location.href} target="_blank" rel="noreferrer" className={look}>
        Own window
      </a>
    );
  }
  if (!document.fullscreenEnabled) return null;
  const fill = (): void => {
    const change = document.fullscreenElement
      ? document.exitFullscreen()
      : document.documentElement.requestFullscreen();
    change.catch(() => trouble('The browser does not let this page fill the screen.'));
  };
  return (
    <span className="hidden sm:block">
      <button type="button" onClick={fill} className={look}>
        Full screen
      </button>
    </span>
  );
}

/** Whether words stand below the picture: there a slide says itself what it is called. */
function useIsPhone(): boolean {
  const isSmall = useIsNarrow();
  // In a page of another site a mouse meets what a finger could not.
  return isSmall && !(isFramed() && matchMedia('(pointer: fine)').matches);
}

function OneSlide(
  props: Parameters<typeof useTrying>[0] & {
    edition: Deck;
    slide: Slide;
    walking: Walking;
  },
): ReactElement {
  const { slide, walking } = props;
  const { theme } = props.edition;
  const work: SlideWork = useTrying(props);
  const renderElement = useLiveElements(work, theme);
  const isNarrow = useIsPhone();
  const { camera, way } = useFlight(slide, walking.closeUpId, walking.walk.length);
  return (
    <div className="relative h-full" data-plays>
      {!isNarrow && <h2 className="sr-only">{titleOf(slide)}</h2>}
      {isNarrow ? (
        <Suspense fallback={<p className="p-4 text-soft">One moment …</p>}>
          <PhoneSlide work={work} theme={theme} />
        </Suspense>
      ) : (
        <FittedSlide
          className="bg-[#10191d]"
          slide={slide}
          theme={theme}
          links={props.links}
          onFollow={work.onFollow}
          movesPieces
          renderElement={renderElement}
          isHidden={walking.isStillToCome}
          camera={camera}
          overlay={<Spot slide={slide} spotId={walking.last?.spotId} />}
        />
      )}
      {!isNarrow && way}
      <p role="status" aria-label="What happened" className="sr-only">
        {work.said}
      </p>
    </div>
  );
}
