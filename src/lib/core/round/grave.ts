import { SEVERITIES, type Severity } from '../finding/finding';
import { judge, type Band } from '../quantity/band';
import type { Quantity } from '../quantity/quantity';
import type { Check, Gauge, Held, TorqueHeld } from './check';

/** A number that was read along and lies outside what is wanted. */
export const isShort = (a: { found: Quantity | null }, band: Band | null): boolean =>
  a.found !== null && band !== null && judge(a.found, band) === 'outside';
/** How grave a number outside is: below a least that is for everybody's safety, nobody rides. */
export const shortOf = (check: Check, gauge: Gauge | null): Severity =>
  gauge?.least ? 'park the machine' : check.severity;
export const gravest = (a: Severity | null, b: Severity | null): Severity | null =>
  SEVERITIES.find((s) => s === a || s === b) ?? null;

/** Loose once it is tightened and watched; loose again, the same torque once more is not the answer (handbook, section 7). */
export const heldSeverity = (check: TorqueHeld, held: Held): Severity =>
  held === 'loose' && check.looseBefore > 0 ? 'fix now' : 'watch';
