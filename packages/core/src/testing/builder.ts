import * as Y from 'yjs';
import { addElement } from '../deck/arranging/elementCommands.js';
import type { QuestionDetails } from '../deck/arranging/questionCommands.js';
import { addChoice, addChoiceTo, linkWordsOf } from '../deck/links/linkCommands.js';
import { plain } from '../parts/richText.js';
import { toSlide, type Target } from '../deck/links/target.js';
import {
  addSlide,
  renameDeck,
  setNotes,
  setSlideFlag,
  type SlideFlag,
} from '../deck/slides/slideCommands.js';
import { STAGE, type Box } from '../parts/place.js';
import { type AssetRef } from '../parts/asset.js';
import type { LayoutName } from '../layouts/names.js';
import { type TextStyle } from '../parts/typography.js';
import { idOf, type ElementId, type LinkId, type OptionId, type SlideId } from '../parts/ids.js';
import type { Question, QuestionKey } from '../questions/registry.js';
import { type NewElement } from '../elements/registry.js';
import { type Result } from '../parts/refusals.js';
import { told } from '../parts/told.js';

/**
 * Writes a deck in a line, so that a test is its own picture:
 *
 *   deck(slide('pier', choice('Row out', 'sea')), slide('sea', ending()))
 *
 * Slides take their title for their identity unless one is given before a colon: `slide('sea: At sea')`.
 * Everything goes through the commands. The demo data is built with it too.
 */
export interface SlidePart {
  /** Parts that name other slides wait until all are there. */
  when: 'now' | 'later';
  apply(doc: Y.Doc, slideId: SlideId): void;
}
export interface SlidePlan {
  id: SlideId;
  title: string;
  layout: LayoutName;
  at?: { x: number; y: number };
  parts: SlidePart[];
}

export function deck(...slides: SlidePlan[]): Y.Doc {
  return deckNamed('A deck', ...slides);
}

export function deckNamed(title: string, ...slides: SlidePlan[]): Y.Doc {
  const doc = new Y.Doc();
  must(renameDeck(doc, title));
  for (const { id, title: name, layout, at } of slides) {
    must(addSlide(doc, { id, title: name, layout, at, isByHand: true }));
  }
  for (const when of ['now', 'later'] as const) {
    for (const { id, parts } of slides) {
      for (const part of parts) if (part.when === when) part.apply(doc, id);
    }
  }
  return doc;
}

export function slide(name: string, ...parts: SlidePart[]): SlidePlan {
  const [id = '', title] = name.split(/:\s*/, 2);
  return { id: idOf<SlideId>(id), title: title ?? id, layout: 'choices', parts };
}

/** A slide without the title text on its stage. */
export function bare(plan: SlidePlan): SlidePlan {
  return { ...plan, layout: 'empty' };
}

export function at(x: number, y: number, plan: SlidePlan): SlidePlan {
  return { ...plan, at: { x, y } };
}

/** A choice that leads to another slide of the deck. */
export function choice(wording: string, target: string, id?: string): SlidePart {
  return {
    when: 'later',
    apply: (doc, slideId) =>
      must(
        addChoice(doc, slideId, wording, {
          slideId: idOf<SlideId>(target),
          linkId: id === undefined ? linkIdOf(slideId, target, wording) : idOf<LinkId>(id),
        }),
      ),
  };
}

/** A choice that leads anywhere: along a trail, to the web, nowhere yet. */
export function way(wording: string, target: Target, id?: string): SlidePart {
  const linkId = id === undefined ? undefined : idOf<LinkId>(id);
  return {
    when: 'later',
    apply: (doc, slideId) => must(addChoiceTo(doc, slideId, wording, target, linkId)),
  };
}

const linkIdOf = (from: string, to: string, wording: string): LinkId =>
  idOf(
    `${from}-${to}-${wording}`
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .slice(0, 56)
      .replace(/-$/, ''),
  );

/** Links words that stand in one of the slide's texts. */
export function words(elementId: string, run: string, target: string): SlidePart {
  return {
    when: 'later',
    apply: (doc, slideId) =>
      must(linkWordsOf(doc, slideId, idOf(elementId), run, toSlide(idOf(target)))),
  };
}

const flag = (name: SlideFlag): SlidePart => ({
  when: 'now',
  apply: (doc, slideId) => must(setSlideFlag(doc, slideId, name, true)),
});
export const ending = (): SlidePart => flag('isEnding');
export const leftOut = (): SlidePart => flag('isLeftOut');
export const pattern = (): SlidePart => flag('isPattern');

export function notes(text: string): SlidePart {
  return { when: 'now', apply: (doc, slideId) => must(setNotes(doc, slideId, text)) };
}

export function element(plan: NewElement): SlidePart {
  return { when: 'now', apply: (doc, slideId) => must(addElement(doc, slideId, plan)) };
}

const box = (x: number, y: number, w: number, h: number): Box => ({ x, y, w, h });

export function text(
  content: string,
  options: { id?: string; style?: TextStyle; box?: Box; colour?: string; size?: number } = {},
): SlidePart {
  return element({
    kind: 'text',
    layer: 'content',
    style: options.style ?? 'body',
    id: options.id === undefined ? undefined : idOf<ElementId>(options.id),
    box: options.box ?? box(96, 156, 720, 120),
    text: plain(...content.split('\n')),
    colour: options.colour,
    size: options.size,
  });
}

export function piece(id: string, content: string, where: Box): SlidePart {
  return element({
    kind: 'text',
    layer: 'pieces',
    style: 'body',
    id: idOf<ElementId>(id),
    box: where,
    text: plain(content),
    name: content,
  });
}

export function zone(id: string, name: string, where: Box, expects: string[] = []): SlidePart {
  return element({
    kind: 'zone',
    layer: 'pieces',
    id: idOf<ElementId>(id),
    name,
    box: where,
    expects: expects.map((one) => idOf(one)),
  });
}

/** A question of any kind, with its key if it has one. */
export function question(
  id: string,
  prompt: string,
  asked: Question,
  key: QuestionKey | null = null,
  where: Box = box(96, 170, 560, 200),
  details: QuestionDetails = {},
): SlidePart {
  return element({
    kind: 'question',
    layer: 'content',
    id: idOf<ElementId>(id),
    box: where,
    text: plain(prompt),
    question: asked,
    key,
    ...details,
  });
}

/** A choice question; options that start with '*' are the key. Option ids are 'a', 'b', 'c' … */
export function choiceQuestion(
  id: string,
  prompt: string,
  options: string[],
  settings: { box?: Box; isMultiple?: boolean; isPartial?: boolean } = {},
): SlidePart {
  const ids = options.map((_, index) => idOf<OptionId>('abcdefghijkl'[index]!));
  return element({
    kind: 'question',
    layer: 'content',
    id: idOf<ElementId>(id),
    box: settings.box ?? box(96, 170, 560, 300),
    text: plain(prompt),
    question: {
      kind: 'choice',
      isMultiple: settings.isMultiple ?? false,
      isShuffled: false,
      points: 1,
      options: options.map((option, index) => ({
        id: ids[index]!,
        text: option.replace(/^\*/, ''),
        picture: null,
      })),
    },
    key: options.some((option) => option.startsWith('*'))
      ? {
          kind: 'choice',
          optionIds: ids.filter((_, index) => options[index]!.startsWith('*')),
          isPartial: settings.isPartial ?? false,
        }
      : null,
  });
}

/** The credit of a drawing of our own. */
export const OWN = { title: '', author: '', source: '', licence: 'own' } as const;

/** A picture on the background layer over the whole stage. */
export function scenery(asset: AssetRef, id: string, alt = ''): SlidePart {
  return element({
    kind: 'picture',
    layer: 'background',
    id: idOf<ElementId>(id),
    box: box(0, 0, STAGE.width, STAGE.height),
    asset,
    credit: OWN,
    alt,
    fit: 'cover',
  });
}

/** Spare material beside the stage. */
export function spare(content: string): SlidePart {
  return text(content, { style: 'caption', box: box(96, STAGE.height + 10, 240, 40) });
}

/** A builder's plan that does not apply is a mistake of the plan. */
export function must(result: Result): void {
  if (!result.ok) throw new Error(told(result));
}
