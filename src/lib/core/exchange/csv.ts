import { UNITS } from '../quantity/units';
import type { Measure } from '../schedule/task';

/** Cells of the lists that leave the book as CSV, and how they come back (RFC 4180, UTF-8, dates as ISO, units in the headings). */
export type Cell = string | number | null;

/** What a spreadsheet would take for a formula, or strip: a text that begins like one is led by an apostrophe. */
const FORMULA = /^[=+\-@\t\r\n']/;
/**
 * Where the comma is the decimal sign, the semicolon parts the cells: what stands behind one is the beginning of another. So is what
 * stands behind a tab or on a line of its own.
 */
const BEHIND = /([;\t\r\n] *)(?=[=+\-@'])/g;
const GUARDED_BEHIND = /([;\t\r\n] *)'(?=[=+\-@'])/g;

/**
 * A text as it goes into a cell: never a formula to whatever opens it. Numbers are numbers and go as they are.
 * The way back is {@link unguarded}.
 */
export function guarded(cell: Cell): string {
  if (typeof cell !== 'string') return cell === null ? '' : String(cell);
  const inside = cell.replace(BEHIND, "$1'");
  return FORMULA.test(cell) ? `'${inside}` : inside;
}
/** The text that was written; one that never was guarded is left alone. */
export function unguarded(text: string): string {
  const whole = text.startsWith("'") && FORMULA.test(text.slice(1)) ? text.slice(1) : text;
  return whole.replace(GUARDED_BEHIND, '$1');
}

/** Hundredths of an hour, or of a kilometre, as a number people read. */
export const hundredths = (n: number | null): number | null => (n === null ? null : n / 100);

/** A distance in hundredths of a kilometre, in the unit its heading names, to a hundredth. */
export const distanceIn = (n: number | null, system: 'metric' | 'imperial'): number | null =>
  n === null
    ? null
    : system === 'metric'
      ? n / 100
      : Math.round((n * UNITS.km.factor) / UNITS.mi.factor) / 100;

/** An amount of a measure as it is kept, hundredths of hours and kilometres or a count, in what its unit beside it says. */
export function amountIn(n: number | null, measure: Measure, system: 'metric' | 'imperial'): number | null {
  if (measure === 'hours') return hundredths(n);
  return measure === 'distance' ? distanceIn(n, system) : n;
}
/** What that is counted in: `hours`, `km`, `days`, `times of Engine oil`. */
export function unitOfAmount(measure: Measure, system: 'metric' | 'imperial', of: string | null): string {
  if (measure === 'distance') return system === 'metric' ? 'km' : 'mi';
  return measure === 'times' ? `times of ${of ?? ''}`.trim() : measure;
}
