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

/** The light of a scene: what the sky, the water and the land take their colours from. */
interface Weather {
  sky: readonly [at: number, colour: string][];
  hills: readonly [far: string, near: string];
  clouds: readonly [under: string, over: string];
  water: readonly string[];
  crest: string;
  rock: readonly [shade: string, mid: string, light: string];
  grass: string;
  stone: readonly [light: string, shade: string];
  /** Rough water, and how much it rains. */
  swell: number;
  rain: number;
  stars?: boolean;
  moon?: boolean;
  sun?: boolean;
}

const NIGHT: Weather = {
  sky: [
    [0, '#131E2A'],
    [0.55, '#22384B'],
    [0.78, '#3A5A6B'],
  ],
  hills: ['#2C4556', '#21374A'],
  clouds: ['#1D2D3B', '#2A4051'],
  water: ['#34586A', '#2A4D60', '#234355', '#1C394B', '#152E3F', '#102534'],
  crest: '#BFD6DC',
  rock: ['#1B242B', '#2C3A40', '#43545A'],
  grass: '#2F4A44',
  stone: ['#D9D5C8', '#8C9296'],
  swell: 0.8,
  rain: 0,
  stars: true,
  moon: true,
};
const STORM: Weather = {
  ...NIGHT,
  sky: [
    [0, '#20282F'],
    [0.5, '#333F48'],
    [0.78, '#55646B'],
  ],
  hills: ['#3C4A52', '#2E3B43'],
  clouds: ['#252E35', '#35424A'],
  water: ['#4B656D', '#3D5962', '#314C56', '#27404B', '#1E343F', '#172A34'],
  crest: '#DCE6E6',
  swell: 1.7,
  rain: 190,
  stars: false,
  moon: false,
};
const DUSK: Weather = {
  ...NIGHT,
  sky: [
    [0, '#25333F'],
    [0.5, '#3F5260'],
    [0.78, '#A07E6A'],
  ],
  hills: ['#4B5960', '#35444D'],
  clouds: ['#3A4750', '#6F6763'],
  water: ['#6F7C80', '#4F6A74', '#3B5966', '#2E4A58', '#243C4A', '#1B303D'],
  crest: '#F0D9C0',
  stars: false,
  moon: false,
};
const DAWN: Weather = {
  sky: [
    [0, '#F1D9B0'],
    [0.45, '#F8E3BC'],
    [0.78, '#F3B98A'],
  ],
  hills: ['#D9A588', '#B98B7C'],
  clouds: ['#F0C79C', '#FBEBD0'],
  water: ['#C9A790', '#8FA7A2', '#6E9798', '#4F8188', '#3A6C77', '#295866'],
  crest: '#FFF3DA',
  rock: ['#5B4A44', '#7D675A', '#A68C76'],
  grass: '#7C8A55',
  stone: ['#FFF9EA', '#C9B9A0'],
  swell: 0.6,
  rain: 0,
  sun: true,
};

const backdrop = (weather: Weather, seed: number): string => {
  const shake = shaky(seed);
  let stars = '';
  for (let star = 0; weather.stars && star < 70; star += 1) {
    const [x, y] = [Math.round(640 + shake() * 640), Math.round(180 + shake() * 180)];
    const size = `r="${(1.2 + 0.8 * shake()).toFixed(1)}" opacity="${(0.5 + 0.35 * shake()).toFixed(2)}"`;
    // None among the words, where it would be read as a point.
    if (x < 800 && y > 70) continue;
    stars += `<circle cx="${x}" cy="${y}" ${size}/>`;
  }
  return (
    `<defs>${gradient('sky', weather.sky)}${glow('moon', '#E9EFE4', 0.9)}${glow('sun', '#FFE9B0', 1)}${glow('lantern', '#FFD97A', 0.95)}` +
    `${gradient(
      'stone',
      [
        [0, weather.stone[0]],
        [0.55, weather.stone[0]],
        [1, weather.stone[1]],
      ],
      true,
    )}` +
    `${gradient(
      'beam',
      [
        [0, '#FFE9A8', 0],
        [1, '#FFE9A8', 0.85],
      ],
      true,
    )}</defs>` +
    '<rect width="1280" height="720" fill="url(#sky)"/>' +
    `<g fill="#F4F1E2">${stars}</g>` +
    (weather.moon
      ? '<circle cx="1140" cy="130" r="120" fill="url(#moon)" opacity="0.5"/><circle cx="1140" cy="130" r="30" fill="#F1EFDD"/><circle cx="1130" cy="124" r="5" fill="#D9D8C6"/><circle cx="1148" cy="138" r="7" fill="#D9D8C6"/>'
      : '') +
    (weather.sun
      ? '<circle cx="1150" cy="500" r="330" fill="url(#sun)"/><circle cx="1150" cy="500" r="52" fill="#FFF4D2"/>'
      : '') +
    cloud(seed + 1, 1090, 190, 330, weather.clouds, 0.85) +
    cloud(seed + 2, 760, 110, 300, weather.clouds, 0.5) +
    cloud(seed + 3, 260, 440, 520, weather.clouds, 0.5) +
    cloud(seed + 4, 640, 480, 420, weather.clouds, 0.6) +
    filled(band(seed + 5, 520, 18, 90), weather.hills[0], 'opacity="0.75"')
  );
};

/** The isle's rock with its grass, from a left end to beyond the picture. */
function isle(weather: Weather, left: number): string {
  const [shade, mid, light] = weather.rock;
  const top: Point[] = [
    [left, 600],
    [left + 40, 566],
    [left + 74, 552],
    [left + 96, 520],
    [left + 180, 500],
    [left + 300, 508],
    [left + 380, 488],
    [1320, 470],
  ];
  const edge = through(top);
  const faces = [0, 1, 2, 3, 4, 5].map((face) => {
    const x = left + 30 + face * 84;
    const y = 600 - face * 8;
    return (
      filled(
        `M${x} ${y + 60} L${x + 26} ${y - 34 + (face % 2) * 18} L${x + 62} ${y - 12} L${x + 52} ${y + 66}Z`,
        face % 2 ? light : mid,
        'opacity="0.8"',
      ) + drawn(`M${x + 26} ${y - 30} l8 44 l-6 30`, shade, 2, 'opacity="0.6"')
    );
  });
  const shake = shaky(left);
  const tufts = Array.from({ length: 22 }, () => {
    const x = left + 120 + Math.abs(shake()) * (1180 - left);
    const y = 508 + 14 * shake();
    return drawn(
      `M${x.toFixed(0)} ${y.toFixed(0)} q-3 -9 -8 -12 M${x.toFixed(0)} ${y.toFixed(0)} q0 -10 2 -15 M${x.toFixed(0)} ${y.toFixed(0)} q4 -8 9 -10`,
      weather.grass,
      2.2,
    );
  });
  return (
    filled(`${edge} V740 H${left - 20}Z`, shade) +
    faces.join('') +
    filled(`${through(top.slice(3))} V520 Q${left + 260} 536 ${left + 96} 528Z`, weather.grass) +
    tufts.join('') +
    // Steps up to the door.
    [0, 1, 2, 3, 4, 5]
      .map((step) =>
        filled(
          `M${left + 86 + step * 9} ${600 - step * 15} h46 l-3 8 h-46Z`,
          step % 2 ? light : mid,
        ),
      )
      .join('')
  );
}

/** The lighthouse with its door at (967, 545) on the isle. */
function lighthouse(weather: Weather, isLit: boolean): string {
  const glass = isLit ? '#FFEFB5' : '#33444F';
  return (
    (isLit
      ? '<path d="M965 268 L560 196 L560 322Z" fill="url(#beam)"/><path d="M970 268 L1290 214 L1290 318Z" fill="#FFE9A8" opacity="0.4"/><circle cx="967" cy="268" r="120" fill="url(#sun)"/>'
      : '') +
    filled('M924 548 Q934 420 946 296 H988 Q1000 420 1010 548 Q967 560 924 548Z', 'url(#stone)') +
    filled(
      'M938.5 400 Q941 370 943 344 Q967 351 991 344 Q994 372 995.5 400 Q967 409 938.5 400Z',
      '#B8482A',
    ) +
    filled(
      'M930 490 Q932.5 460 935 440 Q967 449 999 440 Q1001.5 462 1004 490 Q967 500 930 490Z',
      '#B8482A',
    ) +
    filled(
      'M976 296 H988 Q1000 420 1010 548 Q996 553 982 554 Q984 420 976 296Z',
      '#000',
      'opacity="0.18"',
    ) +
    // Door, windows, their steps.
    filled('M955 549 V520 Q967 506 979 520 V550Z', '#4A3426') +
    '<circle cx="974" cy="535" r="2" fill="#D9A441"/>' +
    [372, 424, 470]
      .map(
        (y, at) =>
          `<rect x="${961 + (at % 2) * 6}" y="${y}" width="9" height="15" rx="4" fill="${isLit || at === 1 ? '#FFD97A' : '#2B3A44'}"/>`,
      )
      .join('') +
    // The gallery and the lantern room.
    filled('M932 296 Q967 306 1002 296 L996 286 H938Z', '#3A4A50') +
    drawn(
      'M934 284 H1000 M936 272 H998 M938 271 V287 M950 271 V287 M962 271 V287 M974 271 V287 M986 271 V287 M997 271 V287',
      '#2B363B',
      2,
    ) +
    `<rect x="945" y="240" width="44" height="48" fill="${glass}"/>` +
    filled('M960 286 Q954 264 960 244 H974 Q980 264 974 286Z', isLit ? '#FFFBE6' : '#5C717C') +
    drawn(
      'M945 240 V288 M956 240 V288 M967 240 V288 M978 240 V288 M989 240 V288 M945 264 H989',
      '#2B363B',
      1.8,
    ) +
    filled('M938 242 Q944 214 967 206 Q990 214 996 242 Q967 234 938 242Z', '#17505C') +
    filled('M975 208 Q990 216 996 242 Q986 239 978 238Z', '#000', 'opacity="0.2"') +
    drawn('M967 206 V186 M958 190 H978', '#2B363B', 2.4) +
    filled('M978 186 l10 4 -10 4Z', '#B8482A') +
    cottage(weather)
  );
}

const cottage = (weather: Weather): string =>
  filled('M1080 506 V448 H1210 V500 Q1150 512 1080 506Z', weather.stone[0]) +
  filled('M1150 448 H1210 V500 Q1180 506 1150 507Z', '#000', 'opacity="0.16"') +
  filled('M1066 452 L1098 404 H1196 L1224 450 Q1140 444 1066 452Z', '#5A3A30') +
  drawn('M1076 440 Q1140 434 1214 440 M1086 426 Q1140 420 1206 427', '#000', 1.5, 'opacity="0.3"') +
  filled('M1168 412 V386 H1186 V414Z', '#7D675A') +
  '<rect x="1098" y="462" width="22" height="22" fill="#FFD97A"/><path d="M1109 462 V484 M1098 473 H1120" stroke="#3A2C24" stroke-width="2.4"/>' +
  filled('M1140 507 V468 H1160 V506Z', '#2F5E66');

/** The evening ferry, far out. */
export const ferry = (x: number, y: number, scale: number, hasLights: boolean): string =>
  `<g transform="translate(${x} ${y}) scale(${scale})">` +
  filled('M-90 0 H92 Q84 24 70 26 H-70 Q-86 22 -90 0Z', '#22303A') +
  filled('M-90 0 H92 L90 6 H-89Z', '#B8482A') +
  filled('M-62 -26 H60 V0 H-70Z M-40 -46 H38 V-26 H-44Z', '#E8E2D2') +
  filled('M-6 -70 H20 V-46 H-8Z', '#B8482A') +
  drawn('M40 -46 V-76 M40 -72 L62 -30', '#22303A', 2.4) +
  [-54, -38, -22, -6, 10, 26, 42]
    .map(
      (at) =>
        `<rect x="${at}" y="-18" width="9" height="9" rx="2" fill="${hasLights ? '#FFE08A' : '#6E8894'}"/>`,
    )
    .join('') +
  '</g>';

/** A rowing boat with its name on the hull; its middle on the water at a point. */
export function rowingBoat(x: number, y: number, scale: number, rower: string): string {
  return (
    `<g transform="translate(${x} ${y}) scale(${scale})">` +
    rower +
    drawn('M30 -44 L-52 18', '#7A5A3A', 5) +
    filled('M-62 8 L-40 22 L-50 30 L-70 18Z', '#9A754C') +
    filled(
      'M-104 -18 Q-60 -2 0 -2 Q64 -2 112 -24 Q100 16 74 34 H-70 Q-96 16 -104 -18Z',
      '#8E3A22',
    ) +
    filled('M-104 -18 Q-60 -2 0 -2 Q64 -2 112 -24 L109 -14 Q64 8 0 8 Q-62 8 -101 -8Z', '#F1E6CE') +
    drawn('M-96 8 Q-60 20 0 20 Q60 20 98 4 M-84 22 Q-50 30 0 30 Q50 30 82 20', '#5E2411', 2) +
    `<text x="58" y="18.5" font-family="Georgia, serif" font-size="13" font-style="italic" fill="#F1E6CE" text-anchor="middle" transform="rotate(-7 58 14)">Storm Petrel</text>` +
    '</g>'
  );
}

const buoy = (x: number, y: number, scale: number, tilt: number): string =>
  `<g transform="translate(${x} ${y}) rotate(${tilt}) scale(${scale})">` +
  filled('M-13 -52 H13 L24 0 H-24Z', '#C2502C') +
  filled('M2 -52 H13 L24 0 H8Z', '#000', 'opacity="0.18"') +
  filled('M-17 -34 H17 L20 -22 H-20Z', '#F6F1E4') +
  drawn('M-9 -52 L0 -78 L9 -52', '#3A2C24', 3) +
  '<circle cx="0" cy="-80" r="6" fill="#FFD97A"/>' +
  filled('M-32 0 Q0 10 32 0 L24 20 H-24Z', '#2B2420') +
  '</g>';

/** The boathouse and its slip, low on the left where no words stand. */
const boathouse = (): string =>
  filled('M-20 740 L300 566 L452 578 L250 740Z', '#6B5B4C') +
  drawn('M70 720 L340 570 M160 722 L400 574', '#3F3229', 5) +
  [0, 1, 2, 3, 4, 5, 6]
    .map((tie) => drawn(`M${76 + tie * 40} ${712 - tie * 21} l86 3`, '#4A3B30', 5))
    .join('') +
  filled('M26 610 V508 H256 V580 L200 616Z', '#8A3B22') +
  [50, 74, 98, 122, 146, 170, 194, 218, 242]
    .map((x) => drawn(`M${x} 510 V${x > 200 ? 586 : 606}`, '#5E2411', 1.8, 'opacity="0.7"'))
    .join('') +
  filled('M6 520 L62 456 H224 L282 520 Q140 508 6 520Z', '#46291F') +
  drawn('M26 506 Q140 494 264 507 M44 486 Q140 476 246 487', '#000', 2, 'opacity="0.3"') +
  filled('M104 612 V540 H184 V600 L164 612Z', '#2A1C15') +
  filled('M104 612 L84 618 V546 L104 540Z', '#A24A2C') +
  '<circle cx="224" cy="548" r="26" fill="none" stroke="#F1E6CE" stroke-width="9"/><path d="M224 522 v9 M224 565 v9 M198 548 h9 M241 548 h9" stroke="#B8482A" stroke-width="10"/>';

const flagMast = (): string =>
  drawn('M330 690 V356', '#4A3426', 9) +
  drawn('M330 364 L410 380 M330 470 L404 484', '#2B2420', 2) +
  filled('M334 362 Q380 352 446 372 L424 402 L448 434 Q384 420 334 432Z', '#D9A441') +
  filled('M334 362 Q360 355 392 358 L390 424 Q360 424 334 432Z', '#000', 'opacity="0.08"') +
  filled('M334 462 Q386 454 440 470 V536 Q386 522 334 534Z', '#1F5964') +
  filled('M334 488 Q386 480 440 496 V514 Q386 500 334 510Z', '#F6F1E4');

/** Rocks of the reef with water breaking on them. */
const reef = (x: number, y: number, weather: Weather): string =>
  filled(
    `M${x - 90} ${y + 20} L${x - 60} ${y - 30} L${x - 28} ${y - 8} L${x - 6} ${y - 48} L${x + 30} ${y - 12} L${x + 58} ${y - 26} L${x + 92} ${y + 20}Z`,
    weather.rock[0],
  ) +
  filled(
    `M${x - 60} ${y - 30} L${x - 28} ${y - 8} L${x - 40} ${y + 14}Z M${x - 6} ${y - 48} L${x + 30} ${y - 12} L${x + 8} ${y + 12}Z`,
    weather.rock[2],
    'opacity="0.7"',
  ) +
  drawn(
    `M${x - 108} ${y + 20} q20 -16 40 0 t40 0 t40 0 t40 0 t40 0`,
    '#EEF3F1',
    5,
    'opacity="0.75"',
  );

interface Scene {
  isLit?: boolean;
  /** What lies before the isle and behind the near water, and what before all. */
  far?: string;
  near?: (weather: Weather) => string;
}

function coast(weather: Weather, seed: number, { isLit = false, far = '', near }: Scene): string {
  const [nearWater, ...farWater] = [...weather.water].reverse();
  return svg(
    backdrop(weather, seed) +
      far +
      sea(seed + 10, 545, farWater.reverse().slice(0, 3), weather.crest, weather.swell) +
      isle(weather, 800) +
      lighthouse(weather, isLit) +
      person(902, 566, 0.42, { hasLantern: !weather.sun }) +
      drawn('M770 606 q24 -14 46 0 t46 0 t46 0 t46 4', weather.crest, 5, 'opacity="0.55"') +
      sea(seed + 20, 622, weather.water.slice(3, 5), weather.crest, weather.swell) +
      (near?.(weather) ?? '') +
      filled(band(seed + 30, 690, 12 * weather.swell, 90), nearWater!) +
      rain(seed + 40, weather.rain, '#C6D3D8') +
      (weather.sun ? gulls(seed, 720, 330, 6, '#6B5B4C') : ''),
  );
}

const rowed = (x: number, y: number): string =>
  rowingBoat(x, y, 0.9, person(-8, 2, 0.95, { isRowing: true }));

export const COASTS = {
  night: coast(NIGHT, 3, { far: ferry(610, 534, 0.62, true) }),
  storm: coast(STORM, 5, {}),
  dawn: coast(DAWN, 7, { isLit: true, far: ferry(640, 532, 0.62, false) }),
  slip: coast(STORM, 11, { near: boathouse }),
  rowing: coast(STORM, 13, {
    near: (weather) =>
      reef(690, 640, weather) + buoy(90, 640, 0.9, -8) + buoy(560, 610, 0.6, 6) + rowed(330, 640),
  }),
  flags: coast(DUSK, 17, {
    far: ferry(640, 533, 0.6, true),
    near: (weather) =>
      filled('M-60 740 V668 Q120 652 330 664 Q470 674 560 740Z', weather.rock[0]) +
      flagMast() +
      person(226, 690, 1.15, { isWaving: true }),
  }),
  harbour: coast(DAWN, 19, {
    near: () =>
      rowingBoat(600, 640, 1, '') +
      filled('M-20 740 V652 Q180 640 470 664 L520 740Z', '#7D675A') +
      drawn('M-20 656 Q180 644 466 666', '#A68C76', 6) +
      drawn('M60 652 V612 M440 664 V620', '#4A3426', 14) +
      drawn('M440 630 Q500 652 506 628', '#C9B48A', 3) +
      person(250, 656, 1.1) +
      person(330, 660, 0.8, { coat: '#3F7C86', hat: '#2F5E66' }),
  }),
} as const;
