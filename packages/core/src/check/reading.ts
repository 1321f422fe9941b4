import { wordsOf } from '../deck/richText.js';
import {
  isPiece,
  isSpare,
  STAGE,
  type Slide,
  type SlideElement,
  type TextElement,
  type TextStyle,
  type ThemeName,
} from '../deck/types.js';
import { wordCount } from '../map/measures.js';
import { TYPE_SIZE } from '../stage/layouts.js';
import { linesOf } from '../stage/textHeight.js';
import {
  CHOICE_PADDING,
  lineHeight,
  PIECE_PADDING,
  QUESTION_CARD,
  SHAPE_PADDING,
  THEME_COLOURS,
} from '../stage/themes.js';
import type { Face } from '../stage/typeWidths.js';
import { behind, luminance, neededContrast, rgbOf, standingOut, type Pixels } from './contrast.js';
import type { Finding, Mend } from './finding.js';

/**
 * The smallest type that is read from the back row, in slide units: body about a thirtieth of the slide's height, as
 * is usual for rooms six times as deep as the picture is high; what is set larger or matters less in proportion.
 */
const SMALLEST: Record<TextStyle, number> = {
  title: 40,
  heading: 32,
  body: 24,
  choice: 24,
  caption: 20,
};
/** More than a class reads while somebody talks. */
const MOST_WORDS = 75;

const FACE_OF: Record<TextStyle, Face> = {
  title: 'head',
  heading: 'head',
  body: 'body',
  choice: 'choice',
  caption: 'body',
};

const isBold = (style: TextStyle): boolean => style !== 'body' && style !== 'caption';
export const sizeOf = (element: TextElement): number => element.size || TYPE_SIZE[element.style];

/** What is wrong with the words on a slide. */
export function readingFindings(
  slide: Slide,
  theme: ThemeName,
  pixelsOf: (hash: string) => Pixels | undefined,
): Finding[] {
  const found: Finding[] = [];
  slide.elements.forEach((element, level) => {
    if (isSpare(element)) return;
    if (element.kind === 'text') {
      if (wordsOf(element.text) === '') return;
      const small = tooSmall(slide, element);
      if (small) found.push(small);
    }
    const words = 'text' in element ? wordsOf(element.text) : '';
    if (words === '') return;
    const long = overflow(slide, element);
    if (long) found.push(long);
    const faint = lowContrast(slide, element, level, theme, pixelsOf);
    if (faint) found.push(faint);
  });
  const words = wordCount(slide);
  if (words > MOST_WORDS) found.push(manyWords(slide, words));
  return found;
}

function tooSmall(slide: Slide, element: TextElement): Finding | null {
  const size = sizeOf(element);
  const least = SMALLEST[element.style];
  if (size >= least || element.layer === 'background') return null;
  return {
    kind: 'small-text',
    slideId: slide.id,
    elementIds: [element.id],
    box: element.box,
    why: `It is set at ${size} units; from the back row a ${element.style} is read from ${least} on.`,
    mends: [
      {
        label: 'Set it as its style says',
        do: 'set',
        slideId: slide.id,
        elementId: element.id,
        settings: { size: 0 },
      },
    ],
  };
}

/** The height that an element's words take in its box, in slide units; null for what has no words of its own. */
export function wordsHeight(element: SlideElement): number | null {
  switch (element.kind) {
    case 'text': {
      const padding = isPiece(element)
        ? PIECE_PADDING
        : element.style === 'choice'
          ? CHOICE_PADDING
          : 0;
      const size = sizeOf(element);
      const width = Math.max(size, element.box.w - 2 * padding);
      return (
        linesOf(element.text, width, FACE_OF[element.style], size) *
        size *
        lineHeight(element.style)
      );
    }
    case 'shape': {
      const size = TYPE_SIZE.body;
      const width = Math.max(size, element.box.w - 2 * SHAPE_PADDING);
      return (
        linesOf(element.text, width, 'body', size) * size * lineHeight('body') + 2 * SHAPE_PADDING
      );
    }
    case 'question': {
      const { padding, size } = QUESTION_CARD;
      const width = Math.max(size, element.box.w - 2 * padding);
      const prompt = linesOf(element.text, width, 'bold', size);
      const options = element.question.options.length;
      return (prompt * size + options * size * 1.55) * lineHeight('body') + 2 * padding;
    }
    default:
      return null;
  }
}

function overflow(slide: Slide, element: SlideElement): Finding | null {
  const height = wordsHeight(element);
  // A third of a line over is within what measuring without a browser can tell.
  if (height === null || height <= element.box.h + 10) return null;
  const { box } = element;
  const grown = { ...box, h: Math.ceil(height) };
  const mends: Mend[] = [];
  if (grown.h <= STAGE.height) {
    grown.y = Math.max(0, Math.min(box.y, STAGE.height - grown.h));
    mends.push({
      label: 'Make the box high enough',
      do: 'box',
      slideId: slide.id,
      elementId: element.id,
      box: grown,
    });
  }
  if (element.kind === 'text' && element.style !== 'choice') {
    mends.push({
      label: 'Move the rest to a new slide',
      do: 'split',
      slideId: slide.id,
      elementId: element.id,
    });
  }
  return {
    kind: 'overflow',
    slideId: slide.id,
    elementIds: [element.id],
    box,
    why: `The words need about ${Math.round(height)} units of height, the box has ${Math.round(box.h)}.`,
    mends,
  };
}

function lowContrast(
  slide: Slide,
  element: SlideElement,
  level: number,
  theme: ThemeName,
  pixelsOf: (hash: string) => Pixels | undefined,
): Finding | null {
  if ((element.kind !== 'text' && element.kind !== 'shape') || isPiece(element)) return null;
  const colours = THEME_COLOURS[theme];
  const isChoice = element.kind === 'text' && element.style === 'choice';
  const ink = element.colour || (isChoice ? colours.choiceInk : colours.ink);
  const size = element.kind === 'text' ? sizeOf(element) : TYPE_SIZE.body;
  const needed = neededContrast(size, element.kind === 'text' && isBold(element.style));
  const own =
    element.kind === 'shape'
      ? element.fill || colours.shapeFill
      : isChoice
        ? colours.choiceFill
        : '';
  const points = own
    ? Float64Array.of(luminance(rgbOf(own)))
    : behind(slide, level, element.box, theme, pixelsOf);
  if (!points) return null;
  const ratio = standingOut(ink, points);
  if (ratio >= needed) return null;
  const inks = ['', '#1E2B32', '#FFFFFF', '#000000'].filter(
    (candidate) => candidate !== element.colour,
  );
  const better = inks.find(
    (candidate) =>
      standingOut(candidate || (isChoice ? colours.choiceInk : colours.ink), points) >= needed,
  );
  const place = { slideId: slide.id, elementId: element.id };
  return {
    kind: 'low-contrast',
    slideId: slide.id,
    elementIds: [element.id],
    box: element.box,
    why: `The words stand out from what is behind them by ${ratio.toFixed(1)} to 1; ${needed} to 1 is what eyes need.`,
    mends:
      better !== undefined
        ? [
            {
              label: 'Set it in an ink that stands out',
              do: 'set',
              ...place,
              settings: { colour: better },
            },
          ]
        : [{ label: 'Lay a sheet behind it', do: 'sheet', ...place }],
  };
}

function manyWords(slide: Slide, words: number): Finding {
  const longest = slide.elements
    .filter((element) => element.kind === 'text' && !isSpare(element))
    .sort((a, b) => wordsIn(b) - wordsIn(a))[0];
  return {
    kind: 'many-words',
    slideId: slide.id,
    ...(longest ? { elementIds: [longest.id], box: longest.box } : {}),
    why: `There are ${words} words on this slide; more than ${MOST_WORDS} are not read while somebody talks.`,
    mends: longest
      ? [
          {
            label: 'Move the rest to a new slide',
            do: 'split',
            slideId: slide.id,
            elementId: longest.id,
          },
        ]
      : [],
  };
}

const wordsIn = (element: SlideElement): number =>
  'text' in element ? wordsOf(element.text).split(/\s+/).length : 0;
