import { command, done, type Plan } from '../deck/command.js';
import type * as Y from 'yjs';
import { addElementTo } from '../deck/arranging/elementCommands.js';
import { addSlide } from '../deck/slides/slideCommands.js';
import { newId, type ElementId, type SlideId } from '../parts/ids.js';
import { refuse, type Refusal } from '../parts/refusals.js';
import { readGapText } from '../questions/gap/gap.js';
import { kindOf, type KindName, type Question, type QuestionKey } from '../questions/registry.js';
import { ask, card, items, zone } from './starter.js';
import { type NewElement } from '../elements/registry.js';

/** What a teacher writes to ask something on the fly. */
export interface Asked {
  kind: KindName;
  prompt: string;
  /** Options, things to arrange, pairs `left = right`, or pieces: one each. For gaps, the lines of the text. */
  lines: readonly string[];
  /** The names of the zones that pieces go into. */
  zones: readonly string[];
}

/** What each kind takes line by line; kinds that are not named take nothing but the prompt. */
export const ASKED_LINES: Partial<Record<KindName, 'items' | 'pairs' | 'gaps' | 'pieces'>> = {
  choice: 'items',
  order: 'items',
  match: 'pairs',
  gap: 'gaps',
  sort: 'pieces',
};

const MOST = 12;
/** Where the question stands on its slide, in slide units. */
const ALL = { x: 190, y: 90, w: 900, h: 540 };
const TOP = { x: 96, y: 60, w: 1088, h: 150 };
/** Pieces that stand side by side. */
const IN_A_ROW = 5;

/**
 * Adds a slide with nothing but a question, made from what a teacher writes in a moment. For thinking, unless what was
 * written says what is right: pairs do, and words in the gaps of a text. Refused where something is missing.
 * Refused: `asked.gaps`, `asked.lines`, `asked.pairs`, `asked.pieces`, `asked.prompt`.
 */
export const addAsked = command(
  'addAsked',
  'deck:write',
  (doc: Y.Doc, asked: Asked): Plan<{ slideId: SlideId; elementId: ElementId }> => {
    const made = elementsOf(asked);
    if ('code' in made) return made;
    return () => {
      const { slideId } = done(
        addSlide(doc, { title: asked.prompt.slice(0, 80), layout: 'empty' }),
      );
      const ids = made.map((element) => addElementTo(doc, slideId, element));
      return { slideId, elementId: ids[0]! };
    };
  },
);

/** The question first, then what it is about; or why it cannot be asked yet. */
function elementsOf({ kind, prompt, lines, zones }: Asked): NewElement[] | Refusal {
  if (prompt.trim() === '') return refuse('asked.prompt');
  const kit = { picture: null, makeId: newId };
  const takes = ASKED_LINES[kind];
  const given = takes === 'gaps' ? lines : lines.slice(0, MOST);
  if (takes === 'pieces') {
    if (given.length < 2 || zones.length < 2) return refuse('asked.pieces');
    const w = 1088 / Math.min(zones.length, 4) - 16;
    return [
      ask(prompt, kindOf('sort').fresh(newId), TOP),
      ...zones
        .slice(0, 4)
        .flatMap((name, at) => zone(name, { x: 96 + at * (w + 16), y: 230, w, h: 250 })),
      ...given.map((text, at) =>
        card(text, 96 + (at % IN_A_ROW) * 220, 500 + Math.floor(at / IN_A_ROW) * 70),
      ),
    ];
  }
  const made = questionOf(kind, given);
  if ('code' in made) return made;
  const { question, key } = made;
  return [ask(prompt, question, ALL, key ? { key } : {})];

  function questionOf(
    kind: KindName,
    lines: readonly string[],
  ): { question: Question; key?: QuestionKey } | Refusal {
    const fresh = kindOf(kind).fresh(newId);
    if (takes === 'items' && lines.length < 2) return refuse('asked.lines');
    if (fresh.kind === 'choice') {
      return { question: { ...fresh, options: items(kit, ...lines) } };
    }
    if (fresh.kind === 'order') return { question: { ...fresh, items: items(kit, ...lines) } };
    if (fresh.kind === 'match') {
      const pairs = lines.map((line) => line.split('=').map((part) => part.trim()));
      if (pairs.length < 2 || pairs.some((pair) => pair.length !== 2 || pair.includes(''))) {
        return refuse('asked.pairs');
      }
      const lefts = items(kit, ...pairs.map((pair) => pair[0]!));
      const rights = items(kit, ...pairs.map((pair) => pair[1]!));
      const joined = Object.fromEntries(lefts.map(({ id }, at) => [id, [rights[at]!.id]]));
      // In an order that says nothing.
      rights.sort((a, b) => a.text.localeCompare(b.text));
      return { question: { ...fresh, lefts, rights }, key: { kind: 'match', pairs: joined } };
    }
    if (fresh.kind === 'gap') {
      const { parts, accepted } = readGapText(lines.join('\n'));
      if (accepted.length === 0 || accepted.length > 30) {
        return refuse('asked.gaps');
      }
      const question: Question = { ...fresh, parts };
      return accepted.some((words) => words.length > 0)
        ? {
            question,
            key: { kind: 'gap', accepted, heedsCase: false, heedsAccents: false },
          }
        : { question };
    }
    return { question: fresh };
  }
}
