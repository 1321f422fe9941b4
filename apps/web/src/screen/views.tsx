import {
  kindOf,
  type Answer,
  type ClassTally,
  type Deck,
  type LessonState,
  type PutUp,
  type QuestionElement,
  type Slide,
  type DeckTheme,
} from '@gobrel/core';
import { Suspense, type ReactElement, type ReactNode } from 'react';
import { promptOf } from '../lesson/promptOf';
import { fitting, QUESTION_VIEWS } from '../questions/registry';
import { TallyCard, TallyOf } from '../questions/TallyCard';
import { boxStyle } from '../parts/boxStyle';
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
          edition={edition}
          slide={slide}
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
  const { Input } = QUESTION_VIEWS[question.question.kind];
  const words = answer && kindOf(answer.kind).inFull?.(answer);
  return (
    <main aria-label="An answer" className="h-full overflow-auto bg-paper px-[8vw] py-[7vh]">
      <h1 className="mb-8 text-[32px] leading-tight text-soft">{promptOf(question)}</h1>
      {words !== undefined && (
        <p className="text-[44px] leading-snug whitespace-pre-wrap">{words}</p>
      )}
      {answer && words === undefined && (
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
  theme: DeckTheme;
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

/** Whatever is shown, and above it the word of a hold and the time that is left: nothing is covered by them. */
export function BigScreen(props: { state: LessonState; children: ReactNode }): ReactElement {
  const { isHeld, holdWord, timerEndsAt } = props.state;
  const said = isHeld ? holdWord || 'Hold: look up for a moment.' : '';
  const timer = useTimer(timerEndsAt);
  return (
    <div className="flex h-full flex-col">
      {(said || timer) && (
        <div className="flex shrink-0 items-center gap-6 bg-brass-mist px-6 py-3 text-brass-deep">
          {said && (
            <p role="status" className="flex-1 text-center text-[34px] font-semibold">
              {said}
            </p>
          )}
          {timer && (
            <Countdown
              said={timer}
              className={`font-head text-[44px] tabular-nums ${said ? '' : 'mx-auto'}`}
            />
          )}
        </div>
      )}
      <div className="min-h-0 flex-1">{props.children}</div>
    </div>
  );
}
