import {
  creditLine,
  pictureFrame,
  shapePath,
  type Adjustments,
  type PictureElement,
} from '@gobrel/core';
import type { CSSProperties, ReactElement } from 'react';
import { assetUrl } from '../../api/assets';
import { SHADOW_FILTER } from '../../parts/fill';
import { usePrefersStill } from './usePrefersStill';
import { ShapeOutline } from '../../parts/ShapeOutline';
import type { BodyProps } from '../kind';

export function Body(props: BodyProps<PictureElement>): ReactElement {
  const { element, theme, scale } = props;
  const { box, mask, points, alt, asset } = element;
  const isStill = usePrefersStill() && asset.isAnimated;
  const { whole, seen } = pictureFrame(element);
  const credit = element.showsCredit ? creditLine(element.credit) : '';
  const turn = `scale(${element.isFlippedAcross ? -1 : 1}, ${element.isFlippedDown ? -1 : 1})`;
  return (
    <div className="absolute inset-0" style={{ filter: SHADOW_FILTER[element.shadow] }}>
      <div
        className="absolute inset-0 overflow-hidden"
        style={
          mask === 'rectangle'
            ? undefined
            : { clipPath: `path(evenodd, "${shapePath(mask, box.w, box.h, points)}")` }
        }
      >
        <div
          className="absolute overflow-hidden"
          // What is seen is flipped, not the whole picture: the part stays the same.
          style={{ ...rect(seen), transform: turn === 'scale(1, 1)' ? undefined : turn }}
        >
          <img
            src={assetUrl(asset, whole.w * scale, isStill)}
            alt={element.isDecoration ? '' : alt}
            draggable={false}
            decoding="async"
            className="absolute max-w-none select-none"
            style={{
              ...rect({ ...whole, x: whole.x - seen.x, y: whole.y - seen.y }),
              filter: adjustFilter(element.adjust),
            }}
          />
        </div>
        {credit && (
          <div
            className="slide-text absolute inset-x-0 bottom-0 truncate bg-ink/65 px-2 text-white"
            style={{ fontSize: 15, lineHeight: '24px' }}
          >
            {credit}
          </div>
        )}
      </div>
      <ShapeOutline
        shape={mask}
        points={points}
        theme={theme}
        w={box.w}
        h={box.h}
        outline={element.outline}
      />
    </div>
  );
}

const rect = ({ x, y, w, h }: { x: number; y: number; w: number; h: number }): CSSProperties => ({
  left: x,
  top: y,
  width: w,
  height: h,
});

/** Soft adjustments: at most half as bright or as strong again. */
function adjustFilter({ brightness, contrast, colour, warmth }: Adjustments): string | undefined {
  const parts = [
    brightness ? `brightness(${1 + brightness * 0.5})` : '',
    contrast ? `contrast(${1 + contrast * 0.5})` : '',
    colour ? `saturate(${1 + colour})` : '',
    warmth > 0 ? `sepia(${warmth * 0.45})` : warmth < 0 ? `hue-rotate(${-warmth * 18}deg)` : '',
  ].filter(Boolean);
  return parts.length > 0 ? parts.join(' ') : undefined;
}
