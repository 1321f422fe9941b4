import { isInTheWay, type Box, type Link, type SlideElement } from '@gobrel/core';
import { boxStyle } from '../parts/boxStyle';
import { memo, Suspense, type ComponentType, type CSSProperties, type ReactElement } from 'react';
import { BODIES } from '../elements/bodies';
import type { BodyProps } from '../elements/kind';

export interface ElementViewProps extends BodyProps {
  /** The link that the whole element carries. */
  link?: Link;
  /** Where it lay before it was taken up: it is being moved. */
  liftedFrom?: Box;
}

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
  const { box, rotation, opacity, comes } = element;
  const body = <ElementBody {...props} />;
  const style = {
    ...placedStyle(box, rotation, props.liftedFrom),
    ...(opacity < 1 ? { opacity } : {}),
    ...(comes > 0 ? { '--comes': comes } : {}),
  };
  const common = {
    style,
    'data-element': element.id,
    ...(comes > 0 && { 'data-comes': comes }),
  };
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
export function ElementBody(props: BodyProps): ReactElement | null {
  const Body = BODIES[props.element.kind] as ComponentType<BodyProps> | null;
  return (
    Body && (
      <Suspense>
        <Body {...props} />
      </Suspense>
    )
  );
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
