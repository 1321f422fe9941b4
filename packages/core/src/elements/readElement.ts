import * as Y from 'yjs';
import type { ElementId } from '../parts/ids.js';
import { readQuestion, readQuestionKey } from '../questions/registry.js';
import { FAMILY_NAMES, type FamilyName } from '../parts/fonts.js';
import { SHAPES, type ShapeName } from '../geometry/shapes/shapes.js';
import {
  asBoolean,
  asColour,
  asId,
  asList,
  asNumber,
  asOneOf,
  asRecord,
  asString,
  asStrings,
} from '../parts/decode.js';
import { ALIGNMENTS, TEXT_STYLES, UPRIGHTS, type Typography } from '../parts/typography.js';
import { DASHES, SHADOWS, type Fill, type Outline } from '../parts/fill.js';
import {
  FITS,
  LINE_PATHS,
  TEXT_FITS,
  TIDIES,
  TIPS,
  TRACKS,
  type Adjustments,
  type Anchor,
  type ElementBase,
  type PieceRules,
  type SlideElement,
  type Tip,
} from './elements.js';
import { LAYERS, SLOTS, type Box } from '../parts/place.js';
import { type MediaRef, readAsset, readCredit, readCreditedAsset } from '../parts/asset.js';
import { readStrokes } from '../parts/ink.js';
import { plain, readFragment, type RichText } from '../parts/richText.js';

/*
 * An element out of the shared document. Whoever may write the document may write anything into it: what does not fit
 * becomes what a new element has, and what cannot be an element at all is passed over.
 */

export function fragmentOf(element: Y.Map<unknown>): Y.XmlFragment | undefined {
  const fragment = element.get('text');
  return fragment instanceof Y.XmlFragment ? fragment : undefined;
}

export function readElement(id: ElementId, map: Y.Map<unknown>): SlideElement | undefined {
  const kind = map.get('kind');
  const base: ElementBase = {
    id,
    layer: asOneOf(map.get('layer'), LAYERS, 'content'),
    box: readBox(map.get('box')),
    rotation: asTurn(map.get('rotation')),
    order: asString(map.get('order'), 'a0', 200),
    name: asString(map.get('name'), '', 300),
    isLocked: asBoolean(map.get('isLocked')),
    opacity: asNumber(map.get('opacity'), 1, 0, 1),
    groupId: asId(map.get('groupId')) || null,
    slot: SLOTS.find((slot) => slot === map.get('slot')) ?? null,
    piece: readPiece(map.get('piece')),
  };
  const text = (): RichText => {
    const fragment = fragmentOf(map);
    return fragment ? readFragment(fragment) : plain('');
  };
  switch (kind) {
    case 'text':
      return {
        ...base,
        ...readTypography(map),
        kind,
        style: asOneOf(map.get('style'), TEXT_STYLES, 'body'),
        text: text(),
        columns: Math.round(asNumber(map.get('columns'), 1, 1, 3)),
        fit: asOneOf(map.get('fit'), TEXT_FITS, 'grow'),
        fill: readFill(map.get('fill')),
      };
    case 'shape':
      return {
        ...base,
        ...readTypography(map),
        kind,
        ...readShape(map, 'rectangle'),
        text: text(),
        fill: readFill(map.get('fill')),
        outline: readOutline(map.get('outline'), 0),
        shadow: asOneOf(map.get('shadow'), SHADOWS, 'none'),
        isFlippedAcross: asBoolean(map.get('isFlippedAcross')),
        isFlippedDown: asBoolean(map.get('isFlippedDown')),
      };
    case 'picture': {
      const asset = readAsset(map.get('asset'));
      return (
        asset && {
          ...base,
          kind,
          asset,
          alt: asString(map.get('alt'), '', 2000),
          isDecoration: asBoolean(map.get('isDecoration')),
          credit: readCredit(map.get('credit'), map.get('licence')),
          showsCredit: asBoolean(map.get('showsCredit')),
          fit: asOneOf(map.get('fit'), FITS, 'contain'),
          crop: readCrop(map.get('crop')),
          mask: asOneOf(map.get('mask'), SHAPES, 'rectangle'),
          points: readNumbers(map.get('points'), 8),
          outline: readOutline(map.get('outline'), 0),
          shadow: asOneOf(map.get('shadow'), SHADOWS, 'none'),
          isFlippedAcross: asBoolean(map.get('isFlippedAcross')),
          isFlippedDown: asBoolean(map.get('isFlippedDown')),
          adjust: readAdjustments(map.get('adjust')),
        }
      );
    }
    case 'hotspot':
      return { ...base, kind, ...readShape(map, 'rectangle') };
    case 'line':
      return {
        ...base,
        kind,
        path: asOneOf(map.get('path'), LINE_PATHS, 'straight'),
        points: readLinePoints(map.get('points') ?? (map.get('slope') === 'up' ? RISING : null)),
        from: readAnchor(map.get('from')),
        to: readAnchor(map.get('to')),
        tips: readTips(map.get('tips')),
        colour: asColour(map.get('colour')),
        weight: asNumber(map.get('weight'), 4, 1, 60),
        dash: asOneOf(map.get('dash'), DASHES, 'solid'),
      };
    case 'ink':
      return {
        ...base,
        kind,
        frame: readBox(map.get('frame')),
        strokes: readStrokes(map.get('strokes')),
      };
    case 'media': {
      const media = readMedia(map.get('media'));
      return (
        media && {
          ...base,
          kind,
          media,
          medium: media.type.startsWith('video/') ? 'video' : 'sound',
          poster: readAsset(map.get('poster')) ?? null,
          startsWithSlide: asBoolean(map.get('startsWithSlide')),
          loops: asBoolean(map.get('loops')),
          runsOn: asBoolean(map.get('runsOn')),
          transcript: asString(map.get('transcript')),
        }
      );
    }
    case 'table':
      return {
        ...base,
        ...readTypography(map),
        kind,
        text: text(),
        columns: readNumbers(map.get('columns'), 20),
        outline: readOutline(map.get('outline'), 2),
      };
    case 'closeup':
      return {
        ...base,
        kind,
        ...readShape(map, 'rectangle'),
        isSeen: asBoolean(map.get('isSeen')),
        outline: readOutline(map.get('outline'), 4),
      };
    case 'credits':
      return { ...base, ...readTypography(map), kind };
    case 'group':
      return { ...base, kind };
    case 'zone':
      return {
        ...base,
        kind,
        isVisible: map.get('isVisible') !== false,
        takes: Array.isArray(map.get('takes')) ? asIds(map.get('takes')) : null,
        most: Math.round(asNumber(map.get('most'), 0, 0, 100)),
        tidy: asOneOf(map.get('tidy'), TIDIES, 'free'),
        expects: asIds(map.get('expects')),
      };
    case 'question': {
      const question = readQuestion(map.get('question'));
      return (
        question && {
          ...base,
          kind,
          text: text(),
          question,
          key: readQuestionKey(map.get('key')) ?? null,
          isForThinking: asBoolean(map.get('isForThinking')),
          isRequired: asBoolean(map.get('isRequired')),
          isFinal: asBoolean(map.get('isFinal')),
          picture: readCreditedAsset(map.get('picture')) ?? null,
          pictureAlt: asString(map.get('pictureAlt'), '', 2000),
          hint: asString(map.get('hint'), '', 2000),
          explanation: asString(map.get('explanation'), '', 5000),
        }
      );
    }
    default:
      return undefined;
  }
}

const asIds = (value: unknown): ElementId[] => asStrings(value).filter((id) => asId(id));

/** Degrees from 0 to under 360. */
export function asTurn(value: unknown): number {
  const turn = asNumber(value, 0, -36_000, 36_000) % 360;
  return turn < 0 ? turn + 360 : turn;
}

export function readBox(value: unknown): Box {
  const { x, y, w, h } = asRecord(value);
  return {
    x: asNumber(x, 0, -20_000, 20_000),
    y: asNumber(y, 0, -20_000, 20_000),
    w: asNumber(w, 200, 1, 20_000),
    h: asNumber(h, 60, 1, 20_000),
  };
}

function readCrop(value: unknown): Box {
  const raw = asRecord(value);
  const w = asNumber(raw.w, 1, 0.01, 1);
  const h = asNumber(raw.h, 1, 0.01, 1);
  return { x: asNumber(raw.x, 0, 0, 1 - w), y: asNumber(raw.y, 0, 0, 1 - h), w, h };
}

/** Types of sound and video that are kept. */
export const MEDIA_TYPES = [
  'audio/webm',
  'audio/ogg',
  'audio/wav',
  'audio/flac',
  'audio/mpeg',
  'video/webm',
  'video/ogg',
] as const;

function readMedia(value: unknown): MediaRef | undefined {
  const { hash, type, size, seconds } = asRecord(value);
  if (typeof hash !== 'string' || !/^[0-9a-f]{64}$/.test(hash)) return undefined;
  const known = MEDIA_TYPES.find((candidate) => candidate === type);
  if (!known) return undefined;
  return {
    hash,
    type: known,
    size: asNumber(size, 0, 0, 1e10),
    seconds: asNumber(seconds, 0, 0, 1e6),
  };
}

export function readFill(value: unknown): Fill {
  if (value === 'none') return 'none';
  const { from, to, angle, isRadial } = asRecord(value);
  const [start, end] = [asColour(from), asColour(to)];
  return start && end
    ? { from: start, to: end, angle: asTurn(angle), isRadial: asBoolean(isRadial) }
    : asColour(value);
}

function readOutline(value: unknown, standard: number): Outline {
  const { colour, weight, dash } = asRecord(value);
  return {
    colour: asColour(colour),
    weight: asNumber(weight, standard, 0, 60),
    dash: asOneOf(dash, DASHES, 'solid'),
  };
}

function readAdjustments(value: unknown): Adjustments {
  const { brightness, contrast, colour, warmth } = asRecord(value);
  const soft = (given: unknown): number => asNumber(given, 0, -1, 1);
  return {
    brightness: soft(brightness),
    contrast: soft(contrast),
    colour: soft(colour),
    warmth: soft(warmth),
  };
}

function readTypography(map: Y.Map<unknown>): Typography {
  const family = map.get('family');
  return {
    family: FAMILY_NAMES.includes(family as FamilyName) ? (family as FamilyName) : '',
    size: asNumber(map.get('size'), 0, 0, 400),
    colour: asColour(map.get('colour')),
    align: ALIGNMENTS.find((one) => one === map.get('align')) ?? '',
    upright: UPRIGHTS.find((one) => one === map.get('upright')) ?? '',
    leading: asNumber(map.get('leading'), 0, 0, 4),
    gap: asNumber(map.get('gap'), 0, 0, 4),
  };
}

function readShape(
  map: Y.Map<unknown>,
  standard: ShapeName,
): { shape: ShapeName; points: number[] } {
  return {
    shape: asOneOf(map.get('shape'), SHAPES, standard),
    points: readNumbers(map.get('points'), 8),
  };
}

const readNumbers = (value: unknown, most: number): number[] =>
  asList(value, most).map((entry) => asNumber(entry, 0, -1000, 1000));

/** How pieces are when nobody has said otherwise. Shared, never changed. */
export const STANDARD_PIECE: PieceRules = {
  track: 'free',
  range: null,
  isRising: false,
  isRotatable: false,
  copies: 1,
  snaps: true,
};

function readPiece(value: unknown): PieceRules {
  if (value === undefined) return STANDARD_PIECE;
  const { track, range, isRising, isRotatable, copies, snaps } = asRecord(value);
  return {
    track: asOneOf(track, TRACKS, 'free'),
    range: range ? readBox(range) : null,
    isRising: asBoolean(isRising),
    isRotatable: asBoolean(isRotatable),
    copies: Math.round(asNumber(copies, 1, 0, 40)),
    snaps: snaps !== false,
  };
}

const DIAGONAL = [
  { x: 0, y: 0 },
  { x: 1, y: 1 },
];

/** Lines were once given by the way they slope. */
const RISING = [
  { x: 0, y: 1 },
  { x: 1, y: 0 },
];

function readLinePoints(value: unknown): { x: number; y: number }[] {
  const points = asList(value, 40).flatMap((entry) => {
    const { x, y } = asRecord(entry);
    return typeof x === 'number' && typeof y === 'number'
      ? [{ x: asNumber(x, 0, -100, 100), y: asNumber(y, 0, -100, 100) }]
      : [];
  });
  return points.length >= 2 ? points : DIAGONAL;
}

function readAnchor(value: unknown): Anchor | null {
  const { elementId, x, y } = asRecord(value);
  const id = asId(elementId);
  return id ? { elementId: id, x: asNumber(x, 0.5, 0, 1), y: asNumber(y, 0.5, 0, 1) } : null;
}

function readTips(value: unknown): [Tip, Tip] {
  const [start, end] = asList(value, 2);
  return [asOneOf(start, TIPS, 'none'), asOneOf(end, TIPS, 'none')];
}
