import { afterAll, beforeAll, expect, it } from 'vitest';
import { connect, type Sql } from '../../src/lib/server/db';
import { freshDatabase } from './cluster';

/**
 * What our patch of the driver is for (patches/): connections that are lost in the middle of writes. Unpatched, the process
 * dies of an error outside any request in about every second run, and queries that came between a socket's error and its
 * close are never answered.
 */
let sql: Sql;
let admin: Sql;
let drop: () => Promise<void>;
beforeAll(async () => {
  const database = await freshDatabase();
  drop = database.drop;
  sql = connect(database.url, 6);
  admin = connect(database.url, 1);
  await admin`create table written (write int, n int)`;
});
afterAll(async () => {
  await sql.end({ timeout: 1 });
  await admin.end();
  await drop();
});
const killAll = () =>
  admin`select pg_terminate_backend(pid) from pg_stat_activity where pid <> pg_backend_pid() and datname = current_database()`;

it('lost under writes, again and again: every write is answered, none is half there, none that was taken is lost', async () => {
  const taken: number[] = [];
  let answered = 0;
  let next = 0;
  let killing = true;
  const writer = async () => {
    while (killing) {
      const write = next++;
      try {
        await sql.begin(async (tx) => {
          for (let n = 0; n < 5; n++) {
            await tx`insert into written values (${write}, ${n})`;
            await Promise.all([tx`select 1`, tx`select ${'x'.repeat(2000)} as long`]);
          }
        });
        taken.push(write);
      } catch {
        // Refused by a lost connection: what matters is that it was answered.
      }
      answered += 1;
    }
  };
  const writers = Array.from({ length: 10 }, writer);
  for (let i = 0; i < 25; i++) {
    const before = answered;
    await killAll();
    // Until the pool is back at work: a write that is never answered would keep it from here.
    await expect.poll(() => answered, { timeout: 10_000, interval: 5 }).toBeGreaterThan(before + 10);
  }
  killing = false;
  await Promise.all(writers);
  const kept = await admin`select write, count(*)::int as n from written group by write`;
  expect(kept.filter((k) => k.n !== 5)).toEqual([]);
  const there = new Set(kept.map((k) => k.write as number));
  expect(taken.filter((w) => !there.has(w))).toEqual([]);
}, 60_000);

it('a transaction whose connection was lost never writes into what that connection does next', async () => {
  let go = () => {};
  const gone = new Promise<void>((done) => (go = done));
  const late = sql.begin(async (tx) => {
    await tx`insert into written values (-1, 0)`;
    await gone;
    await tx`insert into written values (-2, 0)`;
  });
  const lost = late.catch((e: { code?: string }) => e.code);
  await expect
    .poll(
      async () => (await admin`select 1 from pg_stat_activity where state = 'idle in transaction'`).length
    )
    .toBe(1);
  await killAll();
  // The pool opens its connections anew, for others.
  await Promise.all(Array.from({ length: 12 }, () => sql`select 1`.catch(() => null)));
  go();
  expect(await lost).toMatch(/CONNECTION_CLOSED|57P01/);
  expect(await admin`select write from written where write < 0`).toEqual([]);
});
