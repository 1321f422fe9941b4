import {
  type ElementId,
  type Link,
  type LinkId,
  type Point,
  type RunCommand,
  type Slide,
  type SlideElement,
  type Theme,
} from '@gobrel/core';
import type { PointerEvent, ReactNode } from 'react';
import type { WordLinks } from '../parts/RichTextView';

/** What the body of one kind of thing is given. */
export interface BodyProps<E extends SlideElement = SlideElement> {
  element: E;
  theme: Theme;
  /** CSS pixels per slide unit, to ask for pictures of the right size. */
  scale: number;
  /** All links of the slide, for words and options that carry one. */
  links: readonly Link[];
  onFollow?: (linkId: LinkId) => void;
  /** Stands in for the element's words while they are being typed. */
  words?: ReactNode;
}

/** The links that words carry. */
export const wordLinks = ({
  links,
  onFollow,
}: Pick<BodyProps, 'links' | 'onFollow'>): WordLinks => ({
  isLink: (linkId) => links.some((link) => link.id === linkId),
  follow: onFollow,
});

/** Something of a thing that is pulled: shown while it goes on, kept in one step at its end. Places in slide units. */
export interface Pulled<T extends Partial<SlideElement> = Partial<SlideElement>> {
  id: ElementId;
  become: (at: Point, event: PointerEvent, from: Point) => T;
  keep: (became: T, at: Point) => unknown;
}

/** What the grips of a thing work with. */
export interface GripHands {
  slide: Slide;
  /** CSS pixels per slide unit. */
  scale: number;
  /** What can be touched just now, bottom to top. */
  touchable: readonly SlideElement[];
  run: RunCommand;
}

/** What the grips of one kind of thing are given, while it alone is in hand. */
export interface GripProps<E extends SlideElement = SlideElement> {
  element: E;
  hands: GripHands;
  pull: <T extends Partial<SlideElement>>(event: PointerEvent, pulled: Pulled<T>) => void;
}
