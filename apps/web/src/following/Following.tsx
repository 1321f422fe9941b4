import {
  entryAt,
  routeGraph,
  stepsOn,
  titleOf,
  type Deck,
  type LinkId,
  type ShowPlace,
  type Slide,
  type SlideId,
} from '@gobrel/core';
import { Suspense, useMemo, useState, type ReactElement } from 'react';
import { openBeside } from '../links/openTarget';
import { part } from '../offline/part';
import type { ShowLine } from '../running/useShowLine';
import { FittedSlide } from '../stage/SlideView';
import { Spot } from '../stage/Spot';
import { useFlight } from '../stage/useFlight';
import { usePieces } from '../stage/usePieces';
import { WithinDeck } from '../stage/WithinDeck';
import { Button } from '../ui/Button';
import { Centre, Main } from '../ui/Page';
import type { SlideWork } from '../walking/SlideWork';
import { useIsNarrow } from '../walking/useIsNarrow';

// A wide screen needs none of it.
const PhoneSlide = part(() => import('../walking/PhoneSlide'));
const Marks = part(() => import('../running/Marks'));

const NO_PLACEMENTS = {};

/** The slide that is shown, at one's own reading size; those before it can be looked at again. */
export function Following(props: {
  edition: Deck;
  line: ShowLine;
  place: ShowPlace;
}): ReactElement {
  const { edition, line, place } = props;
  const isNarrow = useIsNarrow();
  const now = place.walk.at(-1);
  const live = entryAt(edition.slides, now?.slideId);
  // What was seen, in order; as the show was before this device came, too.
  const [seen, setSeen] = useState<SlideId[]>(() =>
    withoutRepeats(place.walk.map(({ slideId }) => slideId)),
  );
  if (live && seen.at(-1) !== live.id) setSeen([...seen, live.id]);
  /** Which of them is looked at; null for what is shown now. */
  const [looksAt, setLooksAt] = useState<number | null>(null);
  const known = seen.filter((id) => edition.slides[id]);
  const at = looksAt === null ? known.length - 1 : Math.min(looksAt, known.length - 1);
  const isLive = looksAt === null;
  const slide = isLive ? live : entryAt(edition.slides, known[at]);
  const go = (to: number): void => setLooksAt(to >= known.length - 1 ? null : Math.max(0, to));
  const shown = slide && isLive ? Math.min(now?.shown ?? 0, stepsOn(slide)) : Infinity;
  return (
    <div className="flex h-full flex-col">
      <Main
        // On a phone the slide says itself what it is called.
        {...(isNarrow ? {} : { title: edition.title })}
        className="relative min-h-0 flex-1"
      >
        {place.isBlack && isLive ? (
          <div className="grid h-full place-items-center bg-black text-[17px] text-[#b9c1c4]">
            <p role="status">A moment without a slide.</p>
          </div>
        ) : slide ? (
          <WithinDeck deck={edition}>
            <OneSlide
              key={slide.id}
              edition={edition}
              slide={slide}
              shown={shown}
              line={isLive ? line : null}
              place={place}
            />
          </WithinDeck>
        ) : (
          <Centre>This slide is for the room only.</Centre>
        )}
      </Main>
      <footer className="flex min-h-[52px] shrink-0 items-center gap-2 border-t border-line bg-sheet px-3 pb-[env(safe-area-inset-bottom)]">
        <Button size="large" onClick={() => go(at - 1)} disabled={at <= 0}>
          Look back
        </Button>
        {!isLive && (
          <>
            <Button size="large" onClick={() => go(at + 1)}>
              On
            </Button>
            <Button size="large" look="main" onClick={() => setLooksAt(null)}>
              Now
            </Button>
          </>
        )}
        <p role="status" className="min-w-0 flex-1 truncate text-right text-[13px] text-soft">
          {!line.isAlive
            ? 'No connection: the show may be further on.'
            : isLive
              ? edition.title
              : `Slide ${at + 1} of ${known.length} seen`}
        </p>
      </footer>
    </div>
  );
}

function OneSlide(props: {
  edition: Deck;
  slide: Slide;
  /** How many of the things that come one by one have come. */
  shown: number;
  /** What is drawn and pointed at; null for a slide that is looked back at. */
  line: ShowLine | null;
  place: ShowPlace;
}): ReactElement {
  const { edition, line, place, shown } = props;
  const { theme } = edition;
  const isNarrow = useIsNarrow();
  const slide = useMemo(
    () => ({
      ...props.slide,
      elements: props.slide.elements.filter(({ comes }) => comes <= shown),
    }),
    [props.slide, shown],
  );
  const links = useMemo(() => routeGraph(edition).waysOut.get(slide.id) ?? [], [edition, slide.id]);
  // Where the show goes on its presenter says; what lies beside it can be opened.
  const beside = useMemo(
    () => links.filter(({ target }) => target.kind === 'web' || target.kind === 'file'),
    [links],
  );
  const { camera } = useFlight(slide, line ? place.closeUpId : null, place.walk.length);
  const pieces = usePieces({
    slide,
    placements: NO_PLACEMENTS,
    isHeld: true,
    onChange: () => undefined,
    onRefused: () => undefined,
  });
  const onFollow = (linkId: LinkId): void => {
    const target = entryAt(edition.links, linkId)?.target;
    if (target) openBeside(target);
  };
  const work: SlideWork = {
    ...pieces,
    slide,
    links: beside,
    takesAnswers: false,
    seed: slide.id,
    marks: {},
    done: null,
    answerOf: () => undefined,
    onAnswer: () => undefined,
    draftOf: () => undefined,
    onDraft: () => undefined,
    onFollow,
  };
  const ink = line && entryAt(line.show.ink, slide.id);
  const overlay = line && (
    <>
      <Spot slide={slide} spotId={place.walk.at(-1)?.spotId} />
      {(ink ?? line.point) && (
        <Suspense>
          <Marks ink={ink ?? []} point={line.point} />
        </Suspense>
      )}
    </>
  );
  const ways = links.filter(
    ({ target, wording }) => target.kind !== 'web' && target.kind !== 'file' && wording !== '',
  );
  const below = ways.length > 1 && (
    <section aria-label="Ways on">
      <h2 className="text-[15px] font-semibold text-soft">From here it can go</h2>
      <ul className="mt-1 flex flex-col gap-1">
        {ways.map(({ id, wording }) => (
          <li key={id} className="border-l-[3px] border-[#e6c4b6] pl-2.5">
            {wording}
          </li>
        ))}
      </ul>
    </section>
  );
  return (
    <div className="h-full">
      {!isNarrow && <h2 className="sr-only">{titleOf(slide)}</h2>}
      {isNarrow ? (
        <Suspense fallback={<p className="p-4 text-soft">One moment …</p>}>
          <PhoneSlide work={work} theme={theme} shown={{ overlay, below }} />
        </Suspense>
      ) : (
        <FittedSlide
          className="bg-[#10191d]"
          slide={slide}
          theme={theme}
          links={beside}
          onFollow={onFollow}
          camera={camera}
          overlay={overlay}
        />
      )}
    </div>
  );
}

const withoutRepeats = (ids: readonly SlideId[]): SlideId[] =>
  ids.filter((id, index) => id !== ids[index - 1]);
