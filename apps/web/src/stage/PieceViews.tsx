import {
  holdsMembers,
  isPiece,
  themeOn,
  type DeckTheme,
  type Slide,
  type SlideElement,
} from '@gobrel/core';
import { Fragment, useCallback, type ReactElement } from 'react';
import { ElementBody, GroupBody } from './ElementView';
import { boxStyle } from '../parts/boxStyle';
import { MovablePiece } from './MovablePiece';
import { groupMembers } from './SlideView';
import { copyName, type PieceWork } from './usePieces';

/** Draws pieces so that they can be moved, and zones so that they take a piece that was picked. */
export function usePieceViews(
  slide: Slide,
  work: PieceWork,
  deckTheme: DeckTheme,
): (element: SlideElement, drawn: ReactElement) => ReactElement {
  const theme = themeOn(slide, deckTheme);
  return useCallback(
    (element: SlideElement, drawn: ReactElement): ReactElement => {
      const plain = { theme, scale: 1, links: [] };
      if (isPiece(element)) {
        const copies = work.lying.filter(({ piece }) => piece.id === element.id);
        const body = holdsMembers(element) ? (
          <GroupBody {...plain} group={element} members={groupMembers(slide, element)} />
        ) : (
          <ElementBody {...plain} element={element} />
        );
        return (
          <Fragment key={element.id}>
            {copies.map((lying) => (
              <MovablePiece
                key={lying.id}
                lying={lying}
                label={copyName(lying, copies.length)}
                isHeld={work.isHeld}
                isPicked={work.picked === lying.id}
                onPick={() => work.onPick(lying.id)}
                onPlace={(placement) => work.onPlace(lying.id, placement)}
              >
                {body}
              </MovablePiece>
            ))}
          </Fragment>
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
            style={boxStyle(element.box, element.rotation)}
          >
            <ElementBody {...plain} element={element} />
          </button>
        );
      }
      return drawn;
    },
    [slide, work, theme],
  );
}
