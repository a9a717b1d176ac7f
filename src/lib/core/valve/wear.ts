import { reach, type Reach } from '../statistics/reach';
import { theilSen } from '../statistics/robust';
import { spanOf, type Limits, type Measured } from './clearance';
import type { Series } from './shim';
import { JUDGED_BY } from '../judged/by';

/** A check of one valve: as found, and as left where it was shimmed. All µm, hours of the engine in h. */
export interface Check {
  hours: number;
  clearance: number;
  shim: number;
  after?: number;
  shimAfter?: number;
}

export interface Wear {
  /** µm for each running hour; less than nothing: it closes up. Null with fewer than two checks apart. */
  rate: number | null;
  /** Hours from the latest check until it reaches its lower limit; null where it does not close up. */
  left: number | null;
}

/**
 * What a valve's seat really did, across shims: clearance and shim together are where it sits, and that changes with wear only.
 * The slope over running hours is the median of the slopes between every two checks (Theil–Sen).
 *
 * @param checks in the order of their hours
 * @param lo lower limit, µm
 */
export function wearOf(checks: readonly Check[], lo: number): Wear {
  const rate = theilSen(checks.map((c) => ({ x: c.hours, y: c.clearance + c.shim })));
  const latest = checks.at(-1);
  if (rate === null || !latest) return { rate, left: null };
  const now = latest.after ?? latest.clearance;
  return { rate, left: lastsH(now, lo, rate) };
}

/**
 * How many running hours a clearance lasts until its lower limit, at its usual wear.
 * @param clearanceUm what it is, or is predicted to be
 * @param loUm its lower limit
 * @param rateUmPerH as in `ValveWear`: below nothing where it closes up
 * @returns hours, not below nothing; null where it does not close up or nobody knows
 */
export function lastsH(clearanceUm: number, loUm: number, rateUmPerH: number | null): number | null {
  return rateUmPerH === null || rateUmPerH >= 0 ? null : Math.max(0, (clearanceUm - loUm) / -rateUmPerH);
}

const BY = JUDGED_BY.valves;

/** It closes up at twice the rate it used to, or more: of the latest three checks against those before. */
export function hasDoubled(checks: readonly Check[]): boolean {
  if (checks.length < BY.doubledFrom.is) return false;
  const [from, to] = [checks.at(-3)!, checks.at(-1)!];
  if (from.clearance + from.shim - (to.clearance + to.shim) <= BY.bladeStep.is) return false;
  const rate = (list: readonly Check[]) =>
    theilSen(list.map((c) => ({ x: c.hours, y: c.clearance + c.shim })));
  // The third from the end belongs to both: from there on it is that it closes faster.
  const [before, lately] = [rate(checks.slice(0, -2)), rate(checks.slice(-3))];
  return before !== null && lately !== null && lately <= BY.doubled.is * Math.min(before, -BY.stands.is);
}

/**
 * Between which hours a valve likely reaches its lower limit: from the blade that went at the rate of the fastest quarter of
 * its past, to the one that did not at that of the slowest.
 *
 * @param now as it was last measured
 * @returns null where it does not close up, or nobody knows
 */
export function reachesLimit(checks: readonly Check[], now: Measured, lo: number): Reach | null {
  if (wearOf(checks, lo).left === null) return null;
  const span = spanOf(now);
  const most = Number.isFinite(span.to) ? span.to : span.from;
  // What closes up is what grows towards its limit from below.
  return reach(
    checks.map((c) => ({ x: c.hours, y: -(c.clearance + c.shim) })),
    { from: -most, to: -span.from },
    -lo
  );
}

/** Why a head is to be planned for. */
export type Alarm = 'the rate has doubled' | 'near the thinnest shim made';
/** @param shim that sits there now, µm; null: not known, or a screw */
export function alarmsOf(checks: readonly Check[], shim: number | null, series: Series | null): Alarm[] {
  const alarms: Alarm[] = [];
  if (hasDoubled(checks)) alarms.push('the rate has doubled');
  if (shim !== null && series !== null && shim <= series.thinnest + BY.stepsLeft.is * series.step)
    alarms.push('near the thinnest shim made');
  return alarms;
}

/** At once is no stake: whoever has just looked has until the next ride. Hundredths of an hour */
const LEAST_AHEAD = 100;

/**
 * How soon a head is to be checked again by its wear, hundredths of an hour of the engine: when the first of its valves likely
 * reaches its lower limit. Null: no valve closes up, or nobody knows.
 */
export function nextWithin(
  valves: readonly { checks: readonly Check[]; now: Measured; limits: Limits }[]
): number | null {
  const soonest = valves.flatMap((v) => reachesLimit(v.checks, v.now, v.limits.lo)?.likely ?? []);
  return soonest.length === 0 ? null : Math.max(LEAST_AHEAD, Math.floor(Math.min(...soonest) * 100));
}
