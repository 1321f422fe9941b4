/**
 * A hand for the demo's own drawings, as SVG. What it draws is a little uneven, and the same every time. Scenes are
 * 1280 × 720 like a slide; things are small and stand alone.
 */
export type Point = readonly [x: number, y: number];

/** Uneven numbers from -1 to 1, the same for the same seed (a linear congruence). */
export function shaky(seed: number): () => number {
  let state = (seed * 2654435761) >>> 0;
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 2 ** 31 - 1;
  };
}

export const svg = (body: string, width = 1280, height = 720): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" width="${width}" height="${height}">${body}</svg>`;

const n = (value: number): string => String(Math.round(value * 10) / 10);

/** A smooth line through points (Catmull–Rom, as cubic curves). */
export function through(points: readonly Point[], isClosed = false): string {
  const at = (index: number): Point =>
    isClosed
      ? points[(index + points.length) % points.length]!
      : points[Math.max(0, Math.min(points.length - 1, index))]!;
  let path = `M${n(points[0]![0])} ${n(points[0]![1])}`;
  for (let index = 0; index < points.length - (isClosed ? 0 : 1); index += 1) {
    const [a, b, c, d] = [at(index - 1), at(index), at(index + 1), at(index + 2)];
    path += ` C${n(b[0] + (c[0] - a[0]) / 6)} ${n(b[1] + (c[1] - a[1]) / 6)}`;
    path += ` ${n(c[0] - (d[0] - b[0]) / 6)} ${n(c[1] - (d[1] - b[1]) / 6)} ${n(c[0])} ${n(c[1])}`;
  }
  return isClosed ? `${path}Z` : path;
}

export const filled = (path: string, fill: string, more = ''): string =>
  `<path d="${path}" fill="${fill}" ${more}/>`;

export const drawn = (path: string, colour: string, width: number, more = ''): string =>
  `<path d="${path}" fill="none" stroke="${colour}" stroke-width="${width}" stroke-linecap="round" stroke-linejoin="round" ${more}/>`;

/** A gradient from top to bottom, or from left to right. */
export function gradient(
  id: string,
  stops: readonly [at: number, colour: string, opacity?: number][],
  isAcross = false,
): string {
  const along = isAcross ? 'x1="0" y1="0" x2="1" y2="0"' : 'x1="0" y1="0" x2="0" y2="1"';
  return `<linearGradient id="${id}" ${along}>${stopsOf(stops)}</linearGradient>`;
}

/** A light that fades outwards. */
export const glow = (id: string, colour: string, strength = 1): string =>
  `<radialGradient id="${id}">${stopsOf([
    [0, colour, strength],
    [0.4, colour, strength * 0.35],
    [1, colour, 0],
  ])}</radialGradient>`;

const stopsOf = (stops: readonly [at: number, colour: string, opacity?: number][]): string =>
  stops
    .map(
      ([at, colour, opacity]) =>
        `<stop offset="${at}" stop-color="${colour}"${opacity === undefined ? '' : ` stop-opacity="${n(opacity * 10) === '10' ? 1 : opacity}"`}/>`,
    )
    .join('');

/** Land or water down to the foot of the picture, its edge uneven. */
export function band(
  seed: number,
  y: number,
  height: number,
  step: number,
  from = -40,
  to = 1320,
): string {
  const shake = shaky(seed);
  const points: Point[] = [];
  for (let x = from; x <= to + step; x += step) points.push([x, y + shake() * height]);
  return `${through(points)} V740 H${from}Z`;
}

/** A cloud with a heaped top and a flat foot, its middle at a point of the foot. */
export function cloud(
  seed: number,
  x: number,
  y: number,
  width: number,
  [under, over]: readonly [under: string, over: string],
  opacity = 1,
): string {
  const shake = shaky(seed);
  const heap = (size: number, lift: number): string => {
    const bumps = 7;
    const wide = (width * size) / bumps;
    let path = `M${n(x - (width * size) / 2)} ${n(y - lift)}`;
    let height = 0;
    for (let bump = 0; bump < bumps; bump += 1) {
      // Up to the middle and down again, in arcs.
      const next =
        bump === bumps - 1 ? 0 : Math.sin((Math.PI * (bump + 1)) / bumps) * width * 0.17 * size;
      const [dx, dy] = [wide * (1 + 0.1 * shake()), height - next];
      const radius = Math.hypot(dx, dy) * (0.54 + 0.04 * shake());
      path += ` a${n(radius)} ${n(radius)} 0 0 1 ${n(dx)} ${n(dy)}`;
      height = next;
    }
    return `${path} q${n(-width * size * 0.1)} ${n(width * 0.045)} ${n(-width * size * 0.3)} ${n(width * 0.03)} t${n(-width * size * 0.4)} ${n(-width * 0.01)}Z`;
  };
  return (
    `<g opacity="${opacity}">` +
    filled(heap(1, 0), under) +
    filled(heap(0.78, width * 0.035), over, 'opacity="0.8"') +
    '</g>'
  );
}

/** Rows of water, further ones paler and flatter, with light on their crests. */
export function sea(
  seed: number,
  top: number,
  colours: readonly string[],
  crest: string,
  swell = 1,
): string {
  const shake = shaky(seed);
  const rows = colours.length;
  let drawing = '';
  colours.forEach((colour, row) => {
    const depth = row / Math.max(1, rows - 1);
    const y = top + (720 - top) * depth ** 1.25 * 0.86;
    const height = (3 + 15 * depth) * swell;
    drawing += filled(band(seed + row, y, height, 44 + 50 * depth), colour);
    for (let stroke = 0; stroke < 16 - row; stroke += 1) {
      const [x, at] = [640 + shake() * 660, y + 8 + Math.abs(shake()) * (18 + 50 * depth)];
      const long = (14 + 44 * depth) * (1 + 0.4 * shake());
      drawing += drawn(
        `M${n(x)} ${n(at)} q${n(long / 2)} ${n(-4 - 6 * depth * swell)} ${n(long)} 0`,
        crest,
        1.4 + 2 * depth,
        `opacity="${n(0.22 + 0.22 * depth)}"`,
      );
    }
  });
  return drawing;
}

/** Rain that the wind drives to the left, near drops longer. */
export function rain(seed: number, count: number, colour: string): string {
  const shake = shaky(seed);
  let drops = '';
  for (let drop = 0; drop < count; drop += 1) {
    const near = (shake() + 1) / 2;
    const [x, y] = [640 + shake() * 700, 330 + shake() * 360];
    const long = 12 + 34 * near;
    drops += `<path d="M${n(x)} ${n(y)} l${n(-long * 0.38)} ${n(long)}" stroke-width="${n(1 + 1.8 * near)}" opacity="${n(0.16 + 0.3 * near)}"/>`;
  }
  return `<g stroke="${colour}" stroke-linecap="round" fill="none">${drops}</g>`;
}

/** Gulls on the wing. */
export const gulls = (
  seed: number,
  x: number,
  y: number,
  count: number,
  colour: string,
): string => {
  const shake = shaky(seed);
  let birds = '';
  for (let bird = 0; bird < count; bird += 1) {
    const [at, up, size] = [x + shake() * 110, y + shake() * 44, 9 + 5 * shake()];
    birds += drawn(
      `M${n(at - 2 * size)} ${n(up + shake() * 4)} q${n(size)} ${n(-size)} ${n(2 * size)} ${n(size * 0.4)} q${n(size)} ${n(-size * 1.3)} ${n(2 * size)} ${n(-size * 0.2)}`,
      colour,
      2.6,
    );
  }
  return birds;
};

interface Look {
  coat?: string;
  hat?: string;
  skin?: string;
  /** Holds up a lantern. */
  hasLantern?: boolean;
  /** Both arms up, to be seen from afar. */
  isWaving?: boolean;
  /** Sits and pulls at oars. */
  isRowing?: boolean;
}

/** Someone in oilskins, drawn with the feet at a point; 100 units tall at scale 1. */
export function person(x: number, y: number, scale: number, look: Look = {}): string {
  const { coat = '#D9A441', hat = '#C48A2C', skin = '#E8B890' } = look;
  const legs = look.isRowing
    ? filled('M-4 -30 Q22 -34 36 -18 L32 -8 Q12 -20 -10 -12Z', '#2B3440')
    : filled(
        'M-14 -34 L-12 -4 Q-18 0 -20 0 H-6 L-2 -30Z M2 -32 L6 0 H20 Q18 -3 13 -5 L15 -34Z',
        '#2B3440',
      );
  const arms = look.isWaving
    ? drawn('M-14 -62 L-34 -96 M14 -62 L34 -98', coat, 10)
    : look.isRowing
      ? drawn('M-2 -58 Q18 -44 34 -46', coat, 10)
      : look.hasLantern
        ? drawn('M-12 -62 L-34 -70 M12 -60 Q22 -48 16 -38', coat, 9)
        : drawn('M-13 -62 Q-24 -48 -17 -38 M13 -62 Q24 -48 18 -38', coat, 9);
  const lantern = look.hasLantern
    ? '<circle cx="-36" cy="-58" r="40" fill="url(#lantern)"/><rect x="-41" y="-66" width="10" height="15" rx="2" fill="#FFE7A3" stroke="#3A2C24" stroke-width="2"/>' +
      drawn('M-36 -66 v-6', '#3A2C24', 2)
    : '';
  return (
    `<g transform="translate(${x} ${y}) scale(${scale})">` +
    legs +
    filled('M-12 -70 Q0 -76 12 -70 L20 -26 Q0 -18 -20 -26Z', coat) +
    filled('M3 -73 Q8 -72 12 -70 L20 -26 Q14 -23 6 -22Z', '#000', 'opacity="0.14"') +
    drawn('M1 -68 L2 -26', '#000', 1.4, 'opacity="0.3"') +
    arms +
    `<circle cx="0" cy="-83" r="10" fill="${skin}"/>` +
    filled('M-16 -84 Q-10 -101 2 -99 Q12 -98 15 -83 Q6 -89 -4 -88 Q-10 -87 -16 -84Z', hat) +
    lantern +
    '</g>'
  );
}
