import {
  isInTheWay,
  shapePath,
  type Box,
  type Link,
  type LinkId,
  type SlideElement,
  type ThemeName,
} from '@gobrel/core';
import { memo, type CSSProperties, type ReactElement, type ReactNode } from 'react';
import { CreditsBody } from '../elements/CreditsBody';
import { InkBody } from '../elements/InkBody';
import { LineBody } from '../elements/LineBody';
import { MediaBody } from '../elements/MediaBody';
import { PictureBody } from '../elements/PictureBody';
import { ShapeBody, ShapeOutline } from '../elements/ShapeBody';
import { TableBody } from '../elements/TableBody';
import { TextBody } from '../elements/TextBody';
import { optionWays, QuestionCard } from './QuestionCard';
import type { WordLinks } from '../elements/RichTextView';

export interface ElementViewProps {
  element: SlideElement;
  theme: ThemeName;
  /** CSS pixels per slide unit, to ask for pictures of the right size. */
  scale: number;
  /** The link that the whole element carries. */
  link?: Link;
  /** All links of the slide, for words that carry one. */
  links: readonly Link[];
  onFollow?: (linkId: LinkId) => void;
  /** Stands in for the element's words while they are being typed. */
  words?: ReactNode;
  /** Where it lay before it was taken up: it is being moved. */
  liftedFrom?: Box;
}

export const boxStyle = (box: Box, rotation = 0): CSSProperties => ({
  position: 'absolute',
  left: box.x,
  top: box.y,
  width: box.w,
  height: box.h,
  ...(rotation ? { rotate: `${rotation}deg` } : {}),
});

/**
 * The same for something that may be on the move. While it is, only its translation changes, so that nothing is laid
 * out or painted anew: it is a picture that is shifted.
 */
export function placedStyle(box: Box, rotation: number, from: Box | undefined): CSSProperties {
  if (!from) return boxStyle(box, rotation);
  if (from.w !== box.w || from.h !== box.h) {
    return { ...boxStyle(box, rotation), willChange: 'transform' };
  }
  return {
    ...boxStyle({ ...box, x: from.x, y: from.y }, rotation),
    translate: `${box.x - from.x}px ${box.y - from.y}px`,
    willChange: 'transform, translate',
  };
}

export const ElementView = memo(function ElementView(props: ElementViewProps): ReactElement {
  const { element, link, onFollow } = props;
  const { box, rotation, opacity } = element;
  const body = <ElementBody {...props} />;
  const style = {
    ...placedStyle(box, rotation, props.liftedFrom),
    ...(opacity < 1 ? { opacity } : {}),
  };
  const common = { style, 'data-element': element.id };
  if (!link || !onFollow) {
    return (
      <div
        {...common}
        className={props.words || isInTheWay(element) ? undefined : 'pointer-events-none'}
      >
        {body}
      </div>
    );
  }
  const follow = (): void => onFollow(link.id);
  return (
    <div
      {...common}
      role="link"
      tabIndex={0}
      aria-label={link.wording || undefined}
      className="cursor-pointer rounded-[6px] transition-transform hover:brightness-[0.97] active:scale-[0.99]"
      onClick={follow}
      onKeyDown={(event) => {
        if (event.key === 'Enter' || event.key === ' ') {
          event.preventDefault();
          follow();
        }
      }}
    >
      {body}
    </div>
  );
});

/** What stands inside an element's box. */
export function ElementBody(props: ElementViewProps): ReactElement {
  const { element, theme, words, scale } = props;
  const links: WordLinks = {
    isLink: (linkId) => props.links.some((link) => link.id === linkId),
    follow: props.onFollow,
  };
  switch (element.kind) {
    case 'text':
      return <TextBody {...{ element, theme, links, words }} />;
    case 'shape':
      return <ShapeBody {...{ element, theme, links, words }} />;
    case 'picture':
      return <PictureBody {...{ element, theme, scale }} />;
    case 'line':
      return <LineBody {...{ element, theme }} />;
    case 'ink':
      return <InkBody {...{ element, theme }} />;
    case 'media':
      return <MediaBody {...{ element, scale }} />;
    case 'table':
      return <TableBody {...{ element, theme, links, words }} />;
    case 'credits':
      return <CreditsBody {...{ element, theme }} />;
    case 'closeup':
      return element.isSeen ? (
        <ShapeOutline
          {...{ theme, shape: element.shape, points: element.points, outline: element.outline }}
          w={element.box.w}
          h={element.box.h}
        />
      ) : (
        <></>
      );
    case 'hotspot':
      // Only the shape itself takes a click or a finger.
      return (
        <div
          className="size-full"
          style={
            element.shape === 'rectangle'
              ? undefined
              : {
                  clipPath: `path("${shapePath(element.shape, element.box.w, element.box.h, element.points)}")`,
                  background: 'rgb(0 0 0 / 0.001)',
                }
          }
        />
      );
    case 'group':
      return <></>;
    case 'zone':
      return (
        <div
          className="size-full rounded-[10px]"
          style={
            element.isVisible
              ? { border: '4px dashed #E8CE86', background: '#ffffff22' }
              : undefined
          }
        />
      );
    case 'question':
      return (
        <QuestionCard
          element={element}
          words={words}
          ways={optionWays(props.links, element.id)}
          onFollow={props.onFollow}
        />
      );
  }
}

/** The members of a group, drawn within its own box: for a group that moves as a piece. */
export function GroupBody(
  props: Omit<ElementViewProps, 'element' | 'link'> & {
    group: SlideElement;
    members: readonly SlideElement[];
  },
): ReactElement {
  const { group, members, ...rest } = props;
  return (
    <>
      {members.map((member) => (
        <div
          key={member.id}
          style={{
            ...boxStyle(
              { ...member.box, x: member.box.x - group.box.x, y: member.box.y - group.box.y },
              member.rotation,
            ),
            opacity: member.opacity,
          }}
        >
          <ElementBody {...rest} element={member} />
        </div>
      ))}
    </>
  );
}
