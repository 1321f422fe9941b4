import type { QuestionElement } from '@gobrel/core';
import type { ReactElement } from 'react';
import type { BodyProps } from '../kind';
import { optionWays, QuestionCard } from './Card';

export const Body = ({
  element,
  links,
  words,
  onFollow,
}: BodyProps<QuestionElement>): ReactElement => (
  <QuestionCard
    element={element}
    words={words}
    onFollow={onFollow}
    ways={optionWays(links, element.id)}
  />
);
