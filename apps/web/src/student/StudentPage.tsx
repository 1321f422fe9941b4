import {
  DocumentReader,
  followTo,
  run,
  stopAfter,
  voteFor,
  wayTo,
  readFolio,
  readLessonState,
  routeGraph,
  type Deck,
  type ElementId,
  type LinkId,
  type PutUp,
  type SlideElement,
  entryAt,
} from '@gobrel/core';
import { useQueryClient } from '@tanstack/react-query';
import { Suspense, useCallback, useEffect, useMemo, useState, type ReactElement } from 'react';
import { Navigate } from 'react-router';
import * as Y from 'yjs';
import { ApiProblem } from '../api/http';
import { useMarks, useStudentLesson } from '../api/student';
import { type StudentLesson } from '../api/keptLesson';
import { count } from '../ui/when';
import { openBeside } from '../links/openTarget';
import { boxStyle } from '../parts/boxStyle';
import { FittedSlide } from '../stage/SlideView';
import type { Done } from '../questions/DoneButton';
import { WithinDeck } from '../stage/WithinDeck';
import { PlayingSlides } from '../elements/media/Playing';
import { Spot } from '../stage/Spot';
import { useFlight } from '../stage/useFlight';
import type { OpenDocument } from '../sync/openDocument';
import { useDocument, useReader, useSavedState } from '../sync/useDocument';
import { Button } from '../ui/Button';
import { useNotices } from '../ui/Notice';
import { Centre, Main } from '../ui/Page';
import { SavedLabel } from '../ui/SavedLabel';
import { useLiveElements } from '../walking/LiveSlide';
import { useSlideWork, useWalk } from './useFolio';
import { gateToFolio } from './gate';
import { FolioButtons } from './FolioButtons';
import { useIsNarrow } from '../walking/useIsNarrow';
import { useTurning } from '../walking/useTurning';
import { part } from '../offline/part';

const ClassAnswers = part(() => import('./ClassAnswers'));
const LeavesPanel = part(() => import('./LeavesPanel'));
// A wide screen needs none of it.
const PhoneSlide = part(() => import('../walking/PhoneSlide'));
const StateNote = part(() => import('./StateNote'));
const DoneKeeper = part(() => import('./DoneKeeper'));
const Presenting = part(() => import('./Presenting'));

/** Milliseconds until what is needed only later is fetched. */
const AFTER_FIRST_SLIDE = 4000;

export default function StudentPage(): ReactElement {
  const lesson = useStudentLesson();
  const { data } = lesson;
  if (data?.edition) return <Opened lesson={{ ...data, edition: data.edition }} />;
  if (data) {
    return (
      <Centre title={data.title}>
        You are here as {data.name}. Your teacher will let you in in a moment.
      </Centre>
    );
  }
  if (lesson.error instanceof ApiProblem && lesson.error.status === 401)
    return <Navigate to="/join" replace />;
  if (lesson.error) {
    return (
      <Centre title="No answer">
        <p className="mb-4">{lesson.error.message}</p>
        <Button onClick={() => void lesson.refetch()}>Try again</Button>
      </Centre>
    );
  }
  return <Centre>Opening the lesson …</Centre>;
}

function Opened({ lesson }: { lesson: StudentLesson }): ReactElement {
  // Without a connection there is no word of the lesson; the student goes on at their own pace.
  const [unknown] = useState(() => new Y.Doc());
  const { trouble } = useNotices();
  const folio = useDocument(`folio:${lesson.folioId}`, {
    keepAs: `gobrel:folio:${lesson.folioId}`,
    onUnkept: () =>
      trouble('What you wrote last was not kept: this folio had been handed in or closed by then.'),
  });
  const state = useDocument(`lesson:${lesson.lessonId}`, {
    keepAs: `gobrel:lesson:${lesson.lessonId}`,
  });
  if (folio.state === 'failed' || state.state === 'failed') {
    return (
      <Centre title="This lesson is not open to you">
        <p className="mb-4">Your place in it may have been removed.</p>
        <a href="/join" className="text-petrol underline">
          Join with a code
        </a>
      </Centre>
    );
  }
  if (folio.state === 'opening') return <Centre>Opening your folio …</Centre>;
  return (
    <AtWork
      lesson={lesson}
      document={folio.document}
      stateDoc={state.state === 'open' ? state.document.doc : unknown}
    />
  );
}

function AtWork(props: {
  lesson: StudentLesson;
  document: OpenDocument;
  stateDoc: Y.Doc;
}): ReactElement {
  const Turns = useTurning(props.lesson.edition);
  const { lesson, document } = props;
  const { edition } = lesson;
  const { doc } = document;
  const folio = useReader(doc, (doc) => new DocumentReader(doc, readFolio));
  const state = useReader(props.stateDoc, (doc) => new DocumentReader(doc, readLessonState));
  const { tell, trouble } = useNotices();
  const [spotId, setSpotId] = useState<ElementId>();
  const [leaves, setLeaves] = useState<'closed' | 'open'>('closed');
  const isClosed = lesson.handedInAt !== null || state?.isEnded === true;
  const walk = useWalk(doc, folio, gateToFolio(isClosed));
  const isHeld = isClosed || state?.isHeld === true;
  const { pace = 'own', slideId: classSlide = null, renewed = 0 } = state ?? {};
  const queries = useQueryClient();
  const [known, setKnown] = useState(renewed);
  useEffect(() => {
    if (renewed === known) return;
    // Another edition or other settings: what this device has of the lesson is out of date.
    setKnown(renewed);
    void queries.invalidateQueries({ queryKey: ['student'] });
  }, [renewed, known, queries]);
  // A connection that comes anew may be one to somebody who is called, or may do, something else by now.
  const saved = useSavedState(document);
  const isCutOff = saved === 'kept' || saved === 'here';
  const isOnline = !isCutOff && saved !== 'opening';
  useEffect(() => {
    if (isOnline) void queries.invalidateQueries({ queryKey: ['student'] });
  }, [isOnline, queries]);
  useEffect(() => {
    if (!isOnline) return;
    // What cannot be brought now is brought when the connection is back.
    const bring = (): Promise<void> =>
      import('./bringLesson').then(({ bringLesson }) => bringLesson(edition));
    const timer = setTimeout(() => void bring().catch(() => undefined), AFTER_FIRST_SLIDE);
    return () => clearTimeout(timer);
  }, [edition, isOnline]);
  const asked = entryAt(edition.slides, state?.askedSlideId);
  const vote = state?.vote?.isOpen && state.vote.slideId === walk.here ? state.vote : null;

  const isKnown = isCutOff || state !== null;
  const here = entryAt(edition.slides, walk.here) ? walk.here : null;
  useEffect(() => {
    if (isClosed || !isKnown) return;
    const wanted = pace === 'together' && classSlide ? classSlide : null;
    if (wanted && wanted !== here && edition.slides[wanted]) walk.goTo(wanted, 'teacher');
    else if (!here && edition.startSlideId) walk.goTo(edition.startSlideId, 'start');
    // The walk moves with `here`; its functions need not be followed.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [pace, classSlide, here, isClosed, isKnown, edition]);

  const { marks, lookAgain } = useMarks(lesson, `${renewed} ${lesson.handedInAt ?? ''}`, folio);
  const [toldDone, setToldDone] = useState<Done | null>(null);
  const marksComeAtOnce = lesson.seesMarks === 'at-once' && !isClosed;
  const done = marksComeAtOnce ? toldDone : null;
  const graph = useMemo(() => routeGraph(edition), [edition]);
  const slide = asked ?? entryAt(edition.slides, here ?? edition.startSlideId);
  const isNarrow = useIsNarrow();
  const putUp = (lesson.seesClassAnswers && state?.putUp) || null;
  const isOnSlide =
    putUp?.isInPlace === true &&
    !isNarrow &&
    slide?.elements.some(({ id }) => id === putUp.questionId) === true;
  const follow = (linkId: LinkId): void => {
    const link = edition.links[linkId];
    if (!link || isHeld) return;
    if (vote && link.from === vote.slideId) {
      run(gateToFolio(isHeld), doc, voteFor, vote.slideId, linkId);
      return tell(`Your vote: ${link.wording || 'on'}. You can still change it.`);
    }
    if (openBeside(link.target)) return;
    const { target } = link;
    if (pace === 'together') return tell('The class moves together: your teacher goes on.');
    if (target.kind === 'step' && target.step === 'back') return walk.back();
    const stop = stopAfter(edition, wayTo(folio.walk));
    const goal = followTo(edition, link, { stop });
    if (!goal) return tell('This leads nowhere.');
    setSpotId(target.kind === 'slide' ? target.spotId : undefined);
    walk.goTo(goal, linkId);
  };
  if (state?.presenting?.folioId === lesson.folioId) {
    return (
      <Suspense>
        <Presenting edition={edition} leaves={folio.leaves} presenting={state.presenting} />
      </Suspense>
    );
  }
  const hasNote =
    isHeld || vote !== null || asked !== undefined || typeof state?.timerEndsAt === 'number';
  if (!slide) return <Centre title="Nothing to see yet">This lesson has no slides.</Centre>;
  const atWork = (
    <SlideAtWork
      key={slide.id}
      doc={doc}
      folio={folio}
      edition={edition}
      slide={slide}
      isHeld={isHeld}
      spotId={spotId}
      marks={marks}
      done={done}
      isNarrow={isNarrow}
      putUp={isOnSlide ? putUp : null}
      seed={lesson.folioId}
      onRefused={tell}
      step={folio.walk.length}
      links={graph.waysOut.get(slide.id) ?? []}
      onFollow={follow}
    />
  );
  return (
    <div className="flex h-full flex-col">
      <Suspense>
        {hasNote && (
          <StateNote state={state} handedInAt={lesson.handedInAt} isVoting={vote !== null} />
        )}
      </Suspense>
      <Suspense>{putUp && !isOnSlide && <ClassAnswers putUp={putUp} isOnSlide={false} />}</Suspense>
      <Suspense>
        {marksComeAtOnce && (
          <DoneKeeper
            folioId={lesson.folioId}
            document={document}
            edition={edition}
            folio={folio}
            isOnline={isOnline}
            lookAgain={lookAgain}
            onTrouble={trouble}
            onDone={setToldDone}
          />
        )}
      </Suspense>
      <div className="min-h-0 flex-1">
        {leaves === 'open' ? (
          <Suspense fallback={<Centre>Opening your leaves …</Centre>}>
            <LeavesPanel
              lesson={lesson}
              doc={doc}
              folio={folio}
              isClosed={isHeld}
              onClose={() => setLeaves('closed')}
            />
          </Suspense>
        ) : (
          <Main title={isNarrow ? undefined : lesson.title} className="h-full">
            <WithinDeck deck={edition}>
              <PlayingSlides deck={edition} here={slide.id}>
                {Turns ? (
                  <Turns deck={edition} slide={slide}>
                    {atWork}
                  </Turns>
                ) : (
                  atWork
                )}
              </PlayingSlides>
            </WithinDeck>
          </Main>
        )}
      </div>
      <footer className="flex min-h-[60px] shrink-0 items-center gap-2 border-t border-line bg-sheet px-3 pb-[env(safe-area-inset-bottom)]">
        <Button
          size="large"
          className="!px-3 sm:!px-5"
          onClick={walk.back}
          disabled={
            !walk.canGoBack || isHeld || !!asked || pace === 'together' || leaves === 'open'
          }
        >
          Back
        </Button>
        <div className="min-w-0 flex-1 overflow-hidden text-[13px] leading-tight text-soft">
          <p className="hidden truncate sm:block">{lesson.name}</p>
          <p className="flex flex-wrap gap-x-1.5">
            <span className="whitespace-nowrap">
              {count(walk.steps, 'slide')} <span className="hidden sm:inline">walked</span>
            </span>
            <SavedLabel document={document} />
          </p>
        </div>
        <div className="flex shrink-0 items-center gap-0.5 sm:gap-2">
          <Button
            look="quiet"
            size="large"
            className="!px-2"
            onClick={() => setLeaves(leaves === 'open' ? 'closed' : 'open')}
          >
            {leaves === 'open' ? 'To the slide' : 'My leaves'}
          </Button>
          <FolioButtons
            lesson={lesson}
            document={document}
            edition={edition}
            folio={folio}
            isClosed={isClosed}
            isEnded={state?.isEnded ?? false}
          />
        </div>
      </footer>
    </div>
  );
}

function SlideAtWork(
  props: Parameters<typeof useSlideWork>[0] & {
    edition: Deck;
    spotId: ElementId | undefined;
    step: number;
    isNarrow: boolean;
    /** The class's answers that stand in the place of their question. */
    putUp: PutUp | null;
  },
): ReactElement {
  const { isNarrow, putUp } = props;
  const work = useSlideWork(props);
  const renderLive = useLiveElements(work, props.edition.theme);
  const renderElement = useCallback(
    (element: SlideElement, drawn: ReactElement): ReactElement | null =>
      element.id === putUp?.questionId ? (
        <div key={element.id} style={boxStyle(element.box, element.rotation)}>
          <Suspense>
            <ClassAnswers putUp={putUp} isOnSlide />
          </Suspense>
        </div>
      ) : (
        renderLive(element, drawn)
      ),
    [putUp, renderLive],
  );
  const { camera, way } = useFlight(props.slide, props.spotId, props.step);
  return (
    <div className="relative h-full" data-plays>
      {isNarrow ? (
        <Suspense fallback={<p className="p-4 text-soft">One moment …</p>}>
          <PhoneSlide work={work} theme={props.edition.theme} />
        </Suspense>
      ) : (
        <FittedSlide
          className="bg-[#10191d]"
          slide={props.slide}
          theme={props.edition.theme}
          links={props.links}
          onFollow={work.onFollow}
          movesPieces
          renderElement={renderElement}
          camera={camera}
          overlay={<Spot slide={props.slide} spotId={props.spotId} />}
        />
      )}
      {!isNarrow && way}
      <p role="status" aria-label="What happened" className="sr-only">
        {work.said}
      </p>
    </div>
  );
}
