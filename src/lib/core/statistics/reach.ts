import { theilSen } from './robust';

/** How far from now something likely reaches a limit, in the unit its points go by. `late` null: nobody can say. */
export interface Reach {
  early: number;
  /** At the rate of all its past, from the middle of where it stands. */
  likely: number;
  late: number | null;
}

/** All slopes between two points that lie apart, the shallowest first. */
const slopes = (points: readonly { x: number; y: number }[]): number[] =>
  points
    .flatMap((a, i) => points.slice(i + 1).flatMap((b) => (b.x > a.x ? [(b.y - a.y) / (b.x - a.x)] : [])))
    .sort((a, b) => a - b);

/**
 * When something that grows likely reaches its limit: from what it may be at most at the rate of the fastest quarter of its past,
 * to what it may be at least at that of the slowest.
 * @param points in the order of x
 * @param now between what it stands
 * @returns null where it does not grow, or nobody knows
 */
export function reach(
  points: readonly { x: number; y: number }[],
  now: { from: number; to: number },
  limit: number
): Reach | null {
  const rate = theilSen(points);
  if (rate === null || rate <= 0) return null;
  const all = slopes(points);
  const last = all.length - 1;
  const steep = Math.max(rate, all[Math.ceil(last * 0.75)]!);
  const shallow = Math.min(rate, all[Math.floor(last * 0.25)]!);
  return {
    early: Math.max(0, (limit - now.to) / steep),
    likely: Math.max(0, (limit - (now.from + now.to) / 2) / rate),
    late: shallow > 0 ? Math.max(0, (limit - now.from) / shallow) : null
  };
}
