import type { ElementId } from '../../parts/ids.js';
import type { ElementBase } from '../base.js';
import { asIds, flagUnlessSaid, given, oneOf, whole, withheld, type Field } from '../fields.js';
import type { ElementKindOf } from '../kind.js';

/** How a zone lays out what is put into it. */
export const TIDIES = ['free', 'row', 'grid', 'stack'] as const;
export type Tidy = (typeof TIDIES)[number];

export interface ZoneElement extends ElementBase {
  kind: 'zone';
  isVisible: boolean;
  /** The pieces it takes; null takes all. */
  takes: ElementId[] | null;
  /** How many pieces it holds at the most; 0 any number. */
  most: number;
  tidy: Tidy;
  /** The pieces expected here. It is a key: null in anything a student receives. */
  expects: ElementId[] | null;
}

const copied: Field<ElementId[] | null>['copied'] = (ids, copyOf) => ids?.map(copyOf) ?? null;

export const zone: ElementKindOf<ZoneElement> = {
  kind: 'zone',
  label: 'Zone',
  fields: {
    isVisible: flagUnlessSaid(),
    takes: { ...given((value) => (Array.isArray(value) ? asIds(value) : null)), copied },
    most: whole(0, 0, 100),
    tidy: oneOf(TIDIES, 'free'),
    expects: { ...withheld<ElementId[] | null>(asIds, null), copied },
  },
  needs: [],
  may: { holdLines: true },
  staysOn: 'pieces',
  isRegion: true,
  look: ['isVisible'],
  isInTheWay: () => false,
};
