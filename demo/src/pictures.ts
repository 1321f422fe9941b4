/**
 * The demo's own drawings, as SVG. Made for this project; free to use with it.
 * Scenes are 1280 × 720 like a slide; things are small and stand alone.
 */
const SEA = ['#2F6D7E', '#235A67'];

interface Scene {
  sky: [string, string];
  light?: 'out' | 'lit';
  rain?: boolean;
  boat?: boolean;
  buoys?: boolean;
  slip?: boolean;
  flags?: boolean;
}

const svg = (body: string, width = 1280, height = 720): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" width="${width}" height="${height}">${body}</svg>`;

const sky = ([top, bottom]: [string, string]): string =>
  `<defs><linearGradient id="sky" x1="0" y1="0" x2="0" y2="1"><stop offset="0" stop-color="${top}"/>` +
  `<stop offset="1" stop-color="${bottom}"/></linearGradient></defs><rect width="1280" height="720" fill="url(#sky)"/>`;

const wave = (y: number, colour: string, shift: number): string => {
  let path = `M${-160 + shift} ${y}`;
  for (let x = -160 + shift; x < 1440; x += 160) path += ` q40 -34 80 0 t80 0`;
  return `<path d="${path} V720 H-200 Z" fill="${colour}"/>`;
};

const lighthouse = (isLit: boolean): string =>
  '<path d="M820 560 Q940 470 1100 500 T1290 480 V720 H820Z" fill="#6B5B4C"/>' +
  (isLit ? '<path d="M965 250 L430 190 L430 320Z" fill="#F2D27A" opacity="0.55"/>' : '') +
  '<path d="M928 545 L948 290 H986 L1006 545Z" fill="#F6F1E4"/>' +
  '<path d="M939 420 L943 362 H991 L995 420Z" fill="#BF4E2A"/>' +
  `<rect x="938" y="242" width="58" height="50" fill="${isLit ? '#F2D27A' : '#3A4A54'}"/>` +
  '<path d="M930 244 L967 208 L1004 244Z" fill="#17505C"/>';

const rain = (): string => {
  let drops = '';
  for (let i = 0; i < 46; i++) {
    const x = (i * 197) % 1280;
    const y = (i * 131) % 520;
    drops += `<line x1="${x}" y1="${y}" x2="${x - 16}" y2="${y + 38}"/>`;
  }
  return `<g stroke="#A9BAC4" stroke-width="5" opacity="0.75">${drops}</g>`;
};

const boat = (x: number, y: number): string =>
  `<g transform="translate(${x} ${y})"><path d="M-70 0 H70 L46 36 H-46Z" fill="#8E3518"/>` +
  '<rect x="-4" y="-86" width="8" height="88" fill="#3A2C24"/><path d="M8 -78 L52 -14 H8Z" fill="#F6F1E4"/></g>';

const buoy = (x: number, y: number): string =>
  `<g transform="translate(${x} ${y})"><path d="M-14 -46 H14 L22 0 H-22Z" fill="#BF4E2A"/>` +
  '<rect x="-16" y="-30" width="32" height="9" fill="#F6F1E4"/><path d="M-28 0 H28 L20 18 H-20Z" fill="#3A2C24"/></g>';

function coast(scene: Scene): string {
  return svg(
    sky(scene.sky) +
      lighthouse(scene.light === 'lit') +
      wave(560, SEA[0]!, 0) +
      (scene.boat ? boat(720, 600) : '') +
      (scene.buoys ? buoy(220, 640) + buoy(430, 600) + buoy(560, 665) : '') +
      wave(630, SEA[1]!, 60) +
      (scene.slip
        ? '<path d="M0 720 L380 520 L470 540 L210 720Z" fill="#7B6A58"/><rect x="40" y="380" width="230" height="180" fill="#8E3518"/><path d="M20 384 L155 300 L290 384Z" fill="#5E2411"/><rect x="118" y="450" width="74" height="110" fill="#3A2C24"/>'
        : '') +
      (scene.flags
        ? '<g transform="translate(300 600)"><rect x="-4" y="-250" width="8" height="260" fill="#3A2C24"/><path d="M4 -248 H110 L84 -214 L110 -180 H4Z" fill="#A97F22"/><path d="M4 -166 H110 V-98 H4Z" fill="#17505C"/><rect x="4" y="-140" width="106" height="18" fill="#F6F1E4"/></g>'
        : '') +
      (scene.rain ? rain() : ''),
  );
}

const lampRoom = (glow: string, smoke = false): string =>
  svg(
    '<defs><linearGradient id="sky" x1="0" y1="0" x2="0" y2="1"><stop offset="0" stop-color="#4A3828"/><stop offset="1" stop-color="#7A5E42"/></linearGradient></defs>' +
      '<rect width="1280" height="720" fill="url(#sky)"/>' +
      '<rect x="560" y="90" width="120" height="200" fill="#2F4858"/><rect x="1080" y="90" width="120" height="200" fill="#2F4858"/>' +
      `<circle cx="880" cy="300" r="140" fill="${glow}" opacity="0.35"/>` +
      '<rect x="800" y="200" width="160" height="210" rx="18" fill="#D9C9A3"/>' +
      '<g fill="#7A5E42"><rect x="800" y="250" width="160" height="5"/><rect x="800" y="302" width="160" height="5"/><rect x="800" y="354" width="160" height="5"/></g>' +
      '<rect x="824" y="410" width="112" height="56" fill="#3A2C24"/>' +
      '<rect x="560" y="590" width="200" height="24" fill="#2B1F17"/><rect x="1000" y="590" width="200" height="24" fill="#2B1F17"/>' +
      (smoke
        ? '<path d="M880 590 q-40 -60 0 -110 t0 -120" stroke="#C9C2B4" stroke-width="14" fill="none" opacity="0.7"/>'
        : ''),
  );

const paper = (body: string): string =>
  svg(`<rect width="1280" height="720" fill="#FAF6E9"/>${body}`);

const chart = (): string =>
  paper(
    '<g stroke="#C9BE9F" stroke-width="2"><path d="M0 180H1280M0 360H1280M0 540H1280M320 0V720M640 0V720M960 0V720"/></g>' +
      '<path d="M700 720 Q640 540 780 470 T980 250 Q1080 160 1280 190 V720Z" fill="#D8CDB0"/>' +
      '<path d="M700 720 Q640 540 780 470 T980 250 Q1080 160 1280 190" fill="none" stroke="#6B5B4C" stroke-width="5"/>' +
      '<g fill="#8E3518"><path d="M520 500 l16 -28 16 28Z"/><path d="M590 430 l16 -28 16 28Z"/><path d="M470 590 l16 -28 16 28Z"/></g>',
  );

const pool = (): string =>
  svg(
    '<rect width="1280" height="720" fill="#D9E4E2"/><path d="M0 0 H1280 V220 Q900 300 640 230 T0 270Z" fill="#B7A78D"/>' +
      '<path d="M0 270 Q320 190 640 230 T1280 220 V480 Q960 420 640 470 T0 450Z" fill="#6FA3A8"/>' +
      '<path d="M0 450 Q320 520 640 470 T1280 480 V720 H0Z" fill="#2F6D7E"/>' +
      '<g fill="#8C7B63"><ellipse cx="150" cy="250" rx="120" ry="40"/><ellipse cx="1120" cy="232" rx="140" ry="44"/><ellipse cx="640" cy="470" rx="90" ry="26"/></g>',
  );

const thing = (body: string): string => svg(body, 160, 120);
const THINGS = {
  crab: thing(
    '<ellipse cx="80" cy="70" rx="44" ry="30" fill="#BF4E2A"/><g stroke="#8E3518" stroke-width="8" fill="none"><path d="M40 60 Q14 44 20 22M120 60 Q146 44 140 22M44 86 L20 104M116 86 L140 104M58 96 L46 114M102 96 L114 114"/></g><circle cx="66" cy="56" r="6" fill="#1E2B32"/><circle cx="94" cy="56" r="6" fill="#1E2B32"/>',
  ),
  limpet: thing(
    '<path d="M20 96 Q80 -10 140 96Z" fill="#A8957A"/><g stroke="#6B5B4C" stroke-width="4"><path d="M80 34V94M56 52 L42 94M104 52 L118 94"/></g>',
  ),
  weed: thing(
    '<g fill="none" stroke="#3F6B3A" stroke-width="14" stroke-linecap="round"><path d="M60 112 Q30 80 60 50 T50 12M90 112 Q120 84 92 56 T106 16"/></g>',
  ),
  anemone: thing(
    '<rect x="52" y="66" width="56" height="48" rx="14" fill="#8E3518"/><g stroke="#BF4E2A" stroke-width="8" stroke-linecap="round"><path d="M58 66 L40 30M70 64 L62 20M82 64 L84 16M94 64 L106 22M104 68 L126 34"/></g>',
  ),
  starfish: thing(
    '<path d="M80 8 L94 46 L136 46 L102 70 L116 110 L80 86 L44 110 L58 70 L24 46 L66 46Z" fill="#A97F22"/>',
  ),
  mussel: thing(
    '<path d="M24 90 Q40 10 130 30 Q120 104 24 90Z" fill="#2B3D55"/><path d="M36 82 Q60 40 118 40" stroke="#6C84A6" stroke-width="4" fill="none"/>',
  ),
};

const cloud = (x: number, y: number, colour: string): string =>
  `<g fill="${colour}"><ellipse cx="${x}" cy="${y}" rx="120" ry="50"/><ellipse cx="${x - 70}" cy="${y + 24}" rx="80" ry="40"/><ellipse cx="${x + 80}" cy="${y + 22}" rx="90" ry="42"/></g>`;

export const PICTURES = {
  night: coast({ sky: ['#22303C', '#3B5468'] }),
  storm: coast({ sky: ['#2A3037', '#4D565F'], rain: true }),
  dawn: coast({ sky: ['#EBB884', '#F5DDB4'], light: 'lit' }),
  slip: coast({ sky: ['#2A3037', '#4D565F'], rain: true, slip: true }),
  rowing: coast({ sky: ['#2A3037', '#4D565F'], rain: true, boat: true, buoys: true }),
  flags: coast({ sky: ['#33414B', '#5D6E78'], flags: true, boat: true }),
  harbour: coast({ sky: ['#C98F63', '#F0CFA0'], boat: true, slip: true }),
  lampRoom: lampRoom('#C9A64E'),
  copper: lampRoom('#F8D86A'),
  smoulder: lampRoom('#C9623A', true),
  chart: chart(),
  pool: pool(),
  clouds: svg(
    sky(['#9DB7C4', '#DCE7E6']) +
      cloud(300, 200, '#F6F7F5') +
      cloud(760, 150, '#E6ECEC') +
      cloud(1010, 300, '#F6F7F5') +
      wave(590, SEA[0]!, 0) +
      wave(650, SEA[1]!, 60),
  ),
  gale: svg(
    sky(['#46525C', '#7F8D94']) +
      cloud(260, 160, '#5C6870') +
      cloud(720, 200, '#525E66') +
      cloud(1080, 150, '#5C6870') +
      wave(520, SEA[0]!, 0) +
      wave(610, SEA[1]!, 60) +
      rain(),
  ),
  page: paper(
    '<rect x="60" y="50" width="1160" height="620" fill="#FFFDF6" stroke="#C9BE9F" stroke-width="3"/><path d="M110 590 q60 -40 120 0 t120 0 t120 0 t120 0 t120 0 t120 0 t120 0 t120 0" fill="none" stroke="#2F6D7E" stroke-width="6"/>',
  ),
  ...THINGS,
} as const;

export type PictureName = keyof typeof PICTURES;
