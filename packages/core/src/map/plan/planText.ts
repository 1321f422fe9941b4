import { asId, type SlideId } from '../../parts/ids.js';
import { readAddress, STEPS, type Step, type Target } from '../../deck/links/target.js';
import { stepWords } from '../../deck/links/targetWords.js';
import { told } from '../../parts/told.js';
import { folded } from '../find.js';
import { inOrder } from './inOrder.js';

/**
 * The written plan: a Markdown nested list.
 *
 *   - The pier: Rain, and a boat.            a slide: its title, then its text
 *     - Row out: **At sea** Nothing but grey.  a choice, the title of its slide where it differs, the text
 *       More of the text on a line of its own.
 *       - Turn back: [The pier](#the-pier)     a choice that joins a slide which stands elsewhere
 *       - Turn back -> The pier                the same, as it is quickly typed
 *     - Wait: The tide falls. (ending)
 *     - Look it up: [petrel.example](https://petrel.example/)
 *
 * Signs that would be read as something else are written with a backslash before them.
 */
export interface PlanItem {
  /** From 1; 0 for an item that was not read from text. */
  line: number;
  /** Of the choice that leads here; null at the top level. */
  wording: string | null;
  title: string;
  /** Paragraphs parted by line feeds. */
  text: string;
  isEnding: boolean;
  /** Set when the item stands for a slide written elsewhere, or for something that is no slide. */
  join: PlanJoin | null;
  /** The line could not be read: what it stood for stays as it was, and what stands under it stays under it. */
  isWrong: boolean;
  /** The lines of the item as they are written, without what sets them in and its bullet. */
  written: string;
  children: PlanItem[];
}
export type PlanJoin =
  { kind: 'heading'; slug: string; words: string } | { kind: 'target'; target: Target };

export interface PlanProblem {
  line: number;
  reason: string;
}

const MOST_LINES = 20_000;
const TAB = 4;
const LONGEST = 300;

/** Reads a plan. Wrong lines are told with the reason; the rest is read all the same. */
export function parsePlan(text: string): { items: PlanItem[]; problems: PlanProblem[] } {
  const items: PlanItem[] = [];
  const problems: PlanProblem[] = [];
  const open: { indent: number; item: PlanItem }[] = [];
  const lines = text.split(/\r\n?|\n/);
  if (lines.length > MOST_LINES) {
    problems.push({ line: MOST_LINES + 1, reason: 'A plan has 20,000 lines at the most.' });
    lines.length = MOST_LINES;
  }
  const put = (item: PlanItem, indent: number): void => {
    while (open.length > 0 && open.at(-1)!.indent >= indent) open.pop();
    (open.at(-1)?.item.children ?? items).push(item);
    open.push({ indent, item });
  };
  lines.forEach((written, index) => {
    const line = index + 1;
    const bullet = /^([ \t]*)(?:[-*+]|\d{1,4}[.)])(?:[ \t]+|$)(.*)$/s.exec(written);
    if (!bullet) {
      const words = written.trim();
      const indent = indentOf(written);
      const last = open.at(-1);
      if (words === '') return;
      if (!last || indent <= last.indent) {
        const reason =
          'A slide begins with “- ”; a line that goes on with its text stands further in.';
        problems.push({ line, reason });
        put(wrongItem(line, words), indent);
        return;
      }
      last.item.written += `\n${words}`;
      if (last.item.join) {
        const reason = 'A line that leads to another slide has no text of its own.';
        problems.push({ line, reason });
      } else if (!last.item.isWrong) addText(last.item, words);
      return;
    }
    const indent = indentOf(bullet[1]!);
    const words = bullet[2]!.trim();
    while (open.length > 0 && open.at(-1)!.indent >= indent) open.pop();
    const parent = open.at(-1)?.item;
    const read = parent?.join
      ? { line, reason: 'A line that leads to another slide has no choices of its own.' }
      : readItem(words, line, parent === undefined);
    if ('reason' in read) problems.push({ line, reason: read.reason });
    put('reason' in read ? wrongItem(line, words) : read, indent);
  });
  readArrows(items);
  return { items, problems };
}

/** `Turn back -> The pier` where a slide of the plan is called that: the first one. Any other arrow is a sign like others. */
function readArrows(items: readonly PlanItem[]): void {
  const headings = new Map<string, PlanItem>();
  for (const item of inOrder(items)) {
    const title = folded(item.title);
    if (!item.join && !item.isWrong && title && !headings.has(title)) headings.set(title, item);
  }
  const led: { join: Extract<PlanJoin, { kind: 'heading' }>; to: PlanItem }[] = [];
  for (const item of inOrder(items)) {
    const isPlain = !item.join && !item.isWrong && item.children.length === 0;
    if (item.wording === null || !isPlain || unescapedColon(item.written) >= 0) continue;
    const [, wording, goal] = ARROW.exec(item.written) ?? [];
    const to = goal && headings.get(folded(plainWords(goal)));
    if (!wording || !to) continue;
    const join = { kind: 'heading' as const, slug: '', words: to.title };
    led.push({ join, to });
    item.wording = plainWords(wording);
    item.join = join;
    item.title = item.text = '';
  }
  if (led.length === 0) return;
  const slugOf = slugger();
  const slugs = new Map<PlanItem, string>();
  for (const item of inOrder(items)) if (!item.join) slugs.set(item, slugOf(item.title));
  for (const { join, to } of led) join.slug = slugs.get(to) ?? '';
}

const ARROW = /^((?:\\.|[^\\])*?(?:\\.|[^\\\s]))\s*(?:->|→)\s*(\S.*)$/;

function wrongItem(line: number, written: string): PlanItem {
  return {
    line,
    written,
    wording: null,
    title: '',
    text: '',
    isEnding: false,
    join: null,
    isWrong: true,
    children: [],
  };
}

function indentOf(written: string): number {
  let width = 0;
  for (const sign of written) {
    if (sign === ' ') width += 1;
    else if (sign === '\t') width += TAB - (width % TAB);
    else break;
  }
  return width;
}

function addText(item: PlanItem, written: string): void {
  const { text, isEnding } = takeEnding(written);
  item.isEnding ||= isEnding;
  const paragraph = plainWords(text);
  if (paragraph) item.text = item.text ? `${item.text}\n${paragraph}` : paragraph;
}

function readItem(written: string, line: number, isTop: boolean): PlanItem | PlanProblem {
  const problem = (reason: string): PlanProblem => ({ line, reason });
  if (written === '') return problem('There is nothing on this line yet.');
  const colon = unescapedColon(written);
  const isBold = isTop && written.startsWith('**');
  const isLink = /^\[/.test(written);
  const head = isBold || (isLink && colon < 0) ? '' : colon < 0 ? written : written.slice(0, colon);
  const rest =
    isBold || (isLink && colon < 0) ? written : colon < 0 ? '' : written.slice(colon + 1).trim();
  const ended = takeEnding(head);
  const wording = plainWords(ended.text);
  if (wording.length > LONGEST) return problem(`A choice has ${LONGEST} letters at the most.`);
  const base = {
    line,
    written,
    isWrong: false,
    wording: isTop ? null : wording,
    isEnding: ended.isEnding,
    children: [],
  };
  const link = /^\[((?:\\.|[^\]\\])*)\]\((.*)\)$/s.exec(rest);
  if (!link && /^\[(?:\\.|[^\]\\])*(?:\]?|\]\([^)]*)$/s.test(rest)) {
    return problem('A line that leads elsewhere ends with [a title](#a-title).');
  }
  if (link) {
    if (isTop)
      return problem('A line at the left edge is a slide of its own and cannot lead to another.');
    const goal = link[2]!.trim().replace(/^<(.*)>$/s, '$1');
    const join = readJoin(plainWords(link[1]!), goal);
    return typeof join === 'string'
      ? problem(join)
      : { ...base, title: '', text: '', isEnding: false, join };
  }
  const bold = /^\*\*((?:\\.|[^*\\])*)\*\*(?:\s+|$)/.exec(rest);
  const { text, isEnding } = takeEnding(bold ? rest.slice(bold[0].length) : rest);
  const title = bold ? plainWords(bold[1]!) : wording;
  if (title.length > LONGEST) return problem(`A title has ${LONGEST} letters at the most.`);
  return {
    ...base,
    title,
    text: plainWords(text),
    isEnding: base.isEnding || isEnding,
    join: null,
  };
}

/** A wording ends with a colon that nothing follows but a blank or what is marked: not in 8:15, nor in an address. */
function unescapedColon(written: string): number {
  for (let at = 0; at < written.length; at += 1) {
    if (written[at] === '\\') at += 1;
    else if (written[at] === ':' && /^(?:\s|\[|\*\*|$)/.test(written.slice(at + 1, at + 3)))
      return at;
  }
  return -1;
}

const ENDING = /(?:^|\s)\(ending\)$/;

function takeEnding(written: string): { text: string; isEnding: boolean } {
  return { text: written.replace(ENDING, '').trim(), isEnding: ENDING.test(written) };
}

function readJoin(words: string, goal: string): PlanJoin | string {
  if (goal === '') return { kind: 'target', target: { kind: 'none' } };
  if (goal.startsWith('#')) return { kind: 'heading', slug: goal.slice(1), words };
  const step = /^step:(.*)$/.exec(goal)?.[1] as Step | undefined;
  if (step !== undefined) {
    return STEPS.includes(step)
      ? { kind: 'target', target: { kind: 'step', step } }
      : `There is no step “${step}”: ${STEPS.join(', ')} are.`;
  }
  const deck = /^deck:([a-z0-9-]{1,64})\/([a-z0-9-]{0,64})$/.exec(goal);
  if (deck) {
    return {
      kind: 'target',
      target: {
        kind: 'deck',
        deckId: deck[1]!,
        slideId: asId<SlideId>(deck[2]),
        title: words,
      },
    };
  }
  const file = /^file:([0-9a-f]{64})\/(\d{1,9})$/.exec(goal);
  if (file) {
    return {
      kind: 'target',
      target: { kind: 'file', file: { hash: file[1]!, name: words, size: Number(file[2]) } },
    };
  }
  const address = readAddress(goal);
  return address.ok
    ? { kind: 'target', target: { kind: 'web', address: address.address } }
    : told(address);
}

/** The plan as text, two spaces further in for every level. */
export function printPlan(items: readonly PlanItem[]): string {
  const lines: string[] = [];
  const waiting = items.map((item) => ({ item, depth: 0 })).reverse();
  while (waiting.length > 0) {
    const { item, depth } = waiting.pop()!;
    const indent = '  '.repeat(depth);
    lines.push(
      ...printItem(item).map((line, index) => `${indent}${index === 0 ? '- ' : '  '}${line}`),
    );
    for (let at = item.children.length - 1; at >= 0; at -= 1) {
      waiting.push({ item: item.children[at]!, depth: depth + 1 });
    }
  }
  return lines.length > 0 ? `${lines.join('\n')}\n` : '';
}

/** The lines of an item, without what sets them in. */
export function printItem(item: Omit<PlanItem, 'written' | 'children'>): string[] {
  const { wording, title, join } = item;
  if (join) return [`${escapedHead(wording ?? '')}: ${printJoin(join)}`];
  const paragraphs = item.text === '' ? [] : item.text.split('\n').map((part) => escaped(part, ''));
  const head = wording ?? title;
  const hasOwnTitle = wording !== null && title !== wording;
  const isBare = head === '' && wording === null;
  const first = [
    ...(isBare ? ['****'] : []),
    ...(hasOwnTitle ? [`**${escaped(title, '')}**`] : []),
    ...(paragraphs[0] === undefined ? [] : [paragraphs[0]]),
  ].join(' ');
  const lines = [
    isBare
      ? first
      : first === '' && head !== ''
        ? escapedHead(head)
        : `${escapedHead(head)}: ${first}`.trimEnd(),
    ...paragraphs.slice(1).map(escapedStart),
  ];
  if (item.isEnding) lines.push(`${lines.pop()!} (ending)`);
  return lines;
}

function printJoin(join: PlanJoin): string {
  if (join.kind === 'heading') return `[${escaped(join.words, ']')}](#${join.slug})`;
  const { target } = join;
  switch (target.kind) {
    case 'none':
      return '[]()';
    case 'slide':
      return `[](#${target.slideId})`;
    case 'step':
      return `[${stepWords(target.step)}](step:${target.step})`;
    case 'deck':
      return `[${escaped(target.title, ']')}](deck:${target.deckId}/${target.slideId})`;
    case 'web':
      return `[${escaped(target.address.replace(/^(https?:\/\/|mailto:)|\/$/g, ''), ']')}](${/[()]/.test(target.address) ? `<${target.address}>` : target.address})`;
    case 'file':
      return `[${escaped(target.file.name, ']')}](file:${target.file.hash}/${target.file.size})`;
  }
}

/**
 * A formula in which nothing is that a plan would read: it stands in it as it is typed. No letter of it can be read in
 * two ways, so that one that never ends costs no more than its length.
 */
const FORMULA = String.raw`\\\((?:[^\\*:[\]()#\n]|\\[a-z])*\\\)`;
const FORMULA_OR_SIGN = new RegExp(String.raw`${FORMULA}|[\\*[]`, 'gi');
const FORMULA_OR_ARROW = new RegExp(String.raw`${FORMULA}|->|→`, 'gi');
const FORMULA_OR_ESCAPED = new RegExp(String.raw`${FORMULA}|\\([\\:*[\]()+.→-])`, 'gi');

function escaped(words: string, besides: string): string {
  let text = words.replace(FORMULA_OR_SIGN, (found) => (found.length > 1 ? found : `\\${found}`));
  if (besides) text = text.replaceAll(besides, `\\${besides}`);
  return text.replace(/\(ending\)$/, '\\(ending)');
}

/** The words before the colon. */
const escapedHead = (words: string): string =>
  escaped(words, '')
    .replace(/:(?=\s|$)/g, '\\:')
    .replace(FORMULA_OR_ARROW, (found) => (found.startsWith('\\') ? found : `\\${found}`));

/** A paragraph that would begin like an item. */
const escapedStart = (words: string): string =>
  words.replace(/^([-+])(?=\s|$)/, '\\$1').replace(/^(\d{1,4})([.)])(?=\s|$)/, '$1\\$2');

function plainWords(written: string): string {
  return written
    .replace(FORMULA_OR_ESCAPED, (found, sign?: string) => sign ?? found)
    .replace(/\s+/g, ' ')
    .trim();
}

/** Blank lines, doubled spaces and breaks do not count between a slide and its plan. */
export const planWords = (text: string): string =>
  text
    .split('\n')
    .map((line) => line.replace(/\s+/g, ' ').trim())
    .filter(Boolean)
    .join('\n');

/**
 * What a heading is called in a link: small letters and digits of any script, hyphens for what lies between. The same
 * heading again gets -2, -3 …, in the order of the plan.
 */
export function slugger(): (title: string) => string {
  const taken = new Map<string, number>();
  return (title) => {
    const slug =
      title
        .toLowerCase()
        .replace(/[^\p{L}\p{N}]+/gu, '-')
        .replace(/^-|-$/g, '') || 'untitled';
    const count = (taken.get(slug) ?? 0) + 1;
    taken.set(slug, count);
    return count === 1 ? slug : `${slug}-${count}`;
  };
}
