import { typeInStyle, type RichNode, type TableElement } from '@gobrel/core';
import type { CSSProperties, ReactElement } from 'react';
import { RichTextView, type WordLinks } from '../../parts/RichTextView';
import { typeCss } from '../../parts/type';
import { wordLinks, type BodyProps } from '../kind';

export default function Body(
  props: Pick<BodyProps<TableElement>, 'element' | 'theme' | 'links' | 'onFollow' | 'words'>,
): ReactElement {
  const { element, theme } = props;
  const type = typeInStyle(element, 'caption', theme);
  const { outline, columns } = element;
  const rows = element.text.content.find(({ type }) => type === 'table')?.content ?? [];
  const look = {
    ...typeCss(type),
    '--cell-line': `${outline.weight}px ${outline.dash} ${outline.colour || theme.colours.line}`,
    '--cell-head': theme.colours.shapeFill,
  } as CSSProperties;
  if (props.words) {
    return (
      <div className="slide-text slide-table size-full" style={look}>
        {props.words}
      </div>
    );
  }
  return (
    <div className="slide-text slide-table size-full" style={look}>
      <table className="h-full">
        <Columns shares={columns} />
        <tbody>
          {rows.map((row, index) => (
            <tr key={index}>
              {(row.content ?? []).map((cell, at) => (
                <Cell key={at} cell={cell} links={wordLinks(props)} typeSize={type.size} />
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** Columns in shares of the table; equal ones when nothing has been said. */
function Columns({ shares }: { shares: readonly number[] }): ReactElement | null {
  const whole = shares.reduce((sum, share) => sum + share, 0);
  if (whole <= 0) return null;
  return (
    <colgroup>
      {shares.map((share, index) => (
        <col key={index} style={{ width: `${(100 * share) / whole}%` }} />
      ))}
    </colgroup>
  );
}

function Cell(props: { cell: RichNode; links: WordLinks; typeSize: number }): ReactElement {
  const { cell } = props;
  const span = (name: 'colspan' | 'rowspan'): number | undefined => {
    const value = Number(cell.attrs?.[name]);
    return value > 1 && value <= 20 ? value : undefined;
  };
  const fill = cell.attrs?.background;
  const Tag = cell.type === 'tableHeader' ? 'th' : 'td';
  return (
    <Tag
      colSpan={span('colspan')}
      rowSpan={span('rowspan')}
      style={
        typeof fill === 'string' && /^#[0-9a-f]{6}$/i.test(fill) ? { background: fill } : undefined
      }
    >
      <RichTextView
        text={{ type: 'doc', content: cell.content ?? [] }}
        links={props.links}
        typeSize={props.typeSize}
      />
    </Tag>
  );
}
