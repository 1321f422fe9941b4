import {
  DocumentReader,
  readDesk,
  readLessonState,
  type LessonState,
  type SlideId,
} from '@gobrel/core';
import { useCallback, useState, type ReactElement } from 'react';
import { useParams } from 'react-router';
import { http, sentenceOf } from '../api/http';
import { useChange, useLesson, type Lesson } from '../api/teacher';
import { RequireTeacher } from '../decks/RequireTeacher';
import type { OpenDocument } from '../sync/openDocument';
import { useDocument, useReader } from '../sync/useDocument';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { useNotices } from '../ui/Notice';
import { Badge, Centre, Header } from '../ui/Page';
import { Segments } from '../ui/Segments';
import { FolioPanel } from './FolioPanel';
import { JoinCard } from './JoinCard';
import { LessonMap } from './LessonMap';
import { LineUpPanel } from './LineUpPanel';
import { SlidePanel } from './SlidePanel';

export default function DeskPage(): ReactElement {
  const { lessonId = '' } = useParams();
  return <RequireTeacher>{() => <Opened lessonId={lessonId} />}</RequireTeacher>;
}

function Opened({ lessonId }: { lessonId: string }): ReactElement {
  const lesson = useLesson(lessonId);
  const desk = useDocument(`desk:${lessonId}`, { isServerMade: true });
  const state = useDocument(`lesson:${lessonId}`, { hasAwareness: false });
  if (lesson.error || desk.state === 'failed') {
    return (
      <Centre title="Not yours to open">
        This lesson is not there, or it is another teacher’s.
      </Centre>
    );
  }
  if (!lesson.data || desk.state === 'opening' || state.state !== 'open')
    return <Centre>Opening the desk …</Centre>;
  return <Desk lesson={lesson.data} deskDocument={desk.document} stateDocument={state.document} />;
}

type Panel = { kind: 'slide' } | { kind: 'folio'; folioId: string } | { kind: 'line-up' };

function Desk(props: {
  lesson: Lesson;
  deskDocument: OpenDocument;
  stateDocument: OpenDocument;
}): ReactElement {
  const { lesson } = props;
  const { edition } = lesson;
  const desk = useReader(props.deskDocument.doc, (doc) => new DocumentReader(doc, readDesk));
  const state: LessonState =
    useReader(props.stateDocument.doc, (doc) => new DocumentReader(doc, readLessonState)) ??
    lesson.state;
  const { trouble } = useNotices();
  const [slideId, setSlideId] = useState<SlideId | null>(edition.startSlideId);
  const [panel, setPanel] = useState<Panel>({ kind: 'slide' });
  const [isInviting, setIsInviting] = useState(false);
  const [isEnding, setIsEnding] = useState(false);
  const act = useChange((run: () => Promise<unknown>) => run(), ['lesson', lesson.id]);
  const post = (path: string, body?: unknown): void =>
    act.mutate(() => http.post(`lessons/${lesson.id}/${path}`, body), {
      onError: (error) => trouble(sentenceOf(error)),
    });
  const setLineUp = (folioIds: string[]): void =>
    act.mutate(() => http.put(`lessons/${lesson.id}/line-up`, { folioIds }), {
      onError: (error) => trouble(sentenceOf(error)),
    });
  const openFolio = useCallback((folioId: string) => setPanel({ kind: 'folio', folioId }), []);
  const pick = useCallback((id: SlideId) => {
    setSlideId(id);
    setPanel({ kind: 'slide' });
  }, []);
  const here = desk.students.filter((student) => student.isHere).length;
  const handedIn = desk.students.filter((student) => student.handedInAt).length;
  const slide = edition.slides[slideId ?? ''];
  const isOver = state.isEnded;

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
                onClick={() => setIsInviting(true)}
                className="flex items-baseline gap-2 rounded-[6px] px-2 py-1 hover:bg-sand"
                aria-label={`Join code ${lesson.joinCode}: show it large`}
              >
                <span className="text-[13px] text-soft">join with</span>
                <span className="font-head text-[20px] font-semibold tracking-[0.1em]">
                  {lesson.joinCode}
                </span>
              </button>
            )}
            <Button onClick={() => window.open(`/screen/${lesson.id}`, `screen-${lesson.id}`)}>
              Big screen
            </Button>
            {!isOver && <Button onClick={() => setIsEnding(true)}>End</Button>}
          </>
        }
      />
      <div className="grid min-h-0 flex-1 grid-cols-[minmax(0,1.28fr)_minmax(340px,1fr)]">
        <section
          aria-label="Map of the lesson"
          className="flex min-h-0 flex-col border-r border-line"
        >
          <div className="flex flex-wrap items-center gap-2.5 px-4 py-3">
            {!isOver && (
              <>
                <Segments
                  label="Pace"
                  value={state.pace}
                  onChange={(pace) =>
                    post('pace', { pace, slideId: pace === 'together' ? slideId : undefined })
                  }
                  options={[
                    { value: 'together', label: 'Together' },
                    { value: 'own', label: 'Own pace' },
                  ]}
                />
                <Button
                  aria-pressed={state.isHeld}
                  look={state.isHeld ? 'main' : 'plain'}
                  onClick={() => post('hold', { isHeld: !state.isHeld })}
                >
                  {state.isHeld ? 'Let go on' : 'Hold'}
                </Button>
              </>
            )}
            <Button
              aria-pressed={panel.kind === 'line-up'}
              onClick={() => setPanel({ kind: 'line-up' })}
            >
              Line-up{lesson.lineUp.length > 0 && ` · ${lesson.lineUp.length}`}
            </Button>
            <span className="ml-auto text-[13px] text-soft">{handedIn} handed in</span>
          </div>
          <div className="min-h-0 flex-1">
            <LessonMap
              edition={edition}
              students={desk.students}
              current={slideId}
              onPick={pick}
              onOpenFolio={openFolio}
            />
          </div>
        </section>
        <section aria-label="Details" className="min-h-0 overflow-y-auto">
          {panel.kind === 'folio' ? (
            <FolioPanel
              key={panel.folioId}
              folioId={panel.folioId}
              edition={edition}
              student={desk.students.find((student) => student.folioId === panel.folioId)}
              isInLineUp={lesson.lineUp.includes(panel.folioId)}
              onLineUp={() => setLineUp([...lesson.lineUp, panel.folioId])}
              onClose={() => setPanel({ kind: 'slide' })}
            />
          ) : panel.kind === 'line-up' ? (
            <LineUpPanel
              lineUp={lesson.lineUp}
              students={desk.students}
              presenting={state.presenting}
              onChange={setLineUp}
              onPresent={(folioId) => post('present', { folioId })}
            />
          ) : slide ? (
            <SlidePanel
              slide={slide}
              edition={edition}
              desk={desk}
              onOpenFolio={openFolio}
              onBringAll={
                isOver || state.pace !== 'together' || state.slideId === slide.id
                  ? undefined
                  : () => post('pace', { pace: 'together', slideId: slide.id })
              }
            />
          ) : (
            <Centre>Pick a slide on the map.</Centre>
          )}
        </section>
      </div>
      <Dialog title="Join this lesson" isOpen={isInviting} onClose={() => setIsInviting(false)}>
        <JoinCard joinCode={lesson.joinCode} />
      </Dialog>
      <Dialog
        title="End the lesson?"
        description="Nothing more can be handed in or changed. What the students did is kept."
        isOpen={isEnding}
        onClose={() => setIsEnding(false)}
      >
        <div className="flex justify-end gap-2">
          <Button onClick={() => setIsEnding(false)}>Not yet</Button>
          <Button
            look="main"
            onClick={() => {
              post('end');
              setIsEnding(false);
            }}
          >
            End it
          </Button>
        </div>
      </Dialog>
    </div>
  );
}
