import type { ElementKind, QuestionElement, SlideElement } from '@gobrel/core';
import type { ComponentType, ReactElement } from 'react';
import type { BodyProps } from './kind';
import { Phone as Chart } from './chart/Phone';
import { Phone as Formula } from './formula/Phone';
import { Phone as Media } from './media/Phone';
import { Phone as Question } from './question/Phone';
import { Phone as Table } from './table/Phone';
import { Phone as Text } from './text/Phone';

export interface PhoneProps<E extends SlideElement = SlideElement> extends Pick<
  BodyProps<E>,
  'element' | 'links' | 'onFollow'
> {
  /** How a question is answered. */
  ask: (question: QuestionElement) => ReactElement;
}
type PhoneOf<K extends ElementKind> = ComponentType<PhoneProps<Extract<SlideElement, { kind: K }>>>;

/** What is told below the picture on a phone, where it would be too small to be read or touched; null stays in it. */
const PHONES: { readonly [K in ElementKind]: PhoneOf<K> | null } = {
  text: Text,
  table: Table,
  formula: Formula,
  chart: Chart,
  media: Media,
  question: Question,
  shape: null,
  picture: null,
  hotspot: null,
  line: null,
  ink: null,
  closeup: null,
  credits: null,
  group: null,
  zone: null,
};

export const phoneOf = (kind: ElementKind): ComponentType<PhoneProps> | null =>
  PHONES[kind] as ComponentType<PhoneProps> | null;
