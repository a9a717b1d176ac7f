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

interface Number_ {
  value: number;
  /** Half of the last written place: how far the printed figure may lie from the truth. */
  slop: number;
}

const VULGAR: Readonly<Record<string, string>> = {
  '½': '1/2',
  '¼': '1/4',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
  '⅓': '1/3',
  '⅔': '2/3'
};

/** One spelling for everything a keyboard can produce: plain digits and spaces, `1 1/2` for `1½`, one kind of minus and micro. */
function plainText(text: string): string {
  return text
    .replace(/[½¼¾⅛⅜⅝⅞⅓⅔]/g, (c) => ` ${VULGAR[c]} `)
    .normalize('NFKC')
    .replace(/[−–]/g, '-')
    .replace(/μ/g, 'µ')
    .replace(/\s+/g, ' ')
    .trim();
}

/** Reads a number as people write it: `.35`, `0,35`, `5/8`, `1 1/2`, `1,250.5`. Returns the two readings of `1,250`. */
export function readNumber(text: string): Number_ | 'two readings' | null {
  const t = text.trim();
  const fraction = /^([+-]?)(?:(\d+)[ -]+)?(\d+)\s*\/\s*(\d+)$/.exec(t);
  if (fraction) {
    const [, sign, whole, over, under] = fraction;
    if (Number(under) === 0) return null;
    const value = (Number(whole ?? 0) + Number(over) / Number(under)) * (sign === '-' ? -1 : 1);
    return { value, slop: 0.5 / Number(under) / 2 };
  }
  if (!/^[+-]?(\d[\d.,' ]*|[.,]\d+)$/.test(t)) return null;
  let plain = t.replace(/[ ']/g, '');
  if (/ /.test(t) && !/^[+-]?\d{1,3}( \d{3})+([.,]\d+)?$/.test(t)) return null;
  const lastDot = plain.lastIndexOf('.');
  const lastComma = plain.lastIndexOf(',');
  if (lastDot >= 0 && lastComma >= 0) {
    // Both signs: the later one is the decimal sign, the other separates thousands.
    const thousands = lastDot > lastComma ? ',' : '.';
    plain = plain.split(thousands).join('');
  } else if ((plain.match(/,/g) ?? []).length > 1 || (plain.match(/\./g) ?? []).length > 1) {
    if (!/^[+-]?\d{1,3}([.,]\d{3})+$/.test(plain)) return null;
    plain = plain.replace(/[.,]/g, '');
  } else if (/^[+-]?[1-9]\d{0,2},\d{3}$/.test(plain)) {
    return 'two readings';
  }
  plain = plain.replace(',', '.');
  const value = Number(plain);
  if (!Number.isFinite(value)) return null;
  const decimals = plain.includes('.') ? plain.length - plain.indexOf('.') - 1 : 0;
  return { value, slop: 0.5 * 10 ** -decimals };
}

const NUMBER = String.raw`[+-]?(?:\d+[ -]+\d+ ?\/ ?\d+|\d+ ?\/ ?\d+|\d[\d.,']*(?: \d{3}(?![\d/]))*(?:[.,]\d+)?|[.,]\d+)`;
// A unit has no digits, but for the last one of kgf/cm2 and cm3.
const UNIT = String.raw`[^\d()=;≈~|]*?[23]?`;
const ONE = new RegExp(String.raw`^(${NUMBER})\s*(${UNIT})$`, 'u');
const TWO = new RegExp(
  String.raw`^(${NUMBER}\s*${UNIT})\s*(?:\(|=|;|≈|~|\||\s/\s|\bor\b)\s*(${NUMBER}\s*${UNIT})\s*\)?$`,
  'u'
);

/** `2h30`, `2:30`, `2 h 30 min`, `1h`, in seconds; null when it is not written like that. */
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
    const seconds = readClock(text.trim());
    if (seconds !== null) return { quantity: quantity(seconds / 3600, 'h'), slopBase: 30 };
  }
  const m = ONE.exec(text);
  const number = m && readNumber(m[1]!);
  if (!m || number === null || number === undefined)
    return problem(fail('not a number', `Write a figure such as ${example}.`));
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
