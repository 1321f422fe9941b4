import {
  STAGE,
  THEME_COLOURS,
  type ElementId,
  type Link,
  type LinkId,
  type Slide,
  type SlideElement,
  type ThemeName,
} from '@gobrel/core';
import { memo, useRef, type ReactElement, type ReactNode } from 'react';
import { useSize } from '../ui/useSize';
import { ElementView } from './ElementView';

/** What a view adds to the one renderer. Everything it leaves out is drawn still. */
export interface StageBehaviour {
  /** Makes links live. */
  onFollow?: (linkId: LinkId) => void;
  /** Things that this view draws elsewhere, or not at all. */
  isHidden?: (element: SlideElement) => boolean;
  /** Draws an element in the view's own way: a piece that moves, a question that is answered, a text being typed. */
  renderElement?: (element: SlideElement, drawn: ReactElement) => ReactElement | null;
  /** Over everything, in slide units: handles, guides. */
  overlay?: ReactNode;
}

export interface SlideViewProps extends StageBehaviour {
  slide: Slide;
  theme: ThemeName;
  /** The links that leave the slide. */
  links?: readonly Link[];
  /** In CSS pixels; the height follows. */
  width: number;
  label?: string;
}

const NO_LINKS: readonly Link[] = [];

/** One slide, drawn for every view: stage, card, student, show and big screen. 1280 × 720 units, scaled. */
export const SlideView = memo(function SlideView(props: SlideViewProps): ReactElement {
  const { slide, theme, width, links = NO_LINKS, isHidden, renderElement } = props;
  const scale = width / STAGE.width;
  const byElement = new Map<ElementId, Link>();
  for (const link of links) {
    if (link.carrier.kind === 'element') byElement.set(link.carrier.elementId, link);
  }
  return (
    <div
      className="relative overflow-hidden"
      style={{
        width,
        height: (width * STAGE.height) / STAGE.width,
        background: slide.fill || THEME_COLOURS[theme].paper,
      }}
      role="group"
      aria-label={props.label ?? slide.title}
    >
      <div
        className="absolute left-0 top-0 origin-top-left"
        style={{ width: STAGE.width, height: STAGE.height, transform: `scale(${scale})` }}
      >
        {slide.elements.map((element) => {
          if (isHidden?.(element)) return null;
          const drawn = (
            <ElementView
              key={element.id}
              element={element}
              theme={theme}
              scale={scale}
              link={byElement.get(element.id)}
              links={links}
              onFollow={props.onFollow}
            />
          );
          return renderElement ? renderElement(element, drawn) : drawn;
        })}
        {props.overlay}
      </div>
    </div>
  );
});

/** The largest slide that fits into the space there is. */
export function FittedSlide(
  props: Omit<SlideViewProps, 'width'> & { className?: string },
): ReactElement {
  const { className, ...rest } = props;
  const ref = useRef<HTMLDivElement>(null);
  const { width, height } = useSize(ref);
  const fit = Math.floor(Math.min(width, (height * STAGE.width) / STAGE.height));
  return (
    <div
      ref={ref}
      className={`grid h-full w-full place-items-center overflow-hidden ${className ?? ''}`}
    >
      {fit > 0 && <SlideView {...rest} width={fit} />}
    </div>
  );
}
