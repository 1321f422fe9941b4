import { setPlaces, spokenTex, STAGE, type Box, type FormulaElement } from '@gobrel/core';
import { useEffect, useMemo, useRef, useState, type ReactElement } from 'react';
import { useDeck } from '../../deck/DeckContext';
import type * as tex from '../../parts/tex';
import { ColourPop } from '../../settings/colours';
import type { SettingsOf } from '../../settings/settings';
import { Line, Plain, Pop, Slide } from '../../ui/controls';

/** Signs, and how they are written. */
const PIECES: readonly [shown: string, tex: string][] = [
  ['a/b', '\\frac{a}{b}'],
  ['√', '\\sqrt{x}'],
  ['x²', '^{2}'],
  ['xₙ', '_{n}'],
  ['·', '\\cdot '],
  ['±', '\\pm '],
  ['≤', '\\leq '],
  ['≥', '\\geq '],
  ['≠', '\\neq '],
  ['≈', '\\approx '],
  ['→', '\\to '],
  ['°', '^{\\circ}'],
  ['π', '\\pi '],
  ['α', '\\alpha '],
  ['Δ', '\\Delta '],
  ['∑', '\\sum_{i=1}^{n} '],
  ['∫', '\\int_{a}^{b} '],
  ['∞', '\\infty '],
];

export function Settings(props: SettingsOf<FormulaElement>): ReactElement {
  const { element, theme, set } = props;
  const slideId = props.slide.id;
  const { tex, spoken } = element;
  const tools = useTools();
  const problem = useMemo(() => tools?.problemIn(tex), [tools, tex]);
  const { run } = useDeck();
  /** What could be read last; null while nothing could. */
  const readable = useRef<string | null>(null);
  /** What stood here before something was typed that nothing could measure yet. */
  const early = useRef<string | null>(null);
  useEffect(() => {
    const before = early.current;
    if (tools === null || before === null) return;
    early.current = null;
    if (tools.problemIn(before) !== undefined) return;
    readable.current = before;
    if (tools.problemIn(tex) !== undefined || element.rotation !== 0) return;
    const box = sizedAs(element, tools.naturalSize(before), tools.naturalSize(tex));
    run(setPlaces, slideId, [{ elementId: element.id, box }]);
  }, [tools, tex, element, run, slideId]);
  /** What is written keeps the size it has: the box follows it. */
  const keep = (changed: string): void => {
    if (tools === null) early.current ??= tex;
    // What cannot be read yet is drawn as it is typed, and says nothing of how large the formula will be.
    if (problem === undefined) readable.current = tex;
    const isReadable = tools !== null && tools.problemIn(changed) === undefined;
    const box =
      isReadable &&
      readable.current !== null &&
      sizedAs(element, tools.naturalSize(readable.current), tools.naturalSize(changed));
    if (!box || element.rotation !== 0) return void set({ tex: changed });
    run(setPlaces, slideId, [{ elementId: element.id, box, settings: { tex: changed } }]);
  };
  /** Where the next sign goes: what was marked last in the field. */
  const caret = useRef<[from: number, to: number]>([tex.length, tex.length]);
  const put = (piece: string): void => {
    const [from, to] = caret.current;
    keep(tex.slice(0, from) + piece + tex.slice(to));
    caret.current = [from + piece.length, from + piece.length];
  };
  return (
    <>
      <span
        onBlur={({ target }) => {
          if (target instanceof HTMLInputElement) {
            caret.current = [target.selectionStart ?? 0, target.selectionEnd ?? 0];
          }
        }}
      >
        <Line label="LaTeX" isBroad value={tex} onKeep={keep} />
      </span>
      {problem && (
        <Pop label="Cannot be read yet" width={360}>
          <p role="note" className="rounded-[4px] bg-brass-mist p-2 text-brass-deep">
            {problem}
          </p>
        </Pop>
      )}
      <Pop label="Signs" width={300}>
        <div className="flex flex-wrap" role="group" aria-label="Signs">
          {PIECES.map(([shown, piece]) => (
            <Plain key={piece} onClick={() => put(piece)}>
              {shown}
            </Plain>
          ))}
        </div>
      </Pop>
      <Pop label="Read aloud" value={spoken ? 'in your words' : 'as it is written'} width={360}>
        <p className="mb-1.5 text-soft">“{spokenTex(tex)}”</p>
        <Line label="In other words" isWide value={spoken} onKeep={(spoken) => set({ spoken })} />
      </Pop>
      <ColourPop
        label="Ink"
        theme={theme}
        value={element.colour ?? ''}
        standard={theme.colours.ink}
        onChange={(colour) => set({ colour: colour || null })}
      />
      <Slide
        label="Opacity"
        value={element.opacity}
        min={0.05}
        max={1}
        step={0.05}
        onKeep={(opacity) => set({ opacity })}
      />
    </>
  );
}

type Tools = Pick<typeof tex, 'naturalSize' | 'problemIn'>;

/** What reads and measures formulas, once it is there. */
function useTools(): Tools | null {
  const [tools, setTools] = useState<Tools | null>(null);
  useEffect(() => {
    void import('../../parts/tex').then(({ naturalSize, problemIn }) =>
      setTools({ naturalSize, problemIn }),
    );
  }, []);
  return tools;
}

interface Size {
  w: number;
  h: number;
}

/** The box of a formula that is written otherwise now, in letters as large as before; its left edge and middle stay. */
function sizedAs({ box }: FormulaElement, before: Size, now: Size): Box {
  const scale = Math.min(box.w / before.w, box.h / before.h);
  const w = Math.min(STAGE.width - 80, Math.max(24, now.w * scale));
  const h = Math.min(STAGE.height - 80, Math.max(24, now.h * scale));
  return { x: box.x, y: box.y + (box.h - h) / 2, w, h };
}
