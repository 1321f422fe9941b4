import type { Box } from '../parts/place.js';

/** A picture made small: red, green, blue and opacity of each pixel, 0 to 255, row by row. */
export interface SmallPicture {
  data: ArrayLike<number>;
  width: number;
  height: number;
}

/**
 * The share of what stands out that the box leaves out on each of its sides: single bright spots are not framed, except
 * before an edge of one colour.
 */
const TAIL = 0.015;
/** Room around it, in shares of the picture. */
const AROUND = 0.03;
/** What takes more of the picture than this, with an edge of many colours, is no part of it. */
const MOST = 0.7;
/** How much something must differ from what lies around the edge, of 255, to stand out at all. */
const LEAST = 14;
/** And how many times as much as all of it does, where the edge has many colours. */
const MUCH = 2.6;
/** The share of the edge that is of one colour when the ground is. */
const PLAIN = 0.75;
/**
 * The share of the edge that a colour needs to belong to what lies around: with less, before one colour, the thing itself
 * reaches the edge; among many, a horizon has no more than a spot on either side.
 */
const COMMON = 0.12;
const COMMON_OF_MANY = 0.012;

/**
 * What seems to matter in a picture, in shares of it: the part that differs most from what its edge is made of; null
 * where nothing does. A guess from colours alone, for pictures of which nobody has said it. The edge as what lies behind:
 * Wei, Wen, Zhu and Sun, *Geodesic saliency using background priors*, 2012; a multiple of the mean as what stands out: Achanta,
 * Hemami, Estrada and Süsstrunk, *Frequency-tuned salient region detection*, 2009.
 */
export function standsOut(picture: SmallPicture): Box | null {
  const { width, height } = picture;
  if (width < 3 || height < 3) return null;
  const colours = coloursOf(picture);
  const edge = edgeOf(width, height);
  const isPlain = isOfOneColour(colours, edge);
  const differs = new Float64Array(width * height);
  let sum = 0;
  for (let at = 0; at < differs.length; at += 1) {
    // In the middle of a picture more is meant than at its edge.
    const x = (at % width) / (width - 1) - 0.5;
    const y = Math.floor(at / width) / (height - 1) - 0.5;
    const near = Math.exp(-(x * x + y * y) / 0.35);
    differs[at] = near * distanceToEdge(colours, at, edge, isPlain ? COMMON : COMMON_OF_MANY);
    sum += differs[at]!;
  }
  const least = Math.max(LEAST, isPlain ? 0 : (MUCH * sum) / differs.length);
  const columns = new Float64Array(width);
  const rows = new Float64Array(height);
  for (let at = 0; at < differs.length; at += 1) {
    const much = differs[at]! < least ? 0 : differs[at]!;
    columns[at % width]! += much;
    rows[Math.floor(at / width)]! += much;
  }
  const tail = isPlain ? 0 : TAIL;
  const across = spanOf(columns, tail);
  const down = spanOf(rows, tail);
  if (!across || !down) return null;
  const box = { x: across.from, y: down.from, w: across.to - across.from, h: down.to - down.from };
  return box.w * box.h > MOST && !isPlain ? null : box;
}

/** Brightness and two opposite colours of each pixel, the mean of it and its neighbours; on white where it is clear. */
function coloursOf({ data, width, height }: SmallPicture): Float64Array {
  const plain = new Float64Array(3 * width * height);
  for (let at = 0; at < width * height; at += 1) {
    const opacity = data[4 * at + 3]! / 255;
    const onWhite = (part: number): number => data[4 * at + part]! * opacity + 255 * (1 - opacity);
    const [red, green, blue] = [onWhite(0), onWhite(1), onWhite(2)];
    plain[3 * at] = 0.3 * red + 0.6 * green + 0.1 * blue;
    plain[3 * at + 1] = (red - green) / 2;
    plain[3 * at + 2] = (red + green) / 4 - blue / 2;
  }
  const smooth = new Float64Array(plain.length);
  for (let y = 0; y < height; y += 1) {
    for (let x = 0; x < width; x += 1) {
      for (let part = 0; part < 3; part += 1) {
        let [sum, of] = [0, 0];
        for (let v = Math.max(0, y - 1); v <= Math.min(height - 1, y + 1); v += 1) {
          for (let u = Math.max(0, x - 1); u <= Math.min(width - 1, x + 1); u += 1) {
            sum += plain[3 * (v * width + u) + part]!;
            of += 1;
          }
        }
        smooth[3 * (y * width + x) + part] = sum / of;
      }
    }
  }
  return smooth;
}

/** The pixels around a picture. */
function edgeOf(width: number, height: number): number[] {
  const all: number[] = [];
  for (let x = 0; x < width; x += 1) all.push(x, (height - 1) * width + x);
  for (let y = 1; y < height - 1; y += 1) all.push(y * width, y * width + width - 1);
  return all;
}

/** Whether almost all of the edge is of one colour: what is not of it is the thing, which may reach the edge. */
const isOfOneColour = (colours: Float64Array, edge: readonly number[]): boolean =>
  edge.filter((at) => distanceToEdge(colours, at, edge, PLAIN - 0.05) < LEAST).length >=
  PLAIN * edge.length;

/** How far a colour is from those of the edge, when `common` of them, a share, may be of the thing itself. */
function distanceToEdge(
  colours: Float64Array,
  at: number,
  edge: readonly number[],
  common: number,
): number {
  // The nearest ones in order, squared.
  const nearest = new Float64Array(Math.floor(common * edge.length) + 1).fill(Infinity);
  const last = nearest.length - 1;
  for (const other of edge) {
    const light = colours[3 * at]! - colours[3 * other]!;
    const red = 2 * (colours[3 * at + 1]! - colours[3 * other + 1]!);
    const blue = 2 * (colours[3 * at + 2]! - colours[3 * other + 2]!);
    const far = light * light + red * red + blue * blue;
    if (far >= nearest[last]!) continue;
    let place = last;
    for (; place > 0 && nearest[place - 1]! > far; place -= 1) nearest[place] = nearest[place - 1]!;
    nearest[place] = far;
  }
  return Math.sqrt(nearest[last]!);
}

/** From where to where almost all of a distribution lies, in shares of its length; null for an empty one. */
function spanOf(much: Float64Array, tail: number): { from: number; to: number } | null {
  const all = much.reduce((sum, one) => sum + one, 0);
  if (all === 0) return null;
  let [from, before] = [0, 0];
  while (before + much[from]! <= tail * all) before += much[from++]!;
  let [last, after] = [much.length - 1, 0];
  while (after + much[last]! <= tail * all) after += much[last--]!;
  return {
    from: Math.max(0, from / much.length - AROUND),
    to: Math.min(1, (last + 1) / much.length + AROUND),
  };
}
