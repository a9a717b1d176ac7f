import { onlyOne, type Band } from '../quantity/band';
import { fromBase, show, type Quantity } from '../quantity/quantity';
import type { UnitName } from '../quantity/units';
import type { Limits } from './clearance';
import { JUDGED_BY } from '../judged/by';

/** Whole micrometres; sums of decimals leave crumbs, which are not to turn a half down. */
export const wholeUm = (um: number): number => Math.round(Number(um.toFixed(4)));
/** Whole micrometres of a length: 0.001 in is 25.4 µm exactly, and only the result is rounded. */
export const toUm = (q: Quantity): number => wholeUm(q.base * 1000);
/** The unit a blade or a manual is marked in. */
export type ClearanceUnit = 'mm' | 'in';

/** A clearance or a thickness in words, in the unit it is marked in: `0.125 mm`, `0.0049 in`. */
export function showUm(um: number, unit: UnitName = 'mm'): string {
  if (unit === 'in') return `${(um / 25_400).toFixed(4).replace(/^0/, '')} in`;
  return unit === 'mm' ? `${trim(um / 1000, 3)} mm` : show(fromBase(um / 1000, unit));
}
/** Without its unit, where that stands elsewhere: `0.10`. */
export const bareUm = (um: number, unit: UnitName): string => showUm(um, unit).replace(/ \S+$/u, '');
/** Two decimals at least, as blades and stamps have them. */
const trim = (mm: number, most: number): string => {
  const text = mm.toFixed(most);
  return text.endsWith('0') ? text.slice(0, -1) : text;
};

/**
 * The limits a printed figure sets, µm: both ends of a range, or of a value and its tolerance.
 * @returns null for one figure alone and for one end alone: they set no limits, and none are made up
 */
export function limitsOf(band: Band): Limits | null {
  return band.from && band.to && !onlyOne(band) ? { lo: toUm(band.from), hi: toUm(band.to) } : null;
}

/** The clearance a valve is set to, by house rule. µm: the middle, or three quarters of the way to the loose end, since valves close up. */
export function aimOf({ lo, hi }: Limits, rule: 'middle' | 'loose side'): number {
  return Math.round(lo + (hi - lo) * (rule === 'middle' ? 0.5 : JUDGED_BY.valves.looseSide.is));
}
