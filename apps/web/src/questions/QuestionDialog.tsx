import {
  setQuestion,
  typed,
  wordsOf,
  type Question,
  type QuestionDetails,
  type QuestionElement,
  type QuestionKey,
  type SlideId,
} from '@gobrel/core';
import {
  useEffect,
  useEffectEvent,
  useId,
  useRef,
  useState,
  type ReactElement,
  type ReactNode,
} from 'react';
import { assetUrl } from '../api/assets';
import { Check } from '../ui/controls';
import { Lines } from '../ui/Lines';
import { PicturePop } from '../ui/PicturePop';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { Field } from '../ui/Field';
import { useNotices } from '../ui/Notice';
import { useEditedDeck } from '../deck/DeckContext';

export type AnyElement = Pick<
  QuestionElement,
  | 'id'
  | 'text'
  | 'hint'
  | 'explanation'
  | 'picture'
  | 'pictureAlt'
  | 'isForThinking'
  | 'isRequired'
  | 'isFinal'
> & { question: Question };

/**
 * What every kind is edited in: prompt, points and details, and what the kind adds. Every change is kept at once, as far
 * as it makes a question; what does not is told, and closing asks once more before it is left behind.
 */
export function QuestionDialog(props: {
  title: string;
  slideId: SlideId;
  element: AnyElement;
  /** Question and key as they shall be, or the sentence that says why not. */
  onKeep: (points: number) => { question: Question; key: QuestionKey | null } | string;
  onClose: () => void;
  /** For kinds that draw on the picture: they are told when another one is chosen. */
  onPicture?: (picture: QuestionElement['picture']) => void;
  isWide?: boolean;
  children?: ReactNode;
}): ReactElement {
  const { title, slideId, element, onClose } = props;
  const { run } = useEditedDeck();
  const { trouble } = useNotices();
  const field = useId();
  const [before] = useState(() => wordsOf(element.text));
  const [prompt, setPrompt] = useState(before);
  const [points, setPoints] = useState(String(element.question.points));
  const [details, setDetails] = useState<Required<QuestionDetails>>({
    hint: element.hint,
    explanation: element.explanation,
    picture: element.picture,
    pictureAlt: element.pictureAlt,
    isForThinking: element.isForThinking,
    isRequired: element.isRequired,
    isFinal: element.isFinal,
  });
  const detail = (changed: QuestionDetails): void => {
    setDetails({ ...details, ...changed });
    if (changed.picture !== undefined) props.onPicture?.(changed.picture);
  };
  const worth = Number(points.replace(',', '.'));
  const isWorth = points.trim() !== '' && worth >= 0 && worth <= 100;
  const made = isWorth ? props.onKeep(worth) : 'Points go from 0 to 100.';
  const [isWarned, setIsWarned] = useState(false);
  const now = JSON.stringify([made, prompt, details]);
  const known = useRef(now);
  const keepNow = useEffectEvent(() => {
    if (known.current === now) return;
    known.current = now;
    setIsWarned(false);
    if (typeof made === 'string') return;
    // A prompt that was not touched keeps its styling.
    const changed = prompt === before ? made : { ...made, prompt };
    typed(field, () => run(setQuestion, slideId, element.id, { ...changed, details }));
  });
  useEffect(() => keepNow(), [now]);
  const close = (): void => {
    if (typeof made !== 'string' || isWarned) return onClose();
    trouble(`${made} Close once more to leave that behind.`);
    setIsWarned(true);
  };
  return (
    <Dialog title={title} isOpen onClose={close} isWide={props.isWide}>
      <div className="flex flex-col gap-4">
        <div>
          <Lines label="Prompt" value={prompt} rows={2} onChange={setPrompt} />
          <p className="mt-1 text-[13px] text-soft">
            {'Formulas, here and in options: LaTeX between \\( and \\), as in \\(x^2\\).'}
          </p>
        </div>
        {props.children}
        <fieldset className="flex flex-wrap items-end gap-x-5 gap-y-2">
          <Field
            label="Points"
            className="w-[90px]"
            value={points}
            onChange={(event) => setPoints(event.target.value)}
          />
          <Check
            label="For thinking: never marked"
            isOn={details.isForThinking}
            onChange={(isForThinking) => detail({ isForThinking })}
          />
          <Check
            label="Needed before handing in"
            isOn={details.isRequired}
            onChange={(isRequired) => detail({ isRequired })}
          />
          <Check
            label="The first answer stands"
            isOn={details.isFinal}
            onChange={(isFinal) => detail({ isFinal })}
          />
        </fieldset>
        <details open={details.hint !== '' || details.explanation !== '' || !!props.onPicture}>
          <summary className="min-h-8 cursor-pointer font-semibold text-petrol">
            Picture, hint and explanation
          </summary>
          <div className="mt-2 flex flex-col gap-3">
            <div className="flex items-center gap-3">
              {details.picture && (
                <img
                  src={assetUrl(details.picture, 160)}
                  alt=""
                  className="h-14 max-w-[120px] rounded-[4px] border border-line object-contain"
                />
              )}
              <PicturePop
                label={details.picture ? 'Another picture' : 'Picture'}
                onPicture={({ asset, credit, alt }) =>
                  detail({
                    picture: { ...asset, ...(credit ? { credit } : {}) },
                    pictureAlt: alt ?? details.pictureAlt,
                  })
                }
              />
              {details.picture && (
                <Button
                  size="small"
                  look="quiet"
                  onClick={() => detail({ picture: null, pictureAlt: '' })}
                >
                  Without it
                </Button>
              )}
            </div>
            {details.picture && (
              <Field
                label="What is on the picture, for those who cannot see it"
                value={details.pictureAlt}
                onChange={(event) => detail({ pictureAlt: event.target.value })}
              />
            )}
            <Lines
              label="Hint, for who asks for it"
              value={details.hint}
              rows={1}
              onChange={(hint) => detail({ hint })}
            />
            <Lines
              label="Explanation, when you let it be seen"
              value={details.explanation}
              rows={2}
              onChange={(explanation) => detail({ explanation })}
            />
          </div>
        </details>
        <p className="text-[13px] text-soft">
          Key and explanation stay with you: they are sent to no student’s device before you say so.
        </p>
        <div className="flex items-center justify-end gap-3">
          <p role="status" aria-label="Kept" className="text-[13px] text-ember-deep">
            {typeof made === 'string' && `Not kept: ${made}`}
          </p>
          <Button look="main" onClick={close}>
            Done
          </Button>
        </div>
      </div>
    </Dialog>
  );
}
