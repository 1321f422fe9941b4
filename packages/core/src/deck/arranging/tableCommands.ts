import { command, type Plan } from '../command.js';
import * as Y from 'yjs';
import { type ElementId, type SlideId } from '../../parts/ids.js';
import { refuse, type Refusal } from '../../parts/refusals.js';
import { LIMITS } from '../../parts/limits.js';
import { asNumber, asRecord } from '../../parts/decode.js';
import { elementOf } from '../document.js';
import { fragmentOf } from '../../elements/fields.js';
import { elementKind } from '../../elements/registry.js';
import { plain, toXml } from '../../parts/richText.js';

/** Says why cells are too many for a table on a slide; undefined when they are not. */
export function tooManyCells(rows: number, columns: number): Refusal | undefined {
  const { tableRows: mostRows, tableColumns: mostColumns } = LIMITS;
  if (rows <= mostRows && columns <= mostColumns) return undefined;
  return refuse('table.cells', { rows, columns, mostRows, mostColumns });
}

/**
 * Writes cells into a table, from one of its cells on to the right and down. The table grows by the rows and columns it
 * lacks; cells that are not written to keep all they had.
 *
 * Refused: `table.cells`, `thing.gone`, `thing.locked`.
 *
 * @param cells rows of words
 * @param at the cell the first one goes to, counted from nought
 */
export const fillCells = command(
  'fillCells',
  'deck:write',
  (
    doc: Y.Doc,
    slideId: SlideId,
    elementId: ElementId,
    cells: readonly (readonly string[])[],
    at: { row: number; column: number } = { row: 0, column: 0 },
  ): Plan => {
    const element = elementOf(doc, slideId, elementId);
    const table = element && fragmentOf(element)?.get(0);
    if (!element || !isNode(table, 'table')) return refuse('thing.gone');
    if (element.get('isLocked') === true) return refuse('thing.locked');
    const rows = table.toArray().filter((row) => isNode(row, 'tableRow'));
    const before = Math.max(1, ...rows.map(({ length }) => length));
    const columns = Math.max(before, at.column + Math.max(0, ...cells.map(({ length }) => length)));
    const height = Math.max(rows.length, at.row + cells.length);
    const over = tooManyCells(height, columns);
    if (over) return over;
    return () => {
      const more = Array.from({ length: height - rows.length }, () => new Y.XmlElement('tableRow'));
      table.push(more);
      const all = [...rows, ...more];
      for (const row of all) {
        const last = row.length > 0 ? row.get(row.length - 1) : undefined;
        const kind = isNode(last, 'tableHeader') ? 'tableHeader' : 'tableCell';
        row.push(
          Array.from({ length: columns - row.length }, () =>
            toXml({ type: kind, content: plain('').content }),
          ),
        );
      }
      cells.forEach((words, down) =>
        words.forEach((said, right) => {
          const cell = all[at.row + down]?.get(at.column + right);
          if (!(cell instanceof Y.XmlElement)) return;
          cell.delete(0, cell.length);
          cell.insert(0, plain(...said.split(/\r\n?|\n/)).content.map(toXml));
        }),
      );
      grow(element, { from: before, to: columns }, { from: rows.length, to: height });
    };
  },
);

/** New columns are as wide as those there on an average, new rows as high. */
function grow(
  element: Y.Map<unknown>,
  columns: { from: number; to: number },
  rows: { from: number; to: number },
): void {
  const said = element.get('columns');
  if (Array.isArray(said) && columns.to > columns.from) {
    const shares = said.slice(0, columns.from).map((share) => asNumber(share, 1));
    const mean = shares.reduce((sum, share) => sum + share, 0) / shares.length || 1;
    while (shares.length < columns.to) shares.push(mean);
    element.set('columns', shares);
  }
  if (rows.to > rows.from && rows.from > 0 && elementKind(element.get('kind'))?.growsWithRows) {
    const box = asRecord(element.get('box'));
    const height = asNumber(box.h, 0);
    if (height > 0) element.set('box', { ...box, h: (height * rows.to) / rows.from });
  }
}

const isNode = (node: unknown, name: string): node is Y.XmlElement =>
  node instanceof Y.XmlElement && node.nodeName === name;
