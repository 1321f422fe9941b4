import type { Box } from '../parts/place.js';

import type { ElementId } from '../parts/ids.js';
import { LIMITS } from '../parts/limits.js';
import { boundsOf, union } from '../geometry/transform.js';
import { elementKind, followed, holdsMembers, type SlideElement } from './registry.js';

type Elements = readonly SlideElement[];

/**
 * What follows from other things on the slide: the box of a group from its members, the ends of a line from what they
 * stick to. A group without members is none; a ring of groups is undone at its members.
 * `before` is an earlier reading, whose elements are handed out again where they say the same.
 */
export function settle(elements: Elements, before: Elements = []): SlideElement[] {
  const hasGroups = elements.some((one) => holdsMembers(one) || one.groupId !== null);
  const hasFollowers = elements.some(isFollower);
  if (!hasGroups && !hasFollowers) return [...elements];
  const earlier = new Map(before.map((element) => [element.id, element]));
  const same = (element: SlideElement): SlideElement => {
    const known = earlier.get(element.id);
    return known && isSameReading(known, element) ? known : element;
  };
  let settled = [...elements];
  if (hasGroups) settled = withGroupBoxes(settled).map(same);
  if (!hasFollowers) return settled;
  const byId = new Map<ElementId, SlideElement>(settled.map((element) => [element.id, element]));
  return settled.map((element) =>
    isFollower(element) ? same(followed(element, (id) => byId.get(id))) : element,
  );
}

const isFollower = ({ kind }: SlideElement): boolean => elementKind(kind).follow !== undefined;

/** Only what `settle` derives can differ between two readings of the same raw element. */
function isSameReading(a: SlideElement, b: SlideElement): boolean {
  const keys = Object.keys(b) as (keyof SlideElement)[];
  return keys.every((key) =>
    key === 'box' || key === ('points' as keyof SlideElement)
      ? JSON.stringify(a[key]) === JSON.stringify(b[key])
      : a[key] === b[key],
  );
}

function withGroupBoxes(elements: Elements): SlideElement[] {
  const groups = new Map(elements.flatMap((one) => (holdsMembers(one) ? [[one.id, one]] : [])));
  const depths = depthsOf(groups);
  /** The group that a thing is really in: one that is there, not in itself, and not too deep. */
  const homeOf = ({ groupId }: SlideElement): ElementId | null =>
    groupId && (depths.get(groupId) ?? 0) > 0 ? groupId : null;
  const homed = elements.map((element) => {
    const groupId = homeOf(element);
    return groupId === element.groupId ? element : { ...element, groupId };
  });
  const boxes = new Map<ElementId, Box[]>();
  const note = (groupId: ElementId | null, box: Box | undefined): void => {
    if (!groupId || !box) return;
    const known = boxes.get(groupId);
    if (known) known.push(box);
    else boxes.set(groupId, [box]);
  };
  for (const one of homed) {
    if (!holdsMembers(one)) note(one.groupId, boundsOf(one.box, one.rotation));
  }
  // Inner groups first: each hands its box on to the one around it.
  const inner = homed
    .filter(holdsMembers)
    .sort((one, other) => (depths.get(other.id) ?? 0) - (depths.get(one.id) ?? 0));
  const around = new Map<ElementId, Box>();
  for (const { id, groupId } of inner) {
    const box = union(boxes.get(id) ?? []);
    if (!box) continue;
    around.set(id, box);
    note(groupId, box);
  }
  return homed.flatMap((element): SlideElement[] => {
    if (!holdsMembers(element)) return [element];
    const box = around.get(element.id);
    return box ? [{ ...element, box, rotation: 0 }] : [];
  });
}

/** How deep each group lies, 1 for those in no other; 0 for one in a ring of groups, or deeper than any may. */
function depthsOf(groups: ReadonlyMap<ElementId, SlideElement>): Map<ElementId, number> {
  const depths = new Map<ElementId, number>();
  for (const id of groups.keys()) {
    const path: ElementId[] = [];
    const seen = new Set<ElementId>();
    let at: ElementId | null = id;
    while (at && groups.has(at) && !depths.has(at) && !seen.has(at)) {
      seen.add(at);
      path.push(at);
      at = groups.get(at)?.groupId ?? null;
    }
    const isRing = at !== null && seen.has(at);
    // What lies in a ring, or in what lies too deep, is in none.
    let depth = isRing ? -1 : at !== null && groups.has(at) ? (depths.get(at) ?? 0) : 0;
    const isLost = isRing || (at !== null && groups.has(at) && depth === 0);
    for (const one of path.reverse()) {
      depth = isLost || depth < 0 || depth >= LIMITS.groupDepth ? -1 : depth + 1;
      depths.set(one, Math.max(0, depth));
    }
  }
  return depths;
}

/** The direct members of a group, bottom to top. */
export const membersOf = (elements: Elements, groupId: ElementId): SlideElement[] =>
  elements.filter((element) => element.groupId === groupId);

/** Things and all that lies in the groups among them, in the order of the slide. */
export function withMembers(elements: Elements, ids: readonly ElementId[]): SlideElement[] {
  const taken = new Set(ids);
  // Groups may lie in each other in any order of the list.
  for (let size = -1; size !== taken.size;) {
    size = taken.size;
    for (const { id, groupId } of elements) if (groupId && taken.has(groupId)) taken.add(id);
  }
  return elements.filter(({ id }) => taken.has(id));
}

/** What is really drawn of things: themselves, or the members of groups. */
export const drawnOf = (elements: Elements, ids: readonly ElementId[]): SlideElement[] =>
  withMembers(elements, ids).filter((one) => !holdsMembers(one));

/** The groups that a thing lies in, from the innermost out. */
export function groupsAround(elements: Elements, id: ElementId): ElementId[] {
  const byId = new Map(elements.map((element) => [element.id, element]));
  const found: ElementId[] = [];
  let groupId = byId.get(id)?.groupId ?? null;
  while (groupId && !found.includes(groupId)) {
    found.push(groupId);
    groupId = byId.get(groupId)?.groupId ?? null;
  }
  return found;
}

/** What is taken in hand by touching a thing: the outermost group around it, within the group that was entered. */
export function inHandFor(
  elements: Elements,
  id: ElementId,
  entered: ElementId | null,
): ElementId | null {
  const around = groupsAround(elements, id);
  if (!entered) return around.at(-1) ?? id;
  const at = around.indexOf(entered);
  if (at < 0) return null;
  return at === 0 ? id : around[at - 1]!;
}
