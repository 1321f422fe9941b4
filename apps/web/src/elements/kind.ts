import { type Link, type LinkId, type SlideElement, type Theme } from '@gobrel/core';
import type { ReactNode } from 'react';
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
