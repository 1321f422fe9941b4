import { drawn, filled, glow, gradient, person, svg } from './hand.js';

/** The lens: rings of glass in a frame of brass, its middle at (880, 300). */
function lens(light: string): string {
  const rings = [0, 1, 2, 3, 4].map((ring) => {
    const [w, h] = [150 - ring * 28, 220 - ring * 40];
    return `<ellipse cx="880" cy="300" rx="${w / 2}" ry="${h / 2}" fill="${ring === 4 ? light : '#CFE0DC'}" fill-opacity="${ring === 4 ? 1 : 0.2 + ring * 0.08}" stroke="#F3F7F0" stroke-opacity="0.75" stroke-width="3"/>`;
  });
  return (
    filled('M788 186 H972 L960 168 H800Z M784 414 H976 L990 438 H770Z', '#A9792C') +
    filled('M788 186 H972 V192 H788Z M784 414 H976 V421 H784Z', '#E4BD6A') +
    rings.join('') +
    drawn(
      'M800 190 Q772 300 796 412 M960 190 Q988 300 964 412 M838 188 Q822 300 836 412 M922 188 Q938 300 924 412',
      '#C6953F',
      6,
    ) +
    filled('M812 438 H948 L972 656 H788Z', '#6E4A2C') +
    filled('M900 438 H948 L972 656 H916Z', '#000', 'opacity="0.25"') +
    drawn('M820 480 H940 M812 540 H948', '#8E6238', 4)
  );
}

/** A tall window of the lantern, with the night behind it. */
const pane = (x: number, width: number, isLit: boolean): string =>
  `<rect x="${x}" y="70" width="${width}" height="330" fill="url(#${isLit ? 'dusk' : 'nightPane'})"/>` +
  drawn(
    `M${x} 70 V400 M${x + width} 70 V400 M${x} 235 H${x + width} M${x} 72 H${x + width} M${x} 398 H${x + width}`,
    '#3A2A1E',
    9,
  ) +
  drawn(
    `M${x + width * 0.3} 96 L${x + width * 0.18} 150 M${x + width * 0.7} 180 L${x + width * 0.56} 226 M${x + width * 0.4} 300 L${x + width * 0.3} 350`,
    '#C6D3D8',
    2.4,
    'opacity="0.45"',
  );

/** Bench, battery, and the wires that end on both sides of the gap. */
const bench = (isClosed: boolean): string =>
  filled('M0 640 Q640 620 1280 640 V740 H0Z', '#5E4029') +
  filled('M0 640 Q640 620 1280 640 V652 Q640 632 0 652Z', '#8A633F') +
  drawn('M0 676 Q640 658 1280 676 M0 704 Q640 688 1280 704', '#4A311E', 3, 'opacity="0.7"') +
  filled('M1080 560 H1210 V640 Q1150 644 1080 640Z', '#2E3A40') +
  filled('M1080 560 H1210 V580 H1080Z', '#B8482A') +
  filled('M1098 546 H1120 V560 H1098Z M1168 546 H1190 V560 H1168Z', '#C9A24E') +
  '<text x="1145" y="622" font-family="Georgia, serif" font-size="26" fill="#E9DFC6" text-anchor="middle">+ –</text>' +
  drawn('M1109 546 Q1080 500 1040 596 T1012 606', '#B8482A', 7) +
  drawn('M880 520 Q860 590 760 604 T748 606', '#B8482A', 7) +
  filled('M1002 596 h22 v20 h-22Z M738 596 h22 v20 h-22Z', '#C9A24E') +
  (isClosed ? drawn('M758 606 Q820 590 882 606 T1004 606', '#D07A3A', 8) : '');

function lampRoom(
  light: string,
  glowColour: string,
  strength: number,
  state: 'dark' | 'closed' | 'smoking',
): string {
  return svg(
    `<defs>${gradient('wall', [
      [0, '#3A2A20'],
      [0.6, '#5A4230'],
      [1, '#6E5138'],
    ])}` +
      gradient('nightPane', [
        [0, '#16232F'],
        [1, '#2C4556'],
      ]) +
      gradient('dusk', [
        [0, '#22384B'],
        [1, '#4A6474'],
      ]) +
      glow('shine', glowColour, strength) +
      glow('lantern', '#FFD97A', 0.9) +
      '</defs>' +
      '<rect width="1280" height="720" fill="url(#wall)"/>' +
      // Boards of the curved wall, on the side of the words without any window.
      [40, 140, 240, 340, 440, 540, 640]
        .map((x) => drawn(`M${x} 0 Q${x - 8} 320 ${x + 4} 640`, '#2E2119', 3, 'opacity="0.55"'))
        .join('') +
      pane(950, 110, state === 'closed') +
      pane(1100, 110, false) +
      filled('M0 -10 H1280 V46 Q640 76 0 46Z', '#2A1D15') +
      drawn('M0 46 Q640 76 1280 46', '#8A633F', 5) +
      '<circle cx="880" cy="300" r="330" fill="url(#shine)"/>' +
      lens(light) +
      (state === 'closed' ? '<circle cx="880" cy="300" r="150" fill="url(#shine)"/>' : '') +
      bench(state === 'closed') +
      (state === 'smoking'
        ? filled('M748 600 Q880 586 1012 600 L1012 608 Q880 596 748 608Z', '#B8A98A') +
          '<circle cx="880" cy="596" r="12" fill="#E2622C"/>' +
          drawn(
            'M880 584 Q846 540 880 500 T872 400 Q850 340 890 280',
            '#D8D2C4',
            16,
            'opacity="0.35"',
          ) +
          drawn('M888 584 Q910 530 884 470 T900 380', '#D8D2C4', 9, 'opacity="0.3"')
        : '') +
      person(640, 668, 2.1, { hasLantern: state === 'dark' }) +
      // The keeper's tools and the log on the bench.
      filled('M1034 640 l70 -6 6 -34 -70 6Z', '#F1E6CE') +
      drawn('M1046 614 l48 -5 M1044 624 l50 -5', '#8C7B63', 2.4),
  );
}

export const LAMP_ROOMS = {
  lampRoom: lampRoom('#6E7F86', '#C9A64E', 0.45, 'dark'),
  copper: lampRoom('#FFF6CF', '#FFD97A', 1, 'closed'),
  smoulder: lampRoom('#6E7F86', '#C9623A', 0.5, 'smoking'),
} as const;
