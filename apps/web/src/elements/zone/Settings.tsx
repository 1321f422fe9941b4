import { isPiece, TIDIES, type ElementId, type SlideElement, type ZoneElement } from '@gobrel/core';
import type { ReactElement } from 'react';
import { labelOf } from '../../editing/labelOf';
import type { SettingsOf } from '../../settings/settings';
import { Check, Line, named, NumberField, Plain, Pop, Select, Setting } from '../../ui/controls';

const pieceLabel = (piece: SlideElement): string => labelOf(piece).replace('Piece: ', '');

export function Settings(props: SettingsOf<ZoneElement>): ReactElement {
  const { slide, element, set } = props;
  const pieces = slide.elements.filter(isPiece);
  const expects = element.expects ?? [];
  return (
    <>
      <Line label="Name" value={element.name} onKeep={(name) => set({ name })} />
      <Check
        label="Visible"
        isOn={element.isVisible}
        onChange={(isVisible) => set({ isVisible })}
      />
      <Pop label="Takes" value={element.takes ? `${element.takes.length} pieces` : 'all pieces'}>
        <Check
          label="All pieces"
          isOn={element.takes === null}
          onChange={(isAll) => set({ takes: isAll ? null : pieces.map(({ id }) => id) })}
        />
        {element.takes && (
          <PieceList pieces={pieces} chosen={element.takes} onChange={(takes) => set({ takes })} />
        )}
        <NumberField
          label="At most (0: any number)"
          value={element.most}
          min={0}
          max={100}
          onKeep={(most) => set({ most: Math.round(most) })}
        />
      </Pop>
      <Setting label="Tidy">
        <Select
          label="Tidy"
          value={element.tidy}
          options={named(TIDIES)}
          onChange={(tidy) => set({ tidy })}
        />
      </Setting>
      <Pop label="Expects" value={String(expects.length)}>
        <p className="mb-1 text-soft">The key: students never see it.</p>
        <PieceList
          pieces={pieces}
          chosen={expects}
          onChange={(chosen) => set({ expects: chosen })}
        />
      </Pop>
    </>
  );
}

function PieceList(props: {
  pieces: readonly SlideElement[];
  chosen: readonly ElementId[];
  onChange: (chosen: ElementId[]) => unknown;
}): ReactElement {
  const { pieces, chosen, onChange } = props;
  if (pieces.length === 0) return <p className="text-soft">No pieces on this slide yet.</p>;
  return (
    <ul>
      {pieces.map((piece) => (
        <li key={piece.id}>
          <Check
            label={pieceLabel(piece)}
            isOn={chosen.includes(piece.id)}
            onChange={(isIn) =>
              onChange(isIn ? [...chosen, piece.id] : chosen.filter((other) => other !== piece.id))
            }
          />
        </li>
      ))}
      <li className="flex gap-1">
        <Plain onClick={() => onChange(pieces.map(({ id }) => id))}>all</Plain>
        <Plain onClick={() => onChange([])}>none</Plain>
      </li>
    </ul>
  );
}
