import { chartMarks, chartWords, type ChartElement, type Theme } from '@gobrel/core';
import { useMemo, type ReactElement } from 'react';
import { familyCss } from '../../parts/type';

const ANCHORS = { left: 'start', center: 'middle', right: 'end' } as const;

/** A chart as one picture that says what is in it. */
export function Drawn(props: {
  element: ChartElement;
  theme: Theme;
  isWide?: boolean;
}): ReactElement {
  const { element, theme } = props;
  const { w, h } = element.box;
  const marks = useMemo(() => chartMarks(element, theme), [element, theme]);
  return (
    <svg
      viewBox={`0 0 ${w} ${h}`}
      className={props.isWide ? 'h-auto w-full' : 'size-full'}
      role="img"
      aria-label={chartWords(element)}
      fontFamily={familyCss(theme.type.caption.family)}
    >
      {marks.map((mark, index) => {
        switch (mark.kind) {
          case 'area':
            return <path key={index} d={mark.path} fill={mark.colour} />;
          case 'stroke':
            return (
              <path
                key={index}
                d={mark.path}
                fill="none"
                stroke={mark.colour}
                strokeWidth={mark.weight}
                strokeDasharray={mark.dashes.join(' ') || undefined}
                strokeLinejoin="round"
              />
            );
          case 'words':
            return (
              <text
                key={index}
                x={mark.x}
                y={mark.y}
                fontSize={mark.size}
                fill={mark.colour}
                textAnchor={ANCHORS[mark.align]}
              >
                {mark.words}
              </text>
            );
        }
      })}
    </svg>
  );
}
