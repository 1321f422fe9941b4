import { coloursOf, groundFrame, STAGE, type Ground, type ThemeName } from '@gobrel/core';
import { memo, type ReactElement } from 'react';
import { assetUrl } from '../api/assets';
import { fillCss } from '../parts/fill';
import { usePrefersStill } from '../elements/picture/usePrefersStill';

/** What lies under everything on a slide: fill, picture, tint. In slide units. */
export const GroundView = memo(function GroundView(props: {
  ground: Ground;
  theme: ThemeName;
  scale: number;
}): ReactElement {
  const { ground, theme, scale } = props;
  const { picture, tint } = ground;
  const isStill = usePrefersStill();
  const frame = picture && groundFrame(picture);
  const url =
    picture &&
    frame &&
    assetUrl(picture.asset, frame.w * scale, isStill && picture.asset.isAnimated);
  return (
    <div
      aria-hidden
      className="pointer-events-none absolute inset-0 overflow-hidden"
      style={{ background: fillCss(ground.fill, coloursOf(theme).paper) }}
    >
      {picture && frame && picture.fit !== 'tile' && (
        <img
          src={url!}
          alt=""
          draggable={false}
          decoding="async"
          className="absolute max-w-none select-none"
          style={{ left: frame.x, top: frame.y, width: frame.w, height: frame.h }}
        />
      )}
      {picture && frame && picture.fit === 'tile' && (
        <div
          className="absolute inset-0"
          style={{
            backgroundImage: `url("${url}")`,
            backgroundSize: `${frame.w}px ${frame.h}px`,
            backgroundPosition: `${picture.x * STAGE.width}px ${picture.y * STAGE.height}px`,
          }}
        />
      )}
      {tint && (
        <div
          className="absolute inset-0"
          style={{ background: tint, opacity: ground.tintStrength }}
        />
      )}
    </div>
  );
});
