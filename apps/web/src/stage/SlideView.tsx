import {
  drawnOf,
  groupsAround,
  holdsMembers,
  STAGE,
  themeOn,
  titleOf,
  WHOLE_SLIDE,
  type Box,
  type Camera,
  type DeckTheme,
  type ElementId,
  type Link,
  type LinkId,
  type Slide,
  type SlideElement,
} from '@gobrel/core';
import {
  memo,
  type CSSProperties,
  useMemo,
  useRef,
  type ReactElement,
  type ReactNode,
} from 'react';
import { useSize } from '../ui/useSize';
import { ElementView } from './ElementView';
import { GroundView } from './GroundView';
import { useSlideNumber } from './WithinDeck';

/** What a view adds to the one renderer. Everything it leaves out is drawn still. */
export interface StageBehaviour {
  /** Makes links live. */
  onFollow?: (linkId: LinkId) => void;
  /** Things that this view draws elsewhere, or not at all. */
  isHidden?: (element: SlideElement) => boolean;
  /** Things that stand outside the picture, below it: scenery need not give way to them. */
  isElsewhere?: (element: SlideElement) => boolean;
  /** Where things that are being moved lay before: they are shifted as they are, and nothing is painted anew. */
  liftedFrom?: (element: SlideElement) => Box | undefined;
  /** Pieces are drawn by the view, groups among them with their members. */
  movesPieces?: boolean;
  /** Draws an element in the view's own way: a piece that moves, a question that is answered, a text being typed. */
  renderElement?: (element: SlideElement, drawn: ReactElement) => ReactElement | null;
  /** Over everything, in slide units: handles, guides. */
  overlay?: ReactNode;
}

export interface SlideViewProps extends StageBehaviour {
  slide: Slide;
  /** The deck's theme; a slide may have one of its own. */
  theme: DeckTheme;
  /** The links that leave the slide. */
  links?: readonly Link[];
  /** In CSS pixels; the height follows. */
  width: number;
  label?: string;
  /** What part of the slide is looked at; all of it when left out. */
  camera?: Camera;
}

const NO_LINKS: readonly Link[] = [];

/** One slide, drawn for every view: stage, card, student, show and big screen. 1280 × 720 units, scaled. */
export const SlideView = memo(function SlideView(props: SlideViewProps): ReactElement {
  const { slide, width, camera = WHOLE_SLIDE } = props;
  const scale = width / STAGE.width;
  return (
    <div
      className="relative overflow-hidden"
      style={{ width, height: (width * STAGE.height) / STAGE.width }}
      role="group"
      aria-label={props.label ?? titleOf(slide)}
    >
      <div
        className="absolute left-0 top-0 origin-top-left transition-transform duration-500 ease-in-out motion-reduce:transition-none"
        style={{
          width: STAGE.width,
          height: STAGE.height,
          transform: `translate(${camera.x * scale}px, ${camera.y * scale}px) scale(${scale * camera.scale})`,
        }}
      >
        <SlideThings {...props} scale={scale * camera.scale} />
        {props.overlay}
      </div>
    </div>
  );
});

/** All that lies on a slide, in slide units and not cut at the stage's edge: for views that scale it themselves. */
export function SlideThings(
  props: Omit<SlideViewProps, 'width' | 'camera' | 'overlay' | 'label'> & { scale: number },
): ReactElement {
  const { slide, scale, links = NO_LINKS, isHidden, isElsewhere, renderElement } = props;
  const theme = themeOn(slide, props.theme);
  const byElement = useMemo(() => {
    const carried = new Map<ElementId, Link>();
    for (const link of links) {
      if (link.carrier.kind === 'element') carried.set(link.carrier.elementId, link);
    }
    return carried;
  }, [links]);
  const inPieces = useMemo(() => membersOfPieces(slide), [slide]);
  const number = useSlideNumber(slide.id);
  return (
    <div
      className="contents"
      data-edge={theme.dress.edge}
      data-bullet={theme.dress.bullet}
      data-ornament={theme.dress.ornament}
      style={
        {
          '--dress-corner': `${theme.dress.corner}px`,
          '--dress-line': theme.colours.line,
          '--dress-mark': theme.colours.head,
        } as CSSProperties
      }
    >
      <GroundView slide={slide} theme={theme} scale={scale} isElsewhere={isElsewhere} />
      {slide.elements.map((element) => {
        if (isHidden?.(element) || isElsewhere?.(element)) return null;
        if (props.movesPieces && inPieces.has(element.id)) return null;
        const drawn = (
          <ElementView
            key={element.id}
            element={element}
            theme={theme}
            scale={scale}
            link={byElement.get(element.id)}
            links={links}
            onFollow={props.onFollow}
            liftedFrom={props.liftedFrom?.(element)}
          />
        );
        return renderElement ? renderElement(element, drawn) : drawn;
      })}
      {number !== undefined && (
        <span
          className="pointer-events-none absolute right-6 bottom-5 min-w-10 px-2 text-center text-[22px] leading-9"
          style={{
            background: theme.colours.paper,
            color: theme.colours.ink,
            borderRadius: theme.dress.corner,
          }}
        >
          {number}
        </span>
      )}
    </div>
  );
}

const NONE: ReadonlySet<ElementId> = new Set();

function membersOfPieces(slide: Slide): ReadonlySet<ElementId> {
  const groups = slide.elements.filter((one) => holdsMembers(one) && one.layer === 'pieces');
  if (groups.length === 0) return NONE;
  return new Set(
    slide.elements
      .filter(({ id, layer }) => layer === 'pieces' && groupsAround(slide.elements, id).length > 0)
      .map(({ id }) => id),
  );
}

/** The things that a group is drawn of. */
export const groupMembers = (slide: Slide, group: SlideElement): SlideElement[] =>
  drawnOf(slide.elements, [group.id]);

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
