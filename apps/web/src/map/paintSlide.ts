import {
  CHOICE_PADDING,
  isPiece,
  isSpare,
  lineHeight,
  LINK_MARK,
  PIECE_PADDING,
  QUESTION_CARD,
  SHAPE_PADDING,
  STAGE,
  THEME_COLOURS,
  TYPE_SIZE,
  type Box,
  type Link,
  type PictureElement,
  type RichNode,
  type RichText,
  type Slide,
  type SlideElement,
  type ThemeName,
} from '@gobrel/core';

export type Pictures = Map<string, ImageBitmap>;
type Canvas = OffscreenCanvasRenderingContext2D;

/**
 * Paints a slide small, for cards on the map: as the renderer draws it, but with plain words. Units are slide units;
 * the context is scaled before.
 */
export function paintSlide(
  context: Canvas,
  slide: Slide,
  theme: ThemeName,
  links: readonly Link[],
  pictures: Pictures,
): void {
  context.fillStyle = slide.fill || THEME_COLOURS[theme].paper;
  context.fillRect(0, 0, STAGE.width, STAGE.height);
  const linked = new Set(links.map(({ id }) => id));
  for (const element of slide.elements) {
    if (!isSpare(element)) paintElement(context, element, theme, linked, pictures);
  }
}

function paintElement(
  context: Canvas,
  element: SlideElement,
  theme: ThemeName,
  linked: Set<string>,
  pictures: Pictures,
): void {
  const colours = THEME_COLOURS[theme];
  const { box } = element;
  switch (element.kind) {
    case 'picture':
      paintPicture(context, element, pictures.get(element.asset.hash));
      return;
    case 'shape': {
      context.fillStyle = element.fill || colours.shapeFill;
      shapePath(context, element.shape, box);
      context.fill();
      const inner = { ...box, x: box.x + SHAPE_PADDING, w: box.w - 2 * SHAPE_PADDING };
      paintText(context, element.text, inner, {
        ...{ face: 'Body', weight: 400, size: TYPE_SIZE.body, lineHeight: lineHeight('body') },
        ...{ ink: element.colour || colours.ink, align: 'center', middle: true, linked },
      });
      return;
    }
    case 'text': {
      const isHeading = element.style === 'title' || element.style === 'heading';
      const isChoice = element.style === 'choice';
      const piece = isPiece(element);
      const padding = piece ? PIECE_PADDING : isChoice ? CHOICE_PADDING : 0;
      if (piece || isChoice) {
        context.fillStyle = colours.choiceFill;
        roundRect(context, box, 10);
        context.fill();
        if (piece) frame(context, '#DED6C6', 2);
      }
      const ink = piece
        ? '#1E2B32'
        : element.colour || (isChoice ? colours.choiceInk : colours.ink);
      paintText(
        context,
        element.text,
        { ...box, x: box.x + padding, w: box.w - 2 * padding },
        {
          face: isHeading ? 'Head' : 'Body',
          weight: isHeading ? 700 : isChoice ? 650 : 400,
          size: element.size || TYPE_SIZE[element.style],
          lineHeight: lineHeight(element.style),
          ...{ ink, align: piece ? 'center' : 'left', middle: piece || isChoice, linked },
        },
      );
      return;
    }
    case 'line':
      context.strokeStyle = element.colour || colours.ink;
      context.lineWidth = element.weight;
      context.lineCap = 'round';
      context.beginPath();
      context.moveTo(box.x, element.slope === 'down' ? box.y : box.y + box.h);
      context.lineTo(box.x + box.w, element.slope === 'down' ? box.y + box.h : box.y);
      context.stroke();
      return;
    case 'zone':
      if (!element.isVisible) return;
      context.setLineDash([12, 10]);
      roundRect(context, box, 10);
      frame(context, '#E8CE86', 4);
      context.setLineDash([]);
      return;
    case 'question':
      paintQuestion(context, element, theme);
      return;
    case 'hotspot':
  }
}

function paintQuestion(
  context: Canvas,
  element: Extract<SlideElement, { kind: 'question' }>,
  theme: ThemeName,
): void {
  const { box } = element;
  const { padding, size } = QUESTION_CARD;
  context.fillStyle = '#FFFFFF';
  roundRect(context, box, 10);
  context.fill();
  frame(context, '#DED6C6', 2);
  const inner = { x: box.x + padding, y: box.y + padding, w: box.w - 2 * padding, h: box.h };
  const style = { face: 'Body', size, lineHeight: 1.34, ink: THEME_COLOURS[theme].ink } as const;
  const used = paintText(context, element.text, inner, {
    ...{ ...style, ink: '#1E2B32', weight: 600, align: 'left', middle: false, linked: new Set() },
  });
  let y = inner.y + used + 12;
  for (const option of element.question.options) {
    const height = size * 1.9;
    if (y + height > box.y + box.h) break;
    roundRect(context, { x: inner.x, y, w: inner.w, h: height }, 8);
    frame(context, '#DED6C6', 2);
    context.fillStyle = '#1E2B32';
    context.font = `400 ${size * 0.92}px Body, sans-serif`;
    context.textAlign = 'left';
    context.fillText(option.text, inner.x + 16, y + height * 0.64, inner.w - 32);
    y += height + 10;
  }
}

function paintPicture(
  context: Canvas,
  element: PictureElement,
  bitmap: ImageBitmap | undefined,
): void {
  if (!bitmap) return;
  const { box, fit } = element;
  const { width, height } = bitmap;
  if (fit === 'stretch') {
    context.drawImage(bitmap, box.x, box.y, box.w, box.h);
    return;
  }
  const scales = [box.w / width, box.h / height] as const;
  const scale = fit === 'cover' ? Math.max(...scales) : Math.min(...scales);
  const [w, h] = [width * scale, height * scale];
  context.save();
  context.beginPath();
  context.rect(box.x, box.y, box.w, box.h);
  context.clip();
  context.drawImage(bitmap, box.x + (box.w - w) / 2, box.y + (box.h - h) / 2, w, h);
  context.restore();
}

function shapePath(context: Canvas, shape: string, box: Box): void {
  const { x, y, w, h } = box;
  context.beginPath();
  if (shape === 'ellipse') context.ellipse(x + w / 2, y + h / 2, w / 2, h / 2, 0, 0, 2 * Math.PI);
  else if (shape === 'triangle') {
    context.moveTo(x + w / 2, y);
    context.lineTo(x + w, y + h);
    context.lineTo(x, y + h);
    context.closePath();
  } else context.roundRect(x, y, w, h, shape === 'rounded' ? Math.min(24, h / 2) : 0);
}

function roundRect(context: Canvas, { x, y, w, h }: Box, radius: number): void {
  context.beginPath();
  context.roundRect(x, y, w, h, radius);
}

function frame(context: Canvas, colour: string, weight: number): void {
  context.strokeStyle = colour;
  context.lineWidth = weight;
  context.stroke();
}

interface TextLook {
  face: 'Body' | 'Head';
  weight: number;
  size: number;
  lineHeight: number;
  ink: string;
  align: 'left' | 'center';
  /** In the middle of the box instead of at its top. */
  middle: boolean;
  linked: Set<string>;
}

interface Run {
  words: string;
  isLinked: boolean;
  width: number;
}

/** Sets words into a box, line by line; gives the height they take. */
function paintText(context: Canvas, text: RichText, box: Box, look: TextLook): number {
  context.font = `${look.weight} ${look.size}px ${look.face}, sans-serif`;
  context.fillStyle = look.ink;
  context.textAlign = 'left';
  const lines = text.content.flatMap((node) => breakLines(context, node, box.w, look));
  const step = look.size * look.lineHeight;
  let y = box.y + (look.middle ? (box.h - lines.length * step) / 2 : 0);
  for (const line of lines) {
    const width = line.reduce((sum, run) => sum + run.width, 0);
    let x = box.x + (look.align === 'center' ? (box.w - width) / 2 : 0);
    for (const run of line) {
      context.fillText(run.words, x, y + step / 2 + look.size * 0.35);
      if (run.isLinked) {
        context.fillStyle = '#BF4E2A';
        context.fillRect(x, y + step / 2 + look.size * 0.45, run.width, 3);
        context.fillStyle = look.ink;
      }
      x += run.width;
    }
    y += step;
  }
  return lines.length * step;
}

function breakLines(context: Canvas, node: RichNode, width: number, look: TextLook): Run[][] {
  const children = node.content ?? [];
  if (children.some((child) => child.content)) {
    return children.flatMap((child) => breakLines(context, child, width, look));
  }
  const lines: Run[][] = [[]];
  let used = 0;
  for (const child of children) {
    if (child.type === 'hardBreak') {
      lines.push([]);
      used = 0;
    }
    const isLinked =
      child.marks?.some(
        ({ type, attrs }) => type === LINK_MARK && look.linked.has(String(attrs?.linkId)),
      ) ?? false;
    for (const words of child.text?.match(/\s*\S+|\s+/g) ?? []) {
      const wide = context.measureText(words).width;
      if (used > 0 && used + wide > width) {
        const trimmed = words.trimStart();
        used = context.measureText(trimmed).width;
        lines.push([{ words: trimmed, isLinked, width: used }]);
      } else {
        lines.at(-1)!.push({ words, isLinked, width: wide });
        used += wide;
      }
    }
  }
  return lines;
}
