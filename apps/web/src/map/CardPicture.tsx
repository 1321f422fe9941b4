import { type Link, type Slide, type DeckTheme, themeOn, titleOf } from '@gobrel/core';
import { memo, useEffect, useSyncExternalStore, type ReactElement } from 'react';
import { farTitle } from '../cards/farTitle';
import { fillCss } from '../parts/fill';
import { SlideView } from '../stage/SlideView';
import { CARD_PICTURE, cardPictures } from './cardPictures';

/** A slide as a small picture, painted once for each change in a worker; the last one stays until then. */
export const CardPicture = memo(function CardPicture(props: {
  slide: Slide;
  theme: DeckTheme;
  links: readonly Link[];
}): ReactElement {
  const { slide, theme, links } = props;
  const pictures = cardPictures();
  const url = useSyncExternalStore(
    (listener) => pictures?.subscribe(slide.id, listener) ?? (() => undefined),
    () => pictures?.urlOf(slide.id),
  );
  useEffect(() => pictures?.want(slide, theme, links), [pictures, slide, theme, links]);
  if (!pictures) return <SlideView slide={slide} theme={theme} links={links} width={136} />;
  return (
    <div
      className="relative"
      data-title={farTitle(titleOf(slide), 22, 3)}
      data-words={farTitle(titleOf(slide), 32, 2)}
      style={{
        width: CARD_PICTURE.width / 2,
        height: CARD_PICTURE.height / 2,
        background: fillCss(slide.ground.fill, themeOn(slide, theme).colours.paper),
      }}
    >
      {url && (
        <img
          src={url}
          alt=""
          draggable={false}
          decoding="async"
          width={CARD_PICTURE.width / 2}
          height={CARD_PICTURE.height / 2}
        />
      )}
    </div>
  );
});
