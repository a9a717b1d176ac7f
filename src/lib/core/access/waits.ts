/** Wrong PINs on a device until it forgets the PIN: of ten thousand, five are a chance of one in two thousand. */
export const MOST_PINS = 5;
/** Wrong passphrases that cost nothing but the typing. */
export const FREE_TRIES = 5;
const FIRST_WAIT = 30;
const LONGEST_WAIT = 15 * 60;

/**
 * How long a person cannot come in by passphrase after so many wrong ones in a row, s: thirty seconds, doubled each time, a quarter
 * of an hour at most. Never for good: whoever wanted to keep a mechanic out of the book could do so.
 */
export function waitAfter(tries: number): number {
  const over = tries - FREE_TRIES;
  return over < 0 ? 0 : Math.min(LONGEST_WAIT, FIRST_WAIT * 2 ** over);
}

const MINUTE = 60_000;
const HOUR = 60 * MINUTE;
const DAY = 24 * HOUR;
/**
 * How long a session lasts, ms: on a trusted device for a season's gap between two weekends, a quarter of a year at most; elsewhere for
 * a working day.
 */
export const LASTS = {
  trusted: { idle: 30 * DAY, atMost: 90 * DAY },
  elsewhere: { idle: 12 * HOUR, atMost: 24 * HOUR }
} as const;
/** After so long it gets another key, ms. */
export const RENEWED_EVERY = DAY;
/** A next key that nobody has shown in that time was lost on its way: another is made, ms. */
export const NEXT_LOST_AFTER = MINUTE;
/** What was asked with the key before, at the same moment, is still answered, ms. */
export const OLD_FOR = MINUTE;
/** It is written down at most so often that somebody is there, ms. */
export const SEEN_EVERY = 5 * MINUTE;

/** What a look at a session finds: over; or in force, with whether a new key is due, and whether its moment is to be written. */
export function sessionStands(
  s: { trusted: boolean; begunAt: number; seenAt: number; renewedAt: number; nextAt: number | null },
  now: number
): 'over' | { renew: boolean; see: boolean } {
  const { idle, atMost } = s.trusted ? LASTS.trusted : LASTS.elsewhere;
  if (now - s.seenAt > idle || now - s.begunAt > atMost) return 'over';
  const renew = now - s.renewedAt > RENEWED_EVERY && (s.nextAt === null || now - s.nextAt > NEXT_LOST_AFTER);
  return { renew, see: now - s.seenAt > SEEN_EVERY };
}
