import type { Sql } from './db';

/** More views than are looked at at once; the oldest makes room. */
const MOST = 64;
const kept = new Map<string, { snapshot: string; value: unknown }>();

/**
 * What was worked out, for as long as nothing was written to the database since: screens on a wall look again every few seconds,
 * and mostly nothing has changed. The database says so itself, by which transactions a query now sees; that is asked before the
 * working out, so that what is written meanwhile is seen the next time. It holds for several servers on one database, and never
 * shows what is past.
 *
 * @param key what it is: everything it hangs on besides the database
 */
export async function unlessWritten<T>(sql: Sql, key: string, work: () => Promise<T>): Promise<T> {
  const [row] = await sql`select current_database() || pg_current_snapshot()::text as snapshot`;
  const snapshot = row!.snapshot as string;
  const there = kept.get(key);
  if (there?.snapshot === snapshot) return there.value as T;
  const value = await work();
  kept.delete(key);
  kept.set(key, { snapshot, value });
  for (const oldest of kept.keys()) {
    if (kept.size <= MOST) break;
    kept.delete(oldest);
  }
  return value;
}
