import type { Theme } from '../themes/theme.js';
import { wordsOf } from '../parts/richText.js';
import { isSpare } from '../elements/elements.js';
import type { SlideElement } from '../elements/registry.js';
import type { ShapeElement } from '../elements/shape/shape.js';
import type { TextElement } from '../elements/text/text.js';
import { type Slide } from '../deck/types.js';
import { STAGE } from '../parts/place.js';
import { shapeType, textFill, textType, type SetType } from '../themes/themes.js';
import { wordCount } from '../map/measures.js';
import { FAMILY_NAMES, familyOf } from '../parts/fonts.js';
import { missingScripts } from '../parts/missingScripts.js';
import { scriptsOf } from '../parts/scripts.js';
import { READABLE } from '../stage/legible.js';
import { wordsHeight } from '../stage/wordsHeight.js';
import { luminanceOf } from '../parts/luminance.js';
import { behind, neededContrast, standingOut, type Pixels } from './contrast.js';
import type { Finding, Mend } from './finding.js';

/** More than a class reads while somebody talks. */
const MOST_WORDS = 75;

/** What is wrong with the words on a slide. */
export function readingFindings(
  slide: Slide,
  theme: Theme,
  pixelsOf: (hash: string) => Pixels | undefined,
): Finding[] {
  const found: Finding[] = [];
  for (let level = 0; level < slide.elements.length; level += 1) {
    const element = slide.elements[level]!;
    if (isSpare(element)) continue;
    const words = 'text' in element ? wordsOf(element.text) : '';
    if (words === '') continue;
    const type =
      element.kind === 'text'
        ? textType(element, theme)
        : element.kind === 'shape'
          ? shapeType(element, theme)
          : null;
    const small = element.kind === 'text' && type !== null && tooSmall(slide, element, type);
    if (small) found.push(small);
    const long = overflow(slide, element, theme, type);
    if (long) found.push(long);
    if (!type || !(element.kind === 'text' || element.kind === 'shape')) continue;
    const letters = lacksLetters(slide, element, words, type);
    if (letters) found.push(letters);
    const faint = lowContrast(slide, element, level, theme, type, pixelsOf);
    if (faint) found.push(faint);
  }
  const words = wordCount(slide);
  if (words > MOST_WORDS) found.push(manyWords(slide, words));
  return found;
}

function tooSmall(slide: Slide, element: TextElement, { size }: SetType): Finding | null {
  const least = READABLE[element.style];
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
        settings: { size: null },
      },
    ],
  };
}

function overflow(
  slide: Slide,
  element: SlideElement,
  theme: Theme,
  type: SetType | null,
): Finding | null {
  // A text that grows or shrinks on the slide does so by itself.
  if (element.kind === 'text' && element.fit === 'shrink') return null;
  const height = wordsHeight(element, theme, type);
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
  element: TextElement | ShapeElement,
  level: number,
  theme: Theme,
  { colour: ink, size, weight }: SetType,
  pixelsOf: (hash: string) => Pixels | undefined,
): Finding | null {
  if (element.layer === 'pieces') return null;
  const colours = theme.colours;
  const isText = element.kind === 'text';
  const needed = neededContrast(size, weight >= 600);
  const fill = isText ? textFill(element, theme) : element.fill || colours.shapeFill;
  // Of a gradient the paler and the darker end count as much as what lies between.
  const own = typeof fill === 'string' ? (fill === 'none' ? [] : [fill]) : [fill.from, fill.to];
  const points =
    own.length > 0 && element.opacity > 0.9
      ? own.map(luminanceOf)
      : behind(slide, level, element.box, theme, pixelsOf);
  if (!points) return null;
  const ratio = standingOut(ink, points);
  if (ratio >= needed) return null;
  const standard = (
    isText
      ? textType({ ...element, colour: null }, theme)
      : shapeType({ ...element, colour: null }, theme)
  ).colour;
  const inks = [null, '#1E2B32', '#FFFFFF', '#000000'].filter(
    (candidate) => candidate !== element.colour,
  );
  const better = inks.find((candidate) => standingOut(candidate ?? standard, points) >= needed);
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

/** A script that the family has no letters for is set in another one beside it, or in whatever font the screen has. */
function lacksLetters(
  slide: Slide,
  element: TextElement | ShapeElement,
  words: string,
  { family }: SetType,
): Finding | null {
  const missing = missingScripts(words, family);
  if (missing.length === 0) return null;
  const better = FAMILY_NAMES.find((name) => missingScripts(words, name).length === 0);
  // All of it is set in the other one: there is no rest that it could look unlike.
  if (better && missing.length === scriptsOf(words).length) return null;
  return {
    kind: 'missing-letters',
    slideId: slide.id,
    elementIds: [element.id],
    box: element.box,
    why: better
      ? `${familyOf(family).label} has no ${missing.join(' or ')} letters: they do not look like the rest.`
      : `No family has ${missing.join(' and ')} letters: each screen sets them in a font of its own, if it has one.`,
    mends: better
      ? [
          {
            label: `Set it in ${familyOf(better).label}`,
            do: 'set',
            slideId: slide.id,
            elementId: element.id,
            settings: { family: better },
          },
        ]
      : [],
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
