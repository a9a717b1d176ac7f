import { quantity, show, type Quantity } from './quantity';
import { UNITS, unitsNamed, type Dimension, type UnitName } from './units';

/** Why a typed figure was not taken. `message` is for the person who typed it; `choices` are readings to pick from. */
export interface ParseProblem {
  kind:
    | 'empty'
    | 'not a number'
    | 'needs a unit'
    | 'unknown unit'
    | 'wrong dimension'
    | 'ambiguous'
    | 'disagree'
    | 'negative';
  message: string;
  choices?: Quantity[];
}

export type Parsed = { ok: true; quantity: Quantity } | { ok: false; problem: ParseProblem };

export interface ParseOptions {
  dimension: Dimension;
  /** The field's own unit: what a naked number means. Without it a naked number is refused. */
  unit?: UnitName;
  /** Below zero is refused unless this is set. */
  allowNegative?: boolean;
}

const EXAMPLE: Record<Dimension, string> = {
  length: '0.15 mm or 5/8 in',
  torque: '20 N·m or 95 lbf·in',
  volume: '950 ml or 1.15 qt',
  pressure: '90 kPa or 13 psi',
  distance: '42 km or 26 mi',
  time: '2.5 h, 2h30 or 150 min',
  angle: '45°',
  count: '114 links or 13 teeth'
};

const fail = (kind: ParseProblem['kind'], message: string, choices?: Quantity[]): Parsed => ({
  ok: false,
  problem: choices ? { kind, message, choices } : { kind, message }
});

/** Below this, a figure with decimals and without a unit, where millilitres are meant, is asked about. */
const LEAST_ML = 10;

interface Number_ {
  value: number;
  /** Half of the last written place: how far the printed figure may lie from the truth. */
  slop: number;
}

const SMALL = '⁰¹²³⁴⁵⁶⁷⁸⁹₀₁₂₃₄₅₆₇₈₉';
const SMALL_FRACTION = new RegExp(`([${SMALL}]+)[/⁄∕]([${SMALL}]+)`, 'gu');
/** Digits that stand for something else: a power, a footnote, one in a circle. A unit may have a small 2 or 3. */
const NO_DIGIT = new RegExp(`(?<!\\p{L})[${SMALL}]|[①-⒛Ⅰ-ↈ]`, 'u');

/**
 * One spelling for everything a keyboard can produce: plain digits and spaces, `1 1/2` for `1½` and `1¹/₂`, one kind of minus
 * and micro. Null for digits that are none.
 */
function plainText(text: string): string | null {
  const plain = text
    .replace(SMALL_FRACTION, (f) => ` ${f.normalize('NFKC')} `)
    .replace(/[\u00bc-\u00be\u2150-\u215e]/gu, (c) => ` ${c.normalize('NFKC')} `)
    .replace(/[⁄∕]/g, '/');
  if (NO_DIGIT.test(plain)) return null;
  return plain
    .normalize('NFKC')
    .replace(/[−–]/g, '-')
    .replace(/[’′]/g, "'")
    .replace(/μ/g, 'µ')
    .replace(/\s+/g, ' ')
    .trim();
}

/** What inches are divided into on rules, drills and manuals; anything else is a range or a slip. */
const FRACTIONS: ReadonlySet<number> = new Set([2, 3, 4, 5, 6, 8, 10, 12, 16, 32, 64, 128]);

/** Reads a number as people write it: `.35`, `0,35`, `5/8`, `1 1/2`, `1,250.5`. Returns the two readings of `1,250`. */
export function readNumber(text: string): Number_ | 'two readings' | null {
  const t = text.trim();
  const fraction = /^([+-]?)(?:(\d+)[ -]+)?(\d+)\s*\/\s*(\d+)$/.exec(t);
  if (fraction) {
    const [, sign, whole, over, under] = fraction;
    if (!FRACTIONS.has(Number(under)) || Number(over) >= Number(under)) return null;
    const value = (Number(whole ?? 0) + Number(over) / Number(under)) * (sign === '-' ? -1 : 1);
    return { value, slop: 0.5 / Number(under) / 2 };
  }
  const [, sign, digits] = /^([+-]?)(\d[\d.,' ]*|[.,]\d+)$/.exec(t) ?? [];
  if (digits === undefined) return null;
  const plain = withoutThousands(digits);
  if (plain === null || plain === 'two readings') return plain;
  const value = Number(`${sign}${plain}`);
  if (!Number.isFinite(value)) return null;
  const decimals = plain.includes('.') ? plain.length - plain.indexOf('.') - 1 : 0;
  return { value, slop: 0.5 * 10 ** -decimals };
}

/** Digits with a point for the decimal sign. Thousands come in threes, with one sign between all of them. */
function withoutThousands(digits: string): string | 'two readings' | null {
  const grouped = /^\d{1,3}(?:([ ',.])\d{3})(?:\1\d{3})*(?:([.,])\d+)?$/.exec(digits);
  if (grouped) {
    const [, thousands, decimal] = grouped;
    const once = digits.split(thousands!).length === 2;
    if (thousands === ',' && once && !decimal && /^[1-9]/.test(digits)) return 'two readings';
    // One group after a point, or after a nought, is a decimal fraction: 1.250, 0,125.
    const fraction = once && !decimal && (thousands === '.' || thousands === ',');
    if (!fraction && decimal !== thousands) return digits.split(thousands!).join('').replace(',', '.');
  }
  return /^\d*(?:[.,]\d*)?$/.test(digits) ? digits.replace(',', '.') : null;
}

const NUMBER = String.raw`[+-]?(?:\d+[ -]+\d+ ?\/ ?\d+|\d+ ?\/ ?\d+|\d(?:[\d.,]|'(?=\d))*(?: \d{3}(?![\d/]))*(?:[.,]\d+)?|[.,]\d+)`;
// A unit has no digits, but for the last one of kgf/cm2 and cm3.
const UNIT = String.raw`[^\d()=;≈~|]*?[23]?`;
const ONE = new RegExp(String.raw`^(${NUMBER})\s*(${UNIT})$`, 'u');
const TWO = new RegExp(
  String.raw`^(${NUMBER}\s*${UNIT})\s*(?:\(|=|;|≈|~|\||\s/\s|\bor\b)\s*(${NUMBER}\s*${UNIT})\s*\)?$`,
  'u'
);

/** `2h30`, `2:30`, `2 h 30 min`, `20'`, in seconds; null when it is not written like that. */
function readClock(text: string): number | null {
  const m =
    /^(\d{1,5})\s*(?:h|hr|hrs|hours?)\s*(\d{1,2})\s*(?:m|min|mins|minutes?|')?$/i.exec(text) ??
    /^(\d{1,5}):([0-5]\d)$/.exec(text);
  if (!m || Number(m[2]) > 59) return null;
  return Number(m[1]) * 3600 + Number(m[2]) * 60;
}

interface Reading {
  quantity: Quantity;
  slopBase: number;
}

function parseOne(text: string, options: ParseOptions): Reading | ParseProblem {
  const problem = (p: Parsed): ParseProblem => (p as { ok: false; problem: ParseProblem }).problem;
  const example = EXAMPLE[options.dimension];
  if (options.dimension === 'time') {
    const minutes = /^(\d{1,4}) ?'$/.exec(text.trim());
    if (minutes) return { quantity: quantity(Number(minutes[1]), 'min'), slopBase: 30 };
    const seconds = readClock(text.trim());
    if (seconds !== null) return { quantity: quantity(seconds / 3600, 'h'), slopBase: 30 };
  }
  const m = ONE.exec(text);
  const number = m && readNumber(m[1]!);
  if (!m || number === null || number === undefined) {
    const span = /^(\d+) ?\/ ?(\d+)\D*$/.exec(text);
    const range =
      span && Number(span[1]) < Number(span[2]) ? ` A range is written ${span[1]}–${span[2]}.` : '';
    return problem(fail('not a number', `Write a figure such as ${example}.${range}`));
  }
  const word = m[2]!.trim();
  const names: readonly UnitName[] = word === '' ? (options.unit ? [options.unit] : []) : unitsNamed(word);
  if (names.length === 0) {
    return word === ''
      ? problem(fail('needs a unit', `Say which unit, for example ${example}.`))
      : problem(fail('unknown unit', `“${word.slice(0, 20)}” is not a unit known here. Write ${example}.`));
  }
  const fitting = names.filter((n) => UNITS[n].dimension === options.dimension);
  if (fitting.length === 0) {
    return problem(
      fail(
        'wrong dimension',
        `${names[0]} measures ${UNITS[names[0]!].dimension}; this is a ${options.dimension}. Write ${example}.`
      )
    );
  }
  if (number === 'two readings') {
    const [whole, part] = m[1]!.trim().split(',');
    const readings = [Number(`${whole}${part}`), Number(`${whole}.${part}`)].map((v) =>
      quantity(v, fitting[0]!)
    );
    return problem(
      fail(
        'ambiguous',
        `Is that ${show(readings[0]!)} or ${show(readings[1]!)}? Write it without the comma.`,
        readings
      )
    );
  }
  if (fitting.length > 1) {
    const readings = fitting.map((n) => quantity(number.value, n));
    return problem(
      fail(
        'ambiguous',
        `Which one: ${readings.map((r) => `${show(r)} (${show(r, 'ml')})`).join(' or ')}?`,
        readings
      )
    );
  }
  const unit = fitting[0]!;
  const q = quantity(number.value, unit);
  // Nobody pours a millilitre and a half: 1.45 typed where millilitres are meant is litres.
  if (word === '' && unit === 'ml' && q.base > 0 && q.base < LEAST_ML && !Number.isInteger(q.value)) {
    const litres = quantity(q.value, 'L');
    return problem(fail('ambiguous', `Is that ${show(litres)} or ${show(q)}? Write the unit.`, [litres, q]));
  }
  if (q.base < 0 && !options.allowNegative)
    return problem(fail('negative', `Below zero makes no sense here. Write ${example}.`));
  return { quantity: q, slopBase: number.slop * UNITS[unit].factor };
}

/**
 * Reads what a person typed as a quantity.
 *
 * Takes `1.15 qt`, `95 lbf in`, `5/8 in`, `.35 mm`, `0,35 mm`, `2h30`; a figure in two units, `1.15 qt (1.09 l)`, when both
 * say the same within their own rounding, keeping the first. Refuses a naked number unless the field has a unit; asks about
 * ounces, pints and `1,250`; flags two units that disagree and picks neither.
 */
export function parseQuantity(text: string, options: ParseOptions): Parsed {
  const typed = plainText(text);
  if (typed === null) return fail('not a number', `Write a figure such as ${EXAMPLE[options.dimension]}.`);
  if (typed === '') return fail('empty', `Write a figure such as ${EXAMPLE[options.dimension]}.`);
  if (typed.length > 60)
    return fail('not a number', `That is too long for one figure. Write ${EXAMPLE[options.dimension]}.`);

  const two = ONE.test(typed) ? null : TWO.exec(typed);
  if (!two) {
    const one = parseOne(typed, options);
    return 'quantity' in one ? { ok: true, quantity: one.quantity } : { ok: false, problem: one };
  }
  const first = parseOne(two[1]!, options);
  const second = parseOne(two[2]!, { ...options, unit: undefined });
  if (!('quantity' in first)) return { ok: false, problem: first };
  if (!('quantity' in second)) return { ok: false, problem: second };
  // Each printed figure may be off by half its last place.
  const gap = Math.abs(first.quantity.base - second.quantity.base);
  if (gap > (first.slopBase + second.slopBase) * 1.0001) {
    return fail(
      'disagree',
      `${show(first.quantity)} is ${show(first.quantity, second.quantity.unit)}, not ${show(second.quantity)}. Check the page and enter the one you trust.`,
      [first.quantity, second.quantity]
    );
  }
  return { ok: true, quantity: first.quantity };
}
