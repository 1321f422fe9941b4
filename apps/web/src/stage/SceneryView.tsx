import {
  sceneryOf,
  STAGE,
  type Scenery,
  type Slide,
  type SlideElement,
  type Theme,
} from '@gobrel/core';
import { drawScenery, pathOf } from '@gobrel/core/scenery';
import { memo, useId, useMemo, type ReactElement } from 'react';

/** The picture in the background of a slide, in slide units. */
export default function SceneryView(props: {
  slide: Slide;
  theme: Theme;
  isElsewhere?: (element: SlideElement) => boolean;
}): ReactElement | null {
  const { slide, theme, isElsewhere } = props;
  const scenery = useMemo(() => sceneryOf(slide, theme, isElsewhere), [slide, theme, isElsewhere]);
  return scenery && <Drawn scenery={scenery} />;
}

const Drawn = memo(
  function Drawn({ scenery }: { scenery: Scenery }): ReactElement {
    const id = useId();
    const marks = useMemo(() => drawScenery(scenery), [scenery]);
    return (
      <svg
        data-scenery={scenery.isQuiet ? 'quiet' : 'full'}
        viewBox={`0 0 ${STAGE.width} ${STAGE.height}`}
        className="absolute inset-0 size-full"
      >
        {marks.map((mark, at) => {
          const { paint, width, alpha } = mark;
          const isPlain = typeof paint === 'string';
          const colour = isPlain ? paint : `url(#${id}${at})`;
          return (
            <g key={at}>
              {!isPlain && (
                <linearGradient id={`${id}${at}`} x1="0" x2="0" y1="0" y2="1">
                  <stop stopColor={paint.from} />
                  <stop offset="1" stopColor={paint.to} />
                </linearGradient>
              )}
              <path
                d={pathOf(mark)}
                opacity={alpha}
                fill={width > 0 ? 'none' : colour}
                {...(width > 0 && {
                  stroke: colour,
                  strokeWidth: width,
                  strokeLinecap: 'round',
                  strokeLinejoin: 'round',
                })}
              />
            </g>
          );
        })}
      </svg>
    );
  },
  ({ scenery: one }, { scenery: other }) =>
    one.name === other.name &&
    one.role === other.role &&
    one.seed === other.seed &&
    one.isQuiet === other.isQuiet &&
    one.theme === other.theme,
);
