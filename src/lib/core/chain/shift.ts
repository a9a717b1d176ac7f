import { median } from '../statistics/robust';
import { JUDGED_BY } from '../judged/by';

/** Slack as adjusted, and with the axle tight. mm in all */
export interface Tightened {
  adjusted: number;
  tight: number;
}
/** Once may be a slip of the hand; twice is this machine. */
const LEAST_SEEN = 2;
/** It is the latest that count: bearings, spacers and hands change. */
const LATEST = 5;
/** Within this nobody leads it. mm */
const STILL = JUDGED_BY.chain.stillTightens.is;

/**
 * By how much tightening the axle moves the slack on this machine, mm: the middle of its latest times.
 * @param past the latest first
 * @returns null with too few times to say
 */
export function tighteningShift(past: readonly Tightened[]): number | null {
  if (past.length < LEAST_SEEN) return null;
  const shift = median(past.slice(0, LATEST).map((p) => p.tight - p.adjusted));
  return Math.abs(shift) < STILL ? 0 : shift;
}

/** What is set to before the axle is tightened, so that tightening then makes it right. mm in all */
export const setTo = (aim: number, shift: number | null): number => Math.max(0, aim - (shift ?? 0));
