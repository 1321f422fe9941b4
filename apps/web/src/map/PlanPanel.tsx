import {
  applyPlan,
  parsePlan,
  planBase,
  planChange,
  printPlan,
  type Deck,
  type LinkId,
  type PlanBase,
  type PlanChange,
  type PlanProblem,
  type SlideId,
  titleOf,
} from '@gobrel/core';
import { Copy } from 'lucide-react';
import {
  useCallback,
  useEffect,
  useLayoutEffect,
  useMemo,
  useRef,
  useState,
  type ReactElement,
} from 'react';
import { PlanSigns } from '../ui/PlanSigns';
import { Button } from '../ui/Button';
import { useNotices } from '../ui/Notice';
import { useDeck } from '../deck/DeckContext';

/** Milliseconds after the last key before what is typed is taken. */
const PAUSE = 600;
/** How the words are set, in the field and in what measures its lines. */
const MEASURE =
  'overflow-y-scroll [overflow-wrap:anywhere] whitespace-pre-wrap py-2 pr-2 pl-6 font-mono text-[12.5px] leading-5';

type Reading = PlanChange & { all: PlanProblem[]; printed: string };

/**
 * The written plan beside the map. While nobody types in it, it says what the map says; what is typed is taken into
 * the deck when the typing pauses, and only what was typed: what others do meanwhile stays. Nothing is taken out before
 * that is agreed to.
 */
export function PlanPanel({
  onGrown,
}: {
  /** Slides that the plan has put on the map. */
  onGrown: (slideIds: SlideId[]) => void;
}): ReactElement {
  const { deck, graph, run, isOpen } = useDeck();
  const { tell } = useNotices();
  const [typed, setTyped] = useState<string | null>(null);
  const [base, setBase] = useState<PlanBase | null>(null);
  const [isTaken, setIsTaken] = useState(true);
  const [isFocused, setIsFocused] = useState(false);
  const area = useRef<HTMLTextAreaElement>(null);
  const gutter = useRef<HTMLDivElement>(null);
  const written = useMemo(() => planBase(deck, graph), [deck, graph]);
  const printed = useMemo(() => printPlan(written.items), [written]);
  const text = typed ?? printed;

  const read = useMemo<Reading | null>(() => {
    if (typed === null || base === null) return null;
    const { items, problems } = parsePlan(typed);
    const change = planChange(deck, base, items);
    const all = [...problems, ...change.problems].sort((a, b) => a.line - b.line);
    return { ...change, all, printed: printPlan(items) };
  }, [typed, base, deck]);

  const take = useCallback(
    (change: PlanChange, how: 'with removals' | 'keep all'): boolean => {
      const isDone = run(applyPlan, change, how) !== null;
      setBase(how === 'with removals' ? { ...change.after, dropped: [] } : change.after);
      const grown = change.steps.flatMap((step) => (step.do === 'add' ? step.slideId : []));
      if (grown.length > 0) onGrown(grown);
      return isDone;
    },
    [run, onGrown],
  );
  useEffect(() => {
    if (typed === null || isTaken) return;
    const timer = setTimeout(() => {
      if (read) take(read, 'keep all');
      setIsTaken(true);
    }, PAUSE);
    return () => clearTimeout(timer);
  }, [typed, isTaken, read, take]);

  const removed = read && isTaken ? read.removed : [];
  const cut = read && isTaken ? read.cut.filter((id) => !leadsToOneOf(deck, id, removed)) : [];
  const problems = read?.all ?? [];
  const isSettled = isTaken && problems.length === 0 && removed.length === 0 && cut.length === 0;
  const isBehind = read !== null && read.printed !== printed;
  useLayoutEffect(() => {
    if (typed === null || !isSettled) return;
    // What is wrong, or waits to be agreed to, stays as it was typed; all else follows the map.
    if (!isFocused) {
      setTyped(null);
      setBase(null);
    } else if (isBehind && area.current) {
      const { value, selectionStart } = area.current;
      const caret = sameSpot(value, printed, selectionStart);
      area.current.value = printed;
      area.current.setSelectionRange(caret, caret);
      setTyped(printed);
      setBase(written);
    }
  }, [typed, isSettled, isFocused, isBehind, printed, written]);
  useLayoutEffect(() => {
    if (gutter.current && area.current) gutter.current.scrollTop = area.current.scrollTop;
  }, [problems.length, text]);
  // Whoever goes on at once takes along what is typed.
  const waiting = useRef<(() => void) | null>(null);
  useEffect(() => {
    waiting.current = read && !isTaken ? () => void run(applyPlan, read) : null;
  }, [read, isTaken, run]);
  useEffect(() => {
    const takeNow = (): void => {
      waiting.current?.();
      waiting.current = null;
    };
    window.addEventListener('pagehide', takeNow);
    return () => {
      window.removeEventListener('pagehide', takeNow);
      takeNow();
    };
  }, []);
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
        <PlanSigns />
      </p>
      <div className="relative mx-3 min-h-0 flex-1 overflow-hidden rounded-[6px] border border-line bg-sheet">
        <div
          ref={gutter}
          aria-hidden
          className="pointer-events-none absolute inset-0 overflow-hidden"
        >
          {/* The same words in the same measure, so that a mark stands beside the line that it is about. */}
          {problems.length > 0 && (
            <div className={`${MEASURE} min-h-full text-transparent`}>
              {stretches(text, problems).map(({ words, problem }, index) => (
                <div key={index} className="relative">
                  {problem && (
                    <span
                      title={problem.reason}
                      className="absolute top-[3px] -left-5 grid size-3.5 place-items-center rounded-full bg-brass text-[10px] font-bold text-white"
                    >
                      !
                    </span>
                  )}
                  {words}
                </div>
              ))}
            </div>
          )}
        </div>
        <textarea
          ref={area}
          aria-label="Written plan"
          aria-describedby="plan-problems"
          readOnly={!isOpen}
          spellCheck={false}
          value={text}
          placeholder={
            '- The pier: Rain, and a boat.\n  - Row out: **At sea** Nothing but grey.\n  - Wait: The tide falls. (ending)'
          }
          onChange={(event) => {
            if (typed === null) setBase(written);
            setTyped(event.target.value);
            setIsTaken(false);
          }}
          onScroll={(event) => {
            if (gutter.current) gutter.current.scrollTop = event.currentTarget.scrollTop;
          }}
          onFocus={() => setIsFocused(true)}
          onBlur={() => setIsFocused(false)}
          onKeyDown={(event) => {
            event.stopPropagation();
            if (!isOpen) return;
            if (event.key === 'Tab') {
              event.preventDefault();
              indent(event.currentTarget, event.shiftKey);
            } else if (event.key === 'Enter' && !event.shiftKey) {
              event.preventDefault();
              newItem(event.currentTarget);
            } else if (event.key === 'Escape') event.currentTarget.blur();
          }}
          className={`relative size-full resize-none bg-transparent outline-none ${MEASURE}`}
        />
      </div>
      <div
        id="plan-problems"
        role="status"
        aria-label="Plan"
        className="max-h-[34%] overflow-y-auto px-3 py-2 text-[13px]"
      >
        {(removed.length > 0 || cut.length > 0) && (
          <div className="mb-2 rounded-[6px] border border-[#e4cf95] bg-brass-mist p-2">
            <p>
              {left(removed.length, cut.length)} not in the plan any more:{' '}
              <b>
                {[
                  ...removed.map((id) => titleOf(deck.slides[id])),
                  ...cut.map((id) => `“${deck.links[id]?.wording ?? ''}”`),
                ]
                  .slice(0, 8)
                  .join(', ')}
              </b>
              {removed.length + cut.length > 8 && ` and ${removed.length + cut.length - 8} more`}.
            </p>
            <div className="mt-1.5 flex gap-2">
              <Button
                size="small"
                onClick={() => {
                  if (read && take(read, 'with removals'))
                    tell(`${takenOut(removed.length, cut.length)} taken out. Ctrl+Z brings back.`);
                }}
              >
                Take {removed.length + cut.length === 1 ? 'it' : 'them'} out
              </Button>
              <Button
                size="small"
                look="quiet"
                onClick={() => {
                  setTyped(null);
                  setBase(null);
                }}
              >
                Write {removed.length + cut.length === 1 ? 'it' : 'them'} back in
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

const leadsToOneOf = (deck: Deck, linkId: LinkId, slideIds: readonly SlideId[]): boolean => {
  const target = deck.links[linkId]?.target;
  return target?.kind === 'slide' && slideIds.includes(target.slideId);
};

const choicesOf = (count: number): string => (count === 1 ? 'choice' : `${count} choices`);

function left(slides: number, choices: number): string {
  if (choices === 0) return slides === 1 ? 'This slide is' : `These ${slides} slides are`;
  if (slides === 0) return choices === 1 ? 'This choice is' : `These ${choicesOf(choices)} are`;
  return `${slides === 1 ? 'This slide' : `These ${slides} slides`} and ${choices === 1 ? 'this' : 'these'} ${choicesOf(choices)} are`;
}

function takenOut(slides: number, choices: number): string {
  const parts = [
    slides === 1 ? 'One slide' : slides > 1 ? `${slides} slides` : '',
    choices === 1 ? 'one choice' : choices > 1 ? `${choices} choices` : '',
  ];
  const said = parts.filter(Boolean).join(' and ');
  return said.charAt(0).toUpperCase() + said.slice(1);
}

/** A text in pieces, each of which begins with a line that a problem is told of. */
function stretches(
  text: string,
  problems: readonly PlanProblem[],
): { words: string; problem?: PlanProblem }[] {
  const lines = text.split('\n');
  const marked = [...new Map(problems.map((problem) => [problem.line, problem])).values()];
  const pieces: { words: string; problem?: PlanProblem }[] = [];
  let from = 0;
  for (const problem of [...marked, undefined]) {
    const to = problem ? Math.min(problem.line - 1, lines.length) : lines.length;
    if (to > from) {
      const words = lines.slice(from, to).join('\n');
      const before = marked.find(({ line }) => line - 1 === from);
      pieces.push({
        words: words === '' || words.endsWith('\n') ? `${words}\u200b` : words,
        problem: before,
      });
    }
    from = Math.max(from, to);
  }
  return pieces;
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
