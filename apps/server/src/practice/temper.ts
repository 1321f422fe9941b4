/** How a simulated student works. Times are milliseconds; shares are from 0 to 1. */
export interface Temper {
  name: 'quick' | 'slow' | 'wandering' | 'often wrong' | 'drops the connection';
  pause: [least: number, most: number];
  /** How often an answer is right. */
  skill: number;
  /** How often a step goes back, or anywhere. */
  wanders: number;
  /** How often the connection is dropped between two steps. */
  drops: number;
}

export const TEMPERS: readonly Temper[] = [
  { name: 'quick', pause: [600, 1800], skill: 0.8, wanders: 0.02, drops: 0 },
  { name: 'slow', pause: [4000, 9000], skill: 0.75, wanders: 0.02, drops: 0 },
  { name: 'wandering', pause: [1500, 4000], skill: 0.6, wanders: 0.35, drops: 0 },
  { name: 'often wrong', pause: [1500, 4000], skill: 0.25, wanders: 0.1, drops: 0 },
  { name: 'drops the connection', pause: [1500, 4000], skill: 0.65, wanders: 0.05, drops: 0.25 },
];

const FIRST = [
  ...['Abel', 'Bera', 'Cato', 'Dina', 'Elko', 'Fenna', 'Gorm', 'Hilde', 'Ivo', 'Jora'],
  ...['Kuno', 'Lova', 'Mirko', 'Nele', 'Odo', 'Pia', 'Quirin', 'Runa', 'Sven', 'Tilda'],
];
const LAST = [
  'Auk',
  'Brill',
  'Cormorant',
  'Dunlin',
  'Eider',
  'Fulmar',
  'Godwit',
  'Heron',
  'Ibis',
  'Knot',
];

/** Two hundred invented names, no two alike. */
export const practiceName = (index: number): string =>
  `${FIRST[index % FIRST.length]} ${LAST[Math.floor(index / FIRST.length) % LAST.length]}`;
