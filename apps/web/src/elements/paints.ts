import type { ElementKind, SlideElement } from '@gobrel/core';
import type { Paint, Painter } from '../painting/canvas';
import { paint as chart } from './chart/paint';
import { paint as closeup } from './closeup/paint';
import { paint as formula } from './formula/paint';
import { paint as ink } from './ink/paint';
import { paint as line } from './line/paint';
import { paint as media } from './media/paint';
import { paint as picture } from './picture/paint';
import { paint as question } from './question/paint';
import { paint as shape } from './shape/paint';
import { paint as table } from './table/paint';
import { paint as text } from './text/paint';
import { paint as zone } from './zone/paint';

type PainterOf<K extends ElementKind> = Painter<Extract<SlideElement, { kind: K }>>;

/** How things of each kind are painted on the map's cards; null for what is not to be seen there. */
const PAINTS: { [K in ElementKind]: PainterOf<K> | null } = {
  text,
  shape,
  picture,
  line,
  ink,
  media,
  table,
  formula,
  chart,
  closeup,
  zone,
  question,
  hotspot: null,
  credits: null,
  group: null,
};

export function paintElement(paint: Paint, element: SlideElement): void {
  (PAINTS[element.kind] as Painter<SlideElement> | null)?.(paint, element);
}
