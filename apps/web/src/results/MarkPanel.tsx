import {
  kindOf,
  markOf,
  PLAIN_SCALE,
  STAMPS,
  wordsOf,
  type HandMark,
  type QuestionElement,
  type StudentResult,
} from '@gobrel/core';
import { Suspense, type ReactElement } from 'react';
import { fitting, QUESTION_VIEWS } from '../questions/registry';
import { Lines } from '../ui/Lines';
import { Button } from '../ui/Button';

const NONE: HandMark = { score: null, comment: '', stamp: '' };

/** One answer as it was given, and what the teacher says to it. A digit gives a step of the scale. */
export function MarkPanel(props: {
  student: StudentResult;
  asked: QuestionElement;
  countsLate: boolean;
  onMark: (mark: HandMark) => void;
}): ReactElement {
  const { student, asked, onMark } = props;
  const given = student.answers[asked.id];
  const mark = student.marks[asked.id] ?? NONE;
  const { question, key } = asked;
  const scale = key && 'scale' in key ? key.scale : PLAIN_SCALE;
  const counted = markOf(student, asked.id, props.countsLate);
  const answer = fitting(question, given?.answer);
  const words = answer && kindOf(answer.kind).inFull?.(answer);
  const { Input } = QUESTION_VIEWS[question.kind];
  return (
    <section aria-label="Mark" className="flex flex-col gap-4 p-5">
      <header>
        <h2 className="text-[20px]">{student.name}</h2>
        <p className="text-soft">{wordsOf(asked.text)}</p>
      </header>
      {answer ? (
        <div className="rounded-[6px] border border-line bg-sheet p-3" inert>
          {words !== undefined ? (
            <p className="whitespace-pre-wrap">{words}</p>
          ) : (
            <Suspense>
              <Input
                element={asked}
                question={question}
                name={`mark-${asked.id}`}
                seed={student.folioId}
                answer={answer}
                isHeld
                counts={undefined}
                onAnswer={() => undefined}
                onDraft={() => undefined}
              />
            </Suspense>
          )}
        </div>
      ) : (
        <p className="text-soft">Nothing was answered.</p>
      )}
      {given?.isLate && <p className="text-ember-deep">It came late.</p>}
      <div>
        <h3 className="mb-1.5 text-[15px]">
          {counted === null
            ? 'Not marked yet'
            : `${Math.round(counted * question.points * 100) / 100} of ${question.points}`}{' '}
          <span className="font-body text-[13px] font-normal text-soft">
            {mark.score !== null ? 'by you' : counted !== null ? 'by the key' : ''}
          </span>
        </h3>
        <div className="flex flex-wrap gap-1.5" role="group" aria-label="Scale">
          {scale.map(({ label, share }, index) => (
            <Button
              key={label}
              look={mark.score === share ? 'main' : 'plain'}
              aria-pressed={mark.score === share}
              onClick={() => onMark({ ...mark, score: share })}
            >
              <kbd className="text-[11px] opacity-70">{index + 1}</kbd> {label}
            </Button>
          ))}
          {mark.score !== null && (
            <Button look="quiet" onClick={() => onMark({ ...mark, score: null })}>
              Take my mark back
            </Button>
          )}
        </div>
      </div>
      <div className="flex flex-wrap gap-1.5" role="group" aria-label="Stamps">
        {STAMPS.map((stamp) => (
          <button
            key={stamp}
            type="button"
            aria-pressed={mark.stamp === stamp}
            onClick={() => onMark({ ...mark, stamp: mark.stamp === stamp ? '' : stamp })}
            className="min-h-9 rounded-full border border-dashed border-brass px-3 text-[13px] font-semibold text-brass-deep aria-pressed:border-solid aria-pressed:bg-brass-mist"
          >
            {stamp}
          </button>
        ))}
      </div>
      <Lines
        label="Comment"
        rows={3}
        value={mark.comment}
        onChange={(typed) => onMark({ ...mark, comment: typed })}
      />
    </section>
  );
}
