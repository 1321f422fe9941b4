import {
  DocumentReader,
  leafOnPattern,
  leafTitle,
  questionsOf,
  readFolio,
  type Deck,
  type DeskStudent,
  type Folio,
  idsOf,
  titleOf,
} from '@gobrel/core';
import { useMemo, useRef, useState, type ReactElement } from 'react';
import { sentenceOf } from '../api/http';
import { useAttempt, useAttempts } from '../api/teacher';
import { whenAt } from '../ui/when';
import { inPlainWords } from '../questions/registry';
import { SlideView } from '../stage/SlideView';
import type { OpenDocument } from '../sync/openDocument';
import { useDocument, useReader } from '../sync/useDocument';
import { Button } from '../ui/Button';
import { Badge, Initials } from '../ui/Page';
import { Segments } from '../ui/Segments';
import { useSize } from '../ui/useSize';
import { Mark } from '../lesson/AnswerRoll';
import { promptOf } from '../lesson/promptOf';
import { StudentSlide } from '../lesson/SlidePanel';

const NOW = 'now';

/** One folio, live or as it was handed in: the walk, the answers, the pieces, the leaves. */
export function FolioPanel(props: {
  lessonId: string;
  folioId: string;
  edition: Deck;
  student: DeskStudent | undefined;
  isInLineUp: boolean;
  onLineUp: () => void;
  onClose: () => void;
}): ReactElement {
  const { lessonId, folioId, student } = props;
  const opening = useDocument(`folio:${folioId}`);
  const attempts = useAttempts(lessonId, folioId, student?.handedInAt ?? null).data ?? [];
  const [shown, setShown] = useState(NOW);
  return (
    <div className="p-5">
      <div className="mb-3 flex items-center gap-3">
        <Initials name={student?.name ?? ''} />
        <h2 className="text-[20px]">{student?.name}</h2>
        {student?.handedInAt && <Badge tone="petrol">handed in</Badge>}
        <Button size="small" look="quiet" className="ml-auto" onClick={props.onClose}>
          Close the folio
        </Button>
      </div>
      <Button size="small" disabled={props.isInLineUp} onClick={props.onLineUp}>
        {props.isInLineUp ? 'In the line-up' : 'Put in the line-up'}
      </Button>
      {attempts.length > 0 && (
        <div className="mt-3">
          <Segments
            label="Shown"
            value={shown}
            onChange={setShown}
            options={[
              { value: NOW, label: 'Now' },
              ...attempts.map(({ number, handedInAt }) => ({
                value: String(number),
                label: `Handed in ${whenAt(handedInAt)}`,
              })),
            ]}
          />
        </div>
      )}
      {shown !== NOW ? (
        <Attempt lessonId={lessonId} folioId={folioId} number={shown} edition={props.edition} />
      ) : opening.state === 'opening' ? (
        <p className="mt-4 text-soft">Opening the folio …</p>
      ) : opening.state === 'failed' ? (
        <p className="mt-4 text-ember-deep">{opening.reason}</p>
      ) : (
        student && <Live document={opening.document} edition={props.edition} student={student} />
      )}
    </div>
  );
}

/** The folio as it is now, with every change. */
function Live(props: {
  document: OpenDocument;
  edition: Deck;
  student: DeskStudent;
}): ReactElement {
  const folio = useReader(props.document.doc, (doc) => new DocumentReader(doc, readFolio));
  return <Contents folio={folio} edition={props.edition} done={props.student} />;
}

/** The folio as it was handed in. */
function Attempt(props: {
  lessonId: string;
  folioId: string;
  number: string;
  edition: Deck;
}): ReactElement {
  const { lessonId, folioId, number } = props;
  const attempt = useAttempt(lessonId, folioId, number);
  if (attempt.error) return <p className="mt-4 text-ember-deep">{sentenceOf(attempt.error)}</p>;
  if (!attempt.data) return <p className="mt-4 text-soft">Opening what was handed in …</p>;
  return <Contents folio={attempt.data} edition={props.edition} done={attempt.data} />;
}

function Contents({
  folio,
  edition,
  done: student,
}: {
  folio: Pick<Folio, 'walk' | 'leaves'>;
  edition: Deck;
  done: Pick<DeskStudent, 'answers' | 'placements'>;
}): ReactElement {
  const ref = useRef<HTMLDivElement>(null);
  const { width } = useSize(ref);
  const half = Math.floor((width - 12) / 2) - 2;
  const questions = useMemo(() => [...questionsOf(edition).values()], [edition]);
  const answered = questions.filter((question) => student.answers[question.id]);
  return (
    <div ref={ref} className="mt-4 flex flex-col gap-6">
      <section>
        <h3 className="mb-1.5 text-[15px]">The walk</h3>
        <p className="text-[14px] leading-relaxed">
          {folio.walk.map((step, index) => (
            <span key={index}>
              {index > 0 && <span className="text-ember"> {step.via === 'back' ? '↩' : '→'} </span>}
              {titleOf(edition.slides[step.slideId])}
            </span>
          ))}
          {folio.walk.length === 0 && <span className="text-soft">Not begun.</span>}
        </p>
      </section>
      <section>
        <h3 className="mb-1.5 text-[15px]">Answers</h3>
        <dl className="text-[14px]">
          {answered.map((question) => {
            const given = student.answers[question.id]!;
            return (
              <div key={question.id} className="flex gap-3 border-b border-line/60 py-1">
                <dt className="flex-1 text-soft">{promptOf(question)}</dt>
                <dd>
                  {inPlainWords(question.question, given.answer) || '–'}
                  <Mark score={given.score} isLate={given.isLate} />
                </dd>
              </div>
            );
          })}
        </dl>
        {answered.length === 0 && <p className="text-[14px] text-soft">None yet.</p>}
      </section>
      {half > 60 && Object.keys(student.placements).length > 0 && (
        <section>
          <h3 className="mb-1.5 text-[15px]">Pieces</h3>
          <ul className="grid grid-cols-2 gap-3">
            {idsOf(student.placements).map((slideId) => {
              const slide = edition.slides[slideId];
              return slide ? (
                <li
                  key={slideId}
                  className="overflow-hidden rounded-[4px] border border-line"
                  inert
                >
                  <StudentSlide slide={slide} edition={edition} student={student} width={half} />
                </li>
              ) : null;
            })}
          </ul>
        </section>
      )}
      <section>
        <h3 className="mb-1.5 text-[15px]">Leaves</h3>
        {folio.leaves.length === 0 && <p className="text-[14px] text-soft">None yet.</p>}
        <ul className="grid grid-cols-2 gap-3">
          {half > 60 &&
            folio.leaves.map((leaf) => (
              <li
                key={leaf.id}
                className="overflow-hidden rounded-[4px] border border-line bg-sheet"
              >
                <SlideView
                  slide={leafOnPattern(leaf, edition.slides[leaf.patternId])}
                  theme={edition.theme}
                  width={half}
                  label={leafTitle(leaf)}
                />
                <p className="truncate px-2 py-1 text-[13px]">{leafTitle(leaf)}</p>
              </li>
            ))}
        </ul>
      </section>
    </div>
  );
}
