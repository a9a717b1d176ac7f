/** How much of a visit is on the screen: the step that is next, all of them, or one form for what was done elsewhere. */
export const DEPTHS = ['lead', 'sheet', 'after'] as const;
export type Depth = (typeof DEPTHS)[number];
const KEY = 'ht_depth';

export function keptDepth(): Depth {
  try {
    const kept = localStorage.getItem(KEY);
    return DEPTHS.find((d) => d === kept) ?? 'lead';
  } catch {
    return 'lead';
  }
}
export function keepDepth(depth: Depth): void {
  try {
    localStorage.setItem(KEY, depth);
  } catch {
    // Private windows keep nothing; it is picked again.
  }
}
