import { z } from 'zod';

/** What is written down of the backups beside them, by whatever makes them. */
export const backupStatusSchema = z.object({
  last: z.iso.datetime().nullable(),
  error: z.string().max(5000).nullable(),
  tried: z.iso.datetime().nullable()
});
export type BackupStatus = z.output<typeof backupStatusSchema>;

/** Made every night; one night may fall out before anybody is told. ms */
const OLD_AFTER = 50 * 3_600_000;

/**
 * What is wrong with the backups, in words for whoever opens the book; null: nothing.
 * @param running since when the server runs, ms: one that was off for a month makes a backup in its first minutes
 */
export function troubleInWords(s: BackupStatus, now: number, running: number): string | null {
  const days = s.last === null ? null : Math.floor((now - Date.parse(s.last)) / 86_400_000);
  const since =
    days === null
      ? 'There is none yet.'
      : `The last good one is ${days === 1 ? 'a day' : `${days} days`} old.`;
  if (s.error !== null)
    return `The book could not be backed up: ${s.error.replace(/\.?$/, '.')} ${days === 0 ? 'The last good one is from today.' : since}`;
  const old = s.last === null || now - Date.parse(s.last) > OLD_AFTER;
  return old && now - running > 3_600_000 ? `The book is not backed up. ${since}` : null;
}
