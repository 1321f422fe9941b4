import { hashOf } from '../parts/hash.js';
import type { OrderStep } from '../deck/arranging/arrangeCommands.js';
import type { ElementSettings } from '../deck/arranging/elementCommands.js';
import type { SlideFlag } from '../deck/slides/slideCommands.js';
import type { Box } from '../parts/place.js';
import type { Question, QuestionKey } from '../questions/registry.js';
import type { ElementId, LinkId, SlideId, StopId, TrailId } from '../parts/ids.js';

export const GROUPS = ['routes', 'touch', 'reading', 'pictures', 'questions'] as const;
export type FindingGroup = (typeof GROUPS)[number];

/** How much it matters in front of a class. */
export const SEVERITIES = ['stops', 'spoils', 'minor'] as const;
export type Severity = (typeof SEVERITIES)[number];

interface Kind {
  group: FindingGroup;
  severity: Severity;
  /** What it is called. */
  title: string;
  /** On a card of the map, in a word or two. */
  short: string;
}
const kind = (group: FindingGroup, severity: Severity, title: string, short: string): Kind => ({
  group,
  severity,
  title,
  short,
});

/** Everything Check can find, in the order it is told. */
export const FINDING_KINDS = {
  'no-start': kind('routes', 'stops', 'No start', 'no start'),
  'start-left-out': kind('routes', 'stops', 'The start is left out', 'start left out'),
  'broken-link': kind('routes', 'stops', 'Leads nowhere', 'broken link'),
  'unset-choice': kind('routes', 'stops', 'A choice without a target', 'open choice'),
  'uncarried-link': kind('routes', 'stops', 'Nothing carries this way', 'not on slide'),
  'bare-choice': kind('routes', 'stops', 'A choice line without a link', 'open choice'),
  'dead-end': kind('routes', 'stops', 'No way on', 'no way on'),
  'endless-loop': kind('routes', 'stops', 'A loop with no way out', 'endless'),
  'gone-deck': kind('routes', 'stops', 'The other deck is gone', 'deck gone'),
  unreachable: kind('routes', 'spoils', 'Cannot be reached', 'no way in'),
  'runs-on': kind('routes', 'spoils', 'Arrows run past a choice', 'runs on'),
  'trail-off-links': kind('routes', 'spoils', 'The trail leaves the links', 'off links'),
  'same-wording': kind('routes', 'spoils', 'Two choices say the same', 'same words'),
  'same-target': kind('routes', 'minor', 'Two choices, one slide', 'same slide'),
  'closed-link': kind('routes', 'minor', 'Students do not get this choice', 'closed'),
  'off-stage-link': kind('touch', 'stops', 'A way out beside the stage', 'off stage'),
  covered: kind('touch', 'stops', 'A way out is covered', 'covered'),
  overlap: kind('touch', 'spoils', 'Touch areas overlap', 'overlap'),
  crowded: kind('touch', 'spoils', 'More choices than one slide has room for', 'too many'),
  'small-area': kind('touch', 'spoils', 'Too small to touch', 'too small'),
  'off-stage': kind('touch', 'minor', 'Cut off by the edge', 'cut off'),
  overflow: kind('reading', 'spoils', 'Runs out of its box', 'too long'),
  'low-contrast': kind('reading', 'spoils', 'Hard to see', 'contrast'),
  'small-text': kind('reading', 'spoils', 'Too small from the back row', 'small text'),
  'missing-letters': kind('reading', 'minor', 'The font lacks letters', 'letters'),
  'many-words': kind('reading', 'minor', 'Many words', 'many words'),
  'low-resolution': kind('pictures', 'spoils', 'Blurred', 'blurred'),
  stretched: kind('pictures', 'spoils', 'Stretched', 'stretched'),
  'unknown-licence': kind('pictures', 'minor', 'Nobody knows whose it is', 'whose?'),
  'no-credit': kind('pictures', 'spoils', 'No credit', 'no credit'),
  'no-transcript': kind('pictures', 'minor', 'No transcript', 'no transcript'),
  'no-alt': kind('pictures', 'minor', 'No alternative text', 'no alt text'),
  'key-not-among': kind('questions', 'stops', 'The key is no option', 'wrong key'),
  'key-impossible': kind('questions', 'stops', 'Nobody can be right', 'no one right'),
  'zone-closed': kind('questions', 'stops', 'The zone does not take its pieces', 'closed zone'),
  'zone-too-small': kind('questions', 'spoils', 'The zone cannot take its pieces', 'small zone'),
  'question-unseen': kind('questions', 'spoils', 'No route comes to this question', 'unseen'),
  'no-key': kind('questions', 'minor', 'No key', 'no key'),
  'piece-unwanted': kind('questions', 'minor', 'No zone wants this piece', 'lone piece'),
} as const satisfies Record<string, Kind>;
export type FindingKind = keyof typeof FINDING_KINDS;

/** What puts it right, in one click and one undo step. */
export type Mend = { label: string } & (
  | { do: 'flag'; slideId: SlideId; flag: SlideFlag; value: boolean }
  | { do: 'start'; slideId: SlideId }
  | { do: 'cut'; linkId: LinkId }
  | { do: 'unlink'; slideId: SlideId; elementId: ElementId }
  | { do: 'new-slide'; linkId: LinkId }
  | { do: 'choice-slide'; slideId: SlideId; elementId: ElementId }
  | { do: 'reword'; linkId: LinkId; wording: string }
  | { do: 'lead'; from: SlideId; slideId: SlideId }
  /** Leads from slides to others, which stay at the left edge of the plan. */
  | { do: 'go-on'; ways: readonly { from: SlideId; slideId: SlideId }[] }
  | { do: 'restart'; slideId: SlideId }
  /** Hangs a link that nothing carries on its slide again, as a choice line. */
  | { do: 'carry'; linkId: LinkId; slideId: SlideId }
  | {
      do: 'question';
      slideId: SlideId;
      elementId: ElementId;
      question: Question;
      key: QuestionKey | null;
    }
  | { do: 'free-trail'; trailId: TrailId }
  | { do: 'box'; slideId: SlideId; elementId: ElementId; box: Box }
  | { do: 'order'; slideId: SlideId; elementId: ElementId; to: OrderStep }
  | { do: 'set'; slideId: SlideId; elementId: ElementId; settings: ElementSettings }
  /** Needs a line from the teacher first. */
  | { do: 'ask'; slideId: SlideId; elementId: ElementId; setting: 'alt' | 'author' | 'transcript' }
  /** Lays a plain sheet behind the words. */
  | { do: 'sheet'; slideId: SlideId; elementId: ElementId }
  /** Moves the second half of a text to a slide of its own. */
  | { do: 'split'; slideId: SlideId; elementId: ElementId }
  /** Spreads the choices of a slide over as many as they need. */
  | { do: 'spread'; slideId: SlideId }
);

export interface Finding {
  kind: FindingKind;
  slideId?: SlideId;
  elementIds?: ElementId[];
  linkIds?: LinkId[];
  trailId?: TrailId;
  /** The stop that the trail should not have come to. */
  stopId?: StopId;
  /** The spot in slide units. */
  box?: Box;
  /** Why it matters, in one sentence. */
  why: string;
  mends: Mend[];
}

/** The same for the same kind at the same place, whatever else changes. */
export function findingKey(finding: Finding): string {
  const { kind, slideId, elementIds = [], linkIds = [], trailId, stopId } = finding;
  return [kind, slideId, trailId, stopId, ...elementIds, ...linkIds].filter(Boolean).join(' ');
}

/** What the place looks like, in few letters: a finding set aside comes back when this changes. */
export function findingPrint(finding: Finding): string {
  const text = JSON.stringify([finding.why, finding.box]);
  // 32 bits: telling two states of one place apart needs no more.
  return (hashOf(text) >>> 0).toString(36);
}
