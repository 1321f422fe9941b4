import { readGapText, textLines, writeGapText } from '@gobrel/core';
import { useState, type ReactElement } from 'react';
import { Check } from '../../ui/controls';
import { Lines } from '../../ui/Lines';
import { QuestionDialog } from '../QuestionDialog';
import type { QuestionEditProps } from '../kind';

/** A text with what belongs into its gaps in square brackets. */
export default function GapEdit(props: QuestionEditProps<'gap'>): ReactElement {
  const { question, key } = props.element;
  const right = (key?.accepted ?? []).map(([first]) => first);
  const [written, setWritten] = useState(writeGapText(question.parts, key?.accepted ?? []));
  const [hasBank, setHasBank] = useState(question.bank !== null);
  const [more, setMore] = useState(
    (question.bank ?? []).filter((word) => !right.includes(word)).join('\n'),
  );
  const [heedsCase, setHeedsCase] = useState(key?.heedsCase ?? false);
  const [heedsAccents, setHeedsAccents] = useState(key?.heedsAccents ?? false);
  return (
    <QuestionDialog
      {...props}
      title="Question: gap text"
      onKeep={(points) => {
        const { parts, accepted } = readGapText(written);
        if (accepted.length === 0) {
          return 'Put what belongs into a gap in square brackets: The [lamp] turns.';
        }
        if (accepted.length > 30) return 'A text has thirty gaps at the most.';
        const words = accepted.flatMap(([first]) => (first ? [first] : []));
        if (hasBank && words.length < accepted.length) {
          return 'With a bank of words every gap needs its word.';
        }
        const bank = [...new Set([...words, ...textLines(more)])].sort((a, b) =>
          a.localeCompare(b),
        );
        const isKeyed = accepted.some((one) => one.length > 0);
        return {
          question: { kind: 'gap', parts, bank: hasBank ? bank : null, points },
          key: isKeyed ? { kind: 'gap', accepted, heedsCase, heedsAccents } : null,
        };
      }}
    >
      <Lines
        label="Text; what belongs into a gap stands in brackets"
        rows={4}
        value={written}
        hint="The [lamp|light] turns every [ten] seconds. A bar parts words that are all right."
        onChange={setWritten}
      />
      <Check label="A bank of words to choose from" isOn={hasBank} onChange={setHasBank} />
      {hasBank && (
        <Lines
          label="More words in the bank, one on each line"
          rows={2}
          value={more}
          onChange={setMore}
        />
      )}
      {!hasBank && (
        <div className="flex flex-wrap gap-x-5">
          <Check label="Capital letters matter" isOn={heedsCase} onChange={setHeedsCase} />
          <Check label="Accents matter" isOn={heedsAccents} onChange={setHeedsAccents} />
        </div>
      )}
    </QuestionDialog>
  );
}
