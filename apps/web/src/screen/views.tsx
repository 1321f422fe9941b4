import type { Answer, Deck, PutUp, QuestionElement, Slide, ThemeName } from '@gobrel/core';
import { Suspense, type ReactElement } from 'react';
import { promptOf } from '../desk/SlidePanel';
import { fitting, QUESTION_VIEWS } from '../questions/registry';
import { TallyCard, TallyOf, type ClassTally } from '../questions/TallyCard';
import { boxStyle } from '../stage/ElementView';
import { FittedSlide } from '../stage/SlideView';
import { Countdown, useTimer } from '../ui/Countdown';
import { Centre, Main } from '../ui/Page';
import { ShownSlide } from './WhereTheClassIs';

/* What a big screen shows, wherever it has it from: the teacher's own window, or a device that was paired. */

/** The tally of a question, without names; the key only on the teacher's word. Alone, or where the question stands. */
export function PutUpView(props: {
  known: ClassTally;
  putUp: PutUp | null;
  edition: Deck;
}): ReactElement {
  const { known, putUp, edition } = props;
  const { question } = known;
  const showsKey = putUp?.showsKey === true;
  const slide =
    putUp?.isInPlace &&
    Object.values(edition.slides).find(({ elements }) =>
      elements.some(({ id }) => id === question.id),
    );
  if (slide) {
    return (
      <Main title={promptOf(question)} label="Put up" className="h-full">
        <ShownSlide
          {...{ edition, slide }}
          renderElement={(element, drawn) =>
            element.id === question.id ? (
              <div key={element.id} style={boxStyle(element.box, element.rotation)}>
                <TallyCard {...known} showsKey={showsKey} />
              </div>
            ) : (
              drawn
            )
          }
        />
      </Main>
    );
  }
  return (
    <main aria-label="Put up" className="h-full overflow-auto bg-paper px-[6vw] py-[5vh]">
      <h1 className="mb-6 text-[40px] leading-tight">{promptOf(question)}</h1>
      <div className="mx-auto max-w-[1500px]" style={{ zoom: 2 }}>
        <TallyOf {...known} showsKey={showsKey} />
      </div>
    </main>
  );
}

/** One answer, large; with a name only where the teacher switched it on. */
export function AnswerView(props: {
  question: QuestionElement;
  answer: Answer | undefined;
  name: string;
}): ReactElement {
  const { question, name } = props;
  const answer = fitting(question.question, props.answer);
  const { Input, inWords } = QUESTION_VIEWS[question.question.kind];
  const isWords =
    question.question.kind === 'textEntry' || question.question.kind === 'extendedText';
  return (
    <main aria-label="An answer" className="h-full overflow-auto bg-paper px-[8vw] py-[7vh]">
      <h1 className="mb-8 text-[32px] leading-tight text-soft">{promptOf(question)}</h1>
      {answer && isWords && (
        <p className="text-[44px] leading-snug whitespace-pre-wrap">
          {answer.kind === 'extendedText' ? answer.text : inWords(question.question, answer)}
        </p>
      )}
      {answer && !isWords && (
        <div className="slide-text text-[26px]" inert>
          <Suspense>
            <Input
              element={question}
              question={question.question}
              name="shown"
              seed={question.id}
              answer={answer}
              isHeld
              counts={undefined}
              onAnswer={() => undefined}
              onDraft={() => undefined}
            />
          </Suspense>
        </div>
      )}
      {name && <p className="mt-8 text-[28px] font-semibold">{name}</p>}
    </main>
  );
}

/** Who presents, and the leaf that is turned to. */
export function LeafView(props: {
  slide: Slide | undefined;
  theme: ThemeName;
  who: string;
}): ReactElement {
  const { slide, who } = props;
  return (
    <Main title={`${who} presents`} className="relative h-full bg-[#10191d]" label="Big screen">
      {slide ? (
        <FittedSlide slide={slide} theme={props.theme} />
      ) : (
        <Centre title={who}>No leaf to show yet.</Centre>
      )}
      <p className="absolute bottom-4 left-4 rounded-[6px] bg-paper/95 px-3 py-1.5 text-[18px] font-semibold">
        {who}
      </p>
    </Main>
  );
}

/** The word of a hold and the time that is left, over whatever is shown. */
export function OverScreen(props: { said: string; timerEndsAt: number | null }): ReactElement {
  const { said } = props;
  const timer = useTimer(props.timerEndsAt);
  return (
    <>
      {said && (
        <p
          role="status"
          className="absolute inset-x-0 top-0 bg-brass-mist px-6 py-4 text-center text-[34px] font-semibold text-brass-deep"
        >
          {said}
        </p>
      )}
      {timer && (
        <Countdown
          said={timer}
          className="absolute top-24 right-6 rounded-[8px] bg-paper/95 px-5 py-2 font-head text-[54px] tabular-nums"
        />
      )}
    </>
  );
}
