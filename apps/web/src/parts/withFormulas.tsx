import { formulasIn } from '@gobrel/core';
import { Fragment, type ReactNode } from 'react';
import { TexRun } from './TexRun';

/** Words, with the formulas among them drawn. */
export function withFormulas(words: string): ReactNode {
  const parts = formulasIn(words);
  if (parts.every((part) => typeof part === 'string')) return words;
  return parts.map((part, index) => (
    <Fragment key={index}>{typeof part === 'string' ? part : <TexRun tex={part.tex} />}</Fragment>
  ));
}
