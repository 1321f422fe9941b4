import {
  coloursOf,
  groundFrame,
  isSpare,
  lineEnds,
  linePath,
  linePoints,
  kindOf,
  pictureFrame,
  QUESTION_CARD,
  shapePath,
  SHAPE_PADDING,
  shapeType,
  shapeWordsBox,
  STAGE,
  textFill,
  textPadding,
  textType,
  tipPath,
  typeInStyle,
  type Box,
  type Fill,
  type Ground,
  type Outline,
  type PictureElement,
  type Slide,
  type SlideElement,
  type TableElement,
  type ThemeName,
} from '@gobrel/core';
import { dashLengths } from '../elements/dash';
import { inkPath } from '../elements/inkPath';
import { paintText, type Canvas } from './paintText';

export type Pictures = ReadonlyMap<string, ImageBitmap>;

/** What everything on one slide is painted with. */
interface Paint {
  context: Canvas;
  theme: ThemeName;
  linked: ReadonlySet<string>;
  pictures: Pictures;
}

/**
 * Paints a slide small, for cards on the map: as the renderer draws it, but with plainer words. Units are slide units;
 * the context is scaled before.
 */
export function paintSlide(
  context: Canvas,
  slide: Slide,
  deckTheme: ThemeName,
  linked: ReadonlySet<string>,
  pictures: Pictures,
): void {
  const paint: Paint = { context, theme: slide.theme || deckTheme, linked, pictures };
  paintGround(paint, slide.ground);
  for (const element of slide.elements) {
    if (isSpare(element)) continue;
    const { box, rotation, opacity } = element;
    context.save();
    context.globalAlpha = opacity;
    // Everything is painted with its box at the origin.
    context.translate(box.x + box.w / 2, box.y + box.h / 2);
    context.rotate((rotation * Math.PI) / 180);
    context.translate(-box.w / 2, -box.h / 2);
    paintElement(paint, element);
    context.restore();
  }
}

function paintGround({ context, theme, pictures }: Paint, ground: Ground): void {
  const whole = { x: 0, y: 0, w: STAGE.width, h: STAGE.height };
  const fillWhole = (): void => context.fillRect(0, 0, whole.w, whole.h);
  setFill(context, ground.fill, coloursOf(theme).paper, whole);
  fillWhole();
  const { picture } = ground;
  const bitmap = picture && pictures.get(picture.asset.hash);
  if (picture && bitmap) {
    const { x, y, w, h } = groundFrame(picture);
    const [left, top] =
      picture.fit === 'tile' ? [picture.x * STAGE.width, picture.y * STAGE.height] : [x, y];
    if (picture.fit !== 'tile') context.drawImage(bitmap, left, top, w, h);
    else {
      // A tile that can hardly be seen any more would be painted thousands of times.
      const [stepX, stepY] = [Math.max(w, 16), Math.max(h, 16)];
      for (let tileX = (left % stepX) - stepX; tileX < STAGE.width; tileX += stepX) {
        for (let tileY = (top % stepY) - stepY; tileY < STAGE.height; tileY += stepY) {
          context.drawImage(bitmap, tileX, tileY, stepX, stepY);
        }
      }
    }
  }
  if (ground.tint) {
    context.globalAlpha = ground.tintStrength;
    context.fillStyle = ground.tint;
    fillWhole();
    context.globalAlpha = 1;
  }
}

function setFill(
  context: Canvas,
  fill: Fill,
  standard: string,
  { w, h }: { w: number; h: number },
): void {
  if (typeof fill === 'string') {
    context.fillStyle = fill === 'none' ? 'transparent' : fill || standard;
    return;
  }
  const angle = (fill.angle * Math.PI) / 180;
  const [dx, dy] = [(Math.cos(angle) * w) / 2, (Math.sin(angle) * h) / 2];
  const gradient = fill.isRadial
    ? context.createRadialGradient(w / 2, h / 2, 0, w / 2, h / 2, Math.hypot(w, h) / 2)
    : context.createLinearGradient(w / 2 - dx, h / 2 - dy, w / 2 + dx, h / 2 + dy);
  gradient.addColorStop(0, fill.from);
  gradient.addColorStop(1, fill.to);
  context.fillStyle = gradient;
}

function paintElement(paint: Paint, element: SlideElement): void {
  const { context, theme, linked } = paint;
  const colours = coloursOf(theme);
  const { w, h } = element.box;
  switch (element.kind) {
    case 'picture':
      return paintPicture(paint, element);
    case 'shape': {
      const path = new Path2D(shapePath(element.shape, w, h, element.points));
      context.save();
      flip(context, element);
      setFill(context, element.fill, colours.shapeFill, { w, h });
      context.fill(path, 'evenodd');
      strokeOutline(paint, path, element.outline);
      context.restore();
      const room = inset(shapeWordsBox(element.shape, w, h), SHAPE_PADDING, SHAPE_PADDING);
      paintText(context, element.text, room, { ...shapeType(element, theme), linked });
      return;
    }
    case 'text': {
      const fill = textFill(element, theme);
      const padding = textPadding(element, theme);
      if (fill !== 'none') {
        setFill(context, fill, '', { w, h });
        card(
          context,
          { x: 0, y: 0, w, h },
          element.layer === 'pieces' ? coloursOf('paper').line : '',
        );
      }
      const isCard = element.layer === 'pieces' || element.style === 'choice';
      const room = inset({ x: 0, y: 0, w, h }, padding, isCard ? 0 : padding);
      paintText(context, element.text, room, { ...textType(element, theme), linked });
      return;
    }
    case 'line': {
      const { box, path, weight, tips, dash } = element;
      const points = linePoints(element).map(({ x, y }) => ({ x: x - box.x, y: y - box.y }));
      context.strokeStyle = context.fillStyle = element.colour || colours.ink;
      context.lineWidth = weight;
      context.lineCap = context.lineJoin = 'round';
      context.setLineDash(dashLengths(dash, weight));
      context.stroke(new Path2D(linePath(path, points)));
      lineEnds(path, points).forEach(({ x, y, angle }, index) => {
        context.save();
        context.translate(x, y);
        context.rotate((angle * Math.PI) / 180);
        context.fill(new Path2D(tipPath(tips[index]!, weight)));
        context.restore();
      });
      return;
    }
    case 'ink':
      context.scale(w / element.frame.w, h / element.frame.h);
      context.translate(-element.frame.x, -element.frame.y);
      for (const stroke of element.strokes) {
        context.fillStyle = stroke.colour || colours.ink;
        context.globalAlpha = element.opacity * (stroke.isMarker ? 0.4 : 1);
        context.fill(new Path2D(inkPath(stroke)));
      }
      return;
    case 'media':
      context.fillStyle = '#1E2B32';
      card(context, { x: 0, y: 0, w, h }, '');
      return;
    case 'table':
      return paintTable(paint, element);
    case 'closeup':
      if (!element.isSeen) return;
      return strokeOutline(
        paint,
        new Path2D(shapePath(element.shape, w, h, element.points)),
        element.outline,
      );
    case 'zone':
      if (!element.isVisible) return;
      context.setLineDash([12, 10]);
      context.fillStyle = 'transparent';
      card(context, { x: 0, y: 0, w, h }, '#E8CE86', 4);
      return;
    case 'question':
      return paintQuestion(paint, element);
    case 'credits':
    case 'group':
    case 'hotspot':
  }
}

const inset = ({ x, y, w, h }: Box, across: number, down: number): Box => ({
  ...{ x: x + across, y: y + down, w: w - 2 * across, h: h - 2 * down },
});

/** A rounded card in the fill that is set. */
function card(context: Canvas, { x, y, w, h }: Box, line: string, weight = 2): void {
  context.beginPath();
  context.roundRect(x, y, w, h, 10);
  context.fill();
  if (!line) return;
  context.strokeStyle = line;
  context.lineWidth = weight;
  context.stroke();
}

function strokeOutline({ context, theme }: Paint, path: Path2D, outline: Outline): void {
  if (outline.weight === 0) return;
  context.strokeStyle = outline.colour || coloursOf(theme).ink;
  context.lineWidth = outline.weight;
  context.lineCap = context.lineJoin = 'round';
  context.setLineDash(dashLengths(outline.dash, outline.weight));
  context.stroke(path);
}

function flip(
  context: Canvas,
  element: { box: Box; isFlippedAcross: boolean; isFlippedDown: boolean },
): void {
  const { isFlippedAcross, isFlippedDown, box } = element;
  context.translate(isFlippedAcross ? box.w : 0, isFlippedDown ? box.h : 0);
  context.scale(isFlippedAcross ? -1 : 1, isFlippedDown ? -1 : 1);
}

function paintPicture(paint: Paint, element: PictureElement): void {
  const { context, pictures } = paint;
  const bitmap = pictures.get(element.asset.hash);
  const { w, h } = element.box;
  const path = new Path2D(shapePath(element.mask, w, h, element.points));
  if (bitmap) {
    const { whole, seen } = pictureFrame(element);
    context.save();
    context.clip(path, 'evenodd');
    context.beginPath();
    context.rect(seen.x, seen.y, seen.w, seen.h);
    context.clip();
    flip(context, element);
    context.drawImage(bitmap, whole.x, whole.y, whole.w, whole.h);
    context.restore();
  }
  strokeOutline(paint, path, element.outline);
}

function paintTable(paint: Paint, element: TableElement): void {
  const { context, theme, linked } = paint;
  const { box, outline } = element;
  const type = typeInStyle(element, 'caption', theme);
  const rows = element.text.content.find(({ type }) => type === 'table')?.content ?? [];
  const count = Math.max(1, ...rows.map((row) => row.content?.length ?? 0));
  const shares = Array.from({ length: count }, (_, index) => element.columns[index] ?? 1);
  const all = shares.reduce((sum, share) => sum + share, 0);
  const height = box.h / Math.max(1, rows.length);
  rows.forEach((row, index) => {
    let x = 0;
    row.content?.forEach((cell, at) => {
      const width = (box.w * shares[at]!) / all;
      const fill = cell.attrs?.background;
      const standard = cell.type === 'tableHeader' ? coloursOf(theme).shapeFill : 'transparent';
      context.fillStyle = typeof fill === 'string' ? fill : standard;
      context.fillRect(x, index * height, width, height);
      context.strokeStyle = outline.colour || coloursOf(theme).line;
      context.lineWidth = outline.weight;
      if (outline.weight > 0) context.strokeRect(x, index * height, width, height);
      const room = inset({ x, y: index * height, w: width, h: height }, type.size * 0.45, 0);
      paintText(context, { type: 'doc', content: cell.content ?? [] }, room, {
        ...type,
        upright: 'middle',
        linked,
      });
      x += width;
    });
  });
}

const QUESTION_TYPE = typeInStyle(
  { family: '', size: QUESTION_CARD.size, colour: '', align: '', upright: '', leading: 0, gap: 0 },
  'body',
  'paper',
);

function paintQuestion(
  { context }: Paint,
  element: Extract<SlideElement, { kind: 'question' }>,
): void {
  const { w, h } = element.box;
  const { padding, size } = QUESTION_CARD;
  const { line } = coloursOf('paper');
  context.fillStyle = '#FFFFFF';
  card(context, { x: 0, y: 0, w, h }, line);
  const inner = { x: padding, y: padding, w: w - 2 * padding, h };
  const type = { ...QUESTION_TYPE, weight: 600, linked: new Set<string>() };
  let y = inner.y + paintText(context, element.text, inner, type) + 12;
  for (const option of kindOf(element.question.kind).lines(element.question)) {
    const height = size * 1.9;
    if (y + height > h) break;
    context.fillStyle = '#FFFFFF';
    card(context, { x: inner.x, y, w: inner.w, h: height }, line);
    context.fillStyle = type.colour;
    context.font = `400 ${size * 0.92}px ${type.family}, sans-serif`;
    context.textAlign = 'left';
    context.fillText(option, inner.x + 16, y + height * 0.64, inner.w - 32);
    y += height + 10;
  }
}
