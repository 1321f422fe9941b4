import { command, done, type Plan } from '../deck/command.js';
import type * as Y from 'yjs';
import { addElementTo } from '../deck/arranging/elementCommands.js';
import { addSlide } from '../deck/slides/slideCommands.js';
import { newId, type ElementId, type SlideId } from '../parts/ids.js';
import { refuse, type Refusal } from '../parts/refusals.js';
import { linesOf, questionFromLines } from '../questions/fromLines.js';
import { kindOf, type KindName } from '../questions/registry.js';
import { ask, card, zone } from './starter.js';
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

/** What a kind takes line by line; undefined for one that takes nothing but the prompt. */
export const askedLines = (kind: KindName): 'items' | 'pairs' | 'gaps' | 'pieces' | undefined =>
  kindOf(kind).fromSlide ? 'pieces' : linesOf(kind);

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
  const takes = askedLines(kind);
  const given = takes === 'gaps' ? lines : lines.slice(0, MOST);
  if (takes === 'pieces') {
    if (given.length < 2 || zones.length < 2) return refuse('asked.pieces');
    const w = 1088 / Math.min(zones.length, 4) - 16;
    return [
      ask(prompt, kindOf(kind).fresh(newId), TOP),
      ...zones
        .slice(0, 4)
        .flatMap((name, at) => zone(name, { x: 96 + at * (w + 16), y: 230, w, h: 250 })),
      ...given.map((text, at) =>
        card(text, 96 + (at % IN_A_ROW) * 220, 500 + Math.floor(at / IN_A_ROW) * 70),
      ),
    ];
  }
  const made = questionFromLines(kind, given, newId);
  if ('code' in made) return made;
  const { question, key } = made;
  return [ask(prompt, question, ALL, key ? { key } : {})];
}
