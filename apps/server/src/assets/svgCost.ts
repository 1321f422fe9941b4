import { SERVER_LIMITS, sure } from '@gobrel/core';

/** A start, end or empty tag of XML, as far as counting needs it. */
const TAG = /<(\/?)([a-zA-Z][\w:.-]*)((?:[^<>"']|"[^"<]*"|'[^'<]*')*?)(\/?)>/g;
const REFERENCE = /(?:href\s*=\s*["']\s*#|url\(\s*["']?#)([^"')\s]+)/g;
const ID = /\sid\s*=\s*["']([^"']+)["']/;

const OPENS = '<'.charCodeAt(0);

/** Whether it may be worth reading at all: every element opens once, most are closed, and some words stand between. */
export function isReadable(file: Buffer): boolean {
  const most = 3 * SERVER_LIMITS.svg.elements;
  let opened = 0;
  for (const byte of file) if (byte === OPENS && ++opened > most) return false;
  return true;
}

/**
 * Whether a drawing can be made clean and drawn in bounded time: not too many elements, not too deep, and not too many
 * once every reference inside it is followed (an element that refers to one that refers to one …). One pass over the text,
 * one over the references.
 */
export function isDrawable(source: string): boolean {
  const { elements: most, depth: deepest, drawn } = SERVER_LIMITS.svg;
  const open: { id: string; own: number; refers: string[] }[] = [{ id: '', own: 0, refers: [] }];
  const known = new Map<string, { own: number; refers: string[] }>();
  let elements = 0;
  for (const [, isEnd, , attributes = '', isEmpty] of source.matchAll(TAG)) {
    if (isEnd) {
      if (open.length > 1) close(open, known);
      continue;
    }
    elements += 1;
    if (elements > most || open.length > deepest) return false;
    open.push({
      id: ID.exec(attributes)?.[1] ?? '',
      own: 1,
      refers: [...attributes.matchAll(REFERENCE)].map(([, id]) =>
        sure(id, 'the reference has its group'),
      ),
    });
    if (isEmpty) close(open, known);
  }
  while (open.length > 1) close(open, known);
  return costOf(open[0]!, known) <= drawn;
}

/** An element ends: what it draws is part of what the one around it draws. */
function close(
  open: { id: string; own: number; refers: string[] }[],
  known: Map<string, { own: number; refers: string[] }>,
): void {
  const { id, own, refers } = open.pop()!;
  if (id && !known.has(id)) known.set(id, { own, refers });
  const around = open.at(-1)!;
  around.own += own;
  for (const refer of refers) around.refers.push(refer);
}

/** Elements drawn for one, with all it refers to; Infinity for a ring of references. Without recursion. */
function costOf(
  root: { own: number; refers: string[] },
  known: ReadonlyMap<string, { own: number; refers: string[] }>,
): number {
  const costs = new Map<string, number>();
  const isUnderWay = new Set<string>();
  const stack: { id: string; at: number; sum: number; refers: string[] }[] = [
    { id: '', at: 0, sum: root.own, refers: root.refers },
  ];
  for (;;) {
    const top = stack.at(-1)!;
    const next = top.refers[top.at];
    if (next === undefined || top.sum > SERVER_LIMITS.svg.drawn) {
      stack.pop();
      isUnderWay.delete(top.id);
      const above = stack.at(-1);
      if (!above) return top.sum;
      costs.set(top.id, top.sum);
      continue;
    }
    const cost = costs.get(next);
    const target = known.get(next);
    if (cost !== undefined) top.sum += cost;
    else if (isUnderWay.has(next)) return Infinity;
    else if (target) {
      isUnderWay.add(next);
      stack.push({ id: next, at: 0, sum: target.own, refers: target.refers });
      continue;
    }
    top.at += 1;
  }
}
