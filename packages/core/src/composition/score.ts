import { STAGE, type Box } from '../parts/place.js';
import type { TextElement } from '../elements/text/text.js';
import { CHOICE_PADDING } from '../themes/themes.js';
import type { Place, Places } from './cells.js';
import { lettersIn, partsOf, type Content } from './content.js';
import type { MeasuredTexts } from './Measures.js';
import { WHOLE_ROOM } from './regions.js';

const AREA = STAGE.width * STAGE.height;
/** The share of a page that is filled when it looks neither bare nor crowded. */
const WELL_FILLED = 0.52;

/** How good an arrangement looks, from 0 to about 1. */
export function scoreOf(
  content: Content,
  places: Places,
  measured: MeasuredTexts,
  room: Box,
): number {
  // How much of the page a room beside scenery is, that much is to be filled.
  const area = AREA * ((room.w * room.h) / (WHOLE_ROOM.box.w * WHOLE_ROOM.box.h));
  const parts = partsOf(content).filter(({ id }) => !places.get(id)?.look.isUnder);
  const under = content.pictures.find(({ id }) => places.get(id)?.look.isUnder);
  let [filled, x, y, shown, type, texts, tall] = [0, 0, 0, 0, 0, 0, 0];
  const edges = new Set<number>();
  for (const part of parts) {
    const place = places.get(part.id);
    if (!place) continue;
    const { box } = place;
    const w = part.kind === 'text' ? widthSeen(part, place, measured) : box.w;
    const area = w * box.h;
    filled += area;
    x += area * (box.x + (place.look.align === 'center' ? box.w : w) / 2);
    y += area * (box.y + box.h / 2);
    edges.add(Math.round(place.look.align === 'center' ? box.x + box.w / 2 : box.x));
    if (part.kind === 'text' && part.style === 'choice') {
      const [words, inner] = [measured.of(part), box.w - 2 * CHOICE_PADDING];
      // Lines break between words: short ones may be more than their letters fill.
      const isLong = words.widestLine * place.size > 1.5 * inner;
      const lines = isLong
        ? words.height(inner, place.size, 1) / words.height(1e5, place.size, 1)
        : 1;
      tall += Math.max(0, Math.round(lines) - 2);
    }
    if (part.kind !== 'text') shown += area;
    else if (lettersIn(part) > 0) {
      type += Math.min(1.4, place.size / measured.standardSize(part));
      texts += 1;
    }
  }
  if (filled === 0) return 0;
  const fill = 1 - Math.min(1, Math.abs(filled / area - WELL_FILLED) / WELL_FILLED);
  const balance =
    1 -
    Math.min(
      1,
      Math.abs(x / filled - (room.x + room.w / 2)) / STAGE.width +
        Math.abs(y / filled - (room.y + room.h * 0.476)) / STAGE.height,
    );
  const large = texts > 0 ? type / texts / 1.4 : 1;
  const order = 1 - Math.min(1, (edges.size - 1) / Math.max(3, parts.length));
  const wants = content.pictures.length + content.blocks.length > 0;
  // The scenery is not shown at the cost of a picture: that is as large as the page lets it be, not the room beside.
  const page = content.pictures.length > 0 ? AREA : area;
  const picture = wants && !under ? Math.min(1, shown / page / 0.4) : 1;
  const title = content.title && places.get(content.title.id);
  const lines = title ? title.box.h / (title.size * 1.12) : 1;
  const long = 0.03 * Math.max(0, Math.round(lines) - 3);
  // A stamp in a corner is worse than no picture.
  const small = wants && !under && shown / page < 0.1 ? 0.15 : 0;
  // Of a picture that is covered in part it must be known what may be.
  const covered = !under
    ? 0
    : under.matters
      ? COVERED
      : under.asset.seems
        ? COVERED_GUESSED
        : COVERED_UNASKED;
  // Choices are read at a glance: more than two lines of one are no label any more.
  const faults = long + small + covered + 0.045 * Math.min(4, tall);
  return (
    0.34 * (under ? 1 : fill) + 0.2 * balance + 0.18 * large + 0.1 * order + 0.18 * picture - faults
  );
}

const COVERED = 0.06;
const COVERED_GUESSED = 0.16;
const COVERED_UNASKED = 0.4;

/** How much of the width of a text is seen: the words, not the empty rest of their lines. */
const widthSeen = (text: TextElement, { box, size }: Place, measured: MeasuredTexts): number =>
  text.style === 'choice' ? box.w : Math.min(box.w, measured.of(text).widestLine * size);
