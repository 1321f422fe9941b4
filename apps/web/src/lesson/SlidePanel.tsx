import {
  askedBefore,
  isPiece,
  lying,
  questionsOn,
  type Answer,
  type ClassTally,
  type Deck,
  type Desk,
  type DeskStudent,
  type LessonState,
  type Likened,
  type QuestionElement,
  type Slide,
  type SlideElement,
  entryAt,
  type FolioId,
  themeOn,
  type Theme,
  titleOf,
} from '@gobrel/core';
import { Suspense, useMemo, useRef, useState, type ReactElement } from 'react';
import { fitting, inPlainWords, QUESTION_VIEWS } from '../questions/registry';
import { ElementBody } from '../stage/ElementView';
import { boxStyle } from '../parts/boxStyle';
import { SlideView } from '../stage/SlideView';
import { Button } from '../ui/Button';
import { Segments } from '../ui/Segments';
import { useSize } from '../ui/useSize';
import { AnswerRoll, Mark } from './AnswerRoll';
import { promptOf } from './promptOf';
import type { DeskActions } from './useDeskActions';

type View = 'stacked' | 'tiles' | 'roll';

/** What the class did on one slide: pieces laid over each other, tiles, a roll, and the tallies. */
export function SlidePanel(props: {
  slide: Slide;
  edition: Deck;
  desk: Desk;
  state: LessonState;
  starred: readonly string[];
  likened: Record<string, Likened>;
  act: DeskActions;
  onOpenFolio: (folioId: FolioId) => void;
  onBringAll?: () => void;
}): ReactElement {
  const { slide, edition, desk } = props;
  const [view, setView] = useState<View>('stacked');
  const ref = useRef<HTMLDivElement>(null);
  const { width } = useSize(ref);
  const links = Object.values(edition.links).filter((link) => link.from === slide.id);
  const questions = useMemo(() => questionsOn(slide), [slide]);
  const worked = desk.students.filter(
    (student) =>
      student.placements[slide.id] || questions.some((question) => student.answers[question.id]),
  );
  return (
    <div ref={ref} className="p-5">
      <div className="mb-2 flex items-baseline gap-3">
        <h2 className="text-[20px]">{titleOf(slide)}</h2>
        <p className="text-[13px] text-soft">
          {questions.length > 0 || slide.elements.some(isPiece)
            ? `${worked.length} of ${desk.students.length} worked on it`
            : 'nothing to do here'}
        </p>
        {props.onBringAll && (
          <Button size="small" className="ml-auto" onClick={props.onBringAll}>
            Bring all here
          </Button>
        )}
      </div>
      <Segments<View>
        label="Answers as"
        value={view}
        onChange={setView}
        options={[
          { value: 'stacked', label: 'Stacked' },
          { value: 'tiles', label: 'Tiles' },
          { value: 'roll', label: 'Roll' },
        ]}
      />
      {width > 40 && (
        <div className="mt-3">
          {view === 'stacked' && (
            <div className="overflow-hidden rounded-[6px] border border-line">
              <SlideView
                slide={slide}
                theme={edition.theme}
                links={links}
                width={width - 42}
                isHidden={(element) => isPiece(element) && worked.length > 0}
                overlay={<StackedPieces slide={slide} edition={edition} students={worked} />}
              />
            </div>
          )}
          {view === 'tiles' && <Tiles {...props} students={worked} width={width - 42} />}
          {view === 'roll' && <AnswerRoll {...props} questions={questions} />}
        </div>
      )}
      {view !== 'roll' &&
        questions.map((question) => {
          const known = classTally(question, desk);
          const { TallyView } = QUESTION_VIEWS[question.question.kind];
          return known ? (
            <section key={question.id} className="mt-5" aria-label="Tally">
              <div className="mb-1.5 flex items-start gap-2">
                <h3 className="flex-1 text-[15px]">{promptOf(question)}</h3>
                {!props.state.isEnded && (
                  <PutUpButtons question={question} state={props.state} act={props.act} />
                )}
              </div>
              <Suspense>
                <TallyView
                  element={question}
                  {...known}
                  before={known.before ?? undefined}
                  likened={props.likened[question.id]}
                  onLiken={(text, as) => props.act.liken(question.id, text, as)}
                  showsKey
                />
              </Suspense>
            </section>
          ) : null;
        })}
    </div>
  );
}

/** Puts the tally of a question up on the big screen, and tells the correct answer there. */
function PutUpButtons(props: {
  question: QuestionElement;
  state: LessonState;
  act: DeskActions;
}): ReactElement {
  const { question, state, act } = props;
  const isUp = state.putUp?.questionId === question.id;
  const { showsKey = false, isInPlace = false } = (isUp && state.putUp) || {};
  return (
    <>
      {isUp && question.key && (
        <Button
          size="small"
          aria-pressed={showsKey}
          onClick={() => act.putUp(question.id, { showsKey: !showsKey, isInPlace })}
        >
          {showsKey ? 'Hide the key' : 'Tell the key'}
        </Button>
      )}
      {isUp && (
        <Button
          size="small"
          aria-pressed={isInPlace}
          onClick={() => act.putUp(question.id, { showsKey, isInPlace: !isInPlace })}
        >
          On its slide
        </Button>
      )}
      <Button
        size="small"
        look={isUp ? 'main' : 'plain'}
        aria-pressed={isUp}
        onClick={() => act.putUp(isUp ? null : question.id)}
      >
        {isUp ? 'Take down' : 'Put up'}
      </Button>
    </>
  );
}

/** The class's answers to a question, for whoever may see the desk. */
export function classTally(question: QuestionElement, desk: Desk): ClassTally | null {
  const tally = desk.tallies[question.id];
  if (!tally) return null;
  return {
    question,
    tally,
    answers: answersTo(question, desk),
    before: entryAt(desk.tallies, askedBefore(question.question)) ?? null,
    students: desk.students.filter(({ status }) => status === 'in').length,
  };
}

/** All answers of the class to a question. */
const answersTo = (question: QuestionElement, desk: Desk): Answer[] =>
  desk.students.flatMap(({ answers }) => {
    const given = fitting(question.question, answers[question.id]?.answer);
    return given ? [given] : [];
  });

/** Every student's pieces where they put them, over each other. */
function StackedPieces({
  slide,
  edition,
  students,
}: {
  slide: Slide;
  edition: Deck;
  students: DeskStudent[];
}): ReactElement {
  const opacity = Math.max(0.22, 1 / Math.sqrt(Math.max(1, students.length)));
  return (
    <>
      {students.flatMap((student) =>
        Object.entries(student.placements[slide.id] ?? {}).map(([elementId, placement]) => {
          const piece = slide.elements.find((element) => element.id === elementId);
          return piece ? (
            <PieceAt
              key={`${student.folioId}/${elementId}`}
              piece={piece}
              at={placement}
              theme={themeOn(slide, edition.theme)}
              opacity={opacity}
            />
          ) : null;
        }),
      )}
    </>
  );
}

function PieceAt(props: {
  piece: SlideElement;
  at: { x: number; y: number };
  theme: Theme;
  opacity?: number;
}): ReactElement {
  return (
    <div style={{ ...boxStyle({ ...props.piece.box, ...props.at }), opacity: props.opacity }}>
      <ElementBody element={props.piece} theme={props.theme} scale={1} links={[]} />
    </div>
  );
}

/** The slide as one student left it. */
export function StudentSlide({
  slide,
  edition,
  student,
  width,
}: {
  slide: Slide;
  edition: Deck;
  student: Pick<DeskStudent, 'placements'>;
  width: number;
}): ReactElement {
  const placements = student.placements[slide.id] ?? {};
  const moved: Slide = {
    ...slide,
    elements: slide.elements.map((element) => {
      const at = placements[element.id];
      return at ? { ...element, ...lying(element, at) } : element;
    }),
  };
  return (
    <SlideView
      slide={moved}
      theme={edition.theme}
      links={Object.values(edition.links).filter((link) => link.from === slide.id)}
      width={width}
    />
  );
}

function Tiles(props: {
  slide: Slide;
  edition: Deck;
  students: DeskStudent[];
  desk: Desk;
  width: number;
  onOpenFolio: (folioId: FolioId) => void;
}): ReactElement {
  const { slide, edition, students } = props;
  if (students.length === 0)
    return <p className="text-soft">Nobody has worked on this slide yet.</p>;
  const width = Math.floor((props.width - 24) / 3);
  return (
    <ul className="grid grid-cols-3 gap-3">
      {students.map((student) => (
        <li key={student.folioId}>
          <button
            type="button"
            onClick={() => props.onOpenFolio(student.folioId)}
            className="block overflow-hidden rounded-[4px] border border-line bg-sheet text-left hover:border-petrol"
          >
            <span className="pointer-events-none block" inert aria-hidden>
              <StudentSlide slide={slide} edition={edition} student={student} width={width - 2} />
            </span>
            <span className="block truncate px-1.5 pt-1 text-[13px] font-semibold">
              {student.name}
            </span>
            {questionsOn(slide).map(({ id, question }) => {
              const given = student.answers[id];
              const said = given && inPlainWords(question, given.answer);
              return said ? (
                <span key={id} className="line-clamp-3 block px-1.5 text-[12.5px]">
                  {said}
                  <Mark score={given.score} isLate={given.isLate} />
                </span>
              ) : null;
            })}
            <span className="block h-1" />
          </button>
        </li>
      ))}
    </ul>
  );
}
