/**
 * Join codes are a short word and three digits, as in TERN 482. Words avoid I, L and O, digits avoid 0 and 1:
 * no two characters of a code look alike. 48 words × 512 numbers = 24,576 codes, unique among running lessons;
 * wrong tries are throttled by the server.
 */
const WORDS = [
  'TERN',
  'SKUA',
  'AUK',
  'EGRET',
  'SWAN',
  'RAVEN',
  'WREN',
  'HAWK',
  'CRANE',
  'GANNET',
  'THRUSH',
  'DRAKE',
  'CRAB',
  'PERCH',
  'TUNA',
  'RAY',
  'SHARK',
  'SPRAT',
  'WRASSE',
  'NEWT',
  'WAVE',
  'REEF',
  'SAND',
  'SURF',
  'SPRAY',
  'DUNE',
  'CAPE',
  'BAY',
  'CAVE',
  'CREEK',
  'MARSH',
  'BANK',
  'MAST',
  'DECK',
  'STERN',
  'BEAM',
  'CREW',
  'QUAY',
  'WHARF',
  'FERRY',
  'RAFT',
  'BUNK',
  'GUST',
  'STAR',
  'FERN',
  'GRASS',
  'NEST',
  'WATER',
] as const;
const DIGITS = '23456789';

/** A code from a source of random whole numbers: `random(n)` gives one from 0 to n − 1. */
export function makeJoinCode(random: (below: number) => number): string {
  const digit = (): string => DIGITS[random(DIGITS.length)]!;
  return `${WORDS[random(WORDS.length)]} ${digit()}${digit()}${digit()}`;
}

/** What was typed, as codes are kept: 'tern482', ' Tern-482 ' → 'TERN 482'. Null when it cannot be a code. */
export function readJoinCode(typed: string): string | null {
  const match = /^([A-Z]{2,8})([0-9]{3})$/.exec(typed.toUpperCase().replace(/[\s\-_.]/g, ''));
  return match ? `${match[1]} ${match[2]}` : null;
}

const RETURN_ALPHABET = '23456789ABCDEFGHJKMNPQRSTUVWXYZ';

/** A code for coming back on another device: five characters, unique within a lesson. */
export function makeReturnCode(random: (below: number) => number): string {
  return Array.from({ length: 5 }, () => RETURN_ALPHABET[random(RETURN_ALPHABET.length)]).join('');
}

export function readReturnCode(typed: string): string | null {
  const code = typed.toUpperCase().replace(/[\s\-_.]/g, '');
  return /^[2-9A-HJKMNP-Z]{5}$/.test(code) ? code : null;
}
