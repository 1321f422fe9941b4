import { titleOf, type EditionChanges } from '@gobrel/core';
import type { ReactElement } from 'react';

const WHAT: Record<EditionChanges['questions'][number]['what'], string> = {
  new: 'is new',
  gone: 'is gone, with its answers',
  asks: 'asks something else: answers that do not fit are let go',
  key: 'has another key: marks are given anew',
};

/** What a deck as it is now changes in an edition. */
export function Changes({ changes }: { changes: EditionChanges }): ReactElement {
  const slides = (list: EditionChanges['added']): string =>
    list.map(({ title }) => titleOf({ title })).join(', ');
  return (
    <ul className="list-disc pl-5 text-[14px]">
      {changes.added.length > 0 && <li>New slides: {slides(changes.added)}</li>}
      {changes.gone.length > 0 && <li>Slides that are gone: {slides(changes.gone)}</li>}
      {changes.changed.length > 0 && <li>Changed slides: {slides(changes.changed)}</li>}
      {changes.questions.map(({ questionId, prompt, what }) => (
        <li key={questionId}>
          “{prompt}” {WHAT[what]}.
        </li>
      ))}
    </ul>
  );
}
