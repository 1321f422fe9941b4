import { coloursOf, typeInStyle, type ChartElement } from '@gobrel/core';
import type { CSSProperties, ReactElement } from 'react';
import { fillCss } from '../../parts/fill';
import { typeCss } from '../../parts/type';
import type { BodyProps } from '../kind';
import { Drawn } from './Drawn';

/** How its values are set while they are typed. */
const TYPE = typeInStyle(
  { family: '', size: 18, colour: '', align: '', upright: '', leading: 0, gap: 0 },
  'caption',
  'paper',
);

export default function Body({ element, theme, words }: BodyProps<ChartElement>): ReactElement {
  const { paper, line } = coloursOf(theme);
  if (words) {
    const look = { ...typeCss(TYPE), '--cell-line': `2px solid ${line}` } as CSSProperties;
    return (
      <div className="slide-text slide-table size-full overflow-auto bg-white" style={look}>
        {words}
      </div>
    );
  }
  return (
    <div
      className="size-full overflow-hidden rounded-[10px]"
      style={{ background: fillCss(element.fill, paper) }}
    >
      <Drawn element={element} theme={theme} />
    </div>
  );
}
