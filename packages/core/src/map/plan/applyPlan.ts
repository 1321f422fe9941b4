import { command, type Plan } from '../../deck/command.js';
import * as Y from 'yjs';
import { addPlacedTo } from '../../deck/arranging/elementCommands.js';
import { rewriteText } from '../../deck/text/rewriteCommands.js';
import { elementOf, linksMap, readSlide, slideOf } from '../../deck/document.js';
import { addChoiceTo, removeLink, retarget, rewordLink } from '../../deck/links/linkCommands.js';
import { plain } from '../../parts/richText.js';
import type { SetOut } from '../../elements/base.js';
import {
  addSlide,
  removeSlides,
  renameSlide,
  setSlideFlag,
  setStart,
} from '../../deck/slides/slideCommands.js';
import type { SlideId, LinkId } from '../../parts/ids.js';

import { BODY_BOX } from '../../layouts/layouts.js';
import { FreeSpots } from '../../deck/slides/cards.js';
import { planText } from './planOf.js';
import type { Carrier } from '../../deck/types.js';
import type { PlanChange, PlanStep } from './planChange.js';

/** Does what a plan wants, in one undo step. Slides and choices are taken out only `withRemovals`. */
export const applyPlan = command(
  'applyPlan',
  'deck:write',
  (
    doc: Y.Doc,
    change: Pick<PlanChange, 'steps' | 'removed' | 'cut'>,
    withRemovals: 'with removals' | 'keep all' = 'keep all',
  ): Plan<{ done: number }> => {
    const { steps } = change;
    const isAgreed = withRemovals === 'with removals';
    const removed = isAgreed ? change.removed : [];
    const cut = isAgreed ? change.cut : [];
    const done = steps.length + removed.length + cut.length;
    if (done === 0) return () => ({ done });
    const spots = new FreeSpots(doc);
    return () => {
      for (const step of steps) take(doc, step, spots);
      for (const linkId of cut) removeLink(doc, linkId);
      removeSlides(doc, removed);
      return { done };
    };
  },
);

function take(doc: Y.Doc, step: PlanStep, spots: FreeSpots): void {
  switch (step.do) {
    case 'add':
      addSlide(doc, {
        id: step.slideId,
        title: step.title,
        layout: 'text',
        spot: spots.take(step.slideId, step.under),
      });
      if (step.text) writeText(doc, step.slideId, step.text);
      if (step.isEnding) setSlideFlag(doc, step.slideId, 'isEnding', true);
      return;
    case 'title':
      renameSlide(doc, step.slideId, step.title);
      return;
    case 'text':
      writeText(doc, step.slideId, step.text);
      return;
    case 'ending':
      setSlideFlag(doc, step.slideId, 'isEnding', step.isEnding);
      return;
    case 'link':
      addChoiceTo(doc, step.from, step.wording, step.target, step.linkId);
      return;
    case 'reword':
      rewordLink(doc, step.linkId, step.wording);
      return;
    case 'retarget':
      retarget(doc, step.linkId, step.target);
      return;
    case 'start':
      setStart(doc, step.slideId);
      return;
    case 'trunk':
      slideOf(doc, step.slideId)?.set('trunkId', step.trunkId);
      return;
    case 'cut':
      removeLink(doc, step.linkId);
      return;
    case 'order':
      orderChoices(doc, step.slideId, step.linkIds);
  }
}

function writeText(doc: Y.Doc, slideId: SlideId, words: string): void {
  const slide = slideOf(doc, slideId);
  if (!slide) return;
  const element = planText(readSlide(slideId, slide));
  if (element) rewriteText(doc, slideId, element.id, words);
  else {
    addPlacedTo(doc, slideId, {
      kind: 'text',
      style: 'body',
      layer: 'content',
      box: BODY_BOX,
      text: plain(...words.split('\n')),
    });
  }
}

/** Hands the places of a slide's choice lines round, so that they stand in the order given, and are set out in it. */
function orderChoices(doc: Y.Doc, slideId: SlideId, linkIds: LinkId[]): void {
  const slide = slideOf(doc, slideId);
  if (!slide) return;
  const { elements } = readSlide(slideId, slide);
  const lines = linkIds.flatMap((linkId) => {
    const link = linksMap(doc).get(linkId);
    const carrier = link instanceof Y.Map ? (link.get('carrier') as Carrier) : undefined;
    const element =
      carrier?.kind === 'element'
        ? elements.find(({ id, kind }) => id === carrier.elementId && kind === 'text')
        : undefined;
    return element ? [element] : [];
  });
  const places = lines.map(({ box }) => box).sort((a, b) => a.y - b.y || a.x - b.x);
  const orders = lines.map(({ order }) => order).sort();
  const given = lines.map(({ setOut }) => setOut).sort(byPlace);
  lines.forEach(({ id }, index) => {
    const element = elementOf(doc, slideId, id);
    element?.set('box', places[index]);
    element?.set('order', orders[index]);
    if (given[index]) element?.set('setOut', given[index]);
  });
}

/** Top to bottom and left to right, as things that were set out lie; others last. */
const byPlace = (a: SetOut | null, b: SetOut | null): number =>
  a && b ? a.box.y - b.box.y || a.box.x - b.box.x : Number(!a) - Number(!b);
