import { ORNAMENT_ROOM } from '../themes/dress.js';
import type { Theme } from '../themes/theme.js';
import type { TextStyle } from '../parts/typography.js';
import { READABLE, SMALLEST_AREA } from '../stage/legible.js';
import { MeasuredText } from '../stage/MeasuredText.js';
import { hasSurface, questionHeight } from '../stage/wordsHeight.js';
import { CHOICE_PADDING, QUESTION_CARD, STAND_PADDING, textType } from '../themes/themes.js';
import type { Look } from './look.js';
import type { Part } from './content.js';
import type { TextElement } from '../elements/text/text.js';

/** The height of a text that nobody has written in, on a slide with other things: it keeps no room. */
const SLIM = 24;
/** Up to so many times as large as the theme says, type is taken as it comes. */
const LEAST_SURE = 0.8;
/** Measured without a browser, a few per cent may be missing. */
const SLACK = 1.04;
/** What the largest type of a style may be, as times of what the theme says. */
const LARGEST: Record<TextStyle, number> = {
  title: 1.5,
  subtitle: 1.4,
  heading: 1.4,
  body: 1.6,
  choice: 1.5,
  caption: 1.3,
};
/** The least height of pictures and charts, and the least width of what has a form of its own. */
export const LEAST_PICTURE = 150;
/** The least height of what a question is answered on by hand, below its prompt. */
const LEAST_SURFACE = 240;
const LEAST_WIDTH: Partial<Record<Part['kind'], number>> = {
  question: 430,
  table: 320,
  chart: 320,
  media: 240,
  formula: 200,
  picture: 150,
};

/** What parts need on a slide, when type is set so many times as large as the theme says. Remembers. */
export class Measures {
  #times: number;
  #texts: MeasuredTexts;
  #known = new Map<Part, Map<number, number>>();

  constructor(texts: MeasuredTexts, times: number) {
    this.#texts = texts;
    this.#times = times;
  }

  /** The size that the words of questions are set in, in slide units; they may fill more room than that. */
  get questionSize(): number {
    return QUESTION_CARD.size * Math.max(1, Math.min(1.5, this.#times));
  }

  /** The size that a text is set in, in slide units. */
  sizeOf(text: TextElement, { times = 1 }: Look): number {
    // A size that was set by hand stays.
    if (text.size && text.size !== text.setOut?.size) return text.size;
    const standard = this.#texts.standardSize(text);
    const wanted = standard * Math.min(LARGEST[text.style], this.#times) * times;
    return Math.max(READABLE[text.style], Math.round(wanted));
  }

  /** The height that a part needs in a width; Infinity where that is too narrow for it. Slide units. */
  height(part: Part, width: number, look: Look): number {
    if (part.kind !== 'text' && part.kind !== 'question') return this.#height(part, width, look);
    const key =
      Math.round(width) * 1000 + (look.times ?? 1) * 100 + STAND_PADDING[look.stands ?? 'bare'];
    let all = this.#known.get(part);
    if (!all) this.#known.set(part, (all = new Map<number, number>()));
    let height = all.get(key);
    if (height === undefined) all.set(key, (height = this.#height(part, width, look)));
    return height;
  }

  #height(part: Part, width: number, look: Look): number {
    if (width < (LEAST_WIDTH[part.kind] ?? 0)) return Infinity;
    switch (part.kind) {
      case 'text':
        return this.#textHeight(part, width, look);
      case 'picture':
      case 'chart':
        return LEAST_PICTURE;
      case 'media':
        return part.medium === 'video' ? LEAST_PICTURE : part.box.h;
      case 'formula':
        return Math.min(120, (width * part.box.h) / part.box.w);
      case 'table':
        return part.box.h;
      case 'question':
        return hasSurface(part)
          ? questionHeight(part, width, QUESTION_CARD.size) + LEAST_SURFACE
          : questionHeight(part, width, this.questionSize) * SLACK;
    }
  }

  #textHeight(text: TextElement, width: number, look: Look): number {
    const isChoice = text.style === 'choice';
    const isTitle = text.style === 'title';
    const plate = 2 * STAND_PADDING[look.stands ?? 'bare'];
    const room = width - (isChoice ? 2 * CHOICE_PADDING : plate);
    const words = this.#texts.of(text);
    if (words.widestLine === 0 && !isChoice && this.#texts.hasOthers) return SLIM;
    const size = this.sizeOf(text, look);
    if (room < 60 || words.widestWord * size * (isTitle ? SLACK : 1) > room) return Infinity;
    // In the smallest type there may be no room to spare: the gap below a title holds its ornament, too.
    const hasSpare = this.#times > LEAST_SURE;
    const isAdorned = isTitle && hasSpare && this.#texts.hasOrnaments;
    const below = plate + (isAdorned ? ORNAMENT_ROOM : 0);
    const needed = words.height(room / SLACK, size, text.columns);
    // A title that may be a line longer than it looks would keep room for nothing: it is set a little smaller.
    const mayBeSmaller = isTitle && hasSpare;
    if (mayBeSmaller && needed > words.height(room, size, text.columns)) return Infinity;
    const height = needed + 4 + below;
    return isChoice ? Math.max(SMALLEST_AREA + 4, height + CHOICE_PADDING) : height;
  }
}

/** The texts of a slide, each measured once. */
export class MeasuredTexts {
  #theme: Theme;
  #known = new Map<TextElement, MeasuredText>();
  /** Something stands below titles. */
  readonly hasOrnaments: boolean;
  /** There is something besides them, and the title, on the slide. */
  readonly hasOthers: boolean;

  constructor(theme: Theme, hasOthers: boolean) {
    this.#theme = theme;
    this.hasOthers = hasOthers;
    this.hasOrnaments = theme.dress.ornament !== 'none';
  }

  /** The size that the style of a text has in the theme, in slide units. */
  standardSize = ({ style }: TextElement): number => this.#theme.type[style].size;

  of(text: TextElement): MeasuredText {
    let known = this.#known.get(text);
    if (!known) {
      known = new MeasuredText(text.text, textType(text, this.#theme));
      this.#known.set(text, known);
    }
    return known;
  }
}
