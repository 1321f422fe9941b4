import {
  decimalOf,
  kindOf,
  newElementBox,
  newId,
  plain,
  STAGE,
  tableText,
  type AssetRef,
  type Credit,
  type Layer,
  type MediaRef,
  type NewElement,
  type KindName,
  type ShapeName,
  type Slide,
} from '@gobrel/core';

/** What a new piece says until something else is typed. */
export const NEW_PIECE = 'piece';

/** On the background a picture fills the stage; elsewhere it keeps its shape, in the layout's place for one if that is free. */
export function pictureElement(
  slide: Slide,
  asset: AssetRef,
  isBackground: boolean,
  credit?: Credit,
  alt = '',
): NewElement {
  const scale = Math.min(1, 560 / asset.width, 420 / asset.height);
  const size = {
    w: Math.max(16, Math.round(asset.width * scale)),
    h: Math.max(16, Math.round(asset.height * scale)),
  };
  return {
    kind: 'picture',
    asset,
    alt,
    layer: isBackground ? 'background' : 'content',
    fit: isBackground ? 'cover' : 'contain',
    ...(credit ? { credit } : {}),
    box: isBackground
      ? { x: 0, y: 0, w: STAGE.width, h: STAGE.height }
      : newElementBox(slide, size),
  };
}

const inMiddle = (slide: Slide, w: number, h: number): ReturnType<typeof newElementBox> =>
  newElementBox(slide, { w, h });

/** Scenery and content: pieces are made of them afterwards. */
const flat = (layer: Layer): 'background' | 'content' =>
  layer === 'background' ? 'background' : 'content';

export const textElement = (slide: Slide, layer: Layer): NewElement => ({
  ...{ kind: 'text', style: 'body', layer: flat(layer), text: plain('') },
  box: inMiddle(slide, 480, 60),
});

export const shapeElement = (slide: Slide, layer: Layer, shape: ShapeName): NewElement => ({
  ...{ kind: 'shape', shape, layer: flat(layer), box: inMiddle(slide, 240, 160) },
});

export const pieceElement = (slide: Slide): NewElement => ({
  ...{ kind: 'text', style: 'body', layer: 'pieces', text: plain(NEW_PIECE) },
  box: inMiddle(slide, 200, 64),
});

export const zoneElement = (slide: Slide): NewElement => ({
  ...{ kind: 'zone', layer: 'pieces', name: 'zone', box: inMiddle(slide, 300, 160) },
});

/** What a question of each kind asks as it begins, and how high its card is. */
const BEGINNINGS: Record<KindName, [asks: string, height: number]> = {
  choice: ['Which one?', 320],
  textEntry: ['What is it called?', 180],
  extendedText: ['What do you think, and why?', 340],
  number: ['How many?', 200],
  slider: ['How sure are you?', 240],
  order: ['What comes first, what comes last?', 420],
  match: ['What belongs together?', 380],
  gap: ['Fill the gaps.', 260],
  sort: ['Where does each piece belong?', 160],
  hotspot: ['Where is it? Pick it.', 460],
  selectPoint: ['Where is it? Put a marker there.', 460],
  drawing: ['Draw what you mean.', 520],
};

export function questionElement(
  slide: Slide,
  kind: KindName = 'choice',
  language = 'en',
): NewElement {
  const [asks, height] = BEGINNINGS[kind];
  const fresh = kindOf(kind).fresh(newId);
  return {
    ...{ kind: 'question', layer: 'content', text: plain(asks) },
    question: fresh.kind === 'number' ? { ...fresh, decimal: decimalOf(language) } : fresh,
    box: inMiddle(slide, 480, height),
  };
}

const EMPTY_TABLE = [
  ['', '', ''],
  ['', '', ''],
  ['', '', ''],
];

export function tableElement(
  slide: Slide,
  layer: Layer,
  rows: readonly (readonly string[])[] = EMPTY_TABLE,
): NewElement {
  const columns = Math.max(1, ...rows.map((row) => row.length));
  return {
    ...{ kind: 'table', layer: flat(layer), text: tableText(rows) },
    columns: Array.from({ length: columns }, () => 1),
    box: inMiddle(slide, Math.min(1100, 200 * columns), Math.min(600, 52 * rows.length)),
  };
}

export const mediaElement = (slide: Slide, media: MediaRef, name: string): NewElement => ({
  ...{ kind: 'media', layer: 'content', media, name },
  box: media.type.startsWith('video/')
    ? inMiddle(slide, 640, 360)
    : newElementBox(slide, { w: 320, h: 64 }),
});

export const creditsElement = (slide: Slide): NewElement => ({
  ...{ kind: 'credits', layer: 'content', box: inMiddle(slide, 900, 420) },
});
