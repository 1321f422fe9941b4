import type { TextElement } from '../elements/text/text.js';
import { READABLE } from '../stage/legible.js';
import { CHOICE_PADDING } from '../themes/themes.js';
import { lay, leastHeight, type Places } from './cells.js';
import { partsOf, type Content } from './content.js';
import type { Measures, MeasuredTexts } from './Measures.js';
import { CENTRED, columns, group, rows, solids, words, type Room } from './regions.js';

/** So many choices lie on each other in every way that there is; fewer find a spot. */
const FEWEST = 9;
const GAP = 8;
/** What is read may take this share of the room; the choices have the rest. */
const MOST_READ = 0.6;
const SMALLEST_TYPE = 8;

/**
 * Where a page has no room for all its choices: in rows as close as that takes, in type as small, so that none lies on
 * another and Check can say what is too small. It is not offered to anybody. Null where few choices are not the reason,
 * or what is read leaves no room. Tries a number of columns up to that of the choices.
 */
export function crowded(
  content: Content,
  { box }: Room,
  measures: Measures,
  texts: MeasuredTexts,
): Places | null {
  const { choices } = content;
  if (choices.length < FEWEST) return null;
  const places: Places = new Map();
  const shown = group(solids(content), 'wide');
  const read = words(content);
  const top =
    shown.length > 0 && read.length > 0
      ? columns([rows(read), rows(shown)], [1, 1])
      : rows([...read, ...shown]);
  const height = partsOf(content).length > choices.length ? leastHeight(top, box.w, measures) : 0;
  if (height > box.h * MOST_READ) return null;
  lay(top, { ...box, h: height }, measures, places);
  const from = box.y + height + (height > 0 ? 2 * GAP : 0);
  const room = { ...box, y: from, h: box.y + box.h - from };

  const { inRow, size } = closest(choices, room, texts);
  const inColumn = Math.ceil(choices.length / inRow);
  const w = Math.floor((room.w - GAP * (inRow - 1)) / inRow);
  const h = Math.floor((room.h - GAP * (inColumn - 1)) / inColumn);
  choices.forEach((choice, at) => {
    const x = Math.floor(room.x) + (at % inRow) * (w + GAP);
    const y = Math.floor(room.y) + Math.floor(at / inRow) * (h + GAP);
    places.set(choice.id, { box: { x, y, w, h }, size, look: CENTRED });
  });
  return places;
}

/** The number of columns in which the words can be largest, and the size that is, in slide units. */
function closest(
  choices: readonly TextElement[],
  room: { w: number; h: number },
  texts: MeasuredTexts,
): { inRow: number; size: number } {
  let best = { inRow: 1, size: 0 };
  for (let inRow = 2; inRow <= choices.length; inRow += 1) {
    const w = (room.w - GAP * (inRow - 1)) / inRow - 2 * CHOICE_PADDING;
    const inColumn = Math.ceil(choices.length / inRow);
    const h = (room.h - GAP * (inColumn - 1)) / inColumn;
    if (w < 2 * SMALLEST_TYPE) break;
    const fits = (size: number): boolean =>
      choices.every((choice) => {
        const measured = texts.of(choice);
        return measured.widestWord * size <= w && measured.height(w, size, choice.columns) <= h;
      });
    let size = READABLE.choice;
    while (size > SMALLEST_TYPE && !fits(size)) size -= 1;
    if (size > best.size) best = { inRow, size };
  }
  return best.size > 0 ? best : { inRow: Math.min(4, choices.length), size: SMALLEST_TYPE };
}
