import {
  CHOICE_PADDING,
  PIECE_PADDING,
  QUESTION_CARD,
  THEME_COLOURS,
  wordsOf,
  type Box,
  type ElementId,
  type Link,
  type LinkId,
  type OptionId,
  type QuestionElement,
  type ShapeElement,
  type SlideElement,
  type TextElement,
  type ThemeName,
} from '@gobrel/core';
import { memo, type CSSProperties, type ReactElement, type ReactNode } from 'react';
import { assetUrl } from '../api/assets';
import { QUESTION_VIEWS } from '../questions/registry';
import { RichTextView, type WordLinks } from './RichTextView';
import { textStyle } from './theme';

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
}

export const boxStyle = (box: Box): CSSProperties => ({
  position: 'absolute',
  left: box.x,
  top: box.y,
  width: box.w,
  height: box.h,
});

export const ElementView = memo(function ElementView(props: ElementViewProps): ReactElement {
  const { element, link, onFollow } = props;
  const body = <ElementBody {...props} />;
  const common = { style: boxStyle(element.box), 'data-element': element.id };
  if (!link || !onFollow) return <div {...common}>{body}</div>;
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
  const { element, theme } = props;
  const wordLinks: WordLinks = {
    isLink: (linkId) => props.links.some((link) => link.id === linkId),
    follow: props.onFollow,
  };
  switch (element.kind) {
    case 'text':
      return <TextBody element={element} theme={theme} links={wordLinks} words={props.words} />;
    case 'shape':
      return <ShapeBody element={element} theme={theme} links={wordLinks} words={props.words} />;
    case 'picture':
      return (
        <img
          src={assetUrl(element.asset, element.box.w * props.scale)}
          alt={element.alt}
          draggable={false}
          decoding="async"
          className="size-full select-none"
          style={{ objectFit: element.fit === 'stretch' ? 'fill' : element.fit }}
        />
      );
    case 'hotspot':
      return <div className="size-full" />;
    case 'line': {
      const { w, h } = element.box;
      const [from, to] = element.slope === 'down' ? [0, h] : [h, 0];
      return (
        <svg width={w} height={h} className="absolute inset-0 overflow-visible" aria-hidden>
          <line
            {...{ x1: 0, y1: from, x2: w, y2: to }}
            stroke={element.colour || THEME_COLOURS[theme].ink}
            strokeWidth={element.weight}
            strokeLinecap="round"
          />
        </svg>
      );
    }
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
          theme={theme}
          words={props.words}
          ways={optionWays(props.links, element.id)}
          onFollow={props.onFollow}
        />
      );
  }
}

function TextBody(props: {
  element: TextElement;
  theme: ThemeName;
  links: WordLinks;
  words?: ReactNode;
}): ReactElement {
  const { element, theme } = props;
  const isChoice = element.style === 'choice';
  const isPiece = element.layer === 'pieces';
  const card = isChoice || isPiece;
  const words = wordsOf(element.text);
  return (
    <div
      className={`slide-text size-full ${card ? 'flex items-center rounded-[10px]' : ''}`}
      style={{
        ...textStyle(element.style, theme, isPiece ? '' : element.colour, element.size),
        ...(card
          ? {
              background: THEME_COLOURS[theme].choiceFill,
              padding: `0 ${isPiece ? PIECE_PADDING : CHOICE_PADDING}px`,
            }
          : {}),
        ...(isPiece ? { color: '#1E2B32', textAlign: 'center', border: '2px solid #DED6C6' } : {}),
      }}
    >
      <div className="w-full">
        {props.words ??
          (words === '' && !card ? null : <RichTextView text={element.text} links={props.links} />)}
      </div>
    </div>
  );
}

const SHAPE_PATHS: Record<
  ShapeElement['shape'],
  (w: number, h: number, fill: string) => ReactElement
> = {
  rectangle: (w, h, fill) => <rect width={w} height={h} fill={fill} />,
  rounded: (w, h, fill) => <rect width={w} height={h} rx={Math.min(24, h / 2)} fill={fill} />,
  ellipse: (w, h, fill) => <ellipse cx={w / 2} cy={h / 2} rx={w / 2} ry={h / 2} fill={fill} />,
  triangle: (w, h, fill) => <path d={`M${w / 2} 0 L${w} ${h} H0Z`} fill={fill} />,
};

function ShapeBody(props: {
  element: ShapeElement;
  theme: ThemeName;
  links: WordLinks;
  words?: ReactNode;
}): ReactElement {
  const { element, theme } = props;
  const { w, h } = element.box;
  return (
    <>
      <svg width={w} height={h} className="absolute inset-0" aria-hidden>
        {SHAPE_PATHS[element.shape](w, h, element.fill || THEME_COLOURS[theme].shapeFill)}
      </svg>
      <div
        className="slide-text relative flex size-full items-center justify-center p-3 text-center"
        style={textStyle('body', theme, element.colour)}
      >
        <div>{props.words ?? <RichTextView text={element.text} links={props.links} />}</div>
      </div>
    </>
  );
}

/** The links that options of a question carry; of the picked options only, if those are given. */
export const optionWays = (
  links: readonly Link[],
  questionId: ElementId,
  picked?: readonly OptionId[],
): Link[] =>
  links.filter(
    ({ carrier }) =>
      carrier.kind === 'option' &&
      carrier.elementId === questionId &&
      (picked?.includes(carrier.optionId) ?? true),
  );

/** A question as it stands on a slide that nobody answers on: prompt, options, and where options lead. */
export function QuestionCard(props: {
  element: QuestionElement;
  theme: ThemeName;
  words?: ReactNode;
  ways?: readonly Link[];
  onFollow?: (linkId: LinkId) => void;
  children?: ReactNode;
}): ReactElement {
  const { element, onFollow } = props;
  const { Still } = QUESTION_VIEWS[element.question.kind];
  return (
    <div
      className="slide-text flex max-h-full w-full flex-col gap-3 overflow-auto rounded-[10px] p-5"
      style={{
        ...textStyle('body', 'paper', ''),
        fontSize: QUESTION_CARD.size,
        background: '#FFFFFF',
        border: '2px solid #DED6C6',
      }}
    >
      <div className="font-semibold">{props.words ?? <RichTextView text={element.text} />}</div>
      {props.children ?? <Still question={element.question} />}
      {onFollow && <OptionWays ways={props.ways ?? []} onFollow={onFollow} />}
    </div>
  );
}

/** One handle for each option that leads on. */
export function OptionWays(props: {
  ways: readonly Link[];
  onFollow: (linkId: LinkId) => void;
}): ReactElement | null {
  if (props.ways.length === 0) return null;
  return (
    <div className="flex flex-wrap gap-[0.5em]">
      {props.ways.map((link) => (
        <button
          key={link.id}
          type="button"
          onClick={() => props.onFollow(link.id)}
          className="rounded-[8px] border-2 border-[#e6c4b6] bg-sheet px-[0.8em] py-[0.35em] font-semibold text-ember-deep"
        >
          {link.wording || 'On'} →
        </button>
      ))}
    </div>
  );
}
