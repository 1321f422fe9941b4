import { readNumber, type ScaleStep } from '@gobrel/core';
import type { ReactElement } from 'react';
import { Lines } from '../ui/Lines';

/** A scale as it is written: one step on each line, with what it is worth in per cent. */
export const writeScale = (scale: readonly ScaleStep[]): string =>
  scale.map(({ label, share }) => `${label} = ${Math.round(share * 100)} %`).join('\n');

/** The scale that was written, or the sentence that says why it is none; empty for none. */
export function readScaleLines(written: string): ScaleStep[] | string {
  const steps: ScaleStep[] = [];
  for (const line of written.split('\n').map((text) => text.trim())) {
    if (line === '') continue;
    const [, label = '', number = ''] = /^(.+?) ?[=:] ?([\d.,]+) ?%?$/.exec(line) ?? [];
    const percent = readNumber(number);
    if (!label || percent === undefined || percent < 0 || percent > 100) {
      return `“${line}” is no step of a scale. Write it like: partly = 50 %`;
    }
    steps.push({ label: label.trim(), share: percent / 100 });
  }
  return steps.length > 9 ? 'A scale has nine steps at the most.' : steps;
}

export function ScaleFields(props: {
  value: string;
  onChange: (value: string) => void;
}): ReactElement {
  return (
    <Lines
      label="Scale for marking by hand"
      rows={3}
      value={props.value}
      hint="One step on each line, with its worth: partly = 50 %"
      onChange={props.onChange}
    />
  );
}
