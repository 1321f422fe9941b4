import {
  band,
  cloud,
  drawn,
  filled,
  glow,
  gradient,
  gulls,
  person,
  rain,
  sea,
  shaky,
  svg,
  through,
  type Point,
} from './hand.js';
import { ferry, rowingBoat } from './coast.js';

const FAIR = ['#A9C6CC', '#8DB4BD', '#6E9FAC', '#4F8797', '#3B7182'];
const ROUGH = ['#64757D', '#50646D', '#3E535D', '#2F444F', '#243843'];

/** High thin clouds as wisps, all bent by the same wind. */
const wisps = (seed: number, x: number, y: number): string => {
  const shake = shaky(seed);
  return Array.from({ length: 26 }, (_, at) => {
    const [left, up] = [x + shake() * 170 - 30, y + shake() * 80];
    const long = 110 + 70 * shake();
    return drawn(
      `M${left.toFixed(0)} ${up.toFixed(0)} q${(long * 0.6).toFixed(0)} ${(-6 + 4 * shake()).toFixed(0)} ${long.toFixed(0)} ${(-34 + 10 * shake()).toFixed(0)}`,
      '#FFFFFF',
      1.5 + (at % 4) * 1.6,
      `opacity="${(0.35 + 0.25 * Math.abs(shake())).toFixed(2)}"`,
    );
  }).join('');
};

/** Geese in a wedge, each with neck, body and wings: small from afar, sharp from near. */
const geese = (x: number, y: number): string => {
  const places: Point[] = [
    [0, 0],
    [-26, 12],
    [-52, 25],
    [-79, 40],
    [24, 15],
    [49, 31],
    [73, 46],
    [-128, 60],
  ];
  return places
    .map(
      ([dx, dy], at) =>
        `<g transform="translate(${x + dx} ${y + dy}) scale(0.5)">` +
        filled(
          'M-16 2 Q0 -6 14 -1 L34 -7 Q38 -8 39 -5 L34 -3 L16 5 Q0 9 -18 5 L-27 6Z',
          '#4B5560',
        ) +
        filled('M34 -7 Q38 -9 40 -5 L36 -3Z', '#1E2B32') +
        filled('M10 -3 L17 -4 L18 3 L11 4Z', '#E9EEF0') +
        filled(
          at % 2 ? 'M-6 -1 Q-14 -22 -34 -30 Q-16 -26 8 0Z' : 'M-6 3 Q-16 20 -34 24 Q-14 24 8 4Z',
          '#5D6873',
        ) +
        '</g>',
    )
    .join('');
};

const skies = {
  clouds: svg(
    `<defs>${gradient('sky', [
      [0, '#9CC3D3'],
      [0.6, '#D3E5E6'],
      [0.8, '#F3EBD8'],
    ])}${glow('sun', '#FFF6D8', 0.9)}</defs>` +
      '<rect width="1280" height="720" fill="url(#sky)"/><circle cx="560" cy="520" r="330" fill="url(#sun)"/>' +
      wisps(21, 760, 160) +
      geese(800, 190) +
      cloud(23, 230, 470, 420, ['#E4ECEC', '#FFFFFF'], 0.9) +
      cloud(24, 560, 520, 300, ['#E4ECEC', '#FFFFFF'], 0.7) +
      // Low and heavy: three banks, rain under them, and who is out in it.
      cloud(25, 1120, 340, 420, ['#8798A2', '#A9B7BE']) +
      cloud(26, 960, 366, 340, ['#76878F', '#98A7AF']) +
      cloud(27, 1200, 386, 300, ['#6B7B85', '#8C9BA4']) +
      Array.from({ length: 34 }, (_, at) =>
        drawn(
          `M${850 + at * 12} ${384 + (at % 3) * 8} l-14 ${100 + (at % 5) * 14}`,
          '#7F919B',
          1.6,
          'opacity="0.4"',
        ),
      ).join('') +
      filled(band(28, 548, 10, 120), '#A8BDB8', 'opacity="0.8"') +
      sea(29, 560, FAIR, '#FFFFFF', 0.7) +
      filled('M-20 600 Q90 556 210 574 Q300 582 350 612 Q420 650 560 740 H-20Z', '#B9A783') +
      filled('M-20 600 Q90 556 210 574 Q300 582 350 612 Q180 598 -20 624Z', '#8E9A66') +
      // Under the heavy clouds, seen only from near.
      rowingBoat(1046, 574, 0.22, person(-8, 2, 0.95, { isRowing: true })) +
      drawn('M1014 580 q8 -4 15 0 t15 0 t15 0 t15 0 t12 0', '#FFFFFF', 1.2, 'opacity="0.8"') +
      person(120, 586, 0.62, { coat: '#B8482A', hat: '#8E3518' }) +
      person(164, 590, 0.46, { coat: '#3F7C86', hat: '#2F5E66', isWaving: true }) +
      drawn('M172 548 Q330 430 452 400', '#FFFDF7', 1.2) +
      filled('M452 400 l34 -26 l8 36 l-30 20Z', '#D9603A') +
      filled('M452 400 l34 -26 l-12 34Z', '#F2B04A') +
      gulls(30, 330, 640, 3, '#FFFFFF'),
  ),
  gale: svg(
    `<defs>${gradient('sky', [
      [0, '#2E3941'],
      [0.6, '#46545D'],
      [0.8, '#6B7A82'],
    ])}</defs>` +
      '<rect width="1280" height="720" fill="url(#sky)"/>' +
      cloud(31, 240, 210, 620, ['#333F48', '#3E4B54'], 0.9) +
      cloud(32, 760, 170, 620, ['#2D3841', '#3A4750'], 0.9) +
      cloud(33, 1120, 260, 520, ['#333F48', '#414E57'], 0.9) +
      ferry(980, 526, 0.6, true) +
      sea(34, 540, ROUGH, '#E6EDEE', 2.4) +
      // A tree and a fence that give way to the wind.
      filled('M-20 740 V640 Q120 612 300 640 Q420 662 470 740Z', '#26343A') +
      drawn(
        'M180 640 Q190 580 160 530 Q140 500 96 486 M166 540 Q130 536 88 548 M176 576 Q140 572 104 590',
        '#1B262C',
        8,
      ) +
      Array.from({ length: 18 }, (_, at) =>
        filled(
          `M${60 + (at % 6) * 18} ${482 + Math.floor(at / 6) * 44} q-30 -12 -54 -4 q20 14 54 4Z`,
          '#34504A',
        ),
      ).join('') +
      drawn(
        'M250 640 l-14 -46 M300 644 l-14 -46 M350 652 l-14 -46 M226 612 L352 624',
        '#1B262C',
        6,
      ) +
      rain(35, 260, '#D3DDE1'),
  ),
} as const;

const weed = (seed: number, x: number, y: number, height: number, colour: string): string => {
  const shake = shaky(seed);
  return Array.from({ length: 4 }, (_, at) => {
    const lean = shake() * 26;
    const left = x + at * 13;
    return drawn(
      `M${left} ${y} q${(-12 + lean * 0.3).toFixed(0)} ${(-height * 0.3).toFixed(0)} ${(lean * 0.4).toFixed(0)} ${(-height * 0.55).toFixed(0)} t${lean.toFixed(0)} ${(-height * 0.45).toFixed(0)}`,
      colour,
      7 - at,
    );
  }).join('');
};

const stones = (seed: number, y: number, count: number, colours: readonly string[]): string => {
  const shake = shaky(seed);
  return Array.from({ length: count }, (_, at) => {
    const [x, up, size] = [640 + shake() * 660, y + shake() * 22, 14 + 10 * shake()];
    return `<ellipse cx="${x.toFixed(0)}" cy="${up.toFixed(0)}" rx="${(size * 1.5).toFixed(0)}" ry="${size.toFixed(0)}" fill="${colours[at % colours.length]}"/>`;
  }).join('');
};

const POOL_EDGE: readonly Point[] = [
  ...([
    [-40, 300],
    [180, 262],
    [420, 286],
    [640, 246],
  ] as const),
  ...([
    [880, 270],
    [1100, 240],
    [1320, 262],
  ] as const),
];
const DEEP_EDGE: readonly Point[] = [
  ...([
    [-40, 440],
    [200, 466],
    [430, 440],
    [640, 474],
  ] as const),
  ...([
    [900, 450],
    [1120, 478],
    [1320, 456],
  ] as const),
];

/** Dry rock above, the pool in the middle, deep water below. */
const pool = svg(
  `<defs>${gradient('rock', [
    [0, '#E9DCC0'],
    [1, '#CDBB98'],
  ])}${gradient('shallow', [
    [0, '#A9D3CF'],
    [1, '#6FB0B2'],
  ])}${gradient('deep', [
    [0, '#3C8291'],
    [1, '#1B4B5C'],
  ])}</defs>` +
    '<rect width="1280" height="720" fill="url(#rock)"/>' +
    drawn(
      'M730 20 Q760 90 740 150 M900 0 Q880 70 930 130 M1080 10 Q1110 80 1090 160 M1210 0 Q1190 60 1230 120',
      '#A8946E',
      4,
      'opacity="0.6"',
    ) +
    stones(41, 226, 22, ['#BBA781', '#D8C8A6', '#A8946E']) +
    Array.from(
      { length: 40 },
      (_, at) =>
        `<circle cx="${690 + ((at * 67) % 570)}" cy="${40 + ((at * 41) % 150)}" r="${3 + (at % 3)}" fill="#F6EFDD" stroke="#A8946E" stroke-width="1.5"/>`,
    ).join('') +
    filled(`${through(POOL_EDGE)} V740 H-40Z`, 'url(#shallow)') +
    drawn(through(POOL_EDGE), '#FFFFFF', 6, 'opacity="0.6"') +
    stones(43, 436, 30, ['#8FB9B2', '#7BA7A2', '#A7C7BC']) +
    weed(44, 660, 452, 90, '#4F8A5B') +
    weed(45, 1236, 450, 110, '#5B7F45') +
    drawn(
      'M720 300 q14 -8 28 0 t28 0 M980 330 q14 -8 28 0 t28 0 M1120 296 q14 -8 28 0 t28 0 M260 330 q14 -8 28 0 t28 0 M80 380 q14 -8 28 0 t28 0',
      '#E8F6F3',
      3.5,
      'opacity="0.7"',
    ) +
    filled(`${through(DEEP_EDGE)} V740 H-40Z`, 'url(#deep)') +
    drawn(through(DEEP_EDGE), '#8CC4C8', 5, 'opacity="0.6"') +
    [500, 560, 610, 668, 1232]
      .map((x, at) => weed(46 + at, x, 730, 150 + 26 * (at % 3), at % 2 ? '#2F5E43' : '#3C6B3E'))
      .join('') +
    Array.from(
      { length: 16 },
      (_, at) =>
        `<circle cx="${520 + ((at * 97) % 740)}" cy="${500 + ((at * 53) % 190)}" r="${2 + (at % 4)}" fill="none" stroke="#BFE3E4" stroke-width="1.6" opacity="0.6"/>`,
    ).join(''),
);

const chart = svg(
  '<rect width="1280" height="720" fill="#F6EDD6"/>' +
    drawn('M0 180H1280M0 360H1280M0 540H1280M320 0V720M640 0V720M960 0V720', '#D9CBA6', 2) +
    [60, 40, 22]
      .map((out, at) =>
        drawn(
          through([
            [700 - out, 740],
            [660 - out, 600],
            [780 - out, 470 - out],
            [980 - out, 250 - out],
            [1080, 170 - out],
            [1300, 190 - out],
          ]),
          '#8FB4B4',
          2.5,
          `opacity="${0.3 + at * 0.25}"`,
        ),
      )
      .join('') +
    filled(
      `${through([
        [700, 740],
        [660, 600],
        [780, 470],
        [980, 250],
        [1080, 170],
        [1300, 190],
      ])} V740Z`,
      '#E2D3AC',
    ) +
    drawn(
      through([
        [700, 740],
        [660, 600],
        [780, 470],
        [980, 250],
        [1080, 170],
        [1300, 190],
      ]),
      '#6B5B4C',
      5,
    ) +
    [
      [520, 500],
      [590, 430],
      [470, 590],
    ]
      .map(
        ([x, y]) =>
          filled(`M${x} ${y} l16 -30 18 30Z`, '#8E3518') +
          drawn(`M${x! - 8} ${y! + 6} q8 -6 16 0 t16 0 t16 0`, '#8E3518', 2),
      )
      .join('') +
    drawn('M860 420 V350 M846 420 H876 M852 350 L860 332 L868 350Z', '#B8482A', 5) +
    `<g transform="translate(180 560)">${drawn('M0 -90 V90 M-90 0 H90', '#6B5B4C', 2.5)}${filled('M0 -96 L13 -13 L0 0 L-13 -13Z M0 96 L13 13 L0 0 L-13 13Z M-96 0 L-13 -13 L0 0 L-13 13Z M96 0 L13 -13 L0 0 L13 13Z', '#8E6A3A')}<circle r="64" fill="none" stroke="#6B5B4C" stroke-width="2.5"/><text y="-102" font-family="Georgia, serif" font-size="30" fill="#6B5B4C" text-anchor="middle">N</text></g>`,
);

const page = svg(
  '<rect width="1280" height="720" fill="#EFE3C8"/>' +
    filled('M52 46 Q640 34 1228 48 Q1234 360 1226 674 Q640 684 54 672 Q46 360 52 46Z', '#FFFCF2') +
    drawn(
      'M52 46 Q640 34 1228 48 Q1234 360 1226 674 Q640 684 54 672 Q46 360 52 46Z',
      '#C9B88E',
      3,
    ) +
    drawn('M104 60 Q98 360 106 662', '#E7B9A6', 2.5) +
    // Along the foot, as one doodles while thinking.
    drawn(
      'M140 632 q24 -20 48 0 t48 0 t48 0 t48 0 t48 0 t48 0 t48 0 t48 0 t48 0 t48 0 t48 0',
      '#8FB4B4',
      4,
    ) +
    gulls(52, 760, 606, 3, '#9A8B66') +
    `<g transform="translate(1090 640) scale(0.42)">${drawn('M-40 0 L-24 -190 H24 L40 0 M-34 -70 H34 M-30 -120 H30 M-24 -190 V-230 H24 V-190 M-30 -230 L0 -266 L30 -230Z M-90 4 Q0 -14 110 6', '#9A8B66', 7)}</g>`,
);

export const SHORES = { ...skies, pool, chart, page } as const;
