import { forSums } from './clearance';
import { readingNow, type ValveRules, type ValveStand } from './check';
import { isShimmed } from './head';
import { aimOf } from './limits';
import { sizesOf, thickness, wanted, type Series } from './shim';
import type { ValveWear } from './wear-of-head';

/** A shim that the next check of an engine likely wants. All µm. */
export interface Need {
  valve: string;
  name: string;
  /** As it will likely be found then. */
  clearance: number;
  /** Nearest the aim, of those that are made; null: no series is known, or none in reach is made. */
  size: number | null;
  best: number;
}

/**
 * Which shims the next check likely wants: of every valve that will have closed up past its lower limit by then.
 * @param ahead hours of the engine until that check; below nothing where it is late
 */
export function needsOf(
  stands: readonly ValveStand[],
  wear: readonly ValveWear[],
  ahead: number,
  rules: Pick<ValveRules, 'aim' | 'shimReading'>,
  series: Series | null
): Need[] {
  return stands.flatMap((s): Need[] => {
    const w = wear.find((x) => x.valve === s.valve.id);
    const now = readingNow(s)?.measured ?? s.last?.measured;
    const from = now ? forSums(now, rules.shimReading) : null;
    const shim = s.shim && thickness(s.shim);
    if (!isShimmed(s.gauge) || !s.limits || !w || w.rate === null || from === null || shim === null)
      return [];
    const clearance = Math.round(from + w.rate * Math.max(0, ahead));
    if (clearance >= s.limits.lo) return [];
    const { thinnest, thickest, best } = wanted({
      measured: clearance,
      shim,
      lo: s.limits.lo,
      hi: s.limits.hi,
      target: aimOf(s.limits, rules.aim)
    });
    const made = series ? sizesOf(series).filter((x) => x >= thinnest && x <= thickest) : [];
    const size = made.reduce<number | null>(
      (b, x) => (b === null || Math.abs(x - best) < Math.abs(b - best) ? x : b),
      null
    );
    return [{ valve: s.valve.id, name: s.name, clearance, size, best }];
  });
}
