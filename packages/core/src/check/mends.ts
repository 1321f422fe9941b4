import type { Theme } from '../themes/theme.js';
import { command, done, type Plan } from '../deck/command.js';
import type * as Y from 'yjs';
import { newId, type ElementId, type SlideId } from '../parts/ids.js';
import { refuse, type Refusal } from '../parts/refusals.js';
import { reorder, setBox } from '../deck/arranging/arrangeCommands.js';
import {
  addPlacedTo,
  removeElements,
  setElement,
  setWords,
} from '../deck/arranging/elementCommands.js';
import { elementOf, readLinkOf, readSlide, setAsideMap, slideOf } from '../deck/document.js';
import { readDeck } from '../deck/readDeck.js';
import { readElement } from '../elements/registry.js';
import {
  addChoice,
  addChoiceTo,
  linkElement,
  linkSlides,
  moveLink,
  removeLink,
  retarget,
  rewordLink,
} from '../deck/links/linkCommands.js';
import { plain, wordsOf, type RichText } from '../parts/richText.js';
import { setQuestion } from '../deck/arranging/questionCommands.js';
import { addSlide, setSlideFlag, setStart } from '../deck/slides/slideCommands.js';
import { NOWHERE, toSlide, toStep } from '../deck/links/target.js';
import { setTrail } from '../deck/trails/trailCommands.js';
import { themeFor, type Link, type Slide } from '../deck/types.js';
import type { SlideElement } from '../elements/registry.js';
import { setOut } from '../composition/setOutCommands.js';
import { wordsHeight } from '../stage/wordsHeight.js';
import { MOST_CHOICES } from './touch.js';
import { findingKey, findingPrint, type Finding, type Mend } from './finding.js';
import { sure } from '../parts/sure.js';

/**
 * Puts right what a finding told of: one undo step. `answer` is the line that an `ask` needs.
 * Refused: `line.gone`, `link.gone`, `mend.empty`, `mend.fits`, `picture.gone`, `slide.gone`, `text.gone`, `text.oneSentence`, `thing.gone`.
 */
export const applyMend = command(
  'applyMend',
  'deck:write',
  (doc: Y.Doc, mend: Mend, answer?: string): Plan => {
    const change = planOf(doc, mend, answer ?? '');
    return typeof change !== 'function' ? change : () => void change();
  },
);

/** Whatever commands it takes, it is one transaction and thereby one step. */
function planOf(doc: Y.Doc, mend: Mend, answer: string): Refusal | (() => unknown) {
  switch (mend.do) {
    case 'flag':
      return setSlideFlag.plan(doc, mend.slideId, mend.flag, mend.value);
    case 'start':
      return setStart.plan(doc, mend.slideId);
    case 'cut':
      return removeLink.plan(doc, mend.linkId);
    case 'unlink':
      return removeElements.plan(doc, mend.slideId, [mend.elementId]);
    case 'new-slide': {
      const link = readLinkOf(doc, mend.linkId);
      if (!link) return refuse('link.gone');
      return () => {
        const made = done(
          addSlide(doc, { title: link.wording, beside: link.from, layout: 'text' }),
        );
        done(retarget(doc, mend.linkId, toSlide(made.slideId)));
      };
    }
    case 'choice-slide': {
      const element = elementOf(doc, mend.slideId, mend.elementId);
      const read = element && readElement(mend.elementId, element);
      if (!read || !('text' in read)) return refuse('line.gone');
      const title = wordsOf(read.text).replace(/\s+/g, ' ');
      const why = linkElement.applies(doc, mend.slideId, mend.elementId, NOWHERE);
      if (why) return why;
      return () => {
        const made = done(addSlide(doc, { title, beside: mend.slideId, layout: 'text' }));
        done(linkElement(doc, mend.slideId, mend.elementId, toSlide(made.slideId)));
      };
    }
    case 'reword':
      return rewordLink.plan(doc, mend.linkId, mend.wording);
    case 'lead':
      return linkSlides.plan(doc, mend.from, mend.slideId);
    case 'go-on': {
      const refused = mend.ways
        .map(({ from, slideId }) => linkSlides.applies(doc, from, slideId))
        .find((why) => why !== null);
      if (refused) return refused;
      return () => {
        for (const { from, slideId } of mend.ways) {
          done(linkSlides(doc, from, slideId));
          slideOf(doc, slideId)?.set('trunkId', 'top');
        }
      };
    }
    case 'restart':
      return addChoiceTo.plan(doc, mend.slideId, 'Start over', toStep('restart'));
    case 'carry':
      return moveLink.plan(doc, mend.linkId, mend.slideId);
    case 'question': {
      const { slideId, elementId, question, key } = mend;
      return setQuestion.plan(doc, slideId, elementId, { question, key });
    }
    case 'free-trail':
      return setTrail.plan(doc, mend.trailId, { followsLinks: false });
    case 'box':
      return setBox.plan(doc, mend.slideId, mend.elementId, mend.box);
    case 'order':
      return reorder.plan(doc, mend.slideId, mend.elementId, mend.to);
    case 'set':
      return setElement.plan(doc, mend.slideId, mend.elementId, mend.settings);
    case 'ask':
      return writeDown(doc, mend.slideId, mend.elementId, mend.setting, answer.trim());
    case 'sheet':
      return laySheet(doc, mend.slideId, mend.elementId);
    case 'split':
      return splitSlide(doc, mend.slideId, mend.elementId);
    case 'spread':
      return spreadChoices(doc, mend.slideId);
  }
}

/** A line that the teacher has written: an alternative text, or the author in a credit. */
function writeDown(
  doc: Y.Doc,
  slideId: SlideId,
  elementId: ElementId,
  setting: 'alt' | 'author' | 'transcript',
  line: string,
): Plan {
  if (line === '') return refuse('mend.empty');
  if (setting !== 'author') return setElement.plan(doc, slideId, elementId, { [setting]: line });
  const element = elementOf(doc, slideId, elementId);
  const read = element && readElement(elementId, element);
  if (read?.kind !== 'picture') return refuse('picture.gone');
  return setElement.plan(doc, slideId, elementId, { credit: { ...read.credit, author: line } });
}

/** A plain sheet in the theme's paper behind the words, on the layer and just under the thing itself. */
function laySheet(doc: Y.Doc, slideId: SlideId, elementId: ElementId): Plan {
  const slide = slideOf(doc, slideId);
  const element = slide && readSlide(slideId, slide).elements.find(({ id }) => id === elementId);
  if (!element) return refuse('thing.gone');
  const colours = themeFor(readDeck(doc), slideId).colours;
  const { x, y, w, h } = element.box;
  return () => {
    const sheetId = addPlacedTo(doc, slideId, {
      id: newId<ElementId>(),
      kind: 'shape',
      shape: 'rounded',
      layer: element.layer,
      box: { x: x - 16, y: y - 12, w: w + 32, h: h + 24 },
      fill: colours.paper,
    });
    reorder(doc, slideId, sheetId, 'back');
    setElement(doc, slideId, elementId, { colour: colours.ink });
  };
}

/**
 * Keeps as much of a text as fits and moves the rest to a slide of its own. The
 * choices go along, so that they are met after all has been read; “Go on” leads from the one to the other.
 */
function splitSlide(doc: Y.Doc, slideId: SlideId, elementId: ElementId): Plan {
  const element = elementOf(doc, slideId, elementId);
  const read = element && readElement(elementId, element);
  if (!read || !('text' in read)) return refuse('text.gone');
  const halves = halved(read, themeFor(readDeck(doc), slideId));
  if (!halves) return refuse('text.oneSentence');
  const slide = readSlide(
    slideId,
    sure(slideOf(doc, slideId), 'the finding is of a slide that is there'),
  );
  const choices = choicesOn(doc, slide);
  return () => {
    const made = done(
      addSlide(doc, { title: `${slide.title} (2)`, beside: slideId, layout: 'choices' }),
    );
    setWords(doc, slideId, elementId, halves[0]);
    addPlacedTo(doc, made.slideId, {
      kind: 'text',
      style: read.kind === 'text' ? read.style : 'body',
      layer: 'content',
      box: read.box,
      text: halves[1],
    });
    for (const link of choices) moveLink(doc, link.id, made.slideId);
    if (slide.isEnding) {
      setSlideFlag(doc, slideId, 'isEnding', false);
      setSlideFlag(doc, made.slideId, 'isEnding', true);
    }
    done(addChoice(doc, slideId, 'Go on', { slideId: made.slideId }));
  };
}

/** The links that choice lines of a slide carry, from the lowest line to the one on top: as they were made. */
function choicesOn(doc: Y.Doc, slide: Slide): Link[] {
  const links = Object.values(readDeck(doc).links).filter(({ from }) => from === slide.id);
  return slide.elements.flatMap((element) =>
    element.kind === 'text' && element.style === 'choice'
      ? links.filter(({ carrier }) => 'elementId' in carrier && carrier.elementId === element.id)
      : [],
  );
}

/** Leaves as many choices on a slide as it has room for, and moves the rest to slides that “More” leads to. */
function spreadChoices(doc: Y.Doc, slideId: SlideId): Plan {
  const map = slideOf(doc, slideId);
  if (!map) return refuse('slide.gone');
  const slide = readSlide(slideId, map);
  const choices = choicesOn(doc, slide);
  if (choices.length <= MOST_CHOICES) return refuse('mend.fits');
  // The last place on each is for “More”.
  const each = MOST_CHOICES - 1;
  return () => {
    const slideIds = [slideId];
    for (let from = each; from < choices.length; from += each) {
      const title = `${slide.title} (${from / each + 1})`;
      const last = sure(slideIds.at(-1), 'the first is there');
      const made = done(addSlide(doc, { title, beside: last, layout: 'choices' }));
      for (const link of choices.slice(from, from + each)) moveLink(doc, link.id, made.slideId);
      done(addChoice(doc, last, 'More', { slideId: made.slideId }));
      slideIds.push(made.slideId);
    }
    // They lay on each other; now there is room.
    setOut(doc, slideIds);
  };
}

type WithText = Extract<SlideElement, { text: RichText }>;

/**
 * Parts a text between paragraphs, or between sentences when it is one paragraph: as much as fits its box stays, or
 * half of it when all of it fits. null when there is nothing to part.
 */
function halved(element: WithText, theme: Theme): [RichText, RichText] | null {
  const { text } = element;
  const paragraphs = text.content.filter(
    (node) => wordsOf({ type: 'doc', content: [node] }) !== '',
  );
  const sentences = (wordsOf(text).match(/[^.!?…]+[.!?…]*\s*/g) ?? []).map((part) => part.trim());
  const count = paragraphs.length > 1 ? paragraphs.length : sentences.length;
  if (count < 2) return null;
  const slice = (from: number, to: number): RichText =>
    paragraphs.length > 1
      ? { type: 'doc', content: paragraphs.slice(from, to) }
      : plain(sentences.slice(from, to).join(' '));
  const fits = (to: number): boolean =>
    (wordsHeight({ ...element, text: slice(0, to) }, theme) ?? 0) <= element.box.h;
  let at = count;
  while (at > 1 && !fits(at)) at -= 1;
  if (at === count) at = Math.ceil(count / 2);
  return [slice(0, at), slice(at, count)];
}

/**
 * Lets a finding be, with the reason; it comes back when the place looks different.
 * Refused: `aside.reason`.
 */
export const setAside = command(
  'setAside',
  'deck:write',
  (doc: Y.Doc, finding: Finding, reason: string): Plan => {
    if (reason.trim() === '') return refuse('aside.reason');
    return () => {
      setAsideMap(doc).set(findingKey(finding), {
        reason: reason.trim().slice(0, 500),
        print: findingPrint(finding),
      });
    };
  },
);

/** Refused: `aside.not`. */
export const takeUpAgain = command(
  'takeUpAgain',
  'deck:write',
  (doc: Y.Doc, finding: Finding): Plan => {
    if (!setAsideMap(doc).has(findingKey(finding))) return refuse('aside.not');
    return () => {
      setAsideMap(doc).delete(findingKey(finding));
    };
  },
);
