import { pickedIn, type SlideElement, type DeckTheme } from '@gobrel/core';
import { useCallback, type ReactElement } from 'react';
import { QuestionInput } from '../questions/QuestionInput';
import { boxStyle } from '../parts/boxStyle';
import { usePieceViews } from '../stage/PieceViews';
import { optionWays, QuestionCard } from '../elements/question/Card';
import type { StageBehaviour } from '../stage/SlideView';
import type { SlideWork } from './SlideWork';

/** Makes the one renderer live: pieces move, zones take them, questions are answered. */
export function useLiveElements(
  work: SlideWork,
  theme: DeckTheme,
): NonNullable<StageBehaviour['renderElement']> {
  const renderPieces = usePieceViews(work.slide, work, theme);
  return useCallback(
    (element: SlideElement, drawn: ReactElement): ReactElement => {
      if (element.kind !== 'question' || !work.takesAnswers) return renderPieces(element, drawn);
      return (
        <div key={element.id} data-tries style={boxStyle(element.box, element.rotation)}>
          <QuestionCard
            element={element}
            ways={optionWays(work.links, element.id, pickedIn(work.answerOf(element)))}
            onFollow={work.onFollow}
          >
            <QuestionInput
              element={element}
              name={element.id}
              seed={work.seed}
              mark={work.marks[element.id]}
              done={work.done}
              answer={work.answerOf(element)}
              draft={work.draftOf(element)}
              isHeld={work.isHeld}
              onAnswer={(given) => work.onAnswer(element, given)}
              onDraft={(given) => work.onDraft(element, given)}
            />
          </QuestionCard>
        </div>
      );
    },
    [work, renderPieces],
  );
}
