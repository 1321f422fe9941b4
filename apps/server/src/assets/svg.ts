import sanitizeHtml from 'sanitize-html';

const DRAWING = [
  'svg',
  'g',
  'path',
  'rect',
  'circle',
  'ellipse',
  'line',
  'polyline',
  'polygon',
  'text',
  'tspan',
  'defs',
  'linearGradient',
  'radialGradient',
  'stop',
  'clipPath',
  'mask',
  'pattern',
  'symbol',
  'use',
  'title',
  'desc',
  'marker',
];
const ATTRIBUTES = [
  'xmlns',
  'viewBox',
  'width',
  'height',
  'x',
  'y',
  'x1',
  'y1',
  'x2',
  'y2',
  'cx',
  'cy',
  'r',
  'rx',
  'ry',
  'd',
  'points',
  'transform',
  'fill',
  'fill-opacity',
  'fill-rule',
  'stroke',
  'stroke-width',
  'stroke-linecap',
  'stroke-linejoin',
  'stroke-dasharray',
  'stroke-opacity',
  'opacity',
  'offset',
  'stop-color',
  'stop-opacity',
  'gradientUnits',
  'gradientTransform',
  'patternUnits',
  'patternTransform',
  'clip-path',
  'clip-rule',
  'mask',
  'id',
  'font-family',
  'font-size',
  'font-weight',
  'text-anchor',
  'preserveAspectRatio',
  'href',
  'role',
  'marker-end',
  'marker-start',
  'orient',
  'refX',
  'refY',
  'markerWidth',
  'markerHeight',
  'spreadMethod',
];
/** A reference may point inside the drawing and nowhere else. */
const REFERENCE = /url\(\s*['"]?(?!#)|^\s*(?!#)\S+:/i;

/** Whether bytes look like an SVG document at all. */
export function looksLikeSvg(bytes: Buffer): boolean {
  const head = bytes
    .subarray(0, 1000)
    .toString('utf8')
    .replace(/^\uFEFF/, '')
    .trimStart();
  return /^<(\?xml|!--|!doctype svg|svg)/i.test(head) && bytes.includes('<svg');
}

/** Keeps what draws and drops the rest: scripts, handlers, styles, foreign content, outside references. */
export function sanitiseSvg(source: string): { svg: string; width: number; height: number } | null {
  const svg = sanitizeHtml(source, {
    allowedTags: DRAWING,
    allowedAttributes: { '*': ATTRIBUTES },
    allowedSchemes: [],
    allowProtocolRelative: false,
    parser: { xmlMode: true },
    nonTextTags: [
      'script',
      'style',
      'foreignObject',
      'iframe',
      'object',
      'image',
      'animate',
      'set',
      'a',
    ],
    transformTags: {
      '*': (tagName, attribs) => ({
        tagName,
        attribs: Object.fromEntries(
          Object.entries(attribs).filter(
            ([name, value]) => name === 'xmlns' || !REFERENCE.test(value),
          ),
        ),
      }),
    },
  });
  const root = /<svg([^>]*)>/.exec(svg)?.[1];
  if (root === undefined) return null;
  const attribute = (name: string): string =>
    new RegExp(`\\s${name}="([^"]*)"`).exec(root)?.[1] ?? '';
  const viewBox = attribute('viewBox')
    .split(/[\s,]+/)
    .map(Number);
  const size = (name: string, index: number): number => {
    const own = Number.parseFloat(attribute(name));
    return Math.round(own > 0 ? own : (viewBox[index] ?? 0)) || (index === 2 ? 300 : 150);
  };
  return {
    svg,
    width: Math.min(size('width', 2), 10_000),
    height: Math.min(size('height', 3), 10_000),
  };
}
