import {
  isSpare,
  phoneReading,
  STAGE,
  wordsOf,
  pickedIn,
  type QuestionElement,
  type SlideElement,
  themeOn,
  type DeckTheme,
  titleOf,
} from '@gobrel/core';
import { useCallback, useMemo, useRef, type ReactElement, type ReactNode } from 'react';
import { QuestionInput } from '../questions/QuestionInput';
import { phoneOf } from '../elements/phone';
import { withFormulas } from '../parts/withFormulas';
import { OptionWays, optionWays, QuestionCard } from '../elements/question/Card';
import { RichTextView } from '../parts/RichTextView';
import { SlideView } from '../stage/SlideView';
import { useSize } from '../ui/useSize';
import { useLiveElements } from './LiveSlide';
import { copyName } from '../stage/usePieces';
import type { SlideWork } from './SlideWork';

/** On a phone that is held across, the picture stands beside what is read: below it nobody would look for that. */
const ASIDE = 'sm:landscape:sticky sm:landscape:top-0 sm:landscape:w-1/2 sm:landscape:self-start';

/**
 * On a phone the slide stays a picture on top; below it, at reading size and in reading order, stands what is to be
 * read, moved, answered and chosen.
 */
export default function PhoneSlide({
  work,
  theme,
  shown,
}: {
  work: SlideWork;
  theme: DeckTheme;
  /** Of a show: the picture has all that the room sees, with what lies over it, in slide units; and what stands below. */
  shown?: { overlay: ReactNode; below: ReactNode };
}): ReactElement {
  const { slide, links } = work;
  const ref = useRef<HTMLDivElement>(null);
  const { width } = useSize(ref);
  const reading = useMemo(() => phoneReading(slide), [slide]);
  const renderElement = useLiveElements(work, theme);
  const isBelow = useCallback(
    (element: SlideElement) => phoneOf(element.kind) !== null && element.layer === 'content',
    [],
  );
  // All that there is stands below: an empty picture would only take the room.
  const isWorkedOn = reading.questions.length + reading.zones.length > 0;
  const hasScenery = slide.ground.fill === '' && themeOn(slide, theme).amount !== 'none';
  const isPlain =
    !shown &&
    (isWorkedOn || !hasScenery) &&
    !slide.ground.picture &&
    slide.elements.every((element) => isBelow(element) || isSpare(element));
  // A slide that is named after its question does not say it twice.
  const isPrompt = reading.questions.some(
    (element) => 'text' in element && wordsOf(element.text).slice(0, 80) === slide.title,
  );
  const { zones } = reading;
  const ask = (element: QuestionElement): ReactElement => {
    if (!work.takesAnswers) {
      const ways = optionWays(links, element.id);
      return <QuestionCard element={element} ways={ways} onFollow={work.onFollow} />;
    }
    return (
      <section className="slide-text flex flex-col gap-2">
        <div className="font-semibold">
          <RichTextView text={element.text} />
        </div>
        <QuestionInput
          element={element}
          name={`phone-${element.id}`}
          seed={work.seed}
          mark={work.marks[element.id]}
          done={work.done}
          answer={work.answerOf(element)}
          draft={work.draftOf(element)}
          isHeld={work.isHeld}
          onAnswer={(given) => work.onAnswer(element, given)}
          onDraft={(given) => work.onDraft(element, given)}
        />
        <OptionWays
          ways={optionWays(links, element.id, pickedIn(work.answerOf(element)))}
          onFollow={work.onFollow}
        />
      </section>
    );
  };
  const told = (elements: readonly SlideElement[]): ReactElement[] =>
    elements.flatMap((element) => {
      // A place that waits for words says nothing to students, and takes no room.
      if (element.kind === 'text' && wordsOf(element.text) === '') return [];
      const Phone = phoneOf(element.kind);
      return Phone
        ? [
            <Phone
              key={element.id}
              element={element}
              links={links}
              ask={ask}
              onFollow={work.onFollow}
            />,
          ]
        : [];
    });
  const choices = links.filter((link) => link.carrier.kind === 'element');
  return (
    <div className="h-full overflow-y-auto overscroll-contain sm:landscape:flex">
      <div
        ref={ref}
        className={isPlain ? '' : `border-b border-line ${ASIDE}`}
        style={isPlain ? {} : { minHeight: width ? (width * STAGE.height) / STAGE.width : 200 }}
      >
        {width > 0 && !isPlain && (
          <SlideView
            slide={slide}
            theme={theme}
            links={links}
            width={width}
            isElsewhere={shown ? undefined : isBelow}
            movesPieces
            renderElement={renderElement}
            overlay={shown?.overlay}
            label={`Picture: ${titleOf(slide)}`}
          />
        )}
      </div>
      <div className="flex min-w-0 flex-1 flex-col gap-4 p-4 text-[17px]">
        {!isPrompt && <h1 className="text-[22px]">{withFormulas(slide.title)}</h1>}
        {told(reading.read)}
        {reading.pieces.length > 0 && (
          <section aria-label="Pieces">
            <ul className="flex flex-wrap gap-2">
              {reading.pieces.flatMap((piece) => {
                const copies = work.lying.filter((lying) => lying.piece.id === piece.id);
                return copies.map((lying) => (
                  <li key={lying.id}>
                    <button
                      type="button"
                      aria-pressed={work.picked === lying.id}
                      disabled={work.isHeld}
                      onClick={() => work.onPick(lying.id)}
                      className={`min-h-12 rounded-[6px] border bg-sheet px-3.5 ${work.picked === lying.id ? 'border-petrol outline outline-petrol' : 'border-line'}`}
                    >
                      {copyName(lying, copies.length)}
                    </button>
                  </li>
                ));
              })}
            </ul>
            {work.picked ? (
              <ul className="mt-2 flex flex-wrap gap-2">
                {zones.map((zone) => (
                  <li key={zone.id}>
                    <button
                      type="button"
                      onClick={() => work.onPutInto(zone)}
                      className="min-h-12 rounded-[6px] border border-petrol bg-petrol-mist px-3.5 font-semibold text-petrol"
                    >
                      Put into {zone.name || 'the zone'}
                    </button>
                  </li>
                ))}
              </ul>
            ) : (
              <p className="mt-2 text-[14px] text-soft">
                {zones.length > 0
                  ? 'Tap a piece, then where it goes. Or drag it in the picture.'
                  : 'Drag the pieces in the picture.'}
              </p>
            )}
          </section>
        )}
        {told(reading.questions)}
        {shown?.below}
        {choices.length > 0 && (
          <section aria-label="Choices" className="flex flex-col gap-2.5">
            {choices.length > 1 && <h2 className="text-[16px]">Then choose</h2>}
            {choices.map((link) => (
              <button
                key={link.id}
                type="button"
                disabled={work.isHeld}
                onClick={() => work.onFollow(link.id)}
                className="min-h-[52px] disabled:opacity-50 rounded-[6px] border border-[#e6c4b6] bg-sheet px-4 text-left font-semibold text-ember-deep"
              >
                {link.wording || 'On'}
              </button>
            ))}
          </section>
        )}
      </div>
    </div>
  );
}
