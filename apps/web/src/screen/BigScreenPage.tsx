import {
  DocumentReader,
  leafOnPattern,
  questionsOf,
  readDesk,
  readFolio,
  readLessonState,
  votesOn,
  type Deck,
  type OpenedLesson,
  type LessonState,
  type Presenting,
  type PutUp,
  type QuestionElement,
  type ShownAnswer,
} from '@gobrel/core';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useMemo, type ReactElement } from 'react';
import { useParams } from 'react-router';
import { useLesson } from '../api/teacher';
import { RequireTeacher } from '../ui/RequireTeacher';
import { classTally } from '../lesson/SlidePanel';
import type { OpenDocument } from '../sync/openDocument';
import { useDocument, useReader } from '../sync/useDocument';
import { NotYours } from '../ui/NotYours';
import { Centre } from '../ui/Page';
import { AnswerView, BigScreen, LeafView, PutUpView } from './views';
import { WhereTheClassIs } from './WhereTheClassIs';

/** What the projector shows: who presents, where the class stands, or how to join. */
export default function BigScreenPage(): ReactElement {
  const { lessonId = '' } = useParams();
  return <RequireTeacher>{() => <Opened lessonId={lessonId} />}</RequireTeacher>;
}

function Opened({ lessonId }: { lessonId: string }): ReactElement {
  const lesson = useLesson(lessonId);
  const state = useDocument(`lesson:${lessonId}`, {});
  const desk = useDocument(`desk:${lessonId}`, { isServerMade: true });
  if (lesson.error || state.state === 'failed')
    return <NotYours>This lesson is another teacher’s.</NotYours>;
  if (!lesson.data || state.state === 'opening' || desk.state !== 'open') {
    return <Centre>Opening …</Centre>;
  }
  return <Screen lesson={lesson.data} document={state.document} desk={desk.document} />;
}

function Screen(props: {
  lesson: OpenedLesson;
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
  return (
    <BigScreen state={state}>
      <Shown lesson={lesson} state={state} desk={props.desk} />
    </BigScreen>
  );
}

/** What the teacher chose: who presents, a starred answer, a tally, what was asked, where the class stands, the code. */
function Shown(props: {
  lesson: OpenedLesson;
  state: LessonState;
  desk: OpenDocument;
}): ReactElement {
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
  const answered = state.shown && questions.get(state.shown.questionId);
  if (state.shown && answered) {
    return <OneAnswer question={answered} shown={state.shown} desk={props.desk} />;
  }
  const putUp = state.putUp && questions.get(state.putUp.questionId);
  if (state.putUp && putUp) {
    return (
      <ClassAnswers question={putUp} putUp={state.putUp} edition={edition} desk={props.desk} />
    );
  }
  const where = { title: lesson.title, joinCode: lesson.joinCode, edition, state };
  return state.vote ? <Voting {...where} desk={props.desk} /> : <WhereTheClassIs {...where} />;
}

function Voting(
  props: Parameters<typeof WhereTheClassIs>[0] & { desk: OpenDocument },
): ReactElement {
  const desk = useReader(props.desk.doc, (doc) => new DocumentReader(doc, readDesk));
  const { vote } = props.state;
  return <WhereTheClassIs {...props} votes={vote ? votesOn(desk.students, vote.slideId) : null} />;
}

function ClassAnswers(props: {
  question: QuestionElement;
  putUp: PutUp;
  edition: Deck;
  desk: OpenDocument;
}): ReactElement | null {
  const desk = useReader(props.desk.doc, (doc) => new DocumentReader(doc, readDesk));
  const known = classTally(props.question, desk);
  return known && <PutUpView known={known} putUp={props.putUp} edition={props.edition} />;
}

function OneAnswer(props: {
  question: QuestionElement;
  shown: ShownAnswer;
  desk: OpenDocument;
}): ReactElement {
  const { question, shown } = props;
  const desk = useReader(props.desk.doc, (doc) => new DocumentReader(doc, readDesk));
  const student = desk.students.find(({ folioId }) => folioId === shown.folioId);
  return (
    <AnswerView
      question={question}
      answer={student?.answers[question.id]?.answer}
      name={shown.withName ? (student?.name ?? '') : ''}
    />
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
    <LeafView
      slide={leaf && leafOnPattern(leaf, edition.slides[leaf.patternId])}
      theme={edition.theme}
      who={presenting.who}
    />
  );
}
