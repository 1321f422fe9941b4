import {
  DocumentReader,
  readDesk,
  readLessonState,
  routeGraph,
  whatStudentsMeet,
  type DeskStudent,
  type OpenedLesson,
  type LessonState,
  type SlideId,
  entryAt,
  type FolioId,
} from '@gobrel/core';
import { useQueryClient } from '@tanstack/react-query';
import {
  Suspense,
  useCallback,
  useEffect,
  useMemo,
  useRef,
  useState,
  type ReactElement,
} from 'react';
import { Link, useParams } from 'react-router';
import { useLesson } from '../api/teacher';
import { RequireTeacher } from '../ui/RequireTeacher';
import type { OpenDocument } from '../sync/openDocument';
import { useDocument, useReader } from '../sync/useDocument';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { NotYours } from '../ui/NotYours';
import { Badge, Centre, Header, Main } from '../ui/Page';
import { isTyping } from '../ui/isTyping';
import { BigScreenButton } from './BigScreenButton';
import { DeskBar } from './DeskBar';
import { FolioPanel } from './FolioPanel';
import { JoinCard } from '../lesson/JoinCard';
import { LessonMap } from '../lesson/LessonMap';
import { LineUpPanel } from './LineUpPanel';
import { Practice } from './Practice';
import { PeoplePanel } from './PeoplePanel';
import { SlidePanel } from '../lesson/SlidePanel';
import { useDeskActions } from '../lesson/useDeskActions';
import { part } from '../offline/part';

const AskDialog = part(() => import('./AskDialog'));
const SettingsDialog = part(() => import('./SettingsDialog'));

export default function DeskPage(): ReactElement {
  const { lessonId = '' } = useParams();
  return <RequireTeacher>{() => <Opened lessonId={lessonId} />}</RequireTeacher>;
}

function Opened({ lessonId }: { lessonId: string }): ReactElement {
  const lesson = useLesson(lessonId);
  const desk = useDocument(`desk:${lessonId}`, { isServerMade: true });
  const state = useDocument(`lesson:${lessonId}`, {});
  if (lesson.error || desk.state === 'failed') {
    return <NotYours>This lesson is not there, or it is another teacher’s.</NotYours>;
  }
  if (!lesson.data || desk.state === 'opening' || state.state !== 'open')
    return <Centre>Opening the desk …</Centre>;
  return <Desk lesson={lesson.data} deskDocument={desk.document} stateDocument={state.document} />;
}

/** Pixels below which the map and the details lie one above the other (Tailwind's `md`). */
const NARROW = 768;

type Panel =
  { kind: 'slide' } | { kind: 'folio'; folioId: FolioId } | { kind: 'line-up' | 'people' };

function Desk(props: {
  lesson: OpenedLesson;
  deskDocument: OpenDocument;
  stateDocument: OpenDocument;
}): ReactElement {
  const { lesson } = props;
  const { edition } = lesson;
  const whole = useReader(props.deskDocument.doc, (doc) => new DocumentReader(doc, readDesk));
  const state: LessonState =
    useReader(props.stateDocument.doc, (doc) => new DocumentReader(doc, readLessonState)) ??
    lesson.state;
  const act = useDeskActions(lesson.id);
  const queries = useQueryClient();
  // A class goes, and votes, only where students can.
  const graph = useMemo(() => routeGraph(whatStudentsMeet(edition).deck), [edition]);
  const [slideId, setSlideId] = useState<SlideId | null>(state.slideId ?? edition.startSlideId);
  const [panel, setPanel] = useState<Panel>({ kind: 'slide' });
  const [open, setOpen] = useState<'invite' | 'end' | 'ask' | 'settings' | null>(null);
  const [hidesNames, setHidesNames] = useState(false);
  const desk = useMemo(() => (hidesNames ? nameless(whole) : whole), [whole, hidesNames]);
  const openFolio = useCallback((folioId: FolioId) => setPanel({ kind: 'folio', folioId }), []);
  const pick = useCallback((id: SlideId) => {
    setSlideId(id);
    setPanel({ kind: 'slide' });
  }, []);
  const { renewed, askedSlideId } = state;
  const [asked, setAsked] = useState(askedSlideId);
  if (askedSlideId !== asked) {
    // What has just been asked is what the desk looks at.
    setAsked(askedSlideId);
    if (askedSlideId) pick(askedSlideId);
  }
  useEffect(() => {
    void queries.invalidateQueries({ queryKey: ['lesson', lesson.id] });
  }, [renewed, queries, lesson.id]);
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      const isPlain = !event.ctrlKey && !event.metaKey && !event.altKey;
      if (event.key === 'n' && isPlain && !isTyping(event)) setHidesNames((now) => !now);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
  // On a narrow page they lie below the map: what was asked for comes into sight.
  const details = useRef<HTMLElement>(null);
  const seen = useRef({ panel, slideId });
  useEffect(() => {
    if (seen.current.panel === panel && seen.current.slideId === slideId) return;
    seen.current = { panel, slideId };
    if (window.innerWidth < NARROW) details.current?.scrollIntoView({ block: 'start' });
  }, [panel, slideId]);
  const here = desk.students.filter((student) => student.isHere).length;
  const handedIn = desk.students.filter((student) => student.handedInAt).length;
  const waiting = desk.students.filter(({ status }) => status === 'waiting').length;
  const hands = desk.students.filter(({ handUpAt }) => handUpAt).length;
  const slide = entryAt(edition.slides, slideId);
  const isOver = state.isEnded;
  const show = (kind: 'line-up' | 'people'): void =>
    setPanel(panel.kind === kind ? { kind: 'slide' } : { kind });

  return (
    <div className="flex h-full flex-col">
      <Header
        left={
          <>
            <h1 className="truncate text-[17px]">{lesson.title}</h1>
            {lesson.className && <Badge>{lesson.className}</Badge>}
            <Badge tone="brass">
              {isOver ? 'ended' : `${here} here`} · {desk.students.length - here} away
            </Badge>
          </>
        }
        right={
          <>
            {!isOver && (
              <button
                type="button"
                onClick={() => setOpen('invite')}
                className="flex items-baseline gap-2 rounded-[6px] px-2 py-1 hover:bg-sand"
                aria-label={`Join code ${lesson.joinCode}: show it large`}
              >
                <span className="text-[13px] text-soft">join with</span>
                <span className="font-head text-[20px] font-semibold tracking-[0.1em]">
                  {lesson.joinCode}
                </span>
              </button>
            )}
            <Link
              to={`/results/${lesson.id}`}
              className="inline-flex min-h-8 items-center text-petrol hover:underline"
            >
              Results
            </Link>
            <Button onClick={() => setOpen('settings')}>Settings</Button>
            <BigScreenButton lessonId={lesson.id} act={act} />
            {!isOver && <Button onClick={() => setOpen('end')}>End</Button>}
          </>
        }
      />
      <Main className="min-h-0 flex-1 max-md:overflow-y-auto md:grid md:grid-cols-[minmax(0,1.28fr)_minmax(340px,1fr)]">
        <section
          aria-label="Map of the lesson"
          className="flex min-h-0 flex-col border-line max-md:border-b md:border-r"
        >
          {!isOver && (
            <DeskBar
              state={state}
              edition={edition}
              graph={graph}
              slideId={slideId}
              act={act}
              students={desk.students}
              onAsk={() => setOpen('ask')}
            />
          )}
          <div className="flex flex-wrap items-center gap-2 border-b border-line/60 px-4 pb-2">
            <Button
              size="small"
              aria-pressed={panel.kind === 'people'}
              look={waiting + hands > 0 ? 'main' : 'plain'}
              onClick={() => show('people')}
            >
              Who is here
              {waiting > 0 && ` · ${waiting} waiting`}
              {hands > 0 && ` · ${hands === 1 ? 'a hand' : `${hands} hands`} up`}
            </Button>
            <Button
              size="small"
              aria-pressed={panel.kind === 'line-up'}
              onClick={() => show('line-up')}
            >
              Line-up{desk.lineUp.length > 0 && ` · ${desk.lineUp.length}`}
            </Button>
            <Button
              size="small"
              aria-pressed={hidesNames}
              title="N"
              onClick={() => setHidesNames(!hidesNames)}
            >
              {hidesNames ? 'Show names' : 'Hide names'}
            </Button>
            {!isOver && <Practice students={desk.students} act={act} />}
            <span className="ml-auto text-[13px] text-soft">{handedIn} handed in</span>
          </div>
          {desk.wrongReturnCodes > 0 && !isOver && (
            <p role="alert" className="bg-brass-mist px-4 py-1.5 text-[14px] text-brass-deep">
              Somebody tries return codes: {desk.wrongReturnCodes} wrong ones in a few minutes. More
              are held back for a while.
            </p>
          )}
          <div className="min-h-0 flex-1 max-md:h-80 max-md:flex-none">
            <LessonMap
              edition={edition}
              students={desk.students}
              walks={desk.walks}
              current={slideId}
              onPick={pick}
              onOpenFolio={openFolio}
            />
          </div>
        </section>
        <section ref={details} aria-label="Details" className="min-h-0 md:overflow-y-auto">
          {panel.kind === 'folio' ? (
            <FolioPanel
              key={panel.folioId}
              lessonId={lesson.id}
              folioId={panel.folioId}
              edition={edition}
              student={desk.students.find((student) => student.folioId === panel.folioId)}
              isInLineUp={desk.lineUp.includes(panel.folioId)}
              onLineUp={() => act.lineUp(panel.folioId, null)}
              onClose={() => setPanel({ kind: 'slide' })}
            />
          ) : panel.kind === 'line-up' ? (
            <LineUpPanel
              lineUp={desk.lineUp}
              students={desk.students}
              presenting={state.presenting}
              act={act}
            />
          ) : panel.kind === 'people' ? (
            <PeoplePanel
              lessonId={lesson.id}
              students={desk.students}
              hidesNames={hidesNames}
              act={act}
              onOpenFolio={openFolio}
            />
          ) : slide ? (
            <SlidePanel
              slide={slide}
              edition={edition}
              desk={desk}
              state={state}
              act={act}
              starred={desk.starred}
              likened={desk.likened}
              onOpenFolio={openFolio}
              onBringAll={
                isOver || state.pace !== 'together' || state.slideId === slide.id
                  ? undefined
                  : () => act.pace('together', slide.id)
              }
            />
          ) : (
            <Centre>Pick a slide on the map.</Centre>
          )}
        </section>
      </Main>
      <Dialog title="Join this lesson" isOpen={open === 'invite'} onClose={() => setOpen(null)}>
        <JoinCard joinCode={lesson.joinCode} />
      </Dialog>
      <Suspense>
        {open === 'ask' && <AskDialog onAsk={act.ask} onClose={() => setOpen(null)} />}
        {open === 'settings' && (
          <SettingsDialog lesson={lesson} isOver={isOver} act={act} onClose={() => setOpen(null)} />
        )}
      </Suspense>
      <Dialog
        title="End the lesson?"
        description="Nothing more can be handed in or changed. What the students did is kept."
        isOpen={open === 'end'}
        onClose={() => setOpen(null)}
      >
        <div className="flex justify-end gap-2">
          <Button onClick={() => setOpen(null)}>Not yet</Button>
          <Button
            look="main"
            onClick={() => {
              act.end();
              setOpen(null);
            }}
          >
            End it
          </Button>
        </div>
      </Dialog>
    </div>
  );
}

/** The same with numbers for names. */
const nameless = <T extends { students: DeskStudent[] }>(desk: T): T => ({
  ...desk,
  students: desk.students.map((student, index) => ({ ...student, name: `Student ${index + 1}` })),
});
