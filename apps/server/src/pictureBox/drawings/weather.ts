import { area, block, circle, INK, stroke, subject, times, turned } from './drawing.js';

const draw = subject('cc0', ['weather', 'sky']);
const { ink, petrol, sea, sky, ember, brass, paper, grey, pale } = INK;

const cloud = (fill: string, y = 0): string =>
  area(`M28 ${62 + y}a16 16 0 0 1 4-31a22 22 0 0 1 42-4a18 18 0 0 1 20 35z`, fill);
const rays = (x: number, y: number, from: number, to: number, count: number): string =>
  times(count, (i) =>
    turned((360 / count) * i, x, y, stroke(`M${x} ${y - from}V${y - to}`, brass, 5)),
  );

export const WEATHER = [
  draw('sun', 'Sun', 'sunny day warm light', rays(60, 50, 27, 38, 12), circle(60, 50, 21, brass)),
  draw('cloud', 'Cloud', 'cloudy grey', cloud(pale, 8)),
  draw(
    'sun-and-cloud',
    'Sun behind a cloud',
    'fair cloudy',
    rays(76, 36, 20, 29, 10),
    circle(76, 36, 15, brass),
    cloud(pale, 16),
  ),
  draw(
    'rain',
    'Rain cloud',
    'rainy wet drops',
    cloud(grey),
    times(4, (i) => stroke(`M${38 + i * 15} 70l-5 16`, sea)),
  ),
  draw(
    'storm',
    'Thunderstorm',
    'thunder lightning storm',
    cloud(ink),
    area('M62 58L48 80h11l-5 17 21-25H63l8-14z', brass),
  ),
  draw(
    'snow',
    'Snow cloud',
    'snowy cold winter flakes',
    cloud(pale),
    times(4, (i) => circle(36 + i * 16, 76 + (i % 2) * 9, 4, sky)),
  ),
  draw(
    'fog',
    'Fog',
    'mist foggy',
    times(5, (i) => stroke(`M${22 + (i % 2) * 12} ${26 + i * 12}h${68 - (i % 2) * 10}`, grey, 6)),
  ),
  draw(
    'wind',
    'Wind',
    'windy breeze gust',
    stroke('M16 40h58a12 12 0 1 0-11-17', sea, 5),
    stroke('M16 54h78a12 12 0 1 1-11 17', sea, 5),
    stroke('M16 68h40a9 9 0 1 1-8 13', sea, 5),
  ),
  draw(
    'rainbow',
    'Rainbow',
    'colours rain sun',
    [ember, brass, '#8FA65F', sea, '#7A4B78']
      .map((colour, i) =>
        stroke(`M${18 + i * 7} 82a${42 - i * 7} ${42 - i * 7} 0 0 1 ${84 - i * 14} 0`, colour, 7),
      )
      .join(''),
  ),
  draw(
    'moon',
    'Moon',
    'night crescent',
    area('M74 14a38 38 0 1 0 22 58a32 32 0 1 1-22-58z', brass),
  ),
  draw(
    'stars',
    'Stars',
    'night star sky',
    [
      [40, 40, 1],
      [80, 30, 0.7],
      [76, 72, 0.9],
      [30, 78, 0.5],
    ]
      .map(
        ([x, y, by]) =>
          `<path transform="translate(${x} ${y}) scale(${by})" d="M0-20L5-6 20-6 8 4 13 19 0 10-13 19-8 4-20-6-5-6z" fill="${brass}"/>`,
      )
      .join(''),
  ),
  draw(
    'thermometer',
    'Thermometer',
    'temperature hot cold instrument',
    block(52, 8, 16, 66, paper, 8),
    stroke('M52 66V16a8 8 0 0 1 16 0v50', ink, 3),
    circle(60, 80, 15, ember),
    block(57, 34, 6, 44, ember),
    times(5, (i) => stroke(`M72 ${20 + i * 10}h8`, ink, 2)),
  ),
  draw(
    'barometer',
    'Barometer',
    'pressure glass instrument',
    circle(60, 50, 40, '#7B5A3C'),
    circle(60, 50, 32, paper),
    times(9, (i) => turned(-120 + i * 30, 60, 50, stroke('M60 22v6', ink, 2))),
    turned(35, 60, 50, stroke('M60 56V26', ember, 3)),
    circle(60, 50, 4, ink),
  ),
  draw(
    'wind-vane',
    'Wind vane',
    'direction instrument arrow',
    stroke('M60 94V34', ink, 4),
    stroke('M24 40h66', petrol, 4),
    area('M102 40L84 30v20z', petrol),
    area('M20 40l14-9v18z', petrol),
    stroke('M40 66h40', ink, 3),
    circle(60, 34, 5, brass),
  ),
  draw(
    'umbrella',
    'Umbrella',
    'rain wet shelter',
    area('M14 54a46 40 0 0 1 92 0q-11-9-23 0q-12-9-23 0q-12-9-23 0q-12-9-23 0z', ember),
    stroke('M60 14V8M60 52v30a8 8 0 0 1-16 0', ink, 4),
  ),
  draw(
    'snowflake',
    'Snowflake',
    'snow cold winter crystal',
    times(6, (i) =>
      turned(60 * i, 60, 50, stroke('M60 50V12M60 24l-9-8M60 24l9-8M60 36l-7-6M60 36l7-6', sea, 3)),
    ),
  ),
];
