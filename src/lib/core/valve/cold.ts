/** An engine that has stood so long is stone cold: overnight. ms */
export const COLD_AFTER_MS = 8 * 3_600_000;

/**
 * Whether an engine is stone cold, by what the book knows.
 * @param ranAt the latest moment by which it is known to have run, ms since 1970; null: nobody knows
 */
export const isCold = (ranAt: number | null, now: number): boolean =>
  ranAt !== null && now - ranAt >= COLD_AFTER_MS;
