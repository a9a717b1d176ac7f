import { parseQuantity, type ParseOptions, type ParseProblem } from './parse';
import { show, type Quantity } from './quantity';
import { UNITS } from './units';

/** A figure as a manual prints it: one quantity, or a range between two of one unit. */
export interface Range {
  from: Quantity;
  /** Null where it is one figure and no range. */
  to: Quantity | null;
}

export type ParsedRange = { ok: true; range: Range } | { ok: false; problem: ParseProblem };

const NUMBER = String.raw`[+-]?(?:\d[\d.,]*|[.,]\d+)`;
const SPAN = new RegExp(
  String.raw`^(${NUMBER})\s*([^\d\s–—.~±-][^\d–—~±]*?)?\s*(?:–|—|-|\.\.+|~|\bto\b)\s*(${NUMBER})\s*([^\d]*[23]?)$`,
  'u'
);
const PLUS_MINUS = new RegExp(String.raw`^(${NUMBER})\s*(?:±|\+\/-|\+-)\s*(${NUMBER})\s*([^\d]*[23]?)$`, 'u');
const BESIDE = /^(.+?)\s*(?:\((.+)\)|=\s*(.+)|;\s*(.+))$/u;

const fail = (problem: ParseProblem): ParsedRange => ({ ok: false, problem });

/** One range in one unit; null when it is not written as one. */
function readSpan(text: string, options: ParseOptions): ParsedRange | null {
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
    return { ok: true, range: { from: end(-1), to: end(1) } };
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
  return { ok: true, range: { from: from.quantity, to: to.quantity } };
}

/** Half of the last written place of the finest number in a text, in base units. */
function slop(text: string, unit: Quantity['unit']): number {
  const places = [...text.matchAll(/\d+(?:[.,](\d+))?/g)].map((m) => m[1]?.length ?? 0);
  return 0.5 * 10 ** -Math.min(...places) * UNITS[unit].factor;
}

/**
 * Reads a figure that may be a range: `0.10–0.15 mm`, `0.12 ± 0.02 mm`, `35 to 45 mm`, `90–100 kPa (13.1–14.5 psi)`. Two
 * units that disagree by more than their own rounding are flagged, and neither is chosen.
 */
export function parseRange(typed: string, options: ParseOptions): ParsedRange {
  const text = typed.trim().replace(/\s+/g, ' ');
  if (text.length > 80) return fail({ kind: 'not a number', message: 'That is too long for one figure.' });
  const two = BESIDE.exec(text);
  const first = readSpan(two ? two[1]! : text, options);
  if (!first) {
    const one = parseQuantity(text, options);
    return one.ok ? { ok: true, range: { from: one.quantity, to: null } } : fail(one.problem);
  }
  if (!first.ok || !two) return first;
  const beside = (two[2] ?? two[3] ?? two[4])!;
  const second = readSpan(beside, { ...options, unit: undefined });
  if (!second)
    return fail({ kind: 'disagree', message: `“${beside}” is not a range like the one before it.` });
  if (!second.ok) return second;
  const may = slop(two[1]!, first.range.from.unit) + slop(beside, second.range.from.unit);
  const ends = (['from', 'to'] as const).map((end) => [first.range[end]!, second.range[end]!] as const);
  const odd = ends.find(([a, b]) => Math.abs(a.base - b.base) > may * 1.0001);
  if (odd)
    return fail({
      kind: 'disagree',
      message: `${show(odd[0])} is ${show(odd[0], odd[1].unit)}, not ${show(odd[1])}. Check the page and enter the one you trust.`
    });
  return first;
}

/** A range in words, in its own unit or another: `0.1–0.15 mm`. */
export function showRange(range: Range, unit = range.from.unit): string {
  if (!range.to) return show(range.from, unit);
  const from = show(range.from, unit);
  return `${from.slice(0, from.lastIndexOf(` ${unit}`))}–${show(range.to, unit)}`;
}
