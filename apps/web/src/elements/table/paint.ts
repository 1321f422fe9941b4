import { typeInStyle, type TableElement } from '@gobrel/core';
import { inset, type Painter } from '../../painting/canvas';
import { paintText } from '../../painting/paintText';

export const paint: Painter<TableElement> = ({ context, theme, linked }, element) => {
  const { box, outline } = element;
  const type = typeInStyle(element, 'caption', theme);
  const rows = element.text.content.find(({ type }) => type === 'table')?.content ?? [];
  const count = Math.max(1, ...rows.map((row) => row.content?.length ?? 0));
  const shares = Array.from({ length: count }, (_, index) => element.columns[index] ?? 1);
  const all = shares.reduce((sum, share) => sum + share, 0);
  const height = box.h / Math.max(1, rows.length);
  rows.forEach((row, index) => {
    let x = 0;
    row.content?.forEach((cell, at) => {
      const width = (box.w * shares[at]!) / all;
      const fill = cell.attrs?.background;
      const standard = cell.type === 'tableHeader' ? theme.colours.shapeFill : 'transparent';
      context.fillStyle = typeof fill === 'string' ? fill : standard;
      context.fillRect(x, index * height, width, height);
      context.strokeStyle = outline.colour || theme.colours.line;
      context.lineWidth = outline.weight;
      if (outline.weight > 0) context.strokeRect(x, index * height, width, height);
      const room = inset({ x, y: index * height, w: width, h: height }, type.size * 0.45, 0);
      paintText(context, { type: 'doc', content: cell.content ?? [] }, room, {
        ...type,
        upright: 'middle',
        linked,
      });
      x += width;
    });
  });
};
