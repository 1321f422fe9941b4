import {
  DocumentReader,
  leafOnPattern,
  questionsOf,
  readDesk,
  readFolio,
  readLessonState,
  type Deck,
  type LessonState,
  type Presenting,
  type QuestionElement,
  type ShownAnswer,
} from '@gobrel/core';
import { useQueryClient } from '@tanstack/react-query';
import { Suspense, useEffect, useMemo, type ReactElement } from 'react';
import { useParams } from 'react-router';
import { useLesson, type Lesson } from '../api/teacher';
import { RequireTeacher } from '../decks/RequireTeacher';
import { JoinCard } from '../desk/JoinCard';
import { answersTo, promptOf } from '../desk/SlidePanel';
import { fitting, QUESTION_VIEWS } from '../questions/registry';
import { CreditsOf } from '../stage/Credits';
import { PlayingSlides } from '../stage/Playing';
import { FittedSlide } from '../stage/SlideView';
import type { OpenDocument } from '../sync/openDocument';
import { useDocument, useReader } from '../sync/useDocument';
import { Countdown } from '../ui/Countdown';
import { Centre } from '../ui/Page';

/** What the projector shows: who presents, where the class stands, or how to join. */
export default function BigScreenPage(): ReactElement {
  const { lessonId = '' } = useParams();
  return <RequireTeacher>{() => <Opened lessonId={lessonId} />}</RequireTeacher>;
}

function Opened({ lessonId }: { lessonId: string }): ReactElement {
  const lesson = useLesson(lessonId);
  const state = useDocument(`lesson:${lessonId}`, { hasAwareness: false });
  const desk = useDocument(`desk:${lessonId}`, { isServerMade: true });
  if (lesson.error || state.state === 'failed')
    return <Centre title="Not yours to open">This lesson is another teacher’s.</Centre>;
  if (!lesson.data || state.state === 'opening' || desk.state !== 'open') {
    return <Centre>Opening …</Centre>;
  }
  return <Screen lesson={lesson.data} document={state.document} desk={desk.document} />;
}

function Screen(props: {
  lesson: Lesson;
  document: OpenDocument;
  desk: OpenDocument;
}): ReactElement {
  const { lesson } = props;
  const state =
    useReader(props.document.doc, (doc) => new DocumentReader(doc, readLessonState)) ??
    lesson.state;
  const queries = useQueryClient();
  const { renewed } = state;
  useEffect(() => {
    void queries.invalidateQueries({ queryKey: ['lesson', lesson.id] });
  }, [renewed, queries, lesson.id]);
  if (state.isEnded) return <Centre title={lesson.title}>The lesson has ended.</Centre>;
  const said = state.isHeld ? state.holdWord || 'Hold: look up for a moment.' : '';
  return (
    <div className="relative h-full">
      <Shown lesson={lesson} state={state} desk={props.desk} />
      {said && (
        <p
          role="status"
          className="absolute inset-x-0 top-0 bg-brass-mist px-6 py-4 text-center text-[34px] font-semibold text-brass-deep"
        >
          {said}
        </p>
      )}
      {state.timerEndsAt && (
        <Countdown
          endsAt={state.timerEndsAt}
          className="absolute right-6 bottom-5 rounded-[8px] bg-paper/95 px-5 py-2 font-head text-[54px] tabular-nums"
        />
      )}
    </div>
  );
}

/** What the teacher chose: who presents, a starred answer, a tally, what was asked, where the class stands, the code. */
function Shown(props: { lesson: Lesson; state: LessonState; desk: OpenDocument }): ReactElement {
  const { lesson, state } = props;
  const { edition } = lesson;
  const questions = useMemo(() => questionsOf(edition), [edition]);
  if (state.presenting) {
    return (
      <PresentedLeaf
        key={state.presenting.folioId}
        presenting={state.presenting}
        edition={edition}
      />
    );
  }
  const answered = questions.get(state.shown?.questionId ?? '');
  if (state.shown && answered) {
    return <OneAnswer question={answered} shown={state.shown} desk={props.desk} />;
  }
  const putUp = questions.get(state.putUp?.questionId ?? '');
  if (state.putUp && putUp) {
    return <PutUp question={putUp} showsKey={state.putUp.showsKey} desk={props.desk} />;
  }
  const slide =
    edition.slides[state.askedSlideId ?? ''] ??
    (state.pace === 'together' ? edition.slides[state.slideId ?? ''] : undefined);
  if (slide) {
    return (
      <main className="h-full bg-[#10191d]">
        <CreditsOf deck={edition}>
          <PlayingSlides deck={edition} here={slide.id}>
            <FittedSlide
              slide={slide}
              theme={edition.theme}
              links={Object.values(edition.links).filter((link) => link.from === slide.id)}
            />
          </PlayingSlides>
        </CreditsOf>
      </main>
    );
  }
  return (
    <main className="grid h-full place-items-center">
      <div>
        <h1 className="mb-8 text-center text-[40px]">{lesson.title}</h1>
        <JoinCard joinCode={lesson.joinCode} isLarge />
      </div>
    </main>
  );
}

/** The tally of a question, without names; the key only on the teacher's word. */
function PutUp(props: {
  question: QuestionElement;
  showsKey: boolean;
  desk: OpenDocument;
}): ReactElement {
  const { question, showsKey } = props;
  const desk = useReader(props.desk.doc, (doc) => new DocumentReader(doc, readDesk));
  const tally = desk.tallies[question.id];
  const { TallyView } = QUESTION_VIEWS[question.question.kind];
  return (
    <main aria-label="Put up" className="h-full overflow-auto bg-paper px-[6vw] py-[5vh]">
      <h1 className="mb-6 text-[40px] leading-tight">{promptOf(question)}</h1>
      <div className="mx-auto max-w-[1500px]" style={{ zoom: 2 }}>
        <Suspense>
          {tally && (
            <TallyView
              element={question}
              tally={tally}
              students={desk.students.filter(({ status }) => status === 'in').length}
              answers={answersTo(question, desk)}
              showsKey={showsKey}
            />
          )}
        </Suspense>
      </div>
    </main>
  );
}

function OneAnswer(props: {
  question: QuestionElement;
  shown: ShownAnswer;
  desk: OpenDocument;
}): ReactElement {
  const { question, shown } = props;
  const desk = useReader(props.desk.doc, (doc) => new DocumentReader(doc, readDesk));
  const student = desk.students.find(({ folioId }) => folioId === shown.folioId);
  const answer = fitting(question.question, student?.answers[question.id]?.answer);
  const { Input, inWords } = QUESTION_VIEWS[question.question.kind];
  const isWords =
    question.question.kind === 'textEntry' || question.question.kind === 'extendedText';
  return (
    <main aria-label="An answer" className="h-full overflow-auto bg-paper px-[8vw] py-[7vh]">
      <h1 className="mb-8 text-[32px] leading-tight text-soft">{promptOf(question)}</h1>
      {answer && isWords && (
        <p className="text-[44px] leading-snug whitespace-pre-wrap">
          {answer.kind === 'extendedText' ? answer.text : inWords(question.question, answer)}
        </p>
      )}
      {answer && !isWords && (
        <div className="slide-text text-[26px]" inert>
          <Suspense>
            <Input
              element={question}
              question={question.question}
              name="shown"
              seed={shown.folioId}
              answer={answer}
              isHeld
              onAnswer={() => undefined}
            />
          </Suspense>
        </div>
      )}
      {shown.withName && <p className="mt-8 text-[28px] font-semibold">{student?.name}</p>}
    </main>
  );
}

function PresentedLeaf({
  presenting,
  edition,
}: {
  presenting: Presenting;
  edition: Deck;
}): ReactElement {
  const opening = useDocument(`folio:${presenting.folioId}`);
  if (opening.state !== 'open') return <Centre>{presenting.who}</Centre>;
  return <Leaf document={opening.document} presenting={presenting} edition={edition} />;
}

function Leaf(props: {
  document: OpenDocument;
  presenting: Presenting;
  edition: Deck;
}): ReactElement {
  const { presenting, edition } = props;
  const folio = useReader(props.document.doc, (doc) => new DocumentReader(doc, readFolio));
  const leaf =
    folio.leaves.find((candidate) => candidate.id === presenting.leafId) ?? folio.leaves[0];
  return (
    <main className="relative h-full bg-[#10191d]" aria-label="Big screen">
      {leaf ? (
        <FittedSlide
          slide={leafOnPattern(leaf, edition.slides[leaf.patternId])}
          theme={edition.theme}
        />
      ) : (
        <Centre title={presenting.who}>No leaf to show yet.</Centre>
      )}
      <p className="absolute bottom-4 left-4 rounded-[6px] bg-paper/95 px-3 py-1.5 text-[18px] font-semibold">
        {presenting.who}
      </p>
    </main>
  );
}
