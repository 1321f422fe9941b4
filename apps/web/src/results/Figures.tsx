import {
  binsOfSums,
  cronbachAlpha,
  questionsInAlpha,
  discrimination,
  facility,
  markingOf,
  medianOf,
  optionsOf,
  pickedIn,
  slideTimes,
  strongDistractors,
  tallyOf,
  totalsOf,
  upperLower,
  walkCounts,
  wordsOf,
  type Deck,
  type Figure,
  type MarkTable,
  type QuestionElement,
  type StudentResult,
  titleOf,
} from '@gobrel/core';
import { Suspense, useMemo, type ReactElement } from 'react';
import { Bar, BarChart, CartesianGrid, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import { count } from '../ui/when';
import { LessonMap } from '../lesson/LessonMap';
import { fitting, QUESTION_VIEWS } from '../questions/registry';

const NONE = (): void => undefined;

/** A figure with how it is reckoned and how many it rests on; of too few it says so instead. */
function FigureView(props: {
  name: string;
  how: string;
  figure: Figure;
  show?: (value: number) => string;
}): ReactElement {
  const { name, how, figure, show = (value) => value.toFixed(2) } = props;
  return (
    <div className="min-w-[150px] flex-1 rounded-[6px] border border-line bg-sheet px-3 py-2">
      <div className="flex flex-wrap items-baseline justify-between gap-x-2">
        <p className="text-[13px] text-soft">{name}</p>
        {figure.value !== null ? (
          <p className="font-head text-[22px] leading-tight font-semibold">{show(figure.value)}</p>
        ) : (
          <p className="text-[14px] font-semibold">
            {figure.students < figure.needed
              ? `Too few: it takes ${figure.needed}`
              : 'Nothing varies here'}
          </p>
        )}
      </div>
      <p className="text-[12px] text-soft">
        {how} {count(figure.students, 'student')}.
      </p>
    </div>
  );
}

const percent = (value: number): string => `${Math.round(value * 100)} %`;

/** What the marks say of one question, and what the class answered. */
function QuestionFigures(props: {
  asked: QuestionElement;
  at: number;
  table: MarkTable;
  students: readonly StudentResult[];
}): ReactElement {
  const { asked, at, table, students } = props;
  const { question, key } = asked;
  const answers = students.flatMap(({ answers }) => {
    const given = fitting(question, answers[asked.id]?.answer);
    return given ? [given] : [];
  });
  const { TallyView } = QUESTION_VIEWS[question.kind];
  const right = key?.kind === question.kind ? markingOf(key.kind).right?.of(key) : undefined;
  const picks = students.map(({ answers }) => {
    const given = answers[asked.id]?.answer;
    return given?.kind === question.kind ? pickedIn(given) : null;
  });
  const strong = right ? strongDistractors(table, at, picks, right) : [];
  return (
    <article className="border-b border-line py-5">
      <h3 className="mb-3 text-[20px]">
        {at + 1}. {wordsOf(asked.text)}
      </h3>
      <div className="grid gap-x-8 gap-y-3 lg:grid-cols-[minmax(0,1fr)_280px]">
        <div className="lg:order-2">
          <div className="flex flex-wrap content-start gap-2 lg:flex-col">
            <FigureView
              name="Facility"
              how="Mean share of the points, of those who answered:"
              figure={facility(table, at)}
              show={percent}
            />
            <FigureView
              name="Discrimination"
              how="Point-biserial correlation with the other questions:"
              figure={discrimination(table, at)}
            />
            <FigureView
              name="Upper less lower 27 %"
              how="Facility of the best less that of the last by sum:"
              figure={upperLower(table, at)}
            />
          </div>
        </div>
        <div>
          {strong.length > 0 && (
            <p className="mb-2 text-[14px] text-brass-deep">
              Draws the strong:{' '}
              {strong
                .map(
                  ({ optionId, picked, pull }) =>
                    `“${optionsOf(question).find(({ id }) => id === optionId)?.text ?? '?'}” (${picked} picked it; they earned ${pull.toFixed(1)} points more elsewhere than the class)`,
                )
                .join('; ')}
            </p>
          )}
          <Suspense>
            <TallyView
              element={asked}
              tally={tallyOf(question, answers)}
              students={students.length}
              answers={answers}
              showsKey
            />
          </Suspense>
        </div>
      </div>
    </article>
  );
}

/** What the marks say of the lesson: how sums are spread, and how well the questions go together. */
function LessonFigures(props: { table: MarkTable }): ReactElement {
  const { table } = props;
  const totals = totalsOf(table);
  const data = binsOfSums(totals).map(({ from, to, count }) => ({
    points: from === to ? String(from) : `${from.toFixed(1)} – ${to.toFixed(1)}`,
    students: count,
  }));
  const leftOut = table.questionIds.length - questionsInAlpha(table).length;
  return (
    <section aria-label="The lesson in figures">
      <div className="mb-4 flex flex-wrap gap-2">
        <FigureView
          name="Cronbach’s alpha"
          how={`How well the questions go together, for those whose route led to all of them; what they left out earns nothing.${leftOut > 0 ? ` ${leftOut} without points or without marks yet ${leftOut === 1 ? 'is' : 'are'} left out.` : ''} It rests on`}
          figure={cronbachAlpha(table)}
        />
        <FigureView
          name="Median of the sums"
          how="Half earned more, half less:"
          figure={
            totals.length > 0
              ? { value: medianOf(totals), students: totals.length }
              : { value: null, students: 0, needed: 1 }
          }
          show={(value) => value.toFixed(1)}
        />
      </div>
      <h3 className="mb-1 text-[15px]">How the sums are spread</h3>
      <div
        className="h-[240px] max-w-[720px]"
        role="img"
        aria-label={data.map(({ points, students }) => `${points}: ${students}`).join(', ')}
      >
        <ResponsiveContainer width="100%" height="100%">
          <BarChart data={data} margin={{ left: -18, right: 8, top: 8 }}>
            <CartesianGrid stroke="#E4DCCB" vertical={false} />
            <XAxis dataKey="points" tick={{ fontSize: 12 }} stroke="#6B7377" />
            <YAxis allowDecimals={false} tick={{ fontSize: 12 }} stroke="#6B7377" />
            <Tooltip cursor={{ fill: '#F0EADD' }} />
            <Bar
              dataKey="students"
              fill="#17505C"
              radius={[3, 3, 0, 0]}
              isAnimationActive={false}
            />
          </BarChart>
        </ResponsiveContainer>
      </div>
    </section>
  );
}

/** The routes taken, drawn on the map, and how long the class stayed where. */
function RouteFigures(props: { edition: Deck; students: readonly StudentResult[] }): ReactElement {
  const { edition, students } = props;
  const walks = useMemo(() => students.map(({ walk }) => walk), [students]);
  const walked = useMemo(() => walkCounts(walks), [walks]);
  const slides = useMemo(() => slideTimes(walks).sort((a, b) => b.visits - a.visits), [walks]);
  return (
    <section aria-label="Routes" className="flex h-full min-h-0 flex-col">
      <div className="h-[46%] min-h-[240px] border-b border-line">
        <LessonMap
          edition={edition}
          students={[]}
          walks={walked}
          current={null}
          onPick={NONE}
          onOpenFolio={NONE}
        />
      </div>
      <div
        role="region"
        aria-label="Walks"
        tabIndex={0}
        className="min-h-0 flex-1 overflow-auto p-5"
      >
        <table className="w-full max-w-[760px] text-[14px]">
          <thead>
            <tr className="text-left text-[13px] text-soft">
              <th className="py-1 font-normal">Slide</th>
              <th className="py-1 font-normal">Visits</th>
              <th className="py-1 font-normal">Median stay</th>
              <th className="py-1 font-normal">Turned back</th>
              <th className="py-1 font-normal">Stopped here</th>
            </tr>
          </thead>
          <tbody>
            {slides.map(({ slideId, visits, median, turnedBack, stopped }) => (
              <tr key={slideId} className="border-t border-line/60">
                <td className="py-1">
                  {edition.slides[slideId]
                    ? titleOf(edition.slides[slideId])
                    : 'a slide that is gone'}
                </td>
                <td>{visits}</td>
                <td>{median > 0 ? `${Math.round(median / 1000)} s` : '–'}</td>
                <td>{turnedBack || '–'}</td>
                <td>
                  {stopped || '–'}
                  {edition.slides[slideId]?.isEnding && stopped > 0 && (
                    <span className="text-soft"> (an ending)</span>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        <p className="mt-3 text-[13px] text-soft">
          A stay is the time until the next step; longer ones than half an hour are left out.
        </p>
      </div>
    </section>
  );
}

/** What the marks and walks of a lesson say: by question, of the whole, and on the map. */
export default function Figures(props: {
  view: 'questions' | 'lesson' | 'routes';
  table: MarkTable;
  students: readonly StudentResult[];
  questions: readonly QuestionElement[];
  edition: Deck;
}): ReactElement {
  const { view, table, students, questions, edition } = props;
  switch (view) {
    case 'questions':
      return (
        <div tabIndex={0} className="min-h-0 flex-1 overflow-auto px-6 pb-8">
          <div className="max-w-[1180px]">
            {questions.map((one, at) => (
              <QuestionFigures key={one.id} asked={one} at={at} table={table} students={students} />
            ))}
          </div>
        </div>
      );
    case 'lesson':
      return (
        <div tabIndex={0} className="min-h-0 flex-1 overflow-auto p-6">
          <LessonFigures table={table} />
        </div>
      );
    case 'routes':
      return (
        <div className="min-h-0 flex-1">
          <RouteFigures edition={edition} students={students} />
        </div>
      );
  }
}
