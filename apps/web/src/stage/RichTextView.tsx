import { LINK_MARK, type LinkId, type RichNode, type RichText } from '@gobrel/core';
import { Fragment, type ReactElement, type ReactNode } from 'react';

/** What words that carry a link do; without it they are only shown as linked. */
export interface WordLinks {
  isLink(linkId: LinkId): boolean;
  follow?(linkId: LinkId): void;
}

const MARKS: Record<string, (children: ReactNode) => ReactElement> = {
  bold: (children) => <strong>{children}</strong>,
  italic: (children) => <em>{children}</em>,
  underline: (children) => <u>{children}</u>,
  strike: (children) => <s>{children}</s>,
};

/** Rich text as the document holds it; nodes and marks it does not know become plain. */
export function RichTextView({ text, links }: { text: RichText; links?: WordLinks }): ReactElement {
  return <>{text.content.map((node, index) => renderNode(node, index, links))}</>;
}

function renderNode(node: RichNode, key: number, links: WordLinks | undefined): ReactNode {
  if (node.text !== undefined) return <Fragment key={key}>{renderRun(node, links)}</Fragment>;
  const children = (node.content ?? []).map((child, index) => renderNode(child, index, links));
  switch (node.type) {
    case 'bulletList':
      return <ul key={key}>{children}</ul>;
    case 'orderedList':
      return <ol key={key}>{children}</ol>;
    case 'listItem':
      return <li key={key}>{children}</li>;
    case 'hardBreak':
      return <br key={key} />;
    default:
      return <p key={key}>{children.length > 0 ? children : <br />}</p>;
  }
}

function renderRun(node: RichNode, links: WordLinks | undefined): ReactNode {
  let run: ReactNode = node.text;
  for (const mark of node.marks ?? []) {
    const linkId = mark.attrs?.linkId;
    if (mark.type === LINK_MARK && typeof linkId === 'string') {
      if (links?.isLink(linkId))
        run = (
          <WordLink linkId={linkId} links={links}>
            {run}
          </WordLink>
        );
    } else run = MARKS[mark.type]?.(run) ?? run;
  }
  return run;
}

function WordLink(props: { linkId: LinkId; links: WordLinks; children: ReactNode }): ReactElement {
  const { follow } = props.links;
  const looks = 'underline decoration-2 underline-offset-4 decoration-ember';
  if (!follow) return <span className={looks}>{props.children}</span>;
  return (
    <button type="button" className={looks} onClick={() => follow(props.linkId)}>
      {props.children}
    </button>
  );
}
