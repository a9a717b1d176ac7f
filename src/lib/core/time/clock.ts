const MINUTE = 60_000;
const HOUR = 60 * MINUTE;
const DAY = 24 * HOUR;
/** Closer than this no clock is out for what is written here: an answer takes a while, and is stamped to the second. */
const CLOSE = 3 * MINUTE;

/**
 * How far one clock is from another, as one says it.
 * @param aheadMs how far it is ahead, ms; negative: behind
 * @returns null where it is close enough
 */
export function clockOff(aheadMs: number): string | null {
  const size = Math.abs(aheadMs);
  if (!(size >= CLOSE)) return null;
  const words =
    size < 2 * HOUR
      ? `${Math.round(size / MINUTE)} min`
      : size < 2 * DAY
        ? `${Math.round(size / HOUR)} h`
        : `${Math.round(size / DAY)} days`;
  return `${words} ${aheadMs > 0 ? 'ahead' : 'behind'}`;
}
