import bodyFont from '@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal.woff2?url';
import { addFaces } from '../painting/farFaces';
import type { FarFace } from '../parts/letters';
import { paintWires, paintWordings, type Stretch, type WireColours } from './paintWires';
import { placeLabels } from './placeLabels';
import type { DrawnWire, Spots, Wire } from './wire';
import type { Direction, WirePath } from './wirePath';
import { routeWires, type WireRoutes } from './wireRoutes';

/**
 * Leads wires round the cards, finds room for their wordings and paints both, off the main thread. It is sent all wires
 * after each change and answers with the way of each; then it is asked for stretches of the map, one at a time, and
 * answers with two pictures of each: the wires, which lie under the cards, and the wordings, which lie over them.
 */
export interface WiresToLead {
  wires: readonly Wire[];
  spots: Spots;
  direction: Direction;
  /** Cards that are being moved: their wires are not painted, the others stay as they are. */
  moving: ReadonlySet<string>;
  colours: WireColours;
}
export interface LedWires {
  led: Map<string, LedWire>;
}
/** The way of a wire, and the place of the cards it was led between. */
export interface LedWire {
  path: WirePath;
  from: { x: number; y: number };
  to: { x: number; y: number };
}
export interface PaintStretch extends Stretch {
  /** Pixels of the picture per map unit. */
  scale: number;
  hasWordings: boolean;
}
/** Parts of fonts for letters of wordings that the interface's family has not. */
export interface FarFaces {
  faces: readonly FarFace[];
}
export interface PaintedStretch extends PaintStretch {
  wires: ImageBitmap;
  wordings: ImageBitmap | null;
}

let routes: WireRoutes | undefined;
let placed: readonly DrawnWire[] = [];
let colours: WireColours;

let font: Promise<unknown> = new FontFace('Body', `url(${bodyFont})`, { weight: '200 800' })
  .load()
  .then((face) => void (self as unknown as { fonts: FontFaceSet }).fonts.add(face))
  .catch(() => undefined);

self.onmessage = async ({
  data,
}: MessageEvent<WiresToLead | PaintStretch | FarFaces>): Promise<void> => {
  if ('faces' in data) {
    font = font.then(() => addFaces(data.faces));
    return;
  }
  if ('wires' in data) return lead(data);
  await font;
  const wires = paint(data, paintWires);
  const wordings = data.hasWordings ? paint(data, paintWordings) : null;
  if (!wires) return;
  const painted: PaintedStretch = { ...data, wires, wordings };
  self.postMessage(painted, { transfer: wordings ? [wires, wordings] : [wires] });
};

function lead({ wires, spots, direction, moving, ...rest }: WiresToLead): void {
  colours = rest.colours;
  const before = routes;
  routes = routeWires(wires, spots, direction, before, moving);
  const stood = new Map(placed.map(({ wire, path }) => [wire.id, path]));
  if (moving.size > 0) {
    placed = routes.drawn.flatMap((one) => {
      const { id, from, to } = one.wire;
      return moving.has(from) || moving.has(to)
        ? []
        : [{ ...one, path: stood.get(id) ?? one.path }];
    });
    return;
  }
  if (before && isSamePlace(before.cards, spots) && isSameWay(before.drawn, routes.drawn)) {
    // Thicker with more walks, or no longer for students: the ways and their wordings stay.
    placed = routes.drawn.map((one) => ({ ...one, path: stood.get(one.wire.id) ?? one.path }));
    return;
  }
  placed = placeLabels(routes.drawn, spots);
  const led = new Map(
    placed.map(({ wire, path }) => {
      const [from, to] = [spots.get(wire.from)!, spots.get(wire.to)!];
      return [wire.id, { path, from, to }] as const;
    }),
  );
  const answer: LedWires = { led };
  self.postMessage(answer);
}

const isSamePlace = (before: Spots, now: Spots): boolean =>
  before.size === now.size &&
  [...now].every(([id, { x, y }]) => before.get(id)?.x === x && before.get(id)?.y === y);

const isSameWay = (before: readonly DrawnWire[], now: readonly DrawnWire[]): boolean =>
  before.length === now.length &&
  now.every(({ wire, path }, at) => {
    const was = before[at]!;
    return was.path === path && was.wire.id === wire.id && was.wire.wording === wire.wording;
  });

function paint(stretch: PaintStretch, draw: typeof paintWires): ImageBitmap | null {
  const { left, top, width, height, scale } = stretch;
  const canvas = new OffscreenCanvas(
    Math.max(1, Math.round(width * scale)),
    Math.max(1, Math.round(height * scale)),
  );
  const context = canvas.getContext('2d');
  if (!context) return null;
  context.scale(scale, scale);
  context.translate(-left, -top);
  draw(context, placed, stretch, colours);
  return canvas.transferToImageBitmap();
}
