import { isBad, type ValveRules, type ValveStand } from './check';
import type { ValveWear } from './wear-of-head';

/** A valve that is well now and, at its usual wear, is out before the next check. */
export interface SoonOut {
  valve: string;
  name: string;
  /** Running hours of the engine until it reaches its lower limit, at its usual wear. */
  inH: number;
  /** The least clearance that lasts until the next check, µm. */
  leastUm: number;
}

/**
 * Which valves are well now and are out before the next check, by how they wore so far. Source: clearance and shim together over
 * running hours (Theil–Sen), as in `wearOf`.
 *
 * @param nextInH running hours from this check to the next; null: nobody knows, and then nothing is said
 */
export function soonOut(
  stands: readonly ValveStand[],
  wear: readonly ValveWear[],
  rules: Pick<ValveRules, 'borderlineValve'>,
  nextInH: number | null
): SoonOut[] {
  if (nextInH === null) return [];
  return stands.flatMap((s): SoonOut[] => {
    const w = wear.find((x) => x.valve === s.valve.id);
    const reaches = w?.reaches;
    const well = (s.verdict === 'in' || s.verdict === 'borderline') && !isBad(s, rules);
    if (!well || !s.limits || !reaches || reaches.likely >= nextInH) return [];
    const leastUm = Math.ceil(s.limits.lo - (w.rate ?? 0) * nextInH);
    return [{ valve: s.valve.id, name: s.name, inH: reaches.likely, leastUm }];
  });
}
