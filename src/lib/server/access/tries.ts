import { createHash } from 'node:crypto';
import { FREE_TRIES, waitAfter } from '../../core/access/waits';
import type { Sql } from '../base/db';

/** What a count of tries is kept by: never what was typed itself. */
export const tryKey = (...of: string[]): string =>
  createHash('sha256')
    .update(JSON.stringify(of.map((o) => o.normalize('NFKC').toLowerCase())))
    .digest('hex');

/** A try that was counted: how long is to be waited before it is looked at, s, 0: now; and whether it shuts the door if it is wrong. */
export interface Try {
  wait: number;
  locks: boolean;
}

/**
 * Counts a try before it is looked at: however many come at once, no more of them are looked at than one after the other. The same is
 * asked of the database whether the name is somebody’s or nobody’s.
 */
export async function countTry(sql: Sql, key: string, now: Date): Promise<Try> {
  return sql.begin(async (tx) => {
    await tx`
      insert into sign_in_try (key, tries, tried_at) values (${key}, 0, ${now}) on conflict do nothing`;
    const [row] = await tx`select tries, locked_until from sign_in_try where key = ${key} for no key update`;
    const still = row?.locked_until ? (row.locked_until.getTime() - now.getTime()) / 1000 : 0;
    if (still > 0) return { wait: still, locks: true };
    const tries = (row?.tries ?? 0) + 1;
    const wait = waitAfter(tries);
    await tx`
      update sign_in_try set tries = ${tries}, tried_at = ${now}, locked_until = ${wait > 0 ? new Date(now.getTime() + wait * 1000) : null}
      where key = ${key}`;
    // Nobody comes back to a name that was tried a week ago.
    if (tries === FREE_TRIES)
      await tx`delete from sign_in_try where tried_at < ${new Date(now.getTime() - WEEK)}`;
    return { wait: 0, locks: wait > 0 };
  });
}
const WEEK = 7 * 86_400_000;

/** Takes a try back that was none: the right one begins the count anew. What it locked, it locked by itself. */
export async function uncountTry(sql: Sql, key: string, right = true): Promise<void> {
  await sql`
    update sign_in_try set tries = case when ${right} then 0 else greatest(tries - 1, 0) end, locked_until = null where key = ${key}`;
}

/** What is said of somebody who has to wait, s. */
export const waitWords = (seconds: number) =>
  `Too many wrong ones. Wait ${seconds < 60 ? `${Math.ceil(seconds)} s` : `${Math.ceil(seconds / 60)} min`}, or ask a chief mechanic for a new way in.`;
