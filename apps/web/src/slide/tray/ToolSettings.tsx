import { themeOn, type Slide } from '@gobrel/core';
import type { ReactElement } from 'react';
import { useDeck } from '../../deck/DeckContext';
import { NumberField, Plain } from '../../ui/controls';
import type { PenLook } from '../../editing/StageHands';
import type { StageEdit, Tool } from '../../editing/useStageEdit';
import { ColourPop } from '../../settings/colours';

const WHAT_TO_DO: Record<Exclude<Tool, 'select'>, string> = {
  line: 'Drag a line on the stage. Its ends stick to what they are let go over.',
  pen: 'Draw on the stage.',
  marker: 'Mark on the stage.',
  rub: 'Pass over strokes to rub them out.',
  hotspot: 'Drag the area that is to carry a link.',
  closeup: 'Drag the region that the show is to fly into.',
};

/** While a tool is in hand: what it does, and how its mark looks. */
export function ToolSettings(props: {
  edit: StageEdit;
  slide: Slide;
  pen: PenLook;
  onPen: (pen: PenLook) => void;
}): ReactElement | null {
  const { edit, pen, onPen } = props;
  const { deck } = useDeck();
  const theme = themeOn(props.slide, deck.theme);
  const { tool } = edit;
  if (tool === 'select') return null;
  const isInk = tool === 'pen' || tool === 'marker' || tool === 'rub';
  return (
    <>
      <b>{WHAT_TO_DO[tool]}</b>
      {isInk && (
        <>
          <Plain
            aria-pressed={tool === 'pen'}
            onClick={() => {
              edit.setTool('pen');
              onPen({ ...pen, isMarker: false, weight: 5 });
            }}
          >
            Pen
          </Plain>
          <Plain
            aria-pressed={tool === 'marker'}
            onClick={() => {
              edit.setTool('marker');
              onPen({ ...pen, isMarker: true, weight: 24 });
            }}
          >
            Marker
          </Plain>
          <Plain aria-pressed={tool === 'rub'} onClick={() => edit.setTool('rub')}>
            Rub out
          </Plain>
          <ColourPop
            label="Ink"
            theme={theme}
            value={pen.colour}
            standard={theme.colours.ink}
            onChange={(colour) => onPen({ ...pen, colour })}
          />
          <NumberField
            label="Weight"
            value={pen.weight}
            min={1}
            max={80}
            onKeep={(weight) => onPen({ ...pen, weight })}
          />
        </>
      )}
      <Plain onClick={() => edit.setTool('select')}>Done (Esc)</Plain>
    </>
  );
}
