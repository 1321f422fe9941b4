import {
  coloursOf,
  shapePath,
  SHAPE_PADDING,
  shapeType,
  shapeWordsBox,
  wordsOf,
  type Outline,
  type ShapeElement,
  type ShapeName,
  type ThemeName,
} from '@gobrel/core';
import type { ReactElement, ReactNode } from 'react';
import { dashLengths } from './dash';
import { SHADOW_FILTER, useSvgFill } from './fill';
import { RichTextView, type WordLinks } from './RichTextView';
import { typeCss, uprightCss } from './type';

export function ShapeBody(props: {
  element: ShapeElement;
  theme: ThemeName;
  links: WordLinks;
  words?: ReactNode;
}): ReactElement {
  const { element, theme } = props;
  const { box, shape, points, isFlippedAcross, isFlippedDown } = element;
  const { w, h } = box;
  const type = shapeType(element, theme);
  const room = shapeWordsBox(shape, w, h);
  const { paint, definition } = useSvgFill(element.fill, coloursOf(theme).shapeFill);
  const flip = `scale(${isFlippedAcross ? -1 : 1}, ${isFlippedDown ? -1 : 1})`;
  return (
    <>
      <svg
        width={w}
        height={h}
        className="absolute inset-0 overflow-visible"
        aria-hidden
        style={{
          filter: SHADOW_FILTER[element.shadow],
          transform: isFlippedAcross || isFlippedDown ? flip : undefined,
        }}
      >
        {definition}
        <path
          d={shapePath(shape, w, h, points)}
          fill={paint}
          fillRule="evenodd"
          {...outlineProps(element.outline, theme)}
        />
      </svg>
      {(props.words || wordsOf(element.text) !== '') && (
        <div
          className="slide-text absolute flex flex-col"
          style={{
            ...{ left: room.x, top: room.y, width: room.w, height: room.h },
            ...typeCss(type),
            ...uprightCss[type.upright],
            padding: SHAPE_PADDING,
          }}
        >
          <div>
            {props.words ?? (
              <RichTextView text={element.text} links={props.links} typeSize={type.size} />
            )}
          </div>
        </div>
      )}
    </>
  );
}

/** How an outline is stroked; nothing when it has no weight. */
export function outlineProps(
  { weight, colour, dash }: Outline,
  theme: ThemeName,
): Record<string, string | number | undefined> {
  if (weight === 0) return { stroke: 'none' };
  return {
    stroke: colour || coloursOf(theme).ink,
    strokeWidth: weight,
    strokeDasharray: dashLengths(dash, weight).join(' ') || undefined,
    strokeLinecap: 'round',
    strokeLinejoin: 'round',
  };
}

/** Only the outline of a shape, over what is cut to it. */
export function ShapeOutline(props: {
  shape: ShapeName;
  points: readonly number[];
  w: number;
  h: number;
  outline: Outline;
  theme: ThemeName;
}): ReactElement | null {
  if (props.outline.weight === 0) return null;
  return (
    <svg
      width={props.w}
      height={props.h}
      className="pointer-events-none absolute inset-0 overflow-visible"
      aria-hidden
    >
      <path
        d={shapePath(props.shape, props.w, props.h, props.points)}
        fill="none"
        {...outlineProps(props.outline, props.theme)}
      />
    </svg>
  );
}
