import { theilSen } from '../statistics/robust';

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
  return { rate, left: rate < 0 ? Math.max(0, (now - lo) / -rate) : null };
}

/** Slower than this nothing has doubled: it is what a blade's step makes of a valve that stands still. µm an hour. */
const STILL = 0.05;

/** It closes up at twice the rate it used to, or more: of the latest three checks against those before. */
export function hasDoubled(checks: readonly Check[]): boolean {
  if (checks.length < 5) return false;
  const rate = (list: readonly Check[]) =>
    theilSen(list.map((c) => ({ x: c.hours, y: c.clearance + c.shim })));
  // The third from the end belongs to both: from there on it is that it closes faster.
  const [before, lately] = [rate(checks.slice(0, -2)), rate(checks.slice(-3))];
  return before !== null && lately !== null && lately <= 2 * Math.min(before, -STILL);
}
