import {
  shapePath,
  SHAPE_PADDING,
  shapeType,
  shapeWordsBox,
  wordsOf,
  type ShapeElement,
} from '@gobrel/core';
import type { ReactElement } from 'react';
import { outlineProps } from '../../parts/ShapeOutline';
import { SHADOW_FILTER, useSvgFill } from '../../parts/fill';
import { RichTextView } from '../../parts/RichTextView';
import { typeCss, uprightCss } from '../../parts/type';
import { wordLinks, type BodyProps } from '../kind';

export function Body(props: BodyProps<ShapeElement>): ReactElement {
  const { element, theme } = props;
  const { box, shape, points, isFlippedAcross, isFlippedDown } = element;
  const { w, h } = box;
  const type = shapeType(element, theme);
  const room = shapeWordsBox(shape, w, h);
  const { paint, definition } = useSvgFill(element.fill, theme.colours.shapeFill);
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
            left: room.x,
            top: room.y,
            width: room.w,
            height: room.h,
            ...typeCss(type),
            ...uprightCss[type.upright],
            padding: SHAPE_PADDING,
          }}
        >
          <div>
            {props.words ?? (
              <RichTextView text={element.text} links={wordLinks(props)} typeSize={type.size} />
            )}
          </div>
        </div>
      )}
    </>
  );
}
