import {
  isSolid,
  standOf,
  textEdge,
  textFill,
  textHeight,
  textPadding,
  textType,
  wordsOf,
  type TextElement,
  type Theme,
} from '@gobrel/core';
import type { ReactElement } from 'react';
import { fillCss } from '../../parts/fill';
import { RichTextView } from '../../parts/RichTextView';
import { typeCss, uprightCss } from '../../parts/type';
import { wordLinks, type BodyProps } from '../kind';

/** How much smaller words are set so that they fit their box; 1 as large as they should be. */
function shrinkOf(element: TextElement, theme: Theme): number {
  if (element.fit !== 'shrink') return 1;
  const type = textType(element, theme);
  const width = element.box.w - 2 * textPadding(element, theme);
  // Smaller words break differently, so the fit is sought and not reckoned.
  let shrink = 1;
  while (shrink > 0.3) {
    const set = { ...type, size: type.size * shrink };
    if (textHeight(element.text, width, set, element.columns) <= element.box.h) break;
    shrink -= 0.05;
  }
  return shrink;
}

export function Body(props: BodyProps<TextElement>): ReactElement {
  const { element, theme, words } = props;
  const { columns, layer, style } = element;
  const type = textType(element, theme);
  const fill = textFill(element, theme);
  const isPiece = layer === 'pieces';
  const isCard = isPiece || style === 'choice';
  const padding = textPadding(element, theme);
  const edge = textEdge(element, theme);
  const stand = standOf(element);
  const isPlate = isSolid(stand);
  const isAdorned = style === 'title' && !isPiece && wordsOf(element.text) !== '';
  return (
    <div
      className={`slide-text stand-${stand} flex size-full flex-col ${isCard && fill !== 'none' ? `dress dress-${isPiece ? 'card' : theme.dress.choice}` : ''}`}
      style={{
        ...typeCss(type, shrinkOf(element, theme)),
        ...uprightCss[type.upright],
        ...(fill === 'none' ? {} : { background: fillCss(fill, '') }),
        ...(fill !== 'none' && !isCard && !isPlate ? { borderRadius: 10 } : {}),
        // Plates that lie edge to edge are one: nothing shines through between them.
        ...(isPlate ? { boxShadow: `0 0 0 1px ${fillCss(fill, '')}` } : {}),
        ...(edge ? { '--dress-line': edge } : { outline: 'none' }),
        padding: isCard ? `0 ${padding}px` : padding,
      }}
    >
      <div
        className={isAdorned ? `adorned adorned-${type.align}` : undefined}
        // Its ornament stands where its words begin.
        dir={isAdorned ? 'auto' : undefined}
        style={columns > 1 ? { columnCount: columns, columnGap: type.size } : undefined}
      >
        {words ??
          (wordsOf(element.text) === '' && !isCard ? null : (
            <RichTextView text={element.text} links={wordLinks(props)} typeSize={type.size} />
          ))}
      </div>
    </div>
  );
}
