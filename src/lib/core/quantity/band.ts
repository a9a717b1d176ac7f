import { parseQuantity, type ParseOptions, type ParseProblem } from './parse';
import { quantity, show, type Quantity } from './quantity';
import { UNITS } from './units';

/**
 * A figure as a manual prints it, with both its ends in one unit: one quantity (both ends the same), a range, or one-sided
 * (`max 35 psi` has no lower end, `at least 1.5 mm` no upper). One end at least is there.
 */
export interface Band {
  from: Quantity | null;
  to: Quantity | null;
}

export type ParsedBand = { ok: true; band: Band } | { ok: false; problem: ParseProblem };

/** One figure as a band: both ends the same. */
export const exactly = (q: Quantity): Band => ({ from: q, to: q });
/** The one figure a band is; null for a range and for what is one-sided. */
export const onlyOne = (b: Band): Quantity | null =>
  b.from && b.to && b.from.base === b.to.base ? b.from : null;
/** The end to work by where one figure is wanted: the lower, or the only one there is. */
export const lowerEnd = (b: Band): Quantity => (b.from ?? b.to)!;
/** The upper end, or the only one there is. */
export const upperEnd = (b: Band): Quantity => (b.to ?? b.from)!;
/** The middle of a range in the unit it is printed in; the figure itself where there is only one. */
export function middle(b: Band): Quantity {
  if (!b.from || !b.to || b.from.base === b.to.base) return lowerEnd(b);
  return quantity(Number(((b.from.value + b.to.value) / 2).toFixed(7)), b.from.unit);
}

/** How a measured value stands to a band. On the edge: just at an end of it. */
export const JUDGEMENTS = ['inside', 'on the edge', 'outside'] as const;
export type Judgement = (typeof JUDGEMENTS)[number];

/** Two values of which neither gauge nor manual can tell which is more: a millionth apart. */
const same = (a: number, b: number) => Math.abs(a - b) <= 1e-6 * Math.max(1, Math.abs(a), Math.abs(b));

/** Half of the last place a figure is printed with, in base units: nearer than that it says nothing. */
function halfLastPlace({ value, unit }: Quantity): number {
  const places = /\.(\d+)$/.exec(String(value))?.[1]?.length ?? 0;
  return 0.5 * 10 ** -places * UNITS[unit].factor;
}

/**
 * Judges a measured value by a band, both ends of it, whatever unit either was written in. One figure alone has no tolerance
 * but its own rounding: inside is what would be printed as it.
 *
 * @throws RangeError when they measure different things
 */
export function judge(value: Quantity, band: Band): Judgement {
  for (const end of [band.from, band.to])
    if (end && end.dimension !== value.dimension)
      throw new RangeError(`${value.unit} does not measure ${end.dimension}`);
  const { from, to } = band;
  if (from && onlyOne(band)) {
    const off = Math.abs(value.base - from.base);
    return off < halfLastPlace(from) || same(value.base, from.base) ? 'inside' : 'outside';
  }
  if ((from && same(value.base, from.base)) || (to && same(value.base, to.base))) return 'on the edge';
  return (from && value.base < from.base) || (to && value.base > to.base) ? 'outside' : 'inside';
}

const NUMBER = String.raw`[+-]?(?:\d[\d.,]*|[.,]\d+)`;
const SPAN = new RegExp(
  String.raw`^(${NUMBER})\s*([^\d\s–—.~±-][^\d–—~±]*?)?\s*(?:–|—|-|\.\.+|~|\bto\b)\s*(${NUMBER})\s*([^\d]*[23]?)$`,
  'u'
);
const PLUS_MINUS = new RegExp(String.raw`^(${NUMBER})\s*(?:±|\+\/-|\+-)\s*(${NUMBER})\s*([^\d]*[23]?)$`, 'u');
const BESIDE = /^(.+?)\s*(?:\((.+)\)|=\s*(.+)|;\s*(.+))$/u;

const fail = (problem: ParseProblem): ParsedBand => ({ ok: false, problem });

/** One range in one unit; null when it is not written as one. */
function readSpan(text: string, options: ParseOptions): ParsedBand | null {
  const pm = PLUS_MINUS.exec(text);
  if (pm) {
    const mid = parseQuantity(`${pm[1]} ${pm[3]}`, options);
    const by = parseQuantity(`${pm[2]} ${pm[3]}`, options);
    if (!mid.ok) return fail(mid.problem);
    if (!by.ok) return fail(by.problem);
    const end = (sign: 1 | -1): Quantity => {
      // A tenth of a micrometre: nothing in a workshop is finer, and sums of decimals leave crumbs.
      const value = Number((mid.quantity.value + sign * by.quantity.value).toFixed(7));
      return { ...mid.quantity, value, base: value * UNITS[mid.quantity.unit].factor };
    };
    if (end(-1).base < 0 && !options.allowNegative)
      return fail({
        kind: 'negative',
        message: 'Below zero makes no sense here: the tolerance is larger than the figure.'
      });
    return { ok: true, band: { from: end(-1), to: end(1) } };
  }
  const span = SPAN.exec(text);
  if (!span) return null;
  const unit = span[4]!.trim() || span[2]?.trim() || '';
  const from = parseQuantity(`${span[1]} ${span[2]?.trim() || unit}`, options);
  const to = parseQuantity(`${span[3]} ${unit}`, options);
  if (!from.ok) return fail(from.problem);
  if (!to.ok) return fail(to.problem);
  if (from.quantity.unit !== to.quantity.unit)
    return fail({ kind: 'disagree', message: 'Both ends of a range in one unit, such as 0.10–0.15 mm.' });
  if (to.quantity.base < from.quantity.base)
    return fail({
      kind: 'disagree',
      message: `The range runs backwards: ${show(from.quantity)} is more than ${show(to.quantity)}.`
    });
  return { ok: true, band: { from: from.quantity, to: to.quantity } };
}

/** Half of the last written place of the finest number in a text, in base units. */
function slop(text: string, unit: Quantity['unit']): number {
  const places = [...text.matchAll(/\d+(?:[.,](\d+))?/g)].map((m) => m[1]?.length ?? 0);
  return 0.5 * 10 ** -Math.min(...places) * UNITS[unit].factor;
}

const AT_MOST = /^(?:max(?:imum|\.)?|at most|up to|no(?:t)? more than|under|<=?|≤)\s*(.+)$/iu;
const AT_LEAST = /^(?:min(?:imum|\.)?|at least|no(?:t)? less than|over|>=?|≥)\s*(.+)$/iu;
const SAID_AFTER = /^(.+?)\s*(?:or less|max(?:imum|\.)?)$/iu;
const LEAST_AFTER = /^(.+?)\s*(?:or more|min(?:imum|\.)?)$/iu;

/** A figure with one end: null where it is not written as one. */
function readOneSided(text: string, options: ParseOptions): ParsedBand | null {
  // Three minutes are no minimum of three.
  const least = AT_LEAST.exec(text) ?? (options.dimension === 'time' ? null : LEAST_AFTER.exec(text));
  const most = AT_MOST.exec(text) ?? SAID_AFTER.exec(text);
  const said = most ?? least;
  if (!said) return null;
  const one = parseQuantity(said[1]!, options);
  if (!one.ok) return fail(one.problem);
  return { ok: true, band: most ? { from: null, to: one.quantity } : { from: one.quantity, to: null } };
}

/**
 * Reads a figure as a manual prints it: `0.12 mm`, `0.10–0.15 mm`, `0.12 ± 0.02 mm`, `35 to 45 mm`, `max 35 psi`,
 * `at least 1.5 mm`, `90–100 kPa (13.1–14.5 psi)`. Two units that disagree by more than their own rounding are flagged, and
 * neither is chosen.
 */
export function parseBand(typed: string, options: ParseOptions): ParsedBand {
  const text = typed.trim().replace(/\s+/g, ' ');
  if (text.length > 80) return fail({ kind: 'not a number', message: 'That is too long for one figure.' });
  const sided = readOneSided(text, options);
  if (sided) return sided;
  const two = BESIDE.exec(text);
  const first = readSpan(two ? two[1]! : text, options);
  if (!first) {
    const one = parseQuantity(text, options);
    return one.ok ? { ok: true, band: exactly(one.quantity) } : fail(one.problem);
  }
  if (!first.ok || !two) return first;
  const beside = (two[2] ?? two[3] ?? two[4])!;
  const second = readSpan(beside, { ...options, unit: undefined });
  if (!second)
    return fail({ kind: 'disagree', message: `“${beside}” is not a range like the one before it.` });
  if (!second.ok) return second;
  const may = slop(two[1]!, first.band.from!.unit) + slop(beside, second.band.from!.unit);
  const ends = (['from', 'to'] as const).map((end) => [first.band[end]!, second.band[end]!] as const);
  const odd = ends.find(([a, b]) => Math.abs(a.base - b.base) > may * 1.0001);
  if (odd)
    return fail({
      kind: 'disagree',
      message: `${show(odd[0])} is ${show(odd[0], odd[1].unit)}, not ${show(odd[1])}. Check the page and enter the one you trust.`
    });
  return first;
}

/** A band in words, in its own unit or another: `0.1–0.15 mm`, `at most 35 psi`. */
export function showBand(band: Band, unit = lowerEnd(band).unit): string {
  const one = onlyOne(band);
  if (one) return show(one, unit);
  if (!band.from) return `at most ${show(band.to!, unit)}`;
  if (!band.to) return `at least ${show(band.from, unit)}`;
  const from = show(band.from, unit);
  return `${from.slice(0, from.lastIndexOf(` ${unit}`))}–${show(band.to, unit)}`;
}
