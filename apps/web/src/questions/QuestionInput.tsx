import {
  isAnsweredByPieces,
  isBlank,
  kindOf,
  readAnswer,
  type Answer,
  type QuestionElement,
} from '@gobrel/core';
import { Suspense, useState, type ReactElement } from 'react';
import type { StudentMark } from '../api/student';
import { QuestionPicture } from './PictureSurface';
import { fitting, QUESTION_VIEWS } from './registry';

/** What a student answers a question with, and what goes with every kind: its picture, a hint, that it counts once. */
export function QuestionInput(props: {
  element: QuestionElement;
  name: string;
  answer: Answer | undefined;
  /** What stands on the screen instead and does not count, or not yet. */
  draft: Answer | undefined;
  isHeld: boolean;
  /** What shuffled options are shuffled by: the student's own. */
  seed: string;
  mark?: StudentMark | undefined;
  /** Tells that the student is done with the answer, where marks come for that; null where they do not. */
  onDone?: (() => Promise<void>) | null;
  onAnswer: (answer: Answer) => void;
  onDraft: (draft: Answer) => void;
}): ReactElement {
  const { element, name, seed, onAnswer, onDraft } = props;
  const { question, isFinal } = element;
  const kept = fitting(question, props.answer);
  const isLocked = props.mark?.isLocked === true;
  const isGiven = isLocked || (isFinal && kept !== undefined && !isBlank(kept));
  const { Input, drawsOnPicture } = QUESTION_VIEWS[question.kind];
  const waits = isFinal && !isGiven && !isAnsweredByPieces(question);
  const draft = isGiven ? undefined : fitting(question, props.draft);
  const ready = draft && readAnswer(question, draft);
  const canGive = ready !== undefined && !isBlank(ready);
  const canBeDone =
    props.onDone &&
    !draft &&
    !isFinal &&
    !isLocked &&
    !element.isForThinking &&
    !kindOf(question.kind).isByHand;
  return (
    <>
      {!drawsOnPicture && <QuestionPicture picture={element.picture} alt={element.pictureAlt} />}
      <Suspense fallback={<p className="text-soft">One moment …</p>}>
        <Input
          element={element}
          question={question}
          name={name}
          seed={`${seed}/${element.id}`}
          answer={draft ?? kept}
          counts={draft && kept}
          isHeld={props.isHeld || isGiven}
          onAnswer={waits ? onDraft : onAnswer}
          onDraft={onDraft}
        />
      </Suspense>
      {props.mark && kept && <MarkLine mark={props.mark} />}
      {(waits || isGiven || canBeDone || element.isRequired || element.hint) && (
        <div
          className="flex flex-wrap items-center gap-x-[1em] gap-y-[0.3em] text-soft"
          style={{ fontSize: '0.72em' }}
        >
          {waits && (
            <button
              type="button"
              disabled={!canGive || props.isHeld}
              onClick={() => ready && onAnswer(ready)}
              className="min-h-11 rounded-[8px] bg-petrol px-[1em] font-semibold text-white disabled:opacity-50"
            >
              Give this answer
            </button>
          )}
          {canBeDone && (
            <DoneButton
              isReady={
                kept !== undefined && !isBlank(kept) && !draft && !props.isHeld && !props.mark
              }
              onDone={props.onDone!}
            />
          )}
          {waits && <span>It counts once.</span>}
          {isGiven && <span>Answered; it stands as it is.</span>}
          {element.isRequired && !kept && <span>Needed before you hand in.</span>}
          {element.hint && (
            <details className="basis-full">
              <summary className="min-h-8 cursor-pointer py-[0.3em] text-petrol">A hint</summary>
              <p className="whitespace-pre-wrap text-ink">{element.hint}</p>
            </details>
          )}
        </div>
      )}
    </>
  );
}

/** Asks for the mark of an answer that is meant: one that comes of itself would tell the key tick by tick. */
function DoneButton(props: { isReady: boolean; onDone: () => Promise<void> }): ReactElement {
  const [isBusy, setIsBusy] = useState(false);
  const done = async (): Promise<void> => {
    setIsBusy(true);
    try {
      await props.onDone();
    } finally {
      setIsBusy(false);
    }
  };
  return (
    <button
      type="button"
      disabled={!props.isReady || isBusy}
      onClick={() => void done()}
      className="min-h-11 rounded-[8px] bg-petrol px-[1em] font-semibold text-white disabled:opacity-50"
    >
      {isBusy ? 'One moment …' : 'Done: show my mark'}
    </button>
  );
}

/** What the answer was worth, and what the teacher says to it. */
function MarkLine({ mark }: { mark: StudentMark }): ReactElement | null {
  const { score, points, explanation, comment, stamp } = mark;
  const said =
    score === null ? '' : score === 1 ? 'Right' : score > 0 ? 'Partly right' : 'Not right yet';
  if (!said && !explanation && !comment && !stamp) return null;
  const worth = Math.round((score ?? 0) * points * 10) / 10;
  return (
    <div
      role="status"
      className="rounded-[8px] bg-petrol-mist px-[0.8em] py-[0.4em]"
      style={{ fontSize: '0.78em' }}
    >
      {said && (
        <b className="text-petrol">
          {said} · {worth} of {points}{' '}
        </b>
      )}
      {stamp && <span className="font-semibold">{stamp} </span>}
      {comment && <p className="whitespace-pre-wrap">{comment}</p>}
      {explanation && <p className="whitespace-pre-wrap">{explanation}</p>}
    </div>
  );
}
