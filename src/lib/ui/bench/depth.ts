/** How much of a visit is on the screen: the step that is next, or all of them. */
export type Depth = 'lead' | 'sheet';
const KEY = 'ht_depth';

export function keptDepth(): Depth {
  try {
    return localStorage.getItem(KEY) === 'sheet' ? 'sheet' : 'lead';
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
