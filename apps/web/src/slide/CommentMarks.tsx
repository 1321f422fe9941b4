import type { Slide } from '@gobrel/core';
import type { ReactElement } from 'react';
import { CommentMark, useOpenOn } from '../deck/Comments';
import { labelOf } from '../editing/labelOf';

/** Where something is said to a slide or to a thing on it that is not done yet. */
export function CommentMarks({ slide, scale }: { slide: Slide; scale: number }): ReactElement {
  const open = useOpenOn(slide.id);
  const size = 24 / scale;
  const onSlide = open.get(null) ?? 0;
  return (
    <>
      {onSlide > 0 && (
        <span className="absolute" style={{ right: size / 3, top: size / 3, zIndex: 5 }}>
          <CommentMark count={onSlide} about="this slide" size={size} />
        </span>
      )}
      {slide.elements.map((element) => {
        const count = open.get(element.id) ?? 0;
        const { x, y, w } = element.box;
        return count > 0 ? (
          <span
            key={element.id}
            className="absolute"
            style={{ left: x + w - size / 2, top: y - size / 2, zIndex: 5 }}
          >
            <CommentMark count={count} about={labelOf(element)} size={size} />
          </span>
        ) : null;
      })}
    </>
  );
}
