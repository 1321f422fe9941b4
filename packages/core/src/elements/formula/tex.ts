/**
 * Formulas in LaTeX's way of writing, for where they cannot be drawn: read aloud, sought, and set small on a card.
 * Reads the mathematics that schools use; what it does not know it says by its name. Never throws.
 */
interface Said {
  /** As it is read aloud. */
  spoken: string;
  /** In one line of plain letters. */
  flat: string;
}

const same = (letters: string): Said => ({ spoken: letters, flat: letters });
const sign = (flat: string, spoken: string): Said => ({ spoken, flat });

/** Signs that are typed as themselves. */
const SIGNS: Record<string, Said> = {
  '+': sign('+', 'plus'),
  '-': sign('−', 'minus'),
  '*': sign('∗', 'times'),
  '/': sign('/', 'over'),
  '=': sign('=', 'equals'),
  '<': sign('<', 'is less than'),
  '>': sign('>', 'is greater than'),
  '!': sign('!', 'factorial'),
  '|': sign('|', 'bar'),
  "'": sign('′', 'prime'),
  '&': sign(' ', ''),
  '~': sign(' ', ''),
};

const NAMED: Record<string, Said> = {
  cdot: sign('·', 'times'),
  times: sign('×', 'times'),
  div: sign('÷', 'divided by'),
  pm: sign('±', 'plus or minus'),
  mp: sign('∓', 'minus or plus'),
  leq: sign('≤', 'is at most'),
  le: sign('≤', 'is at most'),
  geq: sign('≥', 'is at least'),
  ge: sign('≥', 'is at least'),
  neq: sign('≠', 'is not equal to'),
  ne: sign('≠', 'is not equal to'),
  approx: sign('≈', 'is about'),
  equiv: sign('≡', 'is equivalent to'),
  sim: sign('∼', 'is similar to'),
  propto: sign('∝', 'is proportional to'),
  infty: sign('∞', 'infinity'),
  to: sign('→', 'to'),
  rightarrow: sign('→', 'to'),
  leftarrow: sign('←', 'from'),
  Rightarrow: sign('⇒', 'implies'),
  Leftrightarrow: sign('⇔', 'if and only if'),
  rightleftharpoons: sign('⇌', 'in balance with'),
  in: sign('∈', 'in'),
  notin: sign('∉', 'not in'),
  subset: sign('⊂', 'is a subset of'),
  cup: sign('∪', 'union'),
  cap: sign('∩', 'intersection'),
  emptyset: sign('∅', 'the empty set'),
  forall: sign('∀', 'for all'),
  exists: sign('∃', 'there is'),
  land: sign('∧', 'and'),
  lor: sign('∨', 'or'),
  neg: sign('¬', 'not'),
  sum: sign('∑', 'the sum'),
  prod: sign('∏', 'the product'),
  int: sign('∫', 'the integral'),
  partial: sign('∂', 'partial'),
  nabla: sign('∇', 'nabla'),
  angle: sign('∠', 'angle'),
  circ: sign('°', 'degrees'),
  degree: sign('°', 'degrees'),
  perp: sign('⊥', 'is perpendicular to'),
  parallel: sign('∥', 'is parallel to'),
  ldots: sign('…', 'and so on'),
  cdots: sign('⋯', 'and so on'),
  dots: sign('…', 'and so on'),
  prime: sign('′', 'prime'),
  '%': sign('%', 'percent'),
  '{': sign('{', 'open brace'),
  '}': sign('}', 'close brace'),
  '\\': sign('; ', ','),
};

/** Names and what stands for them, in turn. */
function pairs(written: string): Record<string, string> {
  const words = written.trim().split(/\s+/);
  return Object.fromEntries(
    words.flatMap((name, index) => (index % 2 ? [] : [[name, words[index + 1]!]])),
  );
}

const GREEK = pairs(`
  alpha α beta β gamma γ delta δ epsilon ε varepsilon ε zeta ζ eta η theta θ iota ι kappa κ lambda λ
  mu μ nu ν xi ξ pi π rho ρ sigma σ tau τ upsilon υ phi φ varphi φ chi χ psi ψ omega ω
  Gamma Γ Delta Δ Theta Θ Lambda Λ Xi Ξ Pi Π Sigma Σ Phi Φ Psi Ψ Omega Ω`);

/** Commands that take one group and say what is over it; others only set it otherwise. */
const OVER: Record<string, string> = {
  vec: 'vector',
  overline: 'bar over',
  bar: 'bar over',
  hat: 'hat over',
  dot: 'dot over',
};
const SET = /^(?:underline|boxed|math(?:bf|rm|it|bb|cal)|operatorname|text(?:bf|it)?)$/;

/** Spaces and sizes say nothing. */
const SILENT =
  /^(?:[,;:! ]|quad|qquad|left|right|displaystyle|textstyle|limits|big|Big|bigg|Bigg)$/;

const UP = '⁰¹²³⁴⁵⁶⁷⁸⁹';
const DOWN = '₀₁₂₃₄₅₆₇₈₉';
/** Digits raised or lowered; undefined for what has other signs in it. */
const digits = (flat: string, letters: string): string | undefined =>
  /^\d+$/.test(flat) ? Array.from(flat, (digit) => letters[Number(digit)]).join('') : undefined;

/** Groups nest no deeper than this. */
const DEEPEST = 30;
const TOKEN = /\\(?:[a-zA-Z]+|[\s\S])|\s+|\d+(?:[.,]\d+)*|[\s\S]/gu;

class Reader {
  private at = 0;
  private readonly tokens: string[];
  private depth = 0;

  constructor(tex: string) {
    this.tokens = tex.match(TOKEN) ?? [];
  }

  /** Everything up to an end: of the formula, or of the group that is open. */
  row(end?: string): Said {
    const parts: Said[] = [];
    while (this.at < this.tokens.length && this.tokens[this.at] !== end) {
      const part = this.scripted();
      if (part) parts.push(part);
    }
    this.at += 1;
    return {
      spoken: parts
        .map(({ spoken }) => spoken)
        .join(' ')
        .replace(/\s+/g, ' ')
        .trim(),
      flat: parts
        .map(({ flat }) => flat)
        .join('')
        .trim(),
    };
  }

  /** One thing with what stands above and below it. */
  private scripted(): Said | undefined {
    const base = this.one();
    let said = base;
    for (;;) {
      const next = this.tokens[this.at];
      if (next !== '^' && next !== '_') return said;
      this.at += 1;
      const script = this.one() ?? same('');
      said = next === '^' ? raised(said ?? same(''), script) : lowered(said ?? same(''), script);
    }
  }

  private one(): Said | undefined {
    const token = this.tokens[this.at];
    if (token === undefined) return undefined;
    this.at += 1;
    if (token === '{') return this.group('}');
    if (token === '}' || /^\s/.test(token)) return undefined;
    if (!token.startsWith('\\')) return SIGNS[token] ?? same(token);
    return this.command(token.slice(1));
  }

  private group(end: string): Said {
    if (this.depth >= DEEPEST) {
      this.at = this.tokens.length;
      return same('');
    }
    this.depth += 1;
    const said = this.row(end);
    this.depth -= 1;
    return said;
  }

  private command(name: string): Said | undefined {
    if (SILENT.test(name)) return undefined;
    if (Object.hasOwn(NAMED, name)) return NAMED[name];
    if (Object.hasOwn(GREEK, name)) return sign(GREEK[name]!, name);
    if (name === 'frac' || name === 'dfrac' || name === 'tfrac') {
      const [over, under] = [this.argument(), this.argument()];
      return {
        spoken: `${over.spoken} over ${under.spoken}`,
        flat: `${bracketed(over.flat)}/${bracketed(under.flat)}`,
      };
    }
    if (name === 'sqrt') {
      const root = this.tokens[this.at] === '[' ? this.optional() : undefined;
      const of = this.argument();
      return root
        ? {
            spoken: `root ${root.spoken} of ${of.spoken}`,
            flat: `${root.flat}√${bracketed(of.flat)}`,
          }
        : { spoken: `the square root of ${of.spoken}`, flat: `√${bracketed(of.flat)}` };
    }
    if (name === 'begin' || name === 'end') {
      this.argument();
      return undefined;
    }
    if (Object.hasOwn(OVER, name) || SET.test(name)) {
      const isWords = name.startsWith('text') || name === 'operatorname';
      const of = isWords ? this.words() : this.argument();
      return { spoken: `${OVER[name] ?? ''} ${of.spoken}`.trim(), flat: of.flat };
    }
    return same(name);
  }

  /** The group or the one thing that a command takes. */
  private argument(): Said {
    while (/^\s/.test(this.tokens[this.at] ?? '')) this.at += 1;
    return this.one() ?? same('');
  }

  private optional(): Said {
    this.at += 1;
    return this.group(']');
  }

  /** Letters of a group as they stand, spaces among them. */
  private words(): Said {
    if (this.tokens[this.at] !== '{') return this.argument();
    const end = this.tokens.indexOf('}', this.at);
    const words = this.tokens.slice(this.at + 1, end < 0 ? undefined : end).join('');
    this.at = end < 0 ? this.tokens.length : end + 1;
    return same(words);
  }
}

const bracketed = (flat: string): string => (/^[\p{L}\d.,√]*$/u.test(flat) ? flat : `(${flat})`);

function raised(base: Said, script: Said): Said {
  if (script.flat === '°') return { spoken: `${base.spoken} degrees`, flat: `${base.flat}°` };
  if (script.flat === '′') return { spoken: `${base.spoken} prime`, flat: `${base.flat}′` };
  const power =
    script.flat === '2'
      ? 'squared'
      : script.flat === '3'
        ? 'cubed'
        : BOUNDED.test(base.flat)
          ? `to ${script.spoken}`
          : `to the power of ${script.spoken}`;
  return {
    spoken: `${base.spoken} ${power}`,
    flat: base.flat + (digits(script.flat, UP) ?? `^${bracketed(script.flat)}`),
  };
}

/** Sums and integrals run from one bound to another. */
const BOUNDED = /^[∑∏∫]/;

function lowered(base: Said, script: Said): Said {
  const word = BOUNDED.test(base.flat) ? 'from' : 'sub';
  return {
    spoken: `${base.spoken} ${word} ${script.spoken}`,
    flat: base.flat + (digits(script.flat, DOWN) ?? `_${bracketed(script.flat)}`),
  };
}

/** A formula as it is read aloud: `\frac{a}{b}` is “a over b”. */
export const spokenTex = (tex: string): string => new Reader(tex).row().spoken;

/** A formula in one line of plain letters: `x^2` is “x²”. */
export const flatTex = (tex: string): string => new Reader(tex).row().flat;
