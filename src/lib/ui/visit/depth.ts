import { keep, kept } from '../base/kept';

/** How much of a visit is on the screen: the step that is next, all of them, or one form for what was done elsewhere. */
export const DEPTHS = ['lead', 'sheet', 'after'] as const;
export type Depth = (typeof DEPTHS)[number];
const NAME = 'ht_depth';

export function keptDepth(): Depth {
  const was = kept('device', NAME);
  return DEPTHS.find((d) => d === was) ?? 'lead';
}
export const keepDepth = (depth: Depth): void => keep('device', NAME, depth);
