import { STAGE, type Box } from '../parts/place.js';
import { formOf, type Cell } from './cells.js';
import type { Content, Part } from './content.js';
import {
  above,
  all,
  BAND,
  columns,
  group,
  GUTTER,
  head,
  inside,
  lists,
  MARGIN,
  plates,
  rows,
  sides,
  solids,
  tickets,
  words,
  type Room,
  type Setting,
} from './regions.js';

/** The region that a picture fills to three edges of the stage without being cut; null where it would not look so. */
function bleeding({ pictures, blocks }: Content, room: Room): Box | null {
  const [picture] = pictures;
  if (!room.isWhole || !picture || pictures.length > 1 || blocks.length > 0) return null;
  const w = Math.min(STAGE.height * formOf(picture), 720);
  if (w < 400 || w < STAGE.height * formOf(picture) * 0.92) return null;
  return { x: STAGE.width - w, y: 0, w, h: STAGE.height };
}

/** Words on the left, what is shown on the right. */
export function twoSides(content: Content, room: Room): Setting[] {
  const parts = solids(content);
  if (parts.length === 0) return [];
  const read = words(content);
  if (read.length + content.choices.length === 0) return [];
  return lists(content.choices).flatMap((choices) =>
    inTwo(content, room, above(read, choices, 'middle')),
  );
}

function inTwo(content: Content, room: Room, says: Cell): Setting[] {
  const parts = solids(content);
  const edge = bleeding(content, room);
  const found: Setting[] = [];
  if (edge) {
    const rest = inside(room.box, 0, edge.w);
    found.push([
      { cell: says, box: { ...rest, w: rest.w - GUTTER + MARGIN.x } },
      { cell: rows(all(parts)), box: edge },
    ]);
  }
  for (const one of group(parts, 'tall')) {
    const shown = rows([one], 'middle');
    for (const share of [5, 6, 7]) found.push([{ cell: sides(says, shown, share), box: room.box }]);
  }
  return found;
}

/** A title across the page, and below it what is read on the left and what is shown on the right. */
export function acrossAndTwo(content: Content, { box }: Room): Setting[] {
  const { title, texts, pictures, blocks, choices } = content;
  const shown: Part[] = blocks.length > 0 ? blocks : pictures;
  const beside = [...all(texts), ...(blocks.length > 0 ? group(pictures, 'wide') : [])];
  if (!title || shown.length === 0 || beside.length + choices.length === 0) return [];
  return lists(choices).flatMap((list) =>
    group(shown, 'tall').flatMap((cell) =>
      [4, 5].map((share) => {
        const below = sides(above(beside, list, 'middle'), rows([cell], 'middle'), share);
        return [{ cell: rows([...head(content), below], 'top', 28), box }];
      }),
    ),
  );
}

/** Words and pictures one below the other on the left, a question or another block on the right. */
export function flanked(content: Content, { box }: Room): Setting[] {
  const { pictures, blocks, choices } = content;
  if (pictures.length === 0 || blocks.length === 0) return [];
  const says = above(
    [...words(content), ...group(pictures, 'wide')],
    tickets(choices, 2),
    'middle',
  );
  const shown = rows(group(blocks, 'tall'), 'middle');
  return [5, 6].map((share) => [{ cell: sides(says, shown, share), box }]);
}

/** Words across the page, below them what is shown, and the choices on the right of it. */
export function beneathWords(content: Content, { box }: Room): Setting[] {
  const parts = solids(content);
  const { choices } = content;
  if (parts.length === 0 || choices.length === 0 || words(content).length === 0) return [];
  const shown = rows(group(parts, 'tall').slice(0, 1), 'middle');
  return lists(choices).flatMap((list) =>
    [4, 5].map((share) => {
      const below = sides(shown, rows(list, 'middle'), share);
      return [{ cell: rows([...words(content), below], 'top'), box }];
    }),
  );
}

/** Words on a panel on the left; on the right what is shown, or the choices. */
export function besidePanel(content: Content, { box }: Room): Setting[] {
  const { title, texts, pictures, blocks, choices } = content;
  const shown: Part[] = blocks.length > 0 ? blocks : pictures;
  // With words alone the title has the panel for itself.
  const isRead = shown.length + choices.length === 0;
  if (isRead && (!title || texts.length === 0)) return [];
  const panel = plates(isRead ? { ...content, texts: [] } : content, BAND);
  if (panel.length === 0) return [];
  const more = blocks.length > 0 ? group(pictures, 'wide') : [];
  return lists(choices).flatMap((list) =>
    [4, 5].map((share) => {
      const isBeside = shown.length === 0 && !isRead;
      const says = rows([...panel, ...more, ...(isBeside ? [] : list)], 'middle', 24);
      const other = isRead ? all(texts) : isBeside ? list : group(shown, 'tall').slice(0, 1);
      const beside = rows(other, 'middle');
      // A title is read before what it stands over.
      const cell = isRead
        ? columns([says, beside], [share, 12 - share])
        : sides(says, beside, share);
      return [{ cell, box }];
    }),
  );
}
