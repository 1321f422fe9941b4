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

// Most slides have none of these: they come when one has.
const Credits = part(() => import('./credits/Body'));
const Ink = part(() => import('./ink/Body'));
const Media = part(() => import('./media/Body'));
const Table = part(() => import('./table/Body'));

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
  ink: Ink,
  media: Media,
  table: Table,
  closeup: Closeup,
  credits: Credits,
  zone: Zone,
  question: Question,
  group: null,
};
