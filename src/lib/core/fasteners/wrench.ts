import { fromBase, quantity, show, type Quantity } from '../quantity/quantity';
import { showDay, type Day } from '../time/day';
import { JUDGED_BY } from '../judged/by';

/** A click wrench is trusted from so much of its range to the top of it (handbook, section 7). */
export const TRUSTED_FROM = JUDGED_BY.bolts.wrenchFrom.is;

/** What the scales of torque wrenches are in. */
export const SCALES = ['N·m', 'lbf·ft', 'lbf·in'] as const;
export type Scale = (typeof SCALES)[number];

export interface TorqueWrench {
  id: string;
  name: string;
  /** What its scale is in: it is set by that, whatever the sheet is in. */
  unit: Scale;
  /** The ends of its scale, N·m. */
  lowNm: number;
  highNm: number;
  /** Drive centre to the middle of the grip, mm; null where nobody measured it. */
  lengthMm: number | null;
  /** The day its calibration runs out; null: never calibrated, or nobody knows. */
  calibratedUntil: Day | null;
  /** Times it has clicked in this book. */
  pulls: number;
}
export interface Adapter {
  id: string;
  name: string;
  /** Drive centre to bolt centre, mm. */
  lengthMm: number;
}

/** The span a wrench is trusted over, N·m: from a fifth of its top, or where its scale begins if that is later. */
export function trustedSpan(w: Pick<TorqueWrench, 'lowNm' | 'highNm'>): [number, number] {
  return [Math.max(w.lowNm, Math.round(w.highNm * TRUSTED_FROM * 100) / 100), w.highNm];
}

/** A torque as it is set on a wrench: by its scale, rounded to what can be set. @param torqueNm what the bolt is to get, N·m */
export function setting(torqueNm: number, { unit }: Pick<TorqueWrench, 'unit'>): Quantity {
  return quantity(Number(fromBase(torqueNm, unit).value.toFixed(unit === 'lbf·in' ? 0 : 1)), unit);
}
/** The same in words. */
export const onScale = (torqueNm: number, w: Pick<TorqueWrench, 'unit'>): string =>
  show(setting(torqueNm, w));

export function covers(w: Pick<TorqueWrench, 'lowNm' | 'highNm'>, torqueNm: number): boolean {
  const [from, to] = trustedSpan(w);
  // A printed 10 N·m converted from 7.4 lbf·ft must not fall off the end of a scale by rounding.
  return torqueNm >= from * 0.999 && torqueNm <= to * 1.001;
}

/**
 * The team's wrenches for a value, the best first: those that cover it, calibrated before not, the smaller range first,
 * since the middle of a small scale is finer.
 */
export function wrenchesFor(torqueNm: number, wrenches: readonly TorqueWrench[], today: Day): TorqueWrench[] {
  const stale = (w: TorqueWrench) => Number(w.calibratedUntil === null || w.calibratedUntil < today);
  return wrenches
    .filter((w) => covers(w, torqueNm))
    .sort((a, b) => stale(a) - stale(b) || a.highNm - b.highNm || a.name.localeCompare(b.name));
}

/** Why no wrench of the box covers a value, in words; null when one does. */
export function uncovered(torque: Quantity, wrenches: readonly TorqueWrench[]): string | null {
  if (wrenches.some((w) => covers(w, torque.base))) return null;
  if (wrenches.length === 0) return `No torque wrench in the box; ${show(torque)} is wanted.`;
  const by = (end: 0 | 1) => [...wrenches].sort((a, b) => trustedSpan(a)[end] - trustedSpan(b)[end]);
  const [smallest, largest] = [by(0)[0]!, by(1).at(-1)!];
  if (torque.base < trustedSpan(smallest)[0])
    return `${show(torque)} is below what any wrench in the box is trusted at; the smallest begins at ${onScale(trustedSpan(smallest)[0], smallest)}.`;
  return torque.base > largest.highNm
    ? `${show(torque)} is above the largest wrench in the box, ${onScale(largest.highNm, largest)}.`
    : `No wrench in the box is trusted at ${show(torque)}.`;
}

/** Its calibration has run out. One that was never calibrated is the team's own matter. */
export const isOutOfDate = (w: TorqueWrench, today: Day): boolean =>
  w.calibratedUntil !== null && w.calibratedUntil < today;

/** What a wrench is worth a word for: its calibration; null when it is in date. */
export function calibrationWord(w: TorqueWrench, today: Day): string | null {
  if (w.calibratedUntil === null) return 'no calibration on record';
  return isOutOfDate(w, today) ? `calibration ran out on ${showDay(w.calibratedUntil, today)}` : null;
}
