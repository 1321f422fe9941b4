import type { ElementKind, SlideElement } from '@gobrel/core';
import type { ComponentType } from 'react';
import { Body as Closeup } from './closeup/Body';
import { Body as Credits } from './credits/Body';
import { Body as Hotspot } from './hotspot/Body';
import { Body as Ink } from './ink/Body';
import { Body as Line } from './line/Body';
import { Body as Media } from './media/Body';
import { Body as Picture } from './picture/Body';
import { Body as Question } from './question/Body';
import { Body as Shape } from './shape/Body';
import { Body as Table } from './table/Body';
import { Body as Text } from './text/Body';
import { Body as Zone } from './zone/Body';
import type { BodyProps } from './kind';

type BodyOf<K extends ElementKind> = ComponentType<BodyProps<Extract<SlideElement, { kind: K }>>>;

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
