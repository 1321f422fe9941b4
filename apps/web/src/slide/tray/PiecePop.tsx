import { isPiece, setLayer, TRACKS, type PieceRules, type Track } from '@gobrel/core';
import type { ReactElement } from 'react';
import { useDeck } from '../../deck/DeckContext';
import { Check, Line, NumberField, Pop, Select, Setting } from '../../ui/controls';
import type { SettingsOf } from '../../settings/settings';

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
  const { run } = useDeck();
  const is = isPiece(element);
  const rules = element.piece;
  const change = (part: Partial<PieceRules>): unknown => set({ piece: { ...rules, ...part } });
  return (
    <Pop label="Piece" value={is ? TRACK_NAMES[rules.track] : 'no'}>
      <div className="flex flex-col gap-1.5">
        <Check
          label="Students may move it"
          isOn={is}
          onChange={() => run(setLayer, slide.id, [element.id], is ? 'content' : 'pieces')}
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
