import { STAGE, type Box, type Slide, type TextStyle } from '../deck/types.js';

const MARGIN = 96;

/** Where a new slide's first texts stand, in slide units. */
export const TITLE_BOX: Box = { x: MARGIN, y: 72, w: 800, h: 76 };
export const BODY_BOX: Box = { x: MARGIN, y: 156, w: 720, h: 120 };

/** Type sizes in slide units; the theme may change the face but not these. */
export const TYPE_SIZE: Record<TextStyle, number> = {
  title: 56,
  heading: 40,
  body: 30,
  caption: 22,
  choice: 28,
};

const CHOICE = { w: 400, h: 64, gap: 14, top: 300 };

/** The box for one more choice: under the lowest one, in a second column when the first is full. */
export function nextChoiceBox(slide: Slide): Box {
  const choices = slide.elements.filter(
    (element) => element.kind === 'text' && element.style === 'choice',
  );
  const perColumn = Math.floor((STAGE.height - CHOICE.top - 40) / (CHOICE.h + CHOICE.gap));
  const column = Math.floor(choices.length / perColumn) % 2;
  const row = choices.length % perColumn;
  return {
    x: MARGIN + column * (CHOICE.w + 40),
    y: CHOICE.top + row * (CHOICE.h + CHOICE.gap),
    w: CHOICE.w,
    h: CHOICE.h,
  };
}

/** The box of a new element put on the stage without a place of its own: centred, stepped down per element. */
export function newElementBox(slide: Slide, size: { w: number; h: number }): Box {
  const step = (slide.elements.length % 8) * 24;
  return {
    x: Math.round((STAGE.width - size.w) / 2) + step,
    y: Math.round((STAGE.height - size.h) / 2) + step,
    ...size,
  };
}
