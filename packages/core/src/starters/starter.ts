import { command, done, isRefusal, type Plan } from '../deck/command.js';
import { setOut } from '../composition/setOutCommands.js';
import type * as Y from 'yjs';
import { addElementTo } from '../deck/arranging/elementCommands.js';
import type { CreditedAsset } from '../parts/asset.js';
import type { Box } from '../parts/place.js';
import type { TextStyle } from '../parts/typography.js';
import type { QuestionDetails } from '../deck/arranging/questionCommands.js';
import { plain } from '../parts/richText.js';
import { addSlide, setSlideFlag } from '../deck/slides/slideCommands.js';
import { newId, type SlideId, type MakeId, type ElementId } from '../parts/ids.js';

import type { ChoiceQuestion } from '../questions/choice/choice.js';
import { newItems, type Item } from '../questions/parts.js';
import type { Question, QuestionKey } from '../questions/registry.js';
import { type NewElement } from '../elements/registry.js';

export const STARTER_GROUPS = ['opening', 'working', 'closing'] as const;
export type StarterGroup = (typeof STARTER_GROUPS)[number];

/** What a starter's slide is made with. */
export interface StarterKit {
  /** Its picture out of the picture box; null while it has not come. */
  picture: CreditedAsset | null;
  makeId: MakeId;
}

/** A ready-made slide to begin from, in the theme of the deck it comes into. */
export interface Starter {
  id: string;
  group: StarterGroup;
  /** What it is called, and the title of its slide. */
  title: string;
  /** What it is good for, in a line. */
  use: string;
  /** The drawing of the picture box that it begins with. */
  drawing?: string;
  /** Students make leaves from it. */
  isPattern?: true;
  build(kit: StarterKit): NewElement[];
}

const box = (x: number, y: number, w: number, h: number): Box => ({ x, y, w, h });
/** Where things stand below the title, in slide units. */
export const WHOLE = box(96, 164, 1088, 500);
export const LEFT = box(96, 164, 524, 500);
export const RIGHT = box(660, 164, 524, 500);
export const MIDDLE = box(280, 164, 720, 476);
export const LOW = box(96, 164, 800, 260);

export const words = (text: string, where: Box, rest: { style?: TextStyle } = {}): NewElement => ({
  kind: 'text',
  layer: 'content',
  style: rest.style ?? 'body',
  box: where,
  text: plain(...text.split('\n')),
});

export const ask = (
  prompt: string,
  question: Question,
  where: Box,
  rest: QuestionDetails & { key?: QuestionKey } = {},
): NewElement => ({
  kind: 'question',
  layer: 'content',
  box: where,
  text: plain(...prompt.split('\n')),
  question,
  isForThinking: rest.key === undefined,
  ...rest,
});

export const items = (kit: StarterKit, ...texts: string[]): Item[] => newItems(kit.makeId, texts);

export const choice = (
  kit: StarterKit,
  texts: string[],
  rest: { isMultiple?: boolean; isShuffled?: boolean; points?: number } = {},
): ChoiceQuestion => ({
  kind: 'choice',
  options: items(kit, ...texts),
  isMultiple: false,
  isShuffled: false,
  points: 1,
  ...rest,
});

export const scale = (lowLabel: string, highLabel: string, high = 10): Question => ({
  kind: 'slider',
  low: 0,
  high,
  step: 1,
  lowLabel,
  highLabel,
  before: null,
  points: 1,
});

export const paragraph = (fewestWords = 0, mostWords = 0): Question => ({
  kind: 'extendedText',
  fewestWords,
  mostWords,
  points: 2,
});

export const card = (text: string, x: number, y: number): NewElement => ({
  kind: 'shape',
  shape: 'rectangle',
  layer: 'pieces',
  box: box(x, y, 200, 60),
  text: plain(text),
  name: text,
  fill: '#FFFFFF',
  outline: { colour: '#17505C', weight: 2, dash: 'solid' },
});

/** A zone with its name standing in it. */
export const zone = (name: string, where: Box, expects: ElementId[] = []): NewElement[] => [
  { kind: 'zone', layer: 'pieces', name, box: where, isVisible: true, tidy: 'grid', expects },
  words(name, box(where.x + 16, where.y + where.h - 52, where.w - 32, 40), { style: 'caption' }),
];

/** Puts a starter's slide into a deck, beside another card if that is given: one step to undo. */
export const addStarter = command(
  'addStarter',
  'deck:write',
  (
    doc: Y.Doc,
    starter: Starter,
    where: {
      beside?: SlideId;
      spot?: { x: number; y: number };
      picture?: CreditedAsset | null;
    } = {},
  ): Plan<{ slideId: SlideId }> => {
    const { picture = null, ...place } = where;
    return () => {
      const layout = starter.isPattern ? 'pattern' : 'choices';
      const { slideId } = done(
        addSlide(doc, { title: starter.title, layout, isByHand: true, ...place }),
      );
      if (starter.isPattern) setSlideFlag(doc, slideId, 'isPattern', true);
      for (const element of starter.build({ picture, makeId: newId })) {
        addElementTo(doc, slideId, element);
      }
      // Pieces and their zones stay as they are laid; the rest makes the most of the room around them.
      const arranging = setOut.plan(doc, [slideId]);
      if (!isRefusal(arranging)) arranging();
      return { slideId };
    };
  },
);

/** Starters whose words hold all that is looked for. */
export function findStarters(starters: readonly Starter[], wanted: string): Starter[] {
  const parts = wanted.toLowerCase().split(/\s+/).filter(Boolean);
  return starters.filter(({ title, use, group }) =>
    parts.every((part) => `${title} ${use} ${group}`.toLowerCase().includes(part)),
  );
}
