import type { ElementKind, SlideElement } from '@gobrel/core';
import type { ComponentType } from 'react';
import type { GripProps } from './kind';
import { Grips as Line } from './line/Grips';
import { Grips as Picture } from './picture/Grips';
import { Grips as Shape } from './shape/Grips';
import { Grips as Table } from './table/Grips';

type GripsOf<K extends ElementKind> = ComponentType<GripProps<Extract<SlideElement, { kind: K }>>>;

/** By what else than its corners a thing of each kind is pulled; null for nothing. */
const GRIPS: { readonly [K in ElementKind]: GripsOf<K> | null } = {
  text: null,
  shape: Shape,
  picture: Picture,
  hotspot: Shape,
  line: Line,
  ink: null,
  media: null,
  table: Table,
  formula: null,
  chart: null,
  closeup: Shape,
  credits: null,
  zone: null,
  question: null,
  group: null,
};

/** The grips of a thing; none of one that is locked. */
export const gripsFor = ({ kind, isLocked }: SlideElement): ComponentType<GripProps> | null =>
  isLocked ? null : (GRIPS[kind] as ComponentType<GripProps> | null);
