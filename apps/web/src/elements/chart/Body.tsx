import { AS_THE_STYLE, typeInStyle, type ChartElement, PAPER } from '@gobrel/core';
import type { CSSProperties, ReactElement } from 'react';
import { fillCss } from '../../parts/fill';
import { typeCss } from '../../parts/type';
import type { BodyProps } from '../kind';
import { Drawn } from './Drawn';

/** How its values are set while they are typed. */
const TYPE = typeInStyle({ ...AS_THE_STYLE, size: 18 }, 'caption', PAPER);

export default function Body({ element, theme, words }: BodyProps<ChartElement>): ReactElement {
  const { paper, line } = theme.colours;
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
