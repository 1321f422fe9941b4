import {
  isAnsweredByPieces,
  isBlank,
  kindOf,
  readAnswer,
  type Answer,
  type QuestionElement,
  type StudentMark,
} from '@gobrel/core';
import { Suspense, type ReactElement } from 'react';
import type { Done } from './DoneButton';
import { part } from '../offline/part';
import { QuestionPicture } from './PictureSurface';
import { fitting, QUESTION_VIEWS } from './registry';

// Only where a lesson shows marks.
const DoneButton = part(() => import('./DoneButton'));
const MarkLine = part(() => import('./MarkLine'));

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
  done?: Done | null;
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
    props.done &&
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
      {props.mark && kept && (
        <Suspense>
          <MarkLine mark={props.mark} />
        </Suspense>
      )}
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
            <Suspense>
              <DoneButton
                isReady={
                  kept !== undefined && !isBlank(kept) && !draft && !props.isHeld && !props.mark
                }
                waits={props.done!.waits(element.id)}
                onDone={() => props.done!.tell(element.id)}
              />
            </Suspense>
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
