import type { ElementKind, SlideElement } from '@gobrel/core';
import type { ReactElement } from 'react';
import { part } from '../offline/part';
import { Body as Closeup } from './closeup/Body';
import { Body as Hotspot } from './hotspot/Body';
import { Body as Line } from './line/Body';
import { Body as Picture } from './picture/Body';
import { Body as Question } from './question/Body';
import { Body as Shape } from './shape/Body';
import { Body as Text } from './text/Body';
import { Body as Zone } from './zone/Body';
import type { BodyProps } from './kind';

/** Most slides have none of these: they come when one has. */
const LATER = {
  formula: () => import('./formula/Body'),
  chart: () => import('./chart/Body'),
  credits: () => import('./credits/Body'),
  ink: () => import('./ink/Body'),
  media: () => import('./media/Body'),
  table: () => import('./table/Body'),
};

/** Fetches those that come later, so that they are there without a network. */
export const bringBodies = (): Promise<unknown> =>
  Promise.all(Object.values(LATER).map((load) => load()));

type BodyOf<K extends ElementKind> = (
  props: BodyProps<Extract<SlideElement, { kind: K }>>,
) => ReactElement | null;

/** What stands in the box of things of each kind; null for nothing. */
export const BODIES: { readonly [K in ElementKind]: BodyOf<K> | null } = {
  text: Text,
  shape: Shape,
  picture: Picture,
  hotspot: Hotspot,
  line: Line,
  ink: part(LATER.ink),
  media: part(LATER.media),
  table: part(LATER.table),
  formula: part(LATER.formula),
  chart: part(LATER.chart),
  closeup: Closeup,
  credits: part(LATER.credits),
  zone: Zone,
  question: Question,
  group: null,
};
