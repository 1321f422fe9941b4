import { STAGE, type Box } from '../parts/place.js';
import { formOf, type Cell } from './cells.js';
import { lettersIn, type Content, type Part } from './content.js';
import type { TextElement } from '../elements/text/text.js';
import { wordsOf } from '../parts/richText.js';
import { alongPicture, onPanel, pointsOnPicture } from './overPicture.js';
import {
  above,
  all,
  CENTRED,
  columns,
  GAP,
  GUTTER,
  head,
  inside,
  leavesNoHole,
  lists,
  MARGIN,
  narrow,
  part,
  rows,
  solids,
  tickets,
  tiles,
  words,
  type Room,
  type Setting,
} from './regions.js';

/** Pictures and blocks in one region: as many ways as look different. */
function group(parts: readonly Part[], wants: 'tall' | 'wide'): Cell[] {
  const cells = all(parts);
  if (cells.length === 0) return [];
  if (cells.length === 1) return cells;
  const isEven = parts.every(({ kind }) => kind === 'picture');
  if (wants === 'wide') {
    return [isEven ? tiles(cells, cells.length, 480) : columns(cells, sharesOf(parts), GAP)];
  }
  if (isEven && cells.length >= 3) {
    const [first, ...more] = cells as [Cell, ...Cell[]];
    const below = tiles(more, Math.min(more.length, 3), 400);
    return [rows([first, below]), tiles(cells, 2, 400)];
  }
  return [rows(cells, 'middle')];
}

/** Wide pictures get more of a row than narrow ones, so that all are as high. */
const sharesOf = (parts: readonly Part[]): number[] =>
  parts.map((one) => (one.kind === 'picture' ? Math.min(2, Math.max(0.6, formOf(one))) : 1.4));

/** The region that a picture fills to three edges of the stage without being cut; null where it would not look so. */
function bleeding({ pictures, blocks }: Content, room: Room, side: 'left' | 'right'): Box | null {
  const [picture] = pictures;
  if (!room.isWhole || !picture || pictures.length > 1 || blocks.length > 0) return null;
  const w = Math.min(STAGE.height * formOf(picture), 720);
  if (w < 400 || w < STAGE.height * formOf(picture) * 0.92) return null;
  return { x: side === 'left' ? 0 : STAGE.width - w, y: 0, w, h: STAGE.height };
}

/** Words on one side, what is shown on the other. */
function twoSides(content: Content, room: Room, shown: 'left' | 'right'): Setting[] {
  const parts = solids(content);
  if (parts.length === 0) return [];
  const read = words(content);
  if (read.length + content.choices.length === 0) return [];
  return lists(content.choices).flatMap((choices) =>
    inTwo(content, room, shown, above(read, choices, 'middle')),
  );
}

function inTwo(content: Content, room: Room, shown: 'left' | 'right', says: Cell): Setting[] {
  const parts = solids(content);
  const edge = bleeding(content, room, shown);
  const found: Setting[] = [];
  if (edge) {
    const rest = shown === 'left' ? inside(room.box, edge.w, 0) : inside(room.box, 0, edge.w);
    const box =
      shown === 'left'
        ? { ...rest, x: edge.w + GUTTER, w: rest.w - GUTTER + MARGIN.x }
        : { ...rest, w: rest.w - GUTTER + MARGIN.x };
    found.push([
      { cell: says, box },
      { cell: rows(all(parts)), box: edge },
    ]);
  }
  for (const one of group(parts, 'tall')) {
    const cell = rows([one], 'middle');
    for (const share of [5, 6, 7]) {
      const cells = shown === 'left' ? [cell, says] : [says, cell];
      const shares = shown === 'left' ? [12 - share, share] : [share, 12 - share];
      found.push([{ cell: columns(cells, shares), box: room.box }]);
    }
  }
  return found;
}

/** Words that are short enough to be shouted. */
const isShort = (content: Content, letters: number): boolean =>
  content.texts.length === 1 && lettersIn(content.texts[0]!) <= letters;

/** A number, or words in quotation marks. */
function isFigureOrSaid(text: TextElement): boolean {
  const words = wordsOf(text.text).trim();
  return /^[“„»«"‘'].*[”“«»"’']$/su.test(words) || /^[^\p{L}]*\d[^\p{L}]*$/u.test(words);
}

/** All arrangements: what each is called, and how it lays a content out. An empty list where it is not for that. */
export const ARRANGEMENTS = {
  page: {
    label: 'Down the page',
    set: (content, { box }) => {
      const parts = solids(content);
      const cells = [...words(content), ...group(parts, 'wide')];
      if (parts.length > 0) {
        return [[{ cell: above(cells, tickets(content.choices), 'top'), box }]];
      }
      return lists(content.choices).flatMap((choices) =>
        [820, box.w].map((width) => [
          { cell: above(cells, choices, 'top'), box: { ...box, w: Math.min(box.w, width) } },
        ]),
      );
    },
  },
  middle: {
    label: 'In the middle',
    set: (content, { box }) => {
      const cells = [
        ...words(content, CENTRED),
        ...group(solids(content), 'wide'),
        ...tickets(content.choices, 3),
      ];
      return [860, 1000, box.w].map((width) => [
        { cell: rows(cells, 'middle', 26), box: narrow(box, width) },
      ]);
    },
  },
  beside: { label: 'Shown on the right', set: (content, room) => twoSides(content, room, 'right') },
  before: { label: 'Shown on the left', set: (content, room) => twoSides(content, room, 'left') },
  aside: {
    label: 'Title on one side',
    set: (content, { box }) => {
      if (!content.title) return [];
      const rest = [...all(content.texts), ...group(solids(content), 'wide')];
      if (rest.length + content.choices.length === 0) return [];
      const title = rows(head(content), 'middle');
      return lists(content.choices).map((choices) => [
        { cell: columns([title, above(rest, choices, 'middle')], [5, 7], 64), box },
      ]);
    },
  },
  ways: {
    label: 'Choices on one side',
    set: (content, { box }) => {
      const cells = [...words(content), ...group(solids(content), 'wide')];
      if (cells.length === 0 || content.choices.length === 0) return [];
      return lists(content.choices).flatMap((choices) =>
        [5, 6, 7, 8].map((share) => [
          {
            cell: columns(
              [rows(cells, 'middle', 24), rows(choices, 'middle')],
              [share, 12 - share],
            ),
            box,
          },
        ]),
      );
    },
  },
  band: {
    label: 'Shown along the top',
    set: (content, room) => {
      const parts = solids(content);
      if (parts.length === 0 || content.blocks.length > 0) return [];
      const says = [...words(content)];
      const below =
        content.choices.length > 0
          ? columns([rows(says), rows(tickets(content.choices, 1, {}))], [7, 5])
          : rows(says);
      const [picture] = content.pictures;
      const height = picture && parts.length === 1 ? STAGE.width / formOf(picture) : 0;
      if (picture && room.isWhole && height >= 200 && height <= 400) {
        const top = height + 28;
        return [
          [
            { cell: part(picture), box: { x: 0, y: 0, w: STAGE.width, h: height } },
            { cell: below, box: { ...room.box, y: top, h: STAGE.height - 40 - top } },
          ],
        ];
      }
      return [[{ cell: rows([...group(parts, 'wide'), below], 'top', 28), box: room.box }]];
    },
  },
  foot: {
    label: 'Choices along the foot',
    set: (content, { box }) => {
      if (content.choices.length === 0) return [];
      const parts = solids(content);
      const middle =
        content.texts.length > 0 && parts.length > 0
          ? [columns([rows(all(content.texts)), rows(group(parts, 'wide'))], [5, 7])]
          : [...all(content.texts), ...group(parts, 'wide')];
      const count = content.choices.length;
      return [4, 3, 2]
        .filter((inRow) => leavesNoHole(count, inRow))
        .map((inRow) => [
          {
            cell: rows(
              [rows([...head(content), ...middle]), ...tickets(content.choices, inRow)],
              'foot',
              28,
            ),
            box,
          },
        ]);
    },
  },
  tiles: {
    label: 'Choices as tiles',
    set: (content, { box }) => {
      const count = content.choices.length;
      if (count < 2 || solids(content).length > 0) return [];
      const cells = words(content, CENTRED);
      return [2, 3, 4]
        .filter((inRow) => inRow <= count && leavesNoHole(count, inRow))
        .map((inRow) => [
          {
            cell: rows([...cells, tiles(all(content.choices, CENTRED), inRow, 220)], 'middle', 28),
            box,
          },
        ]);
    },
  },
  cards: {
    label: 'Each with its picture',
    set: (content, { box }) => {
      const { pictures, choices, texts } = content;
      const count = pictures.length;
      if (count < 2 || content.blocks.length > 0) return [];
      const isOfChoices = choices.length === count;
      if (!isOfChoices && (texts.length !== count || choices.length > 0)) return [];
      const captions = isOfChoices ? choices : texts;
      const each = pictures.map((picture, at) =>
        rows([part(picture), part(captions[at]!, CENTRED)], 'top', isOfChoices ? 8 : 14),
      );
      const above = isOfChoices ? words(content, CENTRED) : head(content, CENTRED);
      const inRow = count === 4 ? [4, 2] : [Math.min(count, 4)];
      return inRow.map((across) => [
        { cell: rows([...above, tiles(each, across, 460, 28)], 'middle', 24), box },
      ]);
    },
  },
  columns: {
    label: 'In columns',
    set: (content, { box }) => {
      const { texts, choices } = content;
      const parts = solids(content);
      if (texts.length < 2 || texts.length > 4 || parts.length > 1) return [];
      const cells = [...all(texts), ...group(parts, 'tall')];
      const shares = cells.map(() => 1);
      return [
        [
          {
            cell: rows(
              [...head(content), columns(cells, shares, 40), ...tickets(choices)],
              'top',
              28,
            ),
            box,
          },
        ],
      ];
    },
  },
  steps: {
    label: 'Step by step',
    set: (content, { box }) => {
      const { texts, choices } = content;
      if (texts.length < 3 || texts.length > 6 || solids(content).length > 0) return [];
      const each = texts.map((one, at) => ({ at, cell: part(one, { stands: 'line' }) }));
      const title = { ...box, h: 110 };
      const top = content.title ? 130 : 0;
      const foot = choices.length > 0 ? 110 : 0;
      const room = box.h - top - foot;
      const w = (box.w - 24 * (each.length - 1)) / each.length;
      const fall = Math.min(56, (room * 0.45) / each.length);
      return [
        [
          ...head(content).map((cell) => ({ cell, box: title })),
          ...each.map(({ at, cell }) => ({
            cell: rows([cell]),
            box: {
              x: box.x + at * (w + 24),
              y: box.y + top + at * fall,
              w,
              h: room - at * fall,
            },
          })),
          ...tickets(choices).map((cell) => ({
            cell: rows([cell], 'bottom'),
            box: { ...box, y: box.y + box.h - 96, h: 96 },
          })),
        ],
      ];
    },
  },
  time: {
    label: 'Along a line',
    set: (content, { box }) => {
      const { texts, choices } = content;
      if (texts.length < 3 || texts.length > 6 || solids(content).length > 0) return [];
      const line = columns(
        all(texts, { stands: 'line' }),
        texts.map(() => 1),
        0,
      );
      const cells = [...head(content), line, ...tickets(choices)];
      return [[{ cell: rows(cells, 'middle', 48), box }]];
    },
  },
  low: {
    label: 'Low on the page',
    set: (content, { box }) => {
      if (solids(content).length > 0) return [];
      const cells = [...words(content), ...tickets(content.choices, 4, {})];
      return [{ ...box, w: Math.min(box.w, 940) }, box].map((where) => [
        { cell: rows(cells, 'bottom'), box: where },
      ]);
    },
  },
  hang: {
    label: 'Hung on the right',
    set: (content, { box }) => {
      const read = [...all(content.texts), ...group(solids(content), 'wide')];
      const isEmpty = read.length + content.choices.length === 0;
      if (!content.title || isEmpty || content.pictures.length > 1) return [];
      const title = rows(head(content));
      return lists(content.choices).flatMap((choices) =>
        [3, 4].map((share) => [
          {
            cell: rows(
              [title, columns([rows([]), above(read, choices, 'top')], [share, 12 - share])],
              'top',
              32,
            ),
            box,
          },
        ]),
      );
    },
  },
  large: {
    label: 'One thing, large',
    set: (content, { box }) => {
      const [said] = content.texts;
      if (solids(content).length > 0 || !said || !isShort(content, 140)) return [];
      // Under a figure or what somebody said stands what it is, or who said it.
      const isQuoted = isFigureOrSaid(said);
      const times = isShort(content, 10) ? (isQuoted ? 4 : 1.6) : isShort(content, 40) ? 1.6 : 1.3;
      const large = part(said, { ...CENTRED, times });
      const title = head(content, isQuoted ? { ...CENTRED, times: 0.75 } : CENTRED);
      const stands = isQuoted ? [large, ...title] : [...title, large];
      return [
        [
          {
            cell: rows([...stands, ...tickets(content.choices)], 'middle', 36),
            box: narrow(box, 1040),
          },
        ],
      ];
    },
  },
  panel: { label: 'On a panel over the picture', set: onPanel },
  along: { label: 'Choices along the picture', set: alongPicture },
  points: { label: 'Points on the picture', set: pointsOnPicture },
  fitted: {
    label: 'Where there is room',
    // It is no way to cut a page: `fitted.ts` looks for spots when all others fail.
    set: () => [],
  },
} as const satisfies Record<
  string,
  { label: string; set: (content: Content, room: Room) => Setting[] }
>;

export type ArrangementName = keyof typeof ARRANGEMENTS;
export const ARRANGEMENT_NAMES = Object.keys(ARRANGEMENTS) as ArrangementName[];
