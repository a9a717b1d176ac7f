import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { readdirSync, readFileSync } from 'node:fs';
import type { IncomingMessage } from 'node:http';
import { performance } from 'node:perf_hooks';
import { connect } from '../src/lib/server/base/db';
import { ask, machineOf, median, personOf, ride, send, signIn } from './client';
import { copyTeam } from './copies';
import { makeFleet } from './fleet';

/** What one machine holds: see scripts/scale.mjs. Prints a table. */
const [databaseUrl, one, two, count] = process.argv.slice(2);
const TEAMS = Number(count);
/** Teams that somebody works in, one client each. */
const BUSY = 20;
const SECONDS = 8;
/** People of each of them who look on. */
const READERS = 4;
/** Pages that are told live by one process. */
const LINES = 1500;
const sql = connect(databaseUrl!, 4);
const rows: [string, string][] = [];
const tell = (what: string, value: string) => {
  rows.push([what, value]);
  console.log(`  ${what}: ${value}`);
};

interface Member {
  key: string;
  /** Of those of the team who look on: one person has so many lines and no more. */
  readers: string[];
  machine: string;
}
async function read(url: string, path: string, { key }: Member): Promise<number> {
  const started = performance.now();
  for await (const _ of await ask(url + path, key));
  return performance.now() - started;
}
const write = (url: string, { key, machine }: Member) => send(url, key, 'reading.log', ride(machine));
/** Rides a second, of one client in each team, at one process or in turns at several. */
async function rate(urls: string[], members: Member[], seconds = SECONDS): Promise<number> {
  const until = performance.now() + seconds * 1000;
  let done = 0;
  await Promise.all(
    members.map(async (m, i) => {
      for (; performance.now() < until; done++) await write(urls[i % urls.length]!, m);
    })
  );
  return done / seconds;
}
async function pages(who: Member): Promise<Record<string, number>> {
  const took: Record<string, number> = {};
  for (const path of ['/', '/due', '/board', `/machines/${who.machine}`]) {
    const times: number[] = [];
    for (let i = 0; i < 60; i++) times.push(await read(one!, path, who));
    took[path.replace(/[0-9a-f-]{36}/, '…')] = median(times.slice(20));
  }
  return took;
}
/** Of the process at an address, MB. */
function memory(url: string): number {
  const { port } = new URL(url);
  for (const pid of readdirSync('/proc').filter((p) => /^\d+$/.test(p)))
    try {
      if (
        readFileSync(`/proc/${pid}/environ`, 'utf8').split('\0').includes(`PORT=${port}`) &&
        readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('app.mjs')
      )
        return Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))![1]) / 1000;
    } catch {
      // It has gone meanwhile, or is somebody else's.
    }
  return NaN;
}
/** Pages of these people that are told live, and what tells when they all were. */
async function lines(url: string, members: Member[], many: number) {
  const open = await Promise.all(
    Array.from({ length: many }, (_, i) => {
      const { readers } = members[i % members.length]!;
      return ask(`${url}/api/live`, readers[Math.floor(i / members.length) % readers.length]!);
    })
  );
  const heard = (which: IncomingMessage[]) =>
    Promise.all(
      which.map(
        (line) =>
          new Promise<void>((done) => line.on('data', (b: Buffer) => b.includes('reading.log') && done()))
      )
    );
  return {
    of: (i: number) => heard(open.filter((_, n) => n % members.length === i)),
    close: () => open.forEach((line) => line.destroy())
  };
}

/** A team of its own, with somebody who is signed in. */
async function member(): Promise<Member & { team: string }> {
  const team = await makeFleet(sql, 2, 40, 4);
  const key = await signIn(sql, team, await personOf(sql, team));
  const readers = [key];
  for (let i = 1; i < READERS; i++) {
    const id = crypto.randomUUID();
    await sql`insert into person (team_id, id, name, role) values (${team}, ${id}, ${`Reader ${i}`}, 'mechanic')`;
    readers.push(await signIn(sql, team, id));
  }
  return { key, readers, team, machine: await machineOf(sql, team) };
}
const first = await member();
const before = await pages(first);
const busy: Member[] = [];
for (let i = 0; i < BUSY; i++) busy.push(await member());
await sql`analyze`;
await rate([one!, two!], busy, 4);
tell(
  `Commands a second, ${BUSY} clients in ${BUSY} teams, one process`,
  (await rate([one!], busy)).toFixed(0)
);
tell('The same, two processes', (await rate([one!, two!], busy)).toFixed(0));

const empty = memory(one!);
const live = await lines(one!, busy, LINES);
tell(
  `Memory of a process, MB: without a page that is told live, and with ${LINES.toLocaleString('en')}`,
  `${empty.toFixed(0)}, ${memory(one!).toFixed(0)}`
);
const times: number[] = [];
for (let i = 0; i < BUSY; i++) {
  const all = live.of(i);
  const started = performance.now();
  // Written at the other process.
  await write(two!, busy[i]!);
  await all;
  times.push(performance.now() - started);
}
tell(
  `From the press until the last of ${LINES / BUSY} pages was told, through the other process, ms`,
  `${median(times).toFixed(0)}, at most ${Math.max(...times).toFixed(0)}`
);
tell(
  `Commands a second while ${LINES.toLocaleString('en')} pages are told of them`,
  (await rate([one!, two!], busy)).toFixed(0)
);
live.close();

const began = performance.now();
for (let n = BUSY + 1; n < TEAMS; n += 500) await copyTeam(sql, first.team, n, Math.min(n + 499, TEAMS - 1));
await sql`analyze`;
const [size] = await sql`
  select pg_database_size(current_database())::float / 1e6 as mb, (select sum(n_live_tup) from pg_stat_user_tables)::float as rows, (select count(*) from team)::int as teams`;
tell(
  'Teams, rows, database',
  `${(size!.teams as number).toLocaleString('en')}, ${((size!.rows as number) / 1e6).toFixed(1)} million, ${((size!.mb as number) / 1000).toFixed(2)} GB`
);
console.log(`  (copied in ${((performance.now() - began) / 1000).toFixed(0)} s)`);
const after = await pages(first);
for (const [path, ms] of Object.entries(before))
  tell(
    `A team’s page ${path}, ms: alone in the book, and among ${TEAMS.toLocaleString('en')} teams`,
    `${ms.toFixed(1)}, ${after[path]!.toFixed(1)}`
  );
await rate([one!, two!], busy, 4);
tell(
  `Commands a second among ${TEAMS.toLocaleString('en')} teams, two processes`,
  (await rate([one!, two!], busy)).toFixed(0)
);
const started = performance.now();
let bytes = 0;
const dump = spawn('pg_dump', ['--format=custom', databaseUrl!], { stdio: ['ignore', 'pipe', 'inherit'] });
dump.stdout.on('data', (b: Buffer) => (bytes += b.length));
await once(dump, 'close');
const took = (performance.now() - started) / 1000;
tell(
  'A backup of it',
  `${(bytes / 1e6).toFixed(0)} MB in ${took.toFixed(0)} s: ${((size!.mb as number) / took).toFixed(0)} MB of database a second`
);

console.log('\n| measured | value |\n| --- | --- |');
for (const [what, value] of rows) console.log(`| ${what} | ${value} |`);
await sql.end();
process.exit(0);
