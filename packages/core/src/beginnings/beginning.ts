import type * as Y from 'yjs';
import { setOut } from '../composition/setOutCommands.js';
import { addElement, addPlaced } from '../deck/arranging/elementCommands.js';
import { setLayout } from '../deck/slides/layoutCommands.js';
import { setScenery, setSlideTheme, setTheme } from '../deck/slides/themeCommands.js';
import { renameDeck, setNotes, setSlideFlag } from '../deck/slides/slideCommands.js';
import { readDeck } from '../deck/readDeck.js';
import { done } from '../deck/command.js';
import { addCloseUpStop, addTrail } from '../deck/trails/trailCommands.js';
import type { NewElement } from '../elements/registry.js';
import type { LayoutName } from '../layouts/names.js';
import { routeGraph } from '../map/graph.js';
import { applyPlan } from '../map/plan/applyPlan.js';
import { planChange } from '../map/plan/planChange.js';
import { inOrder } from '../map/plan/inOrder.js';
import { planBase } from '../map/plan/planOf.js';
import { parsePlan } from '../map/plan/planText.js';
import { idOf, idsOf, newId, type SlideId } from '../parts/ids.js';
import { sure } from '../parts/sure.js';
import type { ThemeRef } from '../themes/theme.js';
import type { StarterGroup, StarterKit } from '../starters/starter.js';

/** What one slide of a beginning has besides what its plan says. */
export interface Beyond {
  /** For the teacher. */
  notes?: string;
  layout?: LayoutName;
  theme?: ThemeRef;
  isPattern?: true;
  /** Questions, pieces, zones. */
  has?: (kit: StarterKit) => NewElement[];
}

/** A whole deck of ours to begin from: a written plan, and what lies on its slides besides. */
export interface Beginning {
  id: string;
  title: string;
  /** What it is good for, in a line. */
  use: string;
  /** The part of a lesson that it is for. */
  phase: StarterGroup | 'whole lesson';
  /** How long a class walks it. */
  minutes: number;
  /** In years, from the youngest to the oldest. */
  ages: readonly [number, number];
  theme: ThemeRef;
  plan: string;
  /** By the titles of slides. */
  slides: Readonly<Record<string, Beyond>>;
  /** Walked from slide to slide, by their titles. */
  trail?: { name: string; stops: readonly string[] };
}

/** Makes the deck of a beginning in an empty document. */
export function plant(doc: Y.Doc, beginning: Beginning, title = beginning.title): void {
  doc.transact(() => {
    const kit = { picture: null, makeId: newId };
    renameDeck(doc, title);
    setTheme(doc, beginning.theme);
    setScenery(doc, null, 'full');
    // The same slides each time: their scenery is drawn by their ids, and is to be what was looked at before.
    let count = 0;
    growFrom(doc, beginning.plan, () => idOf(`${beginning.id}-${(count += 1)}`));
    const byTitle = new Map(
      Object.values(readDeck(doc).slides).map((slide) => [slide.title, slide.id]),
    );
    const named = (wanted: string): SlideId =>
      sure(byTitle.get(wanted), `the plan has a slide “${wanted}”`);
    for (const [wanted, beyond] of Object.entries(beginning.slides)) {
      addBeyond(doc, named(wanted), beyond, kit);
    }
    const { trail } = beginning;
    if (trail) {
      const slideIds = trail.stops.map(named);
      const { trailId } = done(addTrail(doc, { name: trail.name, slideIds }));
      const { slides } = readDeck(doc);
      for (const slideId of slideIds) {
        for (const { id, kind } of slides[slideId]?.elements ?? []) {
          if (kind === 'closeup') addCloseUpStop(doc, trailId, slideId, id);
        }
      }
    }
    setOut(doc, idsOf(readDeck(doc).slides));
  });
}

/** How many slides a written plan has. */
export const slidesIn = (plan: string): number =>
  [...inOrder(parsePlan(plan).items)].filter(({ isWrong, join }) => !isWrong && !join).length;

/** Makes the slides of a written plan in an empty document. They are to be set out yet. */
export function growFrom(doc: Y.Doc, plan: string, makeId?: () => SlideId): void {
  const empty = readDeck(doc);
  const { items } = parsePlan(plan);
  applyPlan(doc, planChange(empty, planBase(empty, routeGraph(empty)), items, makeId));
}

function addBeyond(doc: Y.Doc, slideId: SlideId, beyond: Beyond, kit: StarterKit): void {
  const { layout, notes, theme, has } = beyond;
  if (layout) setLayout(doc, slideId, layout);
  if (theme) setSlideTheme(doc, slideId, theme);
  for (const element of has?.(kit) ?? []) {
    // Pieces and what they are laid into stay where they are put; the rest is set out.
    if (element.kind === 'question') addPlaced(doc, slideId, element);
    else addElement(doc, slideId, element);
  }
  if (notes) setNotes(doc, slideId, notes);
  if (beyond.isPattern) setSlideFlag(doc, slideId, 'isPattern', true);
}

/** Beginnings whose words hold all that is looked for: also `20 minutes`, `age 9`. */
export function findBeginnings(all: readonly Beginning[], wanted: string): Beginning[] {
  const words = wanted
    .toLowerCase()
    .split(/[\s,]+/)
    .filter(Boolean);
  return all.filter(({ title, use, phase, minutes, ages }) => {
    const said = `${title} ${use} ${phase} ${minutes} min minutes age years`.toLowerCase();
    return words.every(
      (word) => said.includes(word) || (/^\d+$/.test(word) && isBetween(Number(word), ages)),
    );
  });
}

const isBetween = (age: number, [from, to]: readonly [number, number]): boolean =>
  age >= from && age <= to;
