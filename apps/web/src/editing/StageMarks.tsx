import {
  STAGE,
  textHeight,
  textPadding,
  textType,
  type SlideElement,
  type TextElement,
  type TextStyle,
  type Theme,
} from '@gobrel/core';
import type { ReactElement } from 'react';
import { boxStyle } from '../parts/boxStyle';
import { typeCss } from '../parts/type';

/* What is seen while editing only: the pasteboard, and what texts say of themselves. */

/** While the background is worked on, what lies over it is only hinted at. */
export const dimmed = (element: SlideElement, drawn: ReactElement): ReactElement =>
  element.layer === 'background' ? (
    drawn
  ) : (
    <div key={element.id} className="pointer-events-none opacity-20">
      {drawn}
    </div>
  );

/** Around the stage: what lies here is spare and never shown. */
export function Pasteboard(props: { scale: number; isOnBackground: boolean }): ReactElement {
  const far = 20_000;
  const { width, height } = STAGE;
  const veil = 'pointer-events-none absolute bg-sand/70';
  return (
    <div aria-hidden>
      <div className={veil} style={{ left: -far, top: -far, width: 2 * far, height: far }} />
      <div className={veil} style={{ left: -far, top: height, width: 2 * far, height: far }} />
      <div className={veil} style={{ left: -far, top: 0, width: far, height }} />
      <div className={veil} style={{ left: width, top: 0, width: far, height }} />
      <div
        className="pointer-events-none absolute inset-0"
        style={{
          outline: props.isOnBackground
            ? `${3 / props.scale}px solid var(--color-brass)`
            : `${1 / props.scale}px solid var(--color-line)`,
        }}
      />
    </div>
  );
}

const INVITATIONS: Record<TextStyle, string> = {
  title: 'A title goes here',
  subtitle: 'A subtitle goes here',
  heading: 'A heading goes here',
  body: 'Text goes here',
  caption: 'A caption goes here',
  choice: 'A choice goes here',
};

/** An empty text would not be seen: it invites to write, on the stage only. */
export function Invitation(props: {
  element: Extract<SlideElement, { kind: 'text' }>;
  theme: Theme;
  scale: number;
  /** What it says instead of what such a text says anyway. */
  prompt?: string;
}): ReactElement {
  const { element, theme, scale } = props;
  return (
    <span
      aria-hidden
      className="pointer-events-none block overflow-hidden border-dashed border-current opacity-55"
      style={{
        ...boxStyle(element.box, element.rotation),
        ...typeCss(textType(element, theme)),
        borderWidth: 1.5 / scale,
      }}
    >
      {props.prompt ?? INVITATIONS[element.style]}
    </span>
  );
}

/** Whether the words of a text with a fixed box need more room than it has. Half a line is let be. */
export function isTooSmall(element: TextElement, theme: Theme): boolean {
  if (element.fit !== 'fixed') return false;
  const type = textType(element, theme);
  const padding = textPadding(element, theme);
  const height = textHeight(element.text, element.box.w - 2 * padding, type, element.columns);
  return height > element.box.h + (type.size * type.leading) / 2;
}

export function RunsOver({
  element,
  scale,
}: {
  element: TextElement;
  scale: number;
}): ReactElement {
  return (
    <div
      className="pointer-events-none border-brass"
      style={{ ...boxStyle(element.box, element.rotation), borderBottomWidth: 3 / scale }}
    >
      <span
        role="note"
        className="absolute top-full right-0 rounded-b-[3px] bg-brass px-1.5 text-white"
        style={{ fontSize: 11 / scale, lineHeight: 1.6 }}
      >
        words run out of the box
      </span>
    </div>
  );
}
