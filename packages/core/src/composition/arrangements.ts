import { STAGE } from '../parts/place.js';
import { formOf } from './cells.js';
import { lettersIn, type Content } from './content.js';
import type { TextElement } from '../elements/text/text.js';
import { wordsOf } from '../parts/richText.js';
import { alongPicture, onPanel, pointsOnPicture } from './overPicture.js';
import { acrossAndTwo, beneathWords, besidePanel, flanked, twoSides } from './twoSided.js';
import {
  above,
  all,
  BAND,
  CENTRED,
  columns,
  GAP,
  group,
  head,
  leavesNoHole,
  lists,
  narrow,
  part,
  plates,
  rows,
  solids,
  tickets,
  tiles,
  words,
  type Room,
  type Setting,
} from './regions.js';

/** Words that are short enough to be shouted. */
const isShort = (content: Content, letters: number): boolean =>
  content.texts.length === 1 && lettersIn(content.texts[0]!) <= letters;

/** A number, or words in quotation marks. */
function isFigureOrSaid(text: TextElement): boolean {
  const words = wordsOf(text.text).trim();
  return /^[“„»«"‘'].*[”“«»"’']$/su.test(words) || /^[^\p{L}]*\d[^\p{L}]*$/u.test(words);
}

/** Of more choices than this, more stand in a row. */
const MANY = 8;

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
  beside: { label: 'Shown on the right', set: twoSides },
  before: { label: 'Shown on the left', mirrors: 'beside' },
  across: {
    label: 'Title across, shown on the right',
    set: acrossAndTwo,
  },
  acrossBefore: {
    label: 'Title across, shown on the left',
    mirrors: 'across',
  },
  flank: {
    label: 'Picture and words on the left',
    set: flanked,
  },
  flankBefore: {
    label: 'Picture and words on the right',
    mirrors: 'flank',
  },
  aside: {
    label: 'Title on one side',
    set: (content, { box }) => {
      if (!content.title) return [];
      const rest = [...all(content.texts), ...group(solids(content), 'wide')];
      if (rest.length + content.choices.length === 0) {
        return [5, 6].map((share) => [
          { cell: columns([rows(head(content), 'middle'), rows([])], [share, 12 - share]), box },
        ]);
      }
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
      if (parts.length === 0 || content.blocks.some(({ kind }) => kind === 'question')) return [];
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
      return (count > MANY ? [4, 5, 6, 8] : [2, 3, 4])
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
  banner: {
    isLoud: true,
    label: 'Title on a band',
    set: (content, { box }) => {
      if (!content.title || lettersIn(content.title) === 0) return [];
      const band = part(content.title, { ...CENTRED, ...BAND });
      const read = [...all(content.texts), ...group(solids(content), 'wide')];
      if (read.length + content.choices.length === 0) {
        return [[{ cell: rows([band], 'middle'), box }]];
      }
      const ways = solids(content).length > 0 ? [tickets(content.choices)] : lists(content.choices);
      return ways.map((choices) => [
        { cell: rows([band, above(read, choices, 'middle')], 'top', 32), box },
      ]);
    },
  },
  pairs: {
    label: 'Choices in two columns',
    set: (content, { box }) => {
      if (content.choices.length < 4 || solids(content).length > 0) return [];
      return lists(content.choices)
        .slice(content.choices.length > 4 ? 1 : 0)
        .map((choices) => [{ cell: above(words(content), choices, 'top'), box }]);
    },
  },
  beneath: {
    label: 'Choices beside what is shown',
    set: beneathWords,
  },
  beneathBefore: {
    label: 'Choices before what is shown',
    mirrors: 'beneath',
  },
  above: {
    label: 'Words beside what is shown, choices below',
    set: (content, { box }) => {
      const parts = solids(content);
      const read = words(content);
      if (parts.length === 0 || read.length === 0 || content.choices.length < 2) return [];
      const shown = rows(group(parts, 'tall').slice(0, 1), 'middle');
      return lists(content.choices)
        .slice(-1)
        .flatMap((list) =>
          [6, 7].map((share) => [
            {
              cell: rows(
                [columns([rows(read, 'middle'), shown], [share, 12 - share]), ...list],
                'top',
                28,
              ),
              box,
            },
          ]),
        );
    },
  },
  card: {
    isLoud: true,
    label: 'On a panel',
    set: (content, { box }) => {
      if (solids(content).length > 0) return [];
      const cells = [...plates(content, BAND), ...tickets(content.choices, 3)];
      return [760, 900].map((width) => [
        { cell: rows(cells, 'middle', 26), box: narrow(box, width) },
      ]);
    },
  },
  spine: {
    isLoud: true,
    label: 'Panel on the left',
    set: besidePanel,
  },
  spineAfter: {
    isLoud: true,
    label: 'Panel on the right',
    mirrors: 'spine',
  },
  wall: {
    label: 'One large, the others beside it',
    set: (content, { box }) => {
      const [first, ...more] = content.pictures;
      if (!first || more.length === 0 || content.blocks.length > 0) return [];
      const says = above(words(content), tickets(content.choices), 'top');
      return [8, 7].map((share) => [
        {
          cell: rows(
            [
              says,
              columns([part(first), rows(all(more), 'middle', GAP)], [share, 12 - share], GAP),
            ],
            'top',
            28,
          ),
          box,
        },
      ]);
    },
  },
  edge: {
    label: 'Pictures down one edge',
    set: (content, { box }) => {
      if (content.pictures.length < 2 || content.blocks.length > 0) return [];
      const says = words(content);
      if (says.length + content.choices.length === 0) return [];
      return lists(content.choices).flatMap((choices) =>
        [9, 8].map((share) => [
          {
            cell: columns(
              [above(says, choices, 'middle'), rows(all(content.pictures), 'middle')],
              [share, 12 - share],
            ),
            box,
          },
        ]),
      );
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
      if (!content.title || content.pictures.length > 1) return [];
      const title = rows(head(content));
      if (read.length + content.choices.length === 0) {
        return [5, 4].map((share) => [
          { cell: columns([rows([]), rows([title], 'bottom')], [share, 12 - share]), box },
        ]);
      }
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
  crowded: {
    label: 'As close as it takes',
    // `crowded.ts` lays what has no room at all.
    set: () => [],
  },
} as const satisfies Record<string, Kind<string>>;

interface Named {
  label: string;
  /** It has words on bands of colour. */
  isLoud?: true;
}
/** How a content is laid out, or the arrangement that it is with left and right changed. */
type Kind<Name> = Named &
  ({ set: (content: Content, room: Room) => Setting[]; mirrors?: never } | { mirrors: Name });

export type ArrangementName = keyof typeof ARRANGEMENTS;
export type ArrangementKind = Kind<ArrangementName>;
export const ARRANGEMENT_NAMES = Object.keys(ARRANGEMENTS) as ArrangementName[];

export const isLoud = (name: ArrangementName): boolean => {
  const arrangement: ArrangementKind = ARRANGEMENTS[name];
  return arrangement.isLoud === true;
};
