import { titleOf } from '../../deck/titleOf.js';
import { NOWHERE, toSlide, type Target } from '../../deck/links/target.js';
import { isSameTarget } from '../../deck/links/targetWords.js';
import type { Deck } from '../../deck/types.js';
import { newId, type LinkId, type SlideId } from '../../parts/ids.js';
import { folded } from '../find.js';
import { inOrder } from './inOrder.js';
import { planText, type DeckItem, type PlanBase } from './planOf.js';
import { recognise } from './recognise.js';
import { slugger, type PlanItem, type PlanJoin, type PlanProblem } from './planText.js';
import { sure } from '../../parts/sure.js';

/** The link along which a line below another leads. */
const linkIdOf = ({ link }: DeckItem): LinkId => sure(link, 'a line below another has its link').id;

/** One thing that a plan wants of the deck. */
export type PlanStep =
  | {
      do: 'add';
      slideId: SlideId;
      title: string;
      text: string;
      isEnding: boolean;
      /** The slide that the plan writes it under. */
      under: SlideId | null;
    }
  | { do: 'title'; slideId: SlideId; title: string }
  | { do: 'text'; slideId: SlideId; text: string }
  | { do: 'ending'; slideId: SlideId; isEnding: boolean }
  | { do: 'link'; linkId: LinkId; from: SlideId; wording: string; target: Target }
  | { do: 'reword'; linkId: LinkId; wording: string }
  | { do: 'retarget'; linkId: LinkId; target: Target }
  | { do: 'cut'; linkId: LinkId }
  /** The first line of a plan is where the walk begins. */
  | { do: 'start'; slideId: SlideId }
  /** Under which choice the slide is written, or at the left edge. */
  | { do: 'trunk'; slideId: SlideId; trunkId: LinkId | 'top' }
  /** The choices of a slide, from top to bottom. */
  | { do: 'order'; slideId: SlideId; linkIds: LinkId[] };

/** What has to be done so that the deck says what the plan says. */
export interface PlanChange {
  steps: PlanStep[];
  /** Slides that the plan does not have any more: taken out only when somebody agrees. */
  removed: SlideId[];
  /** The same for choices that lead to slides written elsewhere, or to no slide. */
  cut: LinkId[];
  problems: PlanProblem[];
  /** What the plan is to be compared with next, once the steps are taken. */
  after: PlanBase;
}

/**
 * Compares a plan with what it said before. Only lines that say something else ask for anything: what others have done
 * to the deck meanwhile stays. Slides keep their identity as long as they are recognisable; a line that cannot be read
 * leaves what it stood for as it was.
 */
export function planChange(
  deck: Deck,
  base: PlanBase,
  items: readonly PlanItem[],
  makeId: () => SlideId = newId,
): PlanChange {
  return new Comparison(deck, base, items, makeId).change();
}

class Comparison {
  readonly #kept: Map<PlanItem, DeckItem>;
  readonly #slideOf = new Map<PlanItem, SlideId>();
  readonly #linkOf = new Map<PlanItem, LinkId>();
  readonly #bySlug = new Map<string, SlideId>();
  readonly #byTitle = new Map<string, SlideId>();
  readonly #parents = new Map<PlanItem, PlanItem>();
  /** Items whose step could not be taken: they are compared with what they said before once more. */
  readonly #untaken = new Map<PlanItem, { wording?: true; text?: true; join?: true }>();
  readonly #steps: PlanStep[] = [];
  readonly #problems: PlanProblem[] = [];
  readonly #claimed = new Set<LinkId>();

  constructor(
    private readonly deck: Deck,
    private readonly base: PlanBase,
    private readonly items: readonly PlanItem[],
    makeId: () => SlideId,
  ) {
    this.#kept = recognise(base, items);
    const slugOf = slugger();
    for (const item of inOrder(items)) {
      for (const child of item.children) this.#parents.set(child, item);
      if (item.join) continue;
      const known = this.#kept.get(item);
      // What hangs under a line that is nothing yet waits for it.
      const slideId = known?.slideId ?? (item.isWrong || this.#isWaiting(item) ? null : makeId());
      if (!slideId) continue;
      this.#slideOf.set(item, slideId);
      const { title } = item.isWrong ? sure(known, 'only a known line is wrong') : item;
      this.#bySlug.set(slugOf(title), slideId);
      if (!this.#byTitle.has(folded(title))) this.#byTitle.set(folded(title), slideId);
    }
  }

  change(): PlanChange {
    for (const item of inOrder(this.items)) if (!item.join && !item.isWrong) this.#compare(item);
    for (const item of inOrder(this.items)) this.#compareChoices(item);
    this.#compareTops();
    const stays = new Set(this.#slideOf.values());
    const dropped = [...inOrder(this.base.items), ...inOrder(this.base.dropped)].filter(
      (old) => !this.#isKept(old, stays),
    );
    const gone = new Set(dropped);
    for (const old of [...inOrder(this.base.items), ...inOrder(this.base.dropped)]) {
      // Written under another slide now: the way that led to it before goes.
      const isMoved = old.slideId && old.link && !gone.has(old) && !this.#claimed.has(old.link.id);
      if (isMoved) this.#steps.push({ do: 'cut', linkId: linkIdOf(old) });
    }
    return {
      steps: this.#steps,
      removed: dropped.flatMap(({ slideId }) => slideId ?? []),
      cut: dropped.flatMap(({ link }) => (link && !this.#claimed.has(link.id) ? link.id : [])),
      problems: this.#problems,
      after: {
        items: this.items.map((item) => this.#annotated(item)),
        dropped: dropped.map((item) => ({ ...item, children: [] })),
      },
    };
  }

  #isKept(old: DeckItem, stays: ReadonlySet<SlideId>): boolean {
    if (old.slideId) return stays.has(old.slideId) || !this.deck.slides[old.slideId];
    return !old.link || this.#claimed.has(old.link.id) || !this.deck.links[old.link.id];
  }

  /** Under no slide, although not at the left edge. */
  #isWaiting(item: PlanItem): boolean {
    const parent = this.#parents.get(item);
    return parent !== undefined && !this.#slideOf.has(parent);
  }

  #compare(item: PlanItem): void {
    const slideId = this.#slideOf.get(item);
    const known = this.#kept.get(item);
    if (!slideId) return;
    const { line, title, text, isEnding } = item;
    if (!known) {
      const parent = this.#parents.get(item);
      const under = parent
        ? sure(this.#slideOf.get(parent), 'parents are placed before their children')
        : null;
      this.#steps.push({ do: 'add', slideId, title, text, isEnding, under });
      return;
    }
    if (known.written === item.written && !known.isWrong) return;
    if (known.title !== title) this.#steps.push({ do: 'title', slideId, title });
    if (known.text !== text) {
      const slide = this.deck.slides[slideId];
      if (slide && planText(slide)?.isLocked) {
        this.#problems.push({
          line,
          reason: `The text of “${titleOf(slide)}” is locked on its slide: let it go there to change it.`,
        });
        this.#untaken.set(item, { text: true });
      } else this.#steps.push({ do: 'text', slideId, text });
    }
    if (known.isEnding !== isEnding) this.#steps.push({ do: 'ending', slideId, isEnding });
  }

  #targetOf(item: PlanItem): Target | null {
    if (!item.join) {
      const slideId = this.#slideOf.get(item);
      return slideId ? toSlide(slideId) : null;
    }
    if (item.join.kind === 'target') return item.join.target;
    const { slug, words } = item.join;
    const slideId = this.#bySlug.get(slug) ?? this.#byTitle.get(folded(words));
    if (slideId) return toSlide(slideId);
    this.#problems.push({
      line: item.line,
      reason: `No slide of this plan is called “${words || slug}”.`,
    });
    return null;
  }

  /** Finds for every choice of a slide the link that it is, changes it, and adds what is new. */
  #compareChoices(item: PlanItem): void {
    const from = this.#slideOf.get(item);
    if (!from) {
      // What it leads to stays as it was until the line above it can be read.
      for (const child of item.children) {
        const link = this.#kept.get(child)?.link;
        if (link) this.#claimed.add(link.id);
      }
      return;
    }
    const known = this.#kept.get(item);
    const found = new Map<PlanItem, DeckItem>();
    for (const child of item.children) {
      const old = this.#kept.get(child);
      if (old?.link?.from !== from || this.#claimed.has(old.link.id)) continue;
      found.set(child, old);
      this.#claimed.add(old.link.id);
    }
    const readable = item.children.filter(({ isWrong }) => !isWrong);
    const unchanged = new Set(readable.filter((child) => this.#isUnchanged(child, found)));
    const targets = new Map<PlanItem, Target | null>();
    for (const child of readable) {
      if (!unchanged.has(child)) targets.set(child, this.#targetOf(child));
    }
    const olders = [...(known?.children ?? []), ...this.base.dropped].filter(
      ({ link }) => link?.from === from && !this.#claimed.has(link.id) && this.deck.links[link.id],
    );
    const sameGoal = (old: DeckItem, child: PlanItem): boolean =>
      this.#leadsTo(linkIdOf(old), targets.get(child) ?? null);
    const sameWords = (old: DeckItem, child: PlanItem): boolean => old.wording === child.wording;
    for (const fits of [
      (old: DeckItem, child: PlanItem) => sameGoal(old, child) && sameWords(old, child),
      sameGoal,
      sameWords,
    ]) {
      for (const child of readable) {
        if (found.has(child) || !targets.get(child)) continue;
        const old = olders.find(
          (candidate) => !this.#claimed.has(linkIdOf(candidate)) && fits(candidate, child),
        );
        if (!old) continue;
        found.set(child, old);
        this.#claimed.add(linkIdOf(old));
      }
    }
    const order: LinkId[] = [];
    for (const child of item.children) {
      const linkId = unchanged.has(child)
        ? linkIdOf(sure(found.get(child), 'what is unchanged was found'))
        : this.#takeChoice(child, from, found.get(child), targets.get(child) ?? null);
      if (!linkId) continue;
      order.push(linkId);
      this.#linkOf.set(child, linkId);
    }
    const kept = new Set(order);
    const before = (known?.children ?? []).flatMap(({ link }) =>
      link && kept.has(link.id) ? link.id : [],
    );
    if (order.length > 1 && order.join() !== before.join()) {
      this.#steps.push({ do: 'order', slideId: from, linkIds: order });
    }
  }

  #isUnchanged(child: PlanItem, found: ReadonlyMap<PlanItem, DeckItem>): boolean {
    const old = found.get(child);
    return (
      old !== undefined &&
      !old.isWrong &&
      old.written === child.written &&
      !this.#isTakenOver(child, old)
    );
  }

  /** The line is as it was, and the slide that it leads to is gone from the plan: another has its name now. */
  #isTakenOver({ join }: PlanItem, { link }: DeckItem): boolean {
    const target = link && this.deck.links[link.id]?.target;
    if (join?.kind !== 'heading' || target?.kind !== 'slide') return false;
    const named = this.#bySlug.get(join.slug);
    return (
      named !== undefined &&
      named !== target.slideId &&
      ![...this.#slideOf.values()].includes(target.slideId)
    );
  }

  #leadsTo(linkId: LinkId, target: Target | null): boolean {
    const link = this.deck.links[linkId];
    if (!link || !target) return false;
    const isDead = link.target.kind === 'slide' && !this.deck.slides[link.target.slideId];
    if (target.kind === 'none') return link.target.kind === 'none' || isDead;
    const goal = isDead ? NOWHERE : ({ ...link.target, spotId: undefined } as Target);
    return isSameTarget(goal, target);
  }

  /** One choice that is new or says something else; the link that it is then. */
  #takeChoice(
    child: PlanItem,
    from: SlideId,
    old: DeckItem | undefined,
    target: Target | null,
  ): LinkId | undefined {
    if (child.isWrong) return old?.link?.id;
    const wording = child.wording ?? '';
    if (!old) {
      if (!target) return undefined;
      const linkId = newId<LinkId>();
      this.#steps.push({ do: 'link', linkId, from, wording, target });
      this.#noteTrunk(child, linkId);
      return linkId;
    }
    const linkId = linkIdOf(old);
    if (wording !== old.wording) this.#reword(child, linkId, wording);
    const isSame = child.join
      ? isSameJoin(child.join, old.join) && !this.#isTakenOver(child, old)
      : old.slideId !== null;
    if (!target) this.#untaken.set(child, { ...this.#untaken.get(child), join: true });
    else if (!(isSame && this.#slideOf.get(child) === (old.slideId ?? undefined))) {
      if (!this.#leadsTo(linkId, target)) this.#steps.push({ do: 'retarget', linkId, target });
    }
    this.#noteTrunk(child, linkId);
    return linkId;
  }

  /** Under which choice a slide is written, where that is not as it was. */
  #noteTrunk(child: PlanItem, linkId: LinkId): void {
    const slideId = this.#slideOf.get(child);
    if (slideId && this.#kept.get(child)?.link?.id !== linkId) {
      this.#steps.push({ do: 'trunk', slideId, trunkId: linkId });
    }
  }

  #reword(child: PlanItem, linkId: LinkId, wording: string): void {
    const link = this.deck.links[linkId];
    if (!link) return;
    const { carrier } = link;
    const thing =
      carrier.kind === 'element'
        ? this.deck.slides[link.from]?.elements.find(({ id }) => id === carrier.elementId)
        : undefined;
    const reason =
      carrier.kind === 'words' || carrier.kind === 'option'
        ? `“${link.wording}” stands in ${carrier.kind === 'words' ? 'a text' : 'a question'} on the slide: change the words there.`
        : wording === ''
          ? 'A choice needs a wording before the colon.'
          : thing?.isLocked
            ? `“${link.wording}” is locked on its slide: let it go there to change it.`
            : null;
    if (reason === null) {
      this.#steps.push({ do: 'reword', linkId, wording });
      return;
    }
    this.#problems.push({ line: child.line, reason });
    this.#untaken.set(child, { ...this.#untaken.get(child), wording: true });
  }

  #compareTops(): void {
    const [first] = this.items;
    const begins = first && this.#slideOf.get(first);
    if (begins && begins !== this.base.items[0]?.slideId) {
      this.#steps.push({ do: 'start', slideId: begins });
    }
    for (const item of this.items) {
      const slideId = this.#slideOf.get(item);
      if (slideId && item !== first && this.#kept.get(item)?.link) {
        this.#steps.push({ do: 'trunk', slideId, trunkId: 'top' });
      }
    }
  }

  /** An item as it stands in the deck once the steps are taken. */
  #annotated(item: PlanItem): DeckItem {
    const root = { children: [] as DeckItem[] };
    const waiting: { item: PlanItem; into: { children: DeckItem[] } }[] = [{ item, into: root }];
    while (waiting.length > 0) {
      const { item: next, into } = waiting.pop()!;
      const known = this.#kept.get(next);
      const parent = this.#parents.get(next);
      const from = parent && this.#slideOf.get(parent);
      const linkId = this.#linkOf.get(next);
      const untaken = this.#untaken.get(next);
      const slideId = this.#slideOf.get(next) ?? null;
      const isNothing = !next.isWrong && !next.join && slideId === null;
      const said = next.isWrong && known ? known : next;
      const annotated: DeckItem = {
        ...said,
        ...(known && untaken?.text ? { text: known.text } : {}),
        ...(known && untaken?.wording ? { wording: known.wording } : {}),
        ...(known && untaken?.join ? { join: known.join } : {}),
        line: next.line,
        written: next.written,
        isWrong: next.isWrong || untaken !== undefined || isNothing,
        slideId,
        link: linkId && from ? { id: linkId, from } : (known?.link ?? null),
        children: [],
      };
      into.children.push(annotated);
      for (let at = next.children.length - 1; at >= 0; at -= 1) {
        waiting.push({ item: next.children[at]!, into: annotated });
      }
    }
    return root.children[0]!;
  }
}

function isSameJoin(a: PlanJoin, b: PlanJoin | null): boolean {
  if (!b || a.kind !== b.kind) return false;
  if (a.kind === 'heading') {
    return b.kind === 'heading' && a.slug === b.slug && a.words === b.words;
  }
  if (b.kind !== 'target') return false;
  return (a.target.kind === 'none' && b.target.kind === 'none') || isSameTarget(a.target, b.target);
}
