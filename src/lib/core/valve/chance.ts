import type { ValveWear } from './wear-of-head';

/** How likely a valve is past its limit when it is measured next, from how it wore. */
export const CHANCES = ['hardly', 'one in three', 'two in three', 'very likely'] as const;
export type Chance = (typeof CHANCES)[number];

/**
 * How likely any valve of a head is out when it is measured now. The hours it has until its limit lie between those at the rate
 * of its fastest quarter and those of its slowest: run less than the former, hardly; more than the latter, very likely.
 *
 * @param hours of the engine now; null: not known
 * @returns null where nobody knows: no hours, or no valve was measured twice
 */
export function chanceOut(wear: readonly ValveWear[], hours: number | null): Chance | null {
  if (hours === null) return null;
  let most = -1;
  for (const valve of wear) {
    const since = valve.checks.at(-1)?.hours;
    if (since === undefined || valve.checks.length < 2) continue;
    const r = valve.reaches;
    const run = hours - since;
    // One that does not close up is not the one that is out.
    if (r === null || run < r.early) most = Math.max(most, 0);
    else if (run < r.likely) most = Math.max(most, 1);
    else if (r.late === null || run < r.late) most = Math.max(most, 2);
    else most = 3;
  }
  return CHANCES[most] ?? null;
}
