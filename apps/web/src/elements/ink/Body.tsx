import type { InkElement } from '@gobrel/core';
import type { ReactElement } from 'react';
import { inkTransform } from '../../parts/inkPath';
import { StrokeMark } from '../../parts/StrokeMark';
import type { BodyProps } from '../kind';

export default function Body(props: BodyProps<InkElement>): ReactElement {
  const { element, theme } = props;
  const { w, h } = element.box;
  return (
    <svg width={w} height={h} className="absolute inset-0 overflow-visible" aria-hidden>
      <g transform={inkTransform(element)}>
        {element.strokes.map((stroke, index) => (
          <StrokeMark key={index} stroke={stroke} ink={theme.colours.ink} />
        ))}
      </g>
    </svg>
  );
}
