import {
  isPiece,
  setLayer,
  TIDIES,
  TRACKS,
  type ElementId,
  type PieceRules,
  type SlideElement,
  type Track,
  type ZoneElement,
} from '@gobrel/core';
import type { ReactElement } from 'react';
import { useDeck } from '../../deck/DeckContext';
import { Check, Line, named, NumberField, Plain, Pop, Select, Setting } from '../../ui/controls';
import { labelOf } from '../../editing/labelOf';
import type { SettingsOf } from './settings';

const TRACK_NAMES: Record<Track, string> = {
  free: 'anywhere',
  across: 'only across',
  down: 'only up and down',
  line: 'along a line',
  area: 'within an area',
};
const START_RANGE = { x: 240, y: 160, w: 800, h: 400 };

/** Whether students may move a thing, and how. */
export function PiecePop(props: SettingsOf): ReactElement {
  const { slide, element, set } = props;
  const { doc, run } = useDeck();
  const is = isPiece(element);
  const rules = element.piece;
  const change = (part: Partial<PieceRules>): unknown => set({ piece: { ...rules, ...part } });
  return (
    <Pop label="Piece" value={is ? TRACK_NAMES[rules.track] : 'no'}>
      <div className="flex flex-col gap-1.5">
        <Check
          label="Students may move it"
          isOn={is}
          onChange={() => run(setLayer(doc, slide.id, [element.id], is ? 'content' : 'pieces'))}
        />
        {is && (
          <>
            <Setting label="It moves">
              <Select
                label="It moves"
                value={rules.track}
                options={TRACKS.map((value) => ({ value, label: TRACK_NAMES[value] }))}
                onChange={(track) =>
                  change({ track, range: track === 'free' ? null : (rules.range ?? START_RANGE) })
                }
              />
            </Setting>
            {rules.track !== 'free' && (
              <p className="text-soft">Pull the brass frame on the stage to where it may go.</p>
            )}
            {rules.track === 'line' && (
              <Check
                label="The line rises"
                isOn={rules.isRising}
                onChange={(isRising) => change({ isRising })}
              />
            )}
            <Check
              label="It may be turned"
              isOn={rules.isRotatable}
              onChange={(isRotatable) => change({ isRotatable })}
            />
            <Check
              label="It comes to rest in zones"
              isOn={rules.snaps}
              onChange={(snaps) => change({ snaps })}
            />
            <div className="flex items-center gap-3">
              <Check
                label="endless stack"
                isOn={rules.copies === 0}
                onChange={(isEndless) => change({ copies: isEndless ? 0 : 1 })}
              />
              {rules.copies > 0 && (
                <NumberField
                  label="How many"
                  value={rules.copies}
                  min={1}
                  max={40}
                  onKeep={(copies) => change({ copies: Math.round(copies) })}
                />
              )}
            </div>
            <Line
              label="Said by screen readers"
              isWide
              value={element.name}
              onKeep={(name) => set({ name })}
            />
          </>
        )}
      </div>
    </Pop>
  );
}

const pieceLabel = (piece: SlideElement): string => labelOf(piece).replace('Piece: ', '');

export function ZoneSettings(props: SettingsOf<ZoneElement>): ReactElement {
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
