import type { TextElement } from '../elements/text/text.js';
import { STAGE, type Box } from '../parts/place.js';
import { sure } from '../parts/sure.js';
import { CHOICE_PADDING } from '../themes/themes.js';
import { finest, formOf, isFittedByHand } from './cells.js';
import { lettersIn, type Content } from './content.js';
import {
  all,
  CENTRED,
  inside,
  leavesNoHole,
  lists,
  narrow,
  part,
  plates,
  rows,
  tickets,
  type Region,
  type Room,
  type Setting,
} from './regions.js';

/** The picture that can lie behind everything: the only one, whole, and large enough not to blur; null where there is none. */
function backdrop({ pictures, blocks }: Content, room: Room): Region | null {
  const [picture] = pictures;
  if (!room.isWhole || !picture || pictures.length > 1) return null;
  if (blocks.some(({ kind }) => kind !== 'question')) return null;
  if (picture.mask !== 'rectangle' || isFittedByHand(picture)) return null;
  const across = Math.max(STAGE.width, STAGE.height * formOf(picture));
  if (finest(picture) < across) return null;
  const box = { x: 0, y: 0, w: STAGE.width, h: STAGE.height };
  return { cell: part(picture, { isUnder: true }), box };
}

const stack = (box: Box, count: number): Box[] =>
  Array.from({ length: count }, (_, at) => {
    const h = box.h / count;
    return { ...box, y: box.y + at * h, h };
  });

/** Spots for points down both sides of a box. */
const spotsBeside = (box: Box, count: number): Box[] => [
  ...stack({ ...box, w: box.w * 0.34 }, Math.ceil(count / 2)),
  ...stack({ ...box, x: box.x + box.w * 0.66, w: box.w * 0.34 }, Math.floor(count / 2)),
];

/** Shares of the height by which every other point stands lower: less where they would be read in another order. */
const FALLS = [0.5, 0.3, 0.12];
const HALF_FALL = 0.3;

/** Spots for so many points in a box, one after the other as they are read: in a row up and down, or in two. */
function spotsIn(box: Box, count: number, fall: number): Box[] {
  const perRow = count <= 4 ? count : Math.ceil(count / 2);
  const rowCount = Math.ceil(count / perRow);
  const [w, h] = [box.w / perRow, box.h / rowCount];
  return Array.from({ length: count }, (_, at) => {
    const [row, column] = [Math.floor(at / perRow), at % perRow];
    // One row goes up and down, the second of two stands half a step aside.
    const down = rowCount === 1 && column % 2 === 1 ? h * fall : 0;
    const inRow = Math.min(perRow, count - row * perRow);
    const aside = ((perRow - inRow) * w) / 2;
    const height = rowCount === 1 ? h * (1 - fall) : h;
    return { x: box.x + aside + column * w, y: box.y + row * h + down, w, h: height };
  });
}

/** A point is about as wide as its words. */
const pointWidth = (choice: TextElement): number =>
  Math.min(340, Math.max(150, 13 * lettersIn(choice) + 2 * CHOICE_PADDING));

/** Words on a panel on one side of it. */
export function onPanel(content: Content, room: Room): Setting[] {
  const under = backdrop(content, room);
  const says = [...plates(content), ...all(content.blocks)];
  if (!under || says.length + content.choices.length === 0) return [];
  const { box } = room;
  return lists(content.choices).flatMap((choices) =>
    ([0, 1] as const).flatMap((side) =>
      [4, 5, 6].map((share) => {
        const w = (box.w * share) / 12;
        const beside = { ...box, x: box.x + side * (box.w - w), w };
        return [under, { cell: rows([...says, ...choices], 'middle', 16), box: beside }];
      }),
    ),
  );
}

/** Words at its head, choices along its foot. */
export function alongPicture(content: Content, room: Room): Setting[] {
  const under = backdrop(content, room);
  const count = content.choices.length;
  if (!under || count === 0 || content.blocks.length > 0) return [];
  const { box } = room;
  const foot = { ...box, y: box.y + box.h * 0.6, h: box.h * 0.4 };
  return [4, 3, 2]
    .filter((inRow) => leavesNoHole(count, inRow))
    .flatMap((inRow) =>
      [0.34, 0.45, 0.55, 0.7].map((share) => [
        under,
        {
          cell: rows(plates(content)),
          box: { ...box, w: box.w * share, h: box.h * 0.56 },
        },
        { cell: rows(tickets(content.choices, inRow), 'bottom'), box: foot },
      ]),
    );
}

/** Choices as points that a hand then puts where they belong. */
export function pointsOnPicture(content: Content, room: Room): Setting[] {
  const under = backdrop(content, room);
  const { choices, blocks } = content;
  if (!under || choices.length === 0 || blocks.length > 0) return [];
  const { box } = room;
  // Of the height the words on their plates take so much; the points are below.
  return [0.3, 0.42].flatMap((said) => {
    const field = { ...box, y: box.y + box.h * (said + 0.04), h: box.h * (0.96 - said) };
    const halves = [0.62, 0.5].flatMap((share) => {
      const w = field.w * share;
      return [
        { ...field, w },
        { ...field, x: field.x + field.w - w, w },
      ];
    });
    const fields = [
      ...FALLS.map((fall) => spotsIn(field, choices.length, fall)),
      ...halves.map((half) => spotsIn(half, choices.length, HALF_FALL)),
      spotsBeside(field, choices.length),
    ];
    const words = { ...box, h: box.h * said };
    return fields.flatMap((spots) =>
      [0.36, 0.6].map((share) => [
        under,
        { cell: rows(plates(content)), box: { ...words, w: words.w * share } },
        ...choices.map((one, at) => ({
          cell: rows([part(one, CENTRED)], 'middle'),
          box: narrow(inside(sure(spots[at], 'one for each'), 14, 14), pointWidth(one)),
        })),
      ]),
    );
  });
}
