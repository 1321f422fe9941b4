import { isBlank } from '@gobrel/core';
import type { ReactElement } from 'react';
import type { QuestionInputProps } from '../kind';

export function Still(): ReactElement {
  return <p className="text-soft">The pieces of this slide are sorted into its zones.</p>;
}

/** The pieces themselves are the answer: here stands how far one has come. */
export function Input({ question, answer }: QuestionInputProps<'sort'>): ReactElement {
  const placed = answer && !isBlank(answer) ? Object.keys(answer.zoneIds).length : 0;
  return (
    <p className="text-soft" style={{ fontSize: '0.85em' }}>
      {placed === 0
        ? 'Put the pieces where they belong.'
        : `${placed} of ${question.pieces.length} pieces lie in a zone.`}
    </p>
  );
}
