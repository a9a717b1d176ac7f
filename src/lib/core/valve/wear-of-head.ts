import { isShimmed } from './head';
import { readingNow, wearChecks, type PastCheck, type ValveRules, type ValveStand } from './check';
import type { Measured } from './clearance';
import { thickness, type Series } from './shim';
import type { Reach } from '../statistics/reach';
import { alarmsOf, reachesLimit, wearOf, type Alarm, type Check } from './wear';

/** How one valve of a head wears, over all its checks. */
export interface ValveWear {
  valve: string;
  name: string;
  checks: Check[];
  /** By hours of the engine: its clearance, µm, as if it had been set as it is now all along, so that only wear moves it. */
  course: { hours: number; um: number }[];
  /** µm an hour; null with fewer than two checks at known hours. */
  rate: number | null;
  /** Hours from the latest check; null where it does not close up. */
  reaches: Reach | null;
  /** As last measured. */
  now: Measured | null;
  alarms: Alarm[];
}

/** The check that stands open, as one of the past: what it says counts as soon as it is measured. */
export function asPast(
  stands: readonly ValveStand[],
  id: string,
  day: string,
  hours: number | null
): PastCheck {
  const of = <T>(take: (s: ValveStand) => T | null | undefined): Record<string, T> =>
    Object.fromEntries(
      stands.flatMap((s) => {
        const v = take(s);
        return v === null || v === undefined ? [] : [[s.valve.id, v] as const];
      })
    );
  return {
    id,
    day,
    hours,
    found: of((s) => s.found?.measured),
    left: of((s) => s.left?.measured),
    shims: of((s) => (s.changed ? s.before : s.shim)),
    fitted: of((s) => (s.changed ? s.shim : null))
  };
}

function courseOf(checks: readonly Check[]): ValveWear['course'] {
  const latest = checks.at(-1);
  const now = latest ? (latest.shimAfter ?? latest.shim) : 0;
  return checks.map((c) => ({ hours: c.hours, um: c.clearance + c.shim - now }));
}

/**
 * How every valve of a head wears.
 * @param past the latest first, the open one among them
 */
export function wearOfHead(
  stands: readonly ValveStand[],
  past: readonly PastCheck[],
  rules: Pick<ValveRules, 'shimReading'>,
  series: Series | null
): ValveWear[] {
  return stands.map((s) => {
    const checks = wearChecks(s.valve.id, past, rules.shimReading, isShimmed(s.gauge));
    const now = readingNow(s)?.measured ?? s.last?.measured ?? null;
    const shim = s.shim && thickness(s.shim);
    return {
      valve: s.valve.id,
      name: s.name,
      checks,
      course: courseOf(checks),
      rate: s.limits ? wearOf(checks, s.limits.lo).rate : wearOf(checks, 0).rate,
      reaches: s.limits && now ? reachesLimit(checks, now, s.limits.lo) : null,
      now,
      alarms: alarmsOf(checks, shim, series)
    };
  });
}
