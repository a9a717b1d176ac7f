import { createServer, connect as dial, type AddressInfo } from 'node:net';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { connect, type Sql } from '../../src/lib/server/base/db';
import { freshDatabase } from './cluster';

/**
 * What our patch of the driver is for (patches/): connections that are lost in the middle of writes, and transactions begun on one that is full. Unpatched, the process
 * dies of an error outside any request in about every second run, and queries that came between a socket's error and its
 * close are never answered.
 */
let sql: Sql;
let admin: Sql;
let url: string;
let drop: () => Promise<void>;
beforeAll(async () => {
  const database = await freshDatabase();
  drop = database.drop;
  url = database.url;
  sql = connect(database.url, 6);
  admin = connect(database.url, 1);
  await admin`create table written (write int, n int)`;
});
afterAll(async () => {
  await sql.end({ timeout: 1 });
  await admin.end();
  await drop();
});
// Those of the app: PostgreSQL's own (it tidies up by itself) are not its to end.
const killAll = () =>
  admin`select pg_terminate_backend(pid) from pg_stat_activity where pid <> pg_backend_pid() and datname = current_database() and usename = current_user`;

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
  try {
    for (let i = 0; i < 25; i++) {
      const before = answered;
      await killAll();
      // Until the pool is back at work: a write that is never answered would keep it from here.
      await expect.poll(() => answered, { timeout: 10_000, interval: 5 }).toBeGreaterThan(before + 10);
    }
  } finally {
    // Whatever came of it: writers that go on for ever would keep every other test from its turn.
    killing = false;
  }
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

/** The first message of a kind in what the server sent, from its first byte on; -1: none. */
function firstOf(kind: string, bytes: Buffer): number {
  for (let at = 0; at + 5 <= bytes.length; at += 1 + bytes.readUInt32BE(at + 1))
    if (bytes[at] === kind.charCodeAt(0)) return at;
  return -1;
}
const END_OF_IT = 'SFATAL\0VFATAL\0C57P01\0Mterminating connection\0\0';
const FATAL = Buffer.concat([
  Buffer.from('E'),
  Buffer.from(Uint32Array.of(END_OF_IT.length + 4).buffer).reverse(),
  Buffer.from(END_OF_IT)
]);

it('a connection lost while it reads what types there are hands no half-read rows to the next query', async () => {
  const there = new URL(url);
  let connections = 0;
  const between = createServer((client) => {
    const first = ++connections === 1;
    const server = dial(Number(there.port), there.hostname);
    client.pipe(server);
    for (const socket of [client, server]) socket.on('error', () => {});
    client.on('close', () => server.destroy());
    server.on('close', () => client.end());
    server.on('data', (bytes) => {
      const row = first ? firstOf('D', bytes) : -1;
      if (row < 0) return client.write(bytes);
      // Some rows of it, then the end: as a backend does that is told to go.
      const one = 1 + bytes.readUInt32BE(row + 1);
      client.end(Buffer.concat([bytes.subarray(0, row + one), FATAL]));
      server.destroy();
    });
  });
  await new Promise<void>((ready) => between.listen(0, '127.0.0.1', ready));
  const through = new URL(url);
  through.port = String((between.address() as AddressInfo).port);
  const one = connect(through.href, 1);
  try {
    await one`select 1 as n`.catch(() => null);
    expect([...(await one`select ${2}::int as n`)]).toEqual([{ n: 2 }]);
    expect([...(await one`select ${[3, 4]}::int[] as n`)]).toEqual([{ n: [3, 4] }]);
    expect(connections).toBeGreaterThan(1);
  } finally {
    await one.end({ timeout: 1 });
    between.close();
  }
});

it('a transaction has its connection, however much is on its way there already', async () => {
  const busy = connect(url, 2);
  const read = async (n: number) => {
    const [row] = await busy`select ${n}::int as n`;
    return row!.n === n ? 'answered' : 'astray';
  };
  const transaction = async () => {
    // Behind the reads, which the driver takes up a moment after they were asked.
    for (let i = 0; i < 6; i++) await null;
    return busy.begin(async (tx) => {
      const [me] = await tx`select txid_current()::text as id`;
      const [again] = await tx`select txid_current()::text as id`;
      return me!.id === again!.id ? 'one transaction' : 'two';
    });
  };
  // Their statements are ready on both connections: from then on many queries are sent without waiting for the answers.
  for (let i = 0; i < 20; i++) await Promise.all([read(0), read(1), transaction()]);
  const counts: Record<string, number> = {};
  // About as many as a connection takes at once, and a transaction after them.
  for (let many = 190; many < 210; many++)
    for (const a of await Promise.allSettled([
      ...Array.from({ length: many }, (_, i) => read(i)),
      transaction(),
      read(0)
    ])) {
      const what = a.status === 'fulfilled' ? a.value : String(a.reason);
      counts[what] = (counts[what] ?? 0) + 1;
    }
  await busy.end({ timeout: 1 });
  expect(counts).toEqual({ answered: 4010, 'one transaction': 20 });
}, 60_000);
