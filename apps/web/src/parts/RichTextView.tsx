import {
  ALIGNMENTS,
  LINK_MARK,
  runSize,
  type LinkId,
  type RichMark,
  type RichNode,
  type RichText,
  asId,
} from '@gobrel/core';
import { Fragment, type CSSProperties, type ReactElement, type ReactNode } from 'react';
import { highlighted } from './highlighted';
import { withFormulas } from './withFormulas';

/** What words that carry a link do; without it they are only shown as linked. */
export interface WordLinks {
  isLink(linkId: LinkId): boolean;
  follow?(linkId: LinkId): void;
}

const MARKS: Record<
  string,
  (children: ReactNode, mark: RichMark, typeSize: number) => ReactElement
> = {
  bold: (children) => <strong>{children}</strong>,
  italic: (children) => <em>{children}</em>,
  underline: (children) => <u>{children}</u>,
  strike: (children) => <s>{children}</s>,
  superscript: (children) => <sup>{children}</sup>,
  subscript: (children) => <sub>{children}</sub>,
  highlight: (children, mark) => <mark style={highlighted(colourOf(mark))}>{children}</mark>,
  textStyle: (children, mark, typeSize) => {
    const size = runSize([mark]);
    return (
      <span
        style={{
          color: colourOf(mark),
          // Of the text around it, so that it shrinks along with that.
          fontSize: size ? `${size / typeSize}em` : undefined,
        }}
      >
        {children}
      </span>
    );
  },
};

const colourOf = ({ attrs }: RichMark): string | undefined =>
  typeof attrs?.color === 'string' && /^#[0-9a-f]{6}$/i.test(attrs.color) ? attrs.color : undefined;

interface Context {
  links?: WordLinks;
  typeSize: number;
}

/**
 * Rich text as the document holds it; nodes and marks it does not know become plain. `typeSize` is what the words
 * around are set in, in slide units.
 */
export function RichTextView(props: {
  text: RichText;
  links?: WordLinks;
  typeSize?: number;
}): ReactElement {
  const context = { links: props.links, typeSize: props.typeSize ?? 30 };
  return <>{props.text.content.map((node, index) => renderNode(node, index, context))}</>;
}

function renderNode(node: RichNode, key: number, context: Context): ReactNode {
  if (node.text !== undefined) return <Fragment key={key}>{renderRun(node, context)}</Fragment>;
  const children = (node.content ?? []).map((child, index) => renderNode(child, index, context));
  switch (node.type) {
    case 'bulletList':
      // Its signs stand where its first letter begins.
      return (
        <ul key={key} dir="auto">
          {children}
        </ul>
      );
    case 'orderedList':
      return (
        <ol key={key} dir="auto">
          {children}
        </ol>
      );
    case 'listItem':
      return <li key={key}>{children}</li>;
    case 'hardBreak':
      return <br key={key} />;
    default:
      return (
        <p key={key} style={alignOf(node)}>
          {children.length > 0 ? children : <br />}
        </p>
      );
  }
}

function alignOf({ attrs }: RichNode): CSSProperties | undefined {
  const name =
    attrs?.textAlign === 'left' ? 'start' : attrs?.textAlign === 'right' ? 'end' : attrs?.textAlign;
  const align = ALIGNMENTS.find((one) => one === name);
  return align ? { textAlign: align } : undefined;
}

function renderRun(node: RichNode, { links, typeSize }: Context): ReactNode {
  let run: ReactNode = withFormulas(node.text ?? '');
  for (const mark of node.marks ?? []) {
    const linkId = mark.type === LINK_MARK ? asId<LinkId>(mark.attrs?.linkId) : null;
    if (linkId) {
      if (links?.isLink(linkId))
        run = (
          <WordLink linkId={linkId} links={links}>
            {run}
          </WordLink>
        );
    } else run = MARKS[mark.type]?.(run, mark, typeSize) ?? run;
  }
  return run;
}

function WordLink(props: { linkId: LinkId; links: WordLinks; children: ReactNode }): ReactElement {
  const { follow } = props.links;
  const looks = 'pointer-events-auto underline decoration-2 underline-offset-4 decoration-ember';
  if (!follow) return <span className={looks}>{props.children}</span>;
  return (
    <button type="button" className={looks} onClick={() => follow(props.linkId)}>
      {props.children}
    </button>
  );
}
