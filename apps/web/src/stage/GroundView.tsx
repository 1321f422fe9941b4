import { groundFrame, STAGE, type Slide, type SlideElement, type Theme } from '@gobrel/core';
import { lazy, memo, Suspense, type ReactElement } from 'react';
import { assetUrl } from '../api/assets';
import { fillCss } from '../parts/fill';
import { usePrefersStill } from '../elements/picture/usePrefersStill';

/** What draws scenery is fetched when a slide has some; without a network the slide stands on its plain paper. */
const SceneryView = lazy(() =>
  import('./SceneryView').catch(() => ({ default: (): ReactElement | null => null })),
);

/** What lies under everything on a slide: fill, picture, tint. In slide units. */
export const GroundView = memo(function GroundView(props: {
  slide: Slide;
  theme: Theme;
  scale: number;
  isElsewhere?: (element: SlideElement) => boolean;
}): ReactElement {
  const { slide, theme, scale } = props;
  const { ground } = slide;
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
      style={{ background: fillCss(ground.fill, theme.colours.paper) }}
    >
      {theme.amount !== 'none' && (
        <Suspense fallback={null}>
          <SceneryView slide={slide} theme={theme} isElsewhere={props.isElsewhere} />
        </Suspense>
      )}
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
