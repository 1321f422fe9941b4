import { isPiece, type SlideElement, type ThemeName } from '@gobrel/core';
import { useCallback, type ReactElement } from 'react';
import { QUESTION_VIEWS } from '../questions/registry';
import { boxStyle, ElementBody, optionWays, QuestionCard } from '../stage/ElementView';
import { MovablePiece } from '../stage/MovablePiece';
import type { StageBehaviour } from '../stage/SlideView';
import { pieceName, type SlideWork } from './useFolio';

/** Makes the one renderer live: pieces move, zones take them, questions are answered. */
export function useLiveElements(
  work: SlideWork,
  theme: ThemeName,
): NonNullable<StageBehaviour['renderElement']> {
  return useCallback(
    (element: SlideElement, drawn: ReactElement): ReactElement => {
      if (isPiece(element)) {
        return (
          <MovablePiece
            key={element.id}
            box={work.boxOf(element)}
            label={pieceName(element)}
            isHeld={work.isHeld}
            isPicked={work.picked === element.id}
            onPick={() => work.onPick(element)}
            onPlace={(placement) => work.onPlace(element, placement)}
          >
            <ElementBody element={element} theme={theme} scale={1} links={[]} />
          </MovablePiece>
        );
      }
      if (element.kind === 'zone' && work.picked) {
        return (
          <button
            key={element.id}
            type="button"
            aria-label={`Put into ${element.name || 'the zone'}`}
            onClick={() => work.onPutInto(element)}
            className="rounded-[10px] outline-[5px] outline-petrol outline"
            style={boxStyle(element.box)}
          >
            <ElementBody element={element} theme={theme} scale={1} links={[]} />
          </button>
        );
      }
      if (element.kind === 'question') {
        const { Input } = QUESTION_VIEWS[element.question.kind];
        return (
          <div key={element.id} style={boxStyle(element.box)}>
            <QuestionCard
              element={element}
              theme={theme}
              ways={optionWays(work.links, element.id, work.answerOf(element)?.optionIds ?? [])}
              onFollow={work.onFollow}
            >
              <Input
                question={element.question}
                name={element.id}
                answer={work.answerOf(element)}
                isHeld={work.isHeld}
                onAnswer={(given) => work.onAnswer(element, given)}
              />
            </QuestionCard>
          </div>
        );
      }
      return drawn;
    },
    [work, theme],
  );
}
