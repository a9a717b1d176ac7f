/**
 * Whether an engine is stone cold, by what the book knows.
 * @param after hours it has to stand, by the house rule
 * @param ranAt the latest moment by which it is known to have run, ms since 1970; null: nobody knows
 */
export const isCold = (ranAt: number | null, now: number, after: number): boolean =>
  ranAt !== null && now - ranAt >= after * 3_600_000;
