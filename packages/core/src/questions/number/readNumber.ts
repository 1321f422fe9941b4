/** Fractions that have a letter of their own. */
const VULGAR: Record<string, number> = {
  '½': 1 / 2,
  '⅓': 1 / 3,
  '⅔': 2 / 3,
  '¼': 1 / 4,
  '¾': 3 / 4,
  '⅕': 1 / 5,
  '⅖': 2 / 5,
  '⅗': 3 / 5,
  '⅘': 4 / 5,
  '⅙': 1 / 6,
  '⅚': 5 / 6,
  '⅛': 1 / 8,
  '⅜': 3 / 8,
  '⅝': 5 / 8,
  '⅞': 7 / 8,
};
const UP = '⁰¹²³⁴⁵⁶⁷⁸⁹';

/** The sign that parts the decimals, as the language of a deck has it. */
export const DECIMALS = ['.', ','] as const;
export type Decimal = (typeof DECIMALS)[number];

/**
 * A number as people write it: 1.5 and 1,5; 3/2 and 1 1/2 and ½; 2e3, 10^3 and 2·10³; 1 000, 1'000 and 1,000,000; a
 * unit before or behind it when that is the one asked for. Undefined for what is no number, and for what can be read
 * in two ways.
 */
export function readNumber(written: string, unit = '', decimal: Decimal = '.'): number | undefined {
  const readings = readingsOf(written, unit, decimal);
  return readings.length === 1 ? readings[0] : undefined;
}

/**
 * All numbers that a text may be: none for what is no number; two where a sign that parts decimals elsewhere parts
 * three digits, as in 1,250 beside decimals as in 1.5: the larger one first.
 */
export function readingsOf(written: string, unit = '', decimal: Decimal = '.'): number[] {
  let text = halfWidth(written.trim()).replace(/[−–]/g, '-').replace(/\s+/g, ' ');
  text = withoutUnit(text, unit.trim());
  const sign = text.startsWith('-') ? -1 : 1;
  const unsigned = withoutUnit(text.replace(/^[+-] ?/, ''), unit.trim());
  return readUnsigned(unsigned, decimal).map((value) => (value === 0 ? 0 : sign * value));
}

/** How a number is written so that it can be read in one way only. */
export const plainNumber = (value: number, decimal: Decimal = '.'): string => {
  const text = String(Number(value.toPrecision(12)));
  const isMistakable = /^-?\d{1,3}\.\d{3}$/.test(text);
  return (isMistakable ? `${text}0` : text).replace('.', decimal);
};

const halfWidth = (text: string): string =>
  text.replace(/[\uFF01-\uFF5E]/g, (sign) => String.fromCharCode(sign.charCodeAt(0) - 0xfee0));

function withoutUnit(text: string, unit: string): string {
  if (unit === '') return text;
  if (isUnit(text.slice(-unit.length), unit)) return text.slice(0, -unit.length).trim();
  if (isUnit(text.slice(0, unit.length), unit)) return text.slice(unit.length).trim();
  return text;
}

/**
 * Whether this is the unit that is asked for. Capitals are overlooked where they say nothing else; they do in single
 * letters (s, S), and in the prefixes that both cases have: m and M, p and P, y and Y, z and Z (BIPM, SI Brochure,
 * table 7). Units written as words may begin with either.
 */
function isUnit(written: string, unit: string): boolean {
  if (written === unit) return true;
  if (written.toLowerCase() !== unit.toLowerCase()) return false;
  if (unit.length === 1) return /^[lL]$/.test(unit);
  const isWord = /^\p{L}\p{Ll}{4,}$/u;
  return (
    written[0] === unit[0] || !/^[mpyz]/i.test(unit) || (isWord.test(unit) && isWord.test(written))
  );
}

function readUnsigned(text: string, decimal: Decimal): number[] {
  const power =
    /^(?:(.*?) ?[·*×x] ?)?(\d{1,6}) ?(?:\^ ?([+-]?\d{1,3})|([⁺⁻]?[⁰¹²³⁴⁵⁶⁷⁸⁹]{1,3}))$/u.exec(text);
  if (power) {
    const exponent = Number(power[3] ?? fromRaised(power[4]!));
    const factors = power[1] === undefined ? [1] : readUnsigned(power[1], decimal);
    return factors.flatMap((factor) =>
      // Written as decimals are, so that 2·10^-3 is the same number as 0.002.
      finite(
        power[2] === '10' ? Number(`${factor}e${exponent}`) : factor * Number(power[2]) ** exponent,
      ),
    );
  }
  const [, whole = '', vulgar = ''] = /^(\d*) ?([½⅓⅔¼¾⅕⅖⅗⅘⅙⅚⅛⅜⅝⅞])$/u.exec(text) ?? [];
  if (vulgar) return [Number(whole) + VULGAR[vulgar]!];
  const mixed = /^(?:(\d+) )?(\d+) ?[/⁄] ?(\d+)$/.exec(text);
  if (mixed) {
    const under = Number(mixed[3]);
    return under === 0 ? [] : finite(Number(mixed[1] ?? 0) + Number(mixed[2]) / under);
  }
  return readDecimal(text, decimal);
}

const fromRaised = (text: string): string =>
  Array.from(text, (letter) => ({ '⁻': '-', '⁺': '+' })[letter] ?? String(UP.indexOf(letter))).join(
    '',
  );

function readDecimal(text: string, decimal: Decimal): number[] {
  const [, digits, exponent = ''] = /^([\d.,' ’]+)(?:[eE]([+-]?\d{1,3}))?$/.exec(text) ?? [];
  if (digits === undefined || !/\d/.test(digits)) return [];
  // What parts thousands only: it comes before threes.
  const bare = digits.replace(/(?<=\d)[' ’](?=\d{3}(?!\d))/g, '');
  const read = (plain: string): number[] =>
    /^(\d+\.?\d*|\.\d+)$/.test(plain)
      ? finite(Number(`${plain}${exponent ? `e${exponent}` : ''}`))
      : [];
  const [dot, comma] = [bare.lastIndexOf('.'), bare.lastIndexOf(',')];
  if (dot >= 0 && comma >= 0) {
    const [thousands, last] = dot > comma ? [',', '.'] : ['.', ','];
    const [whole = '', ...rest] = bare.split(last);
    const isGrouped = /^\d{1,3}(?:[.,]\d{3})+$/.test(whole) && !whole.includes(last);
    return isGrouped && rest.length === 1
      ? read(`${whole.replaceAll(thousands, '')}.${rest[0]}`)
      : [];
  }
  const sign = dot >= 0 ? '.' : ',';
  if (bare.split(sign).length > 2) {
    return /^\d{1,3}([.,]\d{3})+$/.test(bare) ? read(bare.replaceAll(sign, '')) : [];
  }
  const mayBeThousands =
    sign !== decimal && exponent === '' && digits === bare && /^[1-9]\d{0,2}[.,]\d{3}$/.test(bare);
  return [
    ...(mayBeThousands ? read(bare.replace(sign, '')) : []),
    ...read(bare.replace(sign, '.')),
  ];
}

const finite = (value: number): number[] => (Number.isFinite(value) ? [value] : []);
