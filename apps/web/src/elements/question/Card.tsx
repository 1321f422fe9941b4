import {
  AS_THE_STYLE,
  questionSize,
  typeInStyle,
  type ElementId,
  type Link,
  type LinkId,
  type OptionId,
  type QuestionElement,
  type SetType,
  PAPER,
} from '@gobrel/core';
import { Suspense, type ReactElement, type ReactNode } from 'react';
import { QuestionPicture } from '../../questions/PictureSurface';
import { QUESTION_VIEWS } from '../../questions/registry';
import { RichTextView } from '../../parts/RichTextView';
import { typeCss } from '../../parts/type';

/** A question is set in the calm type of the interface, whatever the theme. */
const typeOf = (size: number): SetType => typeInStyle({ ...AS_THE_STYLE, size }, 'body', PAPER);

/** The links that options of a question carry; of the picked options only, if those are given. */
export const optionWays = (
  links: readonly Link[],
  questionId: ElementId,
  picked?: readonly OptionId[],
): Link[] =>
  links.filter(
    ({ carrier }) =>
      carrier.kind === 'option' &&
      carrier.elementId === questionId &&
      (picked?.includes(carrier.optionId) ?? true),
  );

/** A question as it stands on a slide that nobody answers on: prompt, options, and where options lead. */
export function QuestionCard(props: {
  element: QuestionElement;
  words?: ReactNode;
  ways?: readonly Link[];
  onFollow?: (linkId: LinkId) => void;
  children?: ReactNode;
}): ReactElement {
  const { element, onFollow } = props;
  const size = questionSize(element);
  const { Still, drawsOnPicture, fillsCard } = QUESTION_VIEWS[element.question.kind];
  return (
    <div
      className={`question-card dress slide-text flex max-h-full w-full flex-col gap-3 overflow-auto rounded-(--dress-corner) p-5 ${fillsCard ? 'h-full' : ''}`}
      style={{
        ...typeCss(typeOf(size)),
        background: '#FFFFFF',
        // Room for the edge, which itself takes none.
        border: '2px solid transparent',
      }}
    >
      <div className="font-semibold">
        {props.words ?? <RichTextView text={element.text} typeSize={size} />}
      </div>
      {props.children ?? (
        <>
          {!drawsOnPicture && (
            <QuestionPicture picture={element.picture} alt={element.pictureAlt} />
          )}
          <Suspense>
            <Still element={element} question={element.question} />
          </Suspense>
        </>
      )}
      {onFollow && <OptionWays ways={props.ways ?? []} onFollow={onFollow} />}
    </div>
  );
}

/** One handle for each option that leads on. */
export function OptionWays(props: {
  ways: readonly Link[];
  onFollow: (linkId: LinkId) => void;
}): ReactElement | null {
  if (props.ways.length === 0) return null;
  return (
    <div className="flex flex-wrap gap-[0.5em]">
      {props.ways.map((link) => (
        <button
          key={link.id}
          type="button"
          onClick={() => props.onFollow(link.id)}
          className="rounded-[8px] border-2 border-[#e6c4b6] bg-sheet px-[0.8em] py-[0.35em] font-semibold text-ember-deep"
        >
          {link.wording || 'On'} →
        </button>
      ))}
    </div>
  );
}
