import { type Theme } from '@gobrel/core';
import type { ReactElement } from 'react';
import { StrokeMark } from '../parts/StrokeMark';
import { boxStyle } from '../parts/boxStyle';
import type { Sketch } from './StageHands';

/** What goes with a gesture: guides, frames, the stroke under the pen. */
export function SketchView(props: { sketch: Sketch; theme: Theme; scale: number }): ReactElement {
  const { sketch, scale } = props;
  const { guides = [], frame, ghosts = [], stroke, line } = sketch;
  return (
    <div
      className="pointer-events-none absolute inset-0 will-change-transform contain-[layout_size_style]"
      aria-hidden
    >
      {guides.map(({ axis, at, from, to, is }, index) => {
        const isGap = is === 'gap';
        const thick = (isGap ? 5 : 1) / scale;
        const mark = isGap ? 'bg-brass/50' : is === 'middle' ? 'bg-petrol' : 'bg-brass';
        return (
          <div
            key={index}
            className={`absolute ${mark}`}
            style={
              axis === 'x'
                ? { left: at - thick / 2, top: from, width: thick, height: to - from }
                : { top: at - thick / 2, left: from, height: thick, width: to - from }
            }
          />
        );
      })}
      {ghosts.map((box, index) => (
        <div
          key={index}
          className="border-petrol bg-petrol/10"
          style={{ ...boxStyle(box), borderWidth: 1.5 / scale }}
        />
      ))}
      {frame && (
        <div
          className="border-petrol bg-petrol/8"
          style={{ ...boxStyle(frame), borderWidth: 1 / scale }}
        />
      )}
      {(stroke || line) && (
        <svg className="absolute inset-0 size-full overflow-visible">
          {stroke && <StrokeMark stroke={stroke} ink={props.theme.colours.ink} />}
          {line && (
            <path
              d={`M${line.map(({ x, y }) => `${x} ${y}`).join('L')}`}
              stroke={props.theme.colours.ink}
              strokeWidth={4}
              fill="none"
            />
          )}
        </svg>
      )}
    </div>
  );
}
