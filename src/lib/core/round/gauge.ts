import { judge, lowerEnd, showBand, upperEnd, type Band } from '../quantity/band';
import { parseQuantity } from '../quantity/parse';
import { fromBase, quantity, show, type Quantity } from '../quantity/quantity';
import { UNIT_NAMES, UNITS, USUAL_UNIT, type Dimension, type UnitName } from '../quantity/units';
import { figureKind, type FigureKey } from '../specs/kinds';
import type { Gauge } from './check';

/** The unit a naked number of a check is in: the sheet's own, or the usual one. */
export const unitOf = (gauge: Gauge, band: Band | null): UnitName =>
  band ? lowerEnd(band).unit : gauge.unit;

/**
 * What is wanted of a number: what the sheet says, the least of it where it is a least, or the team's own.
 *
 * @param figure what the sheet says; null: nothing
 */
export function bandOfGauge(gauge: Gauge, figure: Band | null): Band | null {
  if (gauge.figure !== null) return figure?.from && gauge.least ? { from: figure.from, to: null } : figure;
  const end = (n: number | null) => (n === null ? null : quantity(n, gauge.unit));
  const own = { from: end(gauge.from), to: end(gauge.to) };
  return own.from || own.to ? own : null;
}

/**
 * The unit a gauge is offered to be read in: the sheet's own; else what it was read in last, or what this team reads in.
 *
 * @param last what it was set to last; null: nobody knows
 */
export function unitShown(
  gauge: Gauge,
  band: Band | null,
  last: Quantity | null,
  system: 'metric' | 'imperial'
): UnitName {
  if (band) return unitOf(gauge, band);
  return last?.unit ?? (system === 'metric' ? gauge.unit : USUAL_UNIT[UNITS[gauge.unit].dimension].imperial);
}

const hasUnit = (text: string) => /[^\d\s.,+\-/]/u.test(text);

/** A number as it is sent: with the unit it was offered to be read in, where that is not the one a naked number has anyway. */
export const withUnit = (text: string, unit: UnitName, naked: UnitName): string =>
  unit === naked || text.trim() === '' || hasUnit(text) ? text : `${text.trim()} ${unit}`;

/**
 * A number in the wrong unit: as it stands it is far from the band, in another unit of the same dimension it lies in it. Null:
 * nothing of the kind.
 */
export function unitSlip(text: string, read: Quantity, band: Band | null): string | null {
  // What is open to one side, or goes through nothing, holds the same number in some other unit by chance.
  if (!band?.from || !band.to || band.from.base <= 0) return null;
  if (hasUnit(text) || judge(read, band) !== 'outside') return null;
  for (const unit of UNIT_NAMES) {
    if (unit === read.unit || UNITS[unit].dimension !== read.dimension) continue;
    const other = fromBase(read.value * UNITS[unit].factor, unit);
    // Tenths off it are a tyre that lost air; a unit is seven times off or more.
    const far = Math.max(read.base / (other.base || 1), other.base / (read.base || 1)) > 3;
    if (far && judge(other, band) !== 'outside')
      return `${show(read)}? ${show(other)} would be within ${showBand(band)}. Write the unit.`;
  }
  return null;
}

/** More than a gauge shows on a machine: a slip of a digit or a unit. */
const MOST_OF: Partial<Record<Dimension, number>> = {
  length: 5000,
  pressure: 5000,
  torque: 1000,
  angle: 360
};

type Read<T> = { ok: true; value: T } | { ok: false; message: string };
/** A gauge’s number. What was found may be nothing at all; what is set may not. */
export function readNumber(
  text: string,
  gauge: Gauge,
  band: Band | null,
  mayBeNought: boolean
): Read<Quantity> {
  const kind = gauge.figure === null ? null : figureKind(gauge.figure);
  const parsed = parseQuantity(text, {
    dimension: UNITS[gauge.unit].dimension,
    unit: unitOf(gauge, band),
    allowNegative: kind?.signed ?? false
  });
  if (!parsed.ok) return { ok: false, message: parsed.problem.message };
  const q = parsed.quantity;
  const slip = unitSlip(text, q, band);
  if (slip) return { ok: false, message: slip };
  const [least, most] = kind?.plausible ?? [0, MOST_OF[q.dimension] ?? Infinity];
  if (q.base > most)
    return { ok: false, message: `${show(q)} is more than there can be. Is it the right unit?` };
  // Flat is nothing at all; a little is believed where its unit was written. A pad may be worn past any figure.
  if (q.base < (gauge.least ? 0 : least) && !(mayBeNought && (q.base === 0 || (q.base > 0 && hasUnit(text)))))
    return { ok: false, message: `${show(q)} is less than there can be. Write the unit if it is another.` };
  return { ok: true, value: q };
}

/** Readings to tap: steps of the gauge from just below the band to just above it, and what it was set to last. */
export function likelyReadings(gauge: Gauge, band: Band | null, last: Quantity | null): Quantity[] {
  const unit = band ? unitOf(gauge, band) : (last?.unit ?? gauge.unit);
  const { factor } = UNITS[unit];
  const from = band ? lowerEnd(band).base / factor : last ? last.base / factor : null;
  if (from === null) return [];
  const to = band ? upperEnd(band).base / factor : from;
  // A gauge in pounds has finer steps than one in kilopascals.
  const fine = unit === gauge.unit ? gauge.step : niceStep((gauge.step * UNITS[gauge.unit].factor) / factor);
  // The keys go through all of the band: where it is too wide for them they stand further apart.
  const stepsFrom = (s: number) => Math.floor(from / s + 1e-9);
  const stepsTo = (s: number) => Math.ceil(to / s - 1e-9);
  let step = fine;
  while (stepsTo(step) - stepsFrom(step) >= MOST_KEYS) step = niceAbove(step);
  const first = Math.max(0, stepsFrom(step) - (to - from < 2 * step ? 1 : 0));
  const count = Math.min(MOST_KEYS, stepsTo(step) + (to - from < 2 * step ? 1 : 0) - first + 1);
  return Array.from({ length: count }, (_, i) => fromBase(round((first + i) * step) * factor, unit)).map(
    (q) => ({
      ...q,
      value: round(q.value)
    })
  );
}
/** As many as a thumb finds. */
const MOST_KEYS = 7;
const round = (n: number) => Number(n.toFixed(6));
/** The nearest of 1, 2 and 5, and their tens and tenths. */
function niceStep(step: number): number {
  const ten = 10 ** Math.floor(Math.log10(step));
  return [1, 2, 5, 10]
    .map((n) => n * ten)
    .reduce((a, b) => (Math.abs(b - step) < Math.abs(a - step) ? b : a));
}

/** The next of 1, 2 and 5, and their tens and tenths. */
function niceAbove(step: number): number {
  const ten = 10 ** Math.floor(Math.log10(step) + 1e-9);
  return [1, 2, 5, 10].map((n) => n * ten).find((n) => n > step * 1.001)!;
}

/** What a figure is read in where nobody said otherwise. */
export function usualUnit(figure: FigureKey): UnitName {
  const { unit, dimension } = figureKind(figure);
  return unit ?? USUAL_UNIT[dimension ?? 'length'].metric;
}
