import { UNITS, USUAL_UNIT, type Dimension, type UnitName } from './units';

/**
 * A figure with its unit. `base` is in the dimension's base unit (see units.ts); `value` and `unit` are what the person or
 * the manual said, kept beside it so that showing it again can never drift.
 */
export interface Quantity<D extends Dimension = Dimension> {
  dimension: D;
  base: number;
  value: number;
  unit: UnitName;
}

/**
 * A quantity from a value and its unit.
 * @throws RangeError when the value is not a finite number.
 */
export function quantity(value: number, unit: UnitName): Quantity {
  if (!Number.isFinite(value)) throw new RangeError(`not a finite number: ${value}`);
  const { dimension, factor } = UNITS[unit];
  return { dimension, base: value * factor, value, unit };
}

/**
 * Converts a bare value between two units of one dimension, by their exact factors.
 * @throws RangeError when the units measure different things.
 */
export function convert(value: number, from: UnitName, to: UnitName): number {
  if (from === to) return value;
  const a = UNITS[from];
  const b = UNITS[to];
  if (a.dimension !== b.dimension) throw new RangeError(`${from} is ${a.dimension}, ${to} is ${b.dimension}`);
  return (value * a.factor) / b.factor;
}

/** A base-unit figure as a quantity in a unit to show it in. */
export function fromBase(base: number, unit: UnitName): Quantity {
  return { dimension: UNITS[unit].dimension, base, value: base / UNITS[unit].factor, unit };
}

/** The same quantity in another unit. In its own unit it is returned as it was said. */
export function inUnit(q: Quantity, unit: UnitName): Quantity {
  if (unit === q.unit) return q;
  if (UNITS[unit].dimension !== q.dimension) throw new RangeError(`${unit} does not measure ${q.dimension}`);
  return { dimension: q.dimension, base: q.base, value: q.base / UNITS[unit].factor, unit };
}

/** Digits for a number at so many decimals, without a trailing `.0` tail: `20`, `1.15`, `0.9`. */
function digits(value: number, decimals: number): string {
  const rounded = Number(value.toFixed(decimals));
  return String(Object.is(rounded, -0) ? 0 : rounded);
}

/**
 * A quantity in words: in its own unit as it was said, in another rounded to what means something on a bench.
 * Small values get more digits, so that 1.2 N·m never becomes 1.
 */
export function show(q: Quantity, unit: UnitName = q.unit): string {
  if (unit === q.unit) return `${(unit === 'in' && sixteenths(q.value)) || digits(q.value, 6)} ${unit}`;
  const { value } = inUnit(q, unit);
  let decimals: number = UNITS[unit].decimals;
  if (value !== 0) {
    // Three significant figures at least: a factor of a thousandth is finer than any jug or wrench.
    const whole = Math.floor(Math.log10(Math.abs(value))) + 1;
    decimals = Math.max(decimals, Math.min(6, 3 - whole));
    if (whole >= 3) decimals = Math.min(decimals, whole >= 4 ? 0 : 1);
  }
  return `${digits(value, decimals)} ${unit}`;
}

/** Inches as they are read off a rule and typed: 1/8, 1 1/2; null where it is not so many sixteenths. */
function sixteenths(value: number): string | null {
  const n = Math.abs(value) * 16;
  if (n === 0 || n % 1 !== 0 || n % 16 === 0) return null;
  const whole = Math.floor(n / 16);
  let [over, under] = [n % 16, 16];
  for (; over % 2 === 0; under /= 2) over /= 2;
  return `${value < 0 ? '-' : ''}${whole > 0 ? `${whole} ` : ''}${over}/${under}`;
}

/** The unit of the other system in which a workshop would want to read this quantity too. */
export function otherUnit(q: Quantity): UnitName {
  const own = UNITS[q.unit].system;
  if (q.dimension === 'time' || q.dimension === 'angle' || q.dimension === 'count') return q.unit;
  if (q.dimension === 'volume') {
    if (own === 'metric') return q.base < 250 ? 'US fl oz' : 'US qt';
    return q.base < 1000 ? 'ml' : 'L';
  }
  if (q.dimension === 'torque' && own === 'metric' && q.base < 15) return 'lbf·in';
  return USUAL_UNIT[q.dimension][own === 'metric' ? 'imperial' : 'metric'];
}

/**
 * A quantity twice: the preferred reading large, the other small. What is in the preferred system already is shown as it
 * was said.
 */
export function showBoth(q: Quantity, prefer: 'metric' | 'imperial'): { main: string; other: string | null } {
  const other = otherUnit(q);
  if (other === q.unit) return { main: show(q), other: null };
  const own = UNITS[q.unit].system;
  return own === prefer || own === 'both'
    ? { main: show(q), other: show(q, other) }
    : { main: show(q, other), other: show(q) };
}
