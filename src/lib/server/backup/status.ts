import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { backupStatusSchema, troubleInWords, type BackupStatus } from '../../core/backup/backup';

const NONE: BackupStatus = { last: null, error: null, tried: null };
const RUNNING_SINCE = Date.now();

/** What is known of the backups of this server; null: it was not told to make any. */
export async function backupStatus(): Promise<BackupStatus | null> {
  const folder = process.env.HOUR_TRAIL_BACKUPS;
  if (!folder) return null;
  const text = await readFile(join(folder, 'status.json'), 'utf8').catch(() => null);
  if (text === null) return NONE;
  try {
    return backupStatusSchema.parse(JSON.parse(text));
  } catch {
    return NONE;
  }
}

/** What is wrong with them, in words; null: nothing. */
export async function backupTrouble(now: Date): Promise<string | null> {
  const status = await backupStatus();
  return status && troubleInWords(status, now.getTime(), RUNNING_SINCE);
}
