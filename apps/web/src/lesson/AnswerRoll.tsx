import {
  isPiece,
  type Desk,
  type DeskStudent,
  type LessonState,
  type QuestionElement,
  type Slide,
  type FolioId,
} from '@gobrel/core';
import { Star } from 'lucide-react';
import { useState, type ReactElement } from 'react';
import { inPlainWords } from '../questions/registry';
import { Button } from '../ui/Button';
import { Segments } from '../ui/Segments';
import { promptOf } from './promptOf';
import type { DeskActions } from './useDeskActions';

type By = 'name' | 'time' | 'mark';
const SORTS: { value: By; label: string }[] = [
  { value: 'name', label: 'by name' },
  { value: 'time', label: 'by time' },
  { value: 'mark', label: 'by mark' },
];

/** The answers to a slide's questions, student by student; some of them starred to be shown. */
export function AnswerRoll(props: {
  slide: Slide;
  desk: Desk;
  questions: QuestionElement[];
  starred: readonly string[];
  state: LessonState;
  act: DeskActions;
  onOpenFolio: (folioId: FolioId) => void;
}): ReactElement {
  const { slide, desk, questions, starred, state, act } = props;
  const [by, setBy] = useState<By>('name');
  const pieces = slide.elements.filter(isPiece);
  const students = sorted(desk.students, questions, by);
  const toggle = (key: string): void => act.star(key, !starred.includes(key));
  return (
    <>
      <div className="mb-2 flex flex-wrap items-center gap-3">
        <Segments label="Sorted" value={by} options={SORTS} onChange={setBy} />
        {starred.length > 0 && !state.isEnded && (
          <Starred starred={starred} state={state} act={act} />
        )}
      </div>
      <table className="w-full text-[14px]">
        <thead>
          <tr className="border-b border-line text-left text-[13px] text-soft">
            <th scope="col" className="py-1 font-normal">
              Student
            </th>
            {questions.map((question) => (
              <th key={question.id} scope="col" className="py-1 font-normal">
                {promptOf(question)}
              </th>
            ))}
            {pieces.length > 0 && (
              <th scope="col" className="py-1 font-normal">
                Pieces moved
              </th>
            )}
          </tr>
        </thead>
        <tbody>
          {students.map((student) => (
            <tr key={student.folioId} className="border-b border-line/60">
              <th scope="row" className="text-left font-normal">
                <button
                  type="button"
                  className="min-h-8 text-left text-petrol hover:underline"
                  onClick={() => props.onOpenFolio(student.folioId)}
                >
                  {student.name}
                </button>
              </th>
              {questions.map((question) => {
                const key = `${student.folioId}/${question.id}`;
                const given = student.answers[question.id];
                const isStarred = starred.includes(key);
                return (
                  <td key={question.id} className="py-1 pr-2">
                    {given ? (
                      <span className="flex items-start gap-1">
                        <span className="flex-1">
                          {inPlainWords(question.question, given.answer) || '–'}
                          <Mark score={given.score} isLate={given.isLate} />
                        </span>
                        <button
                          type="button"
                          aria-pressed={isStarred}
                          aria-label={`Star the answer of ${student.name}`}
                          onClick={() => toggle(key)}
                          className="grid size-7 shrink-0 place-items-center rounded-[4px] text-soft hover:bg-sand aria-pressed:text-brass"
                        >
                          <Star size={15} fill={isStarred ? 'currentColor' : 'none'} aria-hidden />
                        </button>
                      </span>
                    ) : (
                      <span className="text-soft">–</span>
                    )}
                  </td>
                );
              })}
              {pieces.length > 0 && (
                <td className="py-1">
                  {Object.keys(student.placements[slide.id] ?? {}).length} of {pieces.length}
                </td>
              )}
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}

/** Steps through the starred answers on the big screen. */
function Starred(props: {
  starred: readonly string[];
  state: LessonState;
  act: DeskActions;
}): ReactElement {
  const { starred, state, act } = props;
  const { shown } = state;
  const at = shown ? starred.indexOf(`${shown.folioId}/${shown.questionId}`) : -1;
  const step = (by: number): void =>
    act.show(starred[(at + by + starred.length) % starred.length]!, shown?.withName);
  if (!shown) {
    return (
      <Button size="small" onClick={() => act.show(starred[0]!)}>
        Show the starred · {starred.length}
      </Button>
    );
  }
  return (
    <span className="flex items-center gap-1 text-[13px]">
      <Button size="small" aria-label="The one before" onClick={() => step(-1)}>
        ←
      </Button>
      {at + 1} of {starred.length}
      <Button size="small" aria-label="The next one" onClick={() => step(1)}>
        →
      </Button>
      <Button
        size="small"
        aria-pressed={shown.withName}
        onClick={() => act.show(`${shown.folioId}/${shown.questionId}`, !shown.withName)}
      >
        {shown.withName ? 'Without the name' : 'With the name'}
      </Button>
      <Button size="small" onClick={() => act.show(null)}>
        Take down
      </Button>
    </span>
  );
}

/** What an answer was worth, in a word. */
export function Mark(props: { score: number | null; isLate?: boolean }): ReactElement | null {
  const { score, isLate } = props;
  const said =
    score === null ? '' : score === 1 ? 'right' : score > 0 ? 'partly right' : 'not right';
  return said || isLate ? (
    <span className="ml-1.5 text-[12px] font-semibold whitespace-nowrap text-petrol">
      {said}
      {isLate && <span className="ml-1 text-ember-deep">late</span>}
    </span>
  ) : null;
}

/** Students in order: by when they answered here last, by what they earned here, or as they come. */
function sorted(
  students: readonly DeskStudent[],
  questions: readonly QuestionElement[],
  by: By,
): DeskStudent[] {
  if (by === 'name') return [...students];
  const value = ({ answers }: DeskStudent): number => {
    const given = questions.flatMap(({ id }) => answers[id] ?? []);
    if (given.length === 0) return by === 'time' ? Infinity : -1;
    return by === 'time'
      ? Math.max(...given.map(({ at }) => at))
      : given.reduce((sum, { score }) => sum + (score ?? 0), 0);
  };
  return [...students].sort((a, b) => (by === 'time' ? value(a) - value(b) : value(b) - value(a)));
}
