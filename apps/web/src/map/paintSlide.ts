import {
  groundFrame,
  isSpare,
  sceneryOf,
  STAGE,
  type Ground,
  type Scenery,
  type Slide,
  type DeckTheme,
  themeOn,
} from '@gobrel/core';
import { paintElement } from '../elements/paints';
import { paintScenery } from '../painting/paintScenery';
import { setFill, type Paint, type Pictures } from '../painting/canvas';
import type { Canvas } from '../painting/paintText';

/**
 * Paints a slide small, for cards on the map: as the renderer draws it, but with plainer words. Units are slide units;
 * the context is scaled before.
 */
export function paintSlide(
  context: Canvas,
  slide: Slide,
  deckTheme: DeckTheme,
  linked: ReadonlySet<string>,
  pictures: Pictures,
): void {
  const paint: Paint = { context, theme: themeOn(slide, deckTheme), linked, pictures };
  paintGround(paint, slide.ground, sceneryOf(slide, paint.theme));
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

function paintGround(
  { context, theme, pictures }: Paint,
  ground: Ground,
  scenery: Scenery | null,
): void {
  const whole = { x: 0, y: 0, w: STAGE.width, h: STAGE.height };
  const fillWhole = (): void => context.fillRect(0, 0, whole.w, whole.h);
  setFill(context, ground.fill, theme.colours.paper, whole);
  fillWhole();
  if (scenery) paintScenery(context, scenery);
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
