/** Everyone in the demo is invented. */
export const TEACHERS = [
  { email: 'ines@gobrel.example', name: 'Ines Okafor', password: 'petrel-isle-lamp' },
  { email: 'tomas@gobrel.example', name: 'Tomas Maren', password: 'petrel-isle-lamp' },
] as const;

export const CLASS_NAME = 'Kestrel 5';

export const STUDENTS = [
  'Ada Brandt',
  'Amir Dorsey',
  'Bela Tamm',
  'Cato Rask',
  'Dina Ostrow',
  'Edvin Klee',
  'Fenna Lund',
  'Goran Niel',
  'Hugo Sand',
  'Ida Marsh',
  'Jonas Peel',
  'Kaya Wren',
  'Lene Fisk',
  'Milo Crane',
  'Nia Holm',
  'Otis Varga',
  'Pia Quist',
  'Rafi Stone',
  'Suri Bay',
  'Theo Lark',
  'Una Reed',
  'Viggo Ash',
  'Yara Finch',
  'Zeno Moor',
] as const;
