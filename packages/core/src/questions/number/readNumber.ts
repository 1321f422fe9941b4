/** Fractions that have a letter of their own. */
const VULGAR: Record<string, number> = {
  ...{ '½': 1 / 2, '⅓': 1 / 3, '⅔': 2 / 3, '¼': 1 / 4, '¾': 3 / 4, '⅕': 1 / 5, '⅖': 2 / 5 },
  ...{
    '⅗': 3 / 5,
    '⅘': 4 / 5,
    '⅙': 1 / 6,
    '⅚': 5 / 6,
    '⅛': 1 / 8,
    '⅜': 3 / 8,
    '⅝': 5 / 8,
    '⅞': 7 / 8,
  },
};
const UP = '⁰¹²³⁴⁵⁶⁷⁸⁹';

/**
 * A number as people write it: 1.5 and 1,5; 3/2 and 1 1/2 and ½; 2e3 and 2·10^3 and 2·10³; 1 000 and 1'000; a unit
 * behind it when that is the one asked for. One comma is a decimal comma; where both signs stand, the last one parts
 * the decimals. Undefined for what is no number.
 */
export function readNumber(written: string, unit = ''): number | undefined {
  let text = written.trim().replace(/[−–]/g, '-').replace(/\s+/g, ' ');
  const ending = unit.trim();
  if (ending && text.toLowerCase().endsWith(ending.toLowerCase())) {
    text = text.slice(0, -ending.length).trim();
  }
  const sign = text.startsWith('-') ? -1 : 1;
  const value = readUnsigned(text.replace(/^[+-] ?/, ''));
  return value === undefined ? undefined : sign * value;
}

function readUnsigned(text: string): number | undefined {
  const power = /^(.*?) ?[·*×x] ?10 ?(?:\^ ?([+-]?\d{1,3})|(⁻?[⁰¹²³⁴⁵⁶⁷⁸⁹]{1,3}))$/u.exec(text);
  if (power) {
    const base = readUnsigned(power[1]!);
    const exponent = Number(power[2] ?? fromRaised(power[3]!));
    return base === undefined ? undefined : finite(Number(`${base}e${exponent}`));
  }
  const [, whole = '', vulgar = ''] = /^(\d*) ?([½⅓⅔¼¾⅕⅖⅗⅘⅙⅚⅛⅜⅝⅞])$/u.exec(text) ?? [];
  if (vulgar) return Number(whole) + VULGAR[vulgar]!;
  const mixed = /^(?:(\d+) )?(\d+) ?\/ ?(\d+)$/.exec(text);
  if (mixed) {
    const under = Number(mixed[3]);
    return under === 0 ? undefined : finite(Number(mixed[1] ?? 0) + Number(mixed[2]) / under);
  }
  return readDecimal(text);
}

const fromRaised = (text: string): string =>
  [...text].map((letter) => (letter === '⁻' ? '-' : String(UP.indexOf(letter)))).join('');

function readDecimal(text: string): number | undefined {
  const [, digits, exponent = ''] = /^([\d.,' ]+)(?:[eE]([+-]?\d{1,3}))?$/.exec(text) ?? [];
  if (digits === undefined || !/\d/.test(digits)) return undefined;
  const bare = digits.replace(/(?<=\d)[' ](?=\d{3}(?!\d))/g, '');
  const [dot, comma] = [bare.lastIndexOf('.'), bare.lastIndexOf(',')];
  const isMany = (sign: string): boolean => bare.split(sign).length > 2;
  let plain: string;
  if (dot >= 0 && comma >= 0) {
    const [thousands, decimal] = dot > comma ? [',', '.'] : ['.', ','];
    plain = bare.replaceAll(thousands, '').replace(decimal, '.');
  } else if (isMany('.') || isMany(',')) {
    // Thousands come in threes.
    if (!/^\d{1,3}([.,]\d{3})+$/.test(bare)) return undefined;
    plain = bare.replace(/[.,]/g, '');
  } else plain = bare.replace(',', '.');
  if (!/^(\d+\.?\d*|\.\d+)$/.test(plain)) return undefined;
  return finite(Number(`${plain}${exponent ? `e${exponent}` : ''}`));
}

const finite = (value: number): number | undefined => (Number.isFinite(value) ? value : undefined);
