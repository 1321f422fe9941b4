import {
  applyPlan,
  parsePlan,
  planChange,
  planOf,
  printPlan,
  type PlanChange,
  type PlanProblem,
  type SlideId,
} from '@gobrel/core';
import { Copy } from 'lucide-react';
import { useEffect, useLayoutEffect, useMemo, useRef, useState, type ReactElement } from 'react';
import { Button } from '../ui/Button';
import { useNotices } from '../ui/Notice';
import { useDeck } from '../workspace/DeckContext';

/** Milliseconds after the last key before what is typed is taken. */
const PAUSE = 600;
const LINE_HEIGHT = 20;

/**
 * The written plan beside the map. While nobody types in it, it says what the map says; what is typed is taken into
 * the deck when the typing pauses. Nothing is taken out before that is agreed to.
 */
export function PlanPanel(): ReactElement {
  const { doc, deck, graph, run } = useDeck();
  const { tell } = useNotices();
  const [typed, setTyped] = useState<string | null>(null);
  const [isTaken, setIsTaken] = useState(true);
  const [isFocused, setIsFocused] = useState(false);
  /** The slides that were there when something was last typed: the text cannot have dropped any other. */
  const [known, setKnown] = useState<ReadonlySet<SlideId>>(new Set());
  const area = useRef<HTMLTextAreaElement>(null);
  const gutter = useRef<HTMLDivElement>(null);
  const printed = useMemo(() => printPlan(planOf(deck, graph)), [deck, graph]);
  const text = typed ?? printed;

  const read = useMemo<(PlanChange & { all: PlanProblem[] }) | null>(() => {
    if (typed === null) return null;
    const { items, problems } = parsePlan(typed);
    const change = planChange(deck, graph, items);
    return { ...change, all: [...problems, ...change.problems].sort((a, b) => a.line - b.line) };
  }, [typed, deck, graph]);

  useEffect(() => {
    if (typed === null || isTaken) return;
    const timer = setTimeout(() => {
      if (read && read.steps.length > 0) run(applyPlan(doc, read));
      setIsTaken(true);
    }, PAUSE);
    return () => clearTimeout(timer);
  }, [typed, isTaken, read, doc, run]);

  const removed = read && isTaken ? read.removed.filter((slideId) => known.has(slideId)) : [];
  const problems = read?.all ?? [];
  const isSettled = isTaken && problems.length === 0 && removed.length === 0;
  const isBehind = read !== null && (read.steps.length > 0 || read.removed.length > 0);
  useLayoutEffect(() => {
    if (typed === null || !isSettled) return;
    // What is wrong, or waits to be agreed to, stays as it was typed; all else follows the map.
    if (!isFocused) setTyped(null);
    else if (isBehind && area.current) {
      const { value, selectionStart } = area.current;
      const caret = sameSpot(value, printed, selectionStart);
      area.current.value = printed;
      area.current.setSelectionRange(caret, caret);
      setTyped(printed);
    }
  }, [typed, isSettled, isFocused, isBehind, printed]);
  const copy = async (): Promise<void> => {
    try {
      await navigator.clipboard.writeText(text);
      tell('The plan is copied.');
    } catch {
      area.current?.select();
      tell('The browser did not let it be copied: it is marked, press Ctrl+C.');
    }
  };

  return (
    <div className="flex h-full min-h-0 flex-col">
      <div className="flex items-center justify-between px-3 pt-3">
        <h2 className="text-[15px]">Written plan</h2>
        <Button size="small" look="quiet" onClick={() => void copy()}>
          <Copy size={14} /> Copy
        </Button>
      </div>
      <p className="px-3 pb-2 text-[12.5px] text-soft">
        A line is a slide, the lines under it its choices. “Wording: text”; a{' '}
        <code>[link](#to-a-title)</code> joins a slide.
      </p>
      <div className="relative mx-3 min-h-0 flex-1 overflow-hidden rounded-[6px] border border-line bg-sheet">
        <div
          ref={gutter}
          aria-hidden
          className="pointer-events-none absolute inset-y-0 left-0 w-5 overflow-hidden"
        >
          <div className="relative" style={{ height: text.split('\n').length * LINE_HEIGHT + 16 }}>
            {problems.map(({ line, reason }) => (
              <span
                key={`${line}${reason}`}
                title={reason}
                className="absolute left-1 grid size-3.5 place-items-center rounded-full bg-brass text-[10px] font-bold text-white"
                style={{ top: 8 + (line - 1) * LINE_HEIGHT + 3 }}
              >
                !
              </span>
            ))}
          </div>
        </div>
        <textarea
          ref={area}
          aria-label="Written plan"
          aria-describedby="plan-problems"
          wrap="off"
          spellCheck={false}
          value={text}
          placeholder={
            '- The pier: Rain, and a boat.\n  - Row out: **At sea** Nothing but grey.\n  - Wait: The tide falls. (ending)'
          }
          onChange={(event) => {
            setTyped(event.target.value);
            setKnown(new Set(Object.keys(deck.slides)));
            setIsTaken(false);
          }}
          onScroll={(event) => {
            if (gutter.current) gutter.current.scrollTop = event.currentTarget.scrollTop;
          }}
          onFocus={() => setIsFocused(true)}
          onBlur={() => setIsFocused(false)}
          onKeyDown={(event) => {
            event.stopPropagation();
            if (event.key === 'Tab') {
              event.preventDefault();
              indent(event.currentTarget, event.shiftKey);
            } else if (event.key === 'Enter' && !event.shiftKey) {
              event.preventDefault();
              newItem(event.currentTarget);
            } else if (event.key === 'Escape') event.currentTarget.blur();
          }}
          className="size-full resize-none bg-transparent py-2 pr-2 pl-6 font-mono text-[12.5px] outline-none"
          style={{ lineHeight: `${LINE_HEIGHT}px` }}
        />
      </div>
      <div
        id="plan-problems"
        role="status"
        aria-label="Plan"
        className="max-h-[34%] overflow-y-auto px-3 py-2 text-[13px]"
      >
        {removed.length > 0 && (
          <div className="mb-2 rounded-[6px] border border-[#e4cf95] bg-brass-mist p-2">
            <p>
              {removed.length === 1 ? 'This slide is' : `These ${removed.length} slides are`} not in
              the plan any more:{' '}
              <b>
                {removed
                  .slice(0, 8)
                  .map((id) => deck.slides[id]?.title || 'Untitled')
                  .join(', ')}
              </b>
              {removed.length > 8 && ` and ${removed.length - 8} more`}.
            </p>
            <div className="mt-1.5 flex gap-2">
              <Button
                size="small"
                onClick={() => {
                  if (!read) return;
                  if (run(applyPlan(doc, read, 'with removals')))
                    tell(
                      `${removed.length === 1 ? 'One slide' : `${removed.length} slides`} taken out. Ctrl+Z brings them back.`,
                    );
                }}
              >
                Take {removed.length === 1 ? 'it' : 'them'} out
              </Button>
              <Button size="small" look="quiet" onClick={() => setTyped(null)}>
                Write {removed.length === 1 ? 'it' : 'them'} back in
              </Button>
            </div>
          </div>
        )}
        {problems.length > 0 ? (
          <ul className="flex flex-col gap-0.5 text-brass-deep">
            {problems.slice(0, 30).map(({ line, reason }) => (
              <li key={`${line}${reason}`}>
                Line {line}: {reason}
              </li>
            ))}
          </ul>
        ) : (
          <span className="text-soft">
            {typed === null || isTaken ? 'Says what the map says.' : 'Typing …'}
          </span>
        )}
      </div>
    </div>
  );
}

/** Where a caret belongs when a text was printed anew: on the same line at the same column. */
function sameSpot(before: string, after: string, caret: number): number {
  const lines = before.slice(0, caret).split('\n');
  const printed = after.split('\n');
  const line = Math.min(lines.length, printed.length) - 1;
  const start = printed.slice(0, line).join('\n').length + (line > 0 ? 1 : 0);
  return start + Math.min(lines.at(-1)!.length, printed[line]!.length);
}

/** Replaces a stretch of a text field so that the browser's own undo knows of it. */
function replace(field: HTMLTextAreaElement, from: number, to: number, text: string): void {
  field.setSelectionRange(from, to);
  // The one way to edit a field that keeps its undo; browsers have no other yet.
  document.execCommand('insertText', false, text);
}

/** Moves the marked lines a level in or out. */
function indent(field: HTMLTextAreaElement, outwards: boolean): void {
  const { value, selectionStart, selectionEnd } = field;
  const from = value.lastIndexOf('\n', selectionStart - 1) + 1;
  const end = value.indexOf('\n', selectionEnd);
  const to = end < 0 ? value.length : end;
  const lines = value.slice(from, to).split('\n');
  const moved = lines.map((line) => (outwards ? line.replace(/^ {1,2}|^\t/, '') : `  ${line}`));
  replace(field, from, to, moved.join('\n'));
  const first = moved[0]!.length - lines[0]!.length;
  const all = moved.join('\n').length - (to - from);
  field.setSelectionRange(Math.max(from, selectionStart + first), selectionEnd + all);
}

/** A new line begins as an item of the same level; on an empty item it ends the level. */
function newItem(field: HTMLTextAreaElement): void {
  const { value, selectionStart, selectionEnd } = field;
  const from = value.lastIndexOf('\n', selectionStart - 1) + 1;
  const line = value.slice(from, selectionStart);
  const item = /^(\s*)(?:[-*+]|\d{1,4}[.)])\s*/.exec(line);
  if (item && line.trim().length <= 2 && item[1]!.length >= 2) {
    replace(field, from, selectionEnd, `${item[1]!.slice(2)}- `);
  } else replace(field, selectionStart, selectionEnd, `\n${item?.[1] ?? /^\s*/.exec(line)![0]}- `);
}
