import { performance } from 'node:perf_hooks';
import { makeStep } from '../src/lib/core/job/plan';
import { DEFAULT_RULES } from '../src/lib/core/rules/rules';
import { connect } from '../src/lib/server/base/db';
import { insertVisit } from '../src/lib/server/visit/start';
import { machineOf, median, personOf, ride, send, signIn } from './client';
import { makeFleet } from './fleet';

/**
 * How many writes a second one machine and one visit take from twenty clients at once, over HTTP; and what one reading takes
 * with ten times the history behind it. Prints one line of JSON.
 */
const [databaseUrl, url] = process.argv.slice(2);
const sql = connect(databaseUrl!, 4);
const CLIENTS = 20;
const EACH = 25;
/** Sessions by their person: whoever sends is signed in once. */
const keys = new Map<string, Promise<string>>();
async function write(team: string, person: string, kind: string, body: object): Promise<void> {
  if (!keys.has(person)) keys.set(person, signIn(sql, team, person));
  await send(url!, await keys.get(person)!, kind, body);
}

/** Writes a second, from so many clients that each send one after the other. */
async function rate(one: () => Promise<void>, warm: () => Promise<void> = one): Promise<number> {
  const all = (each: number, one: () => Promise<void>) =>
    Promise.all(
      Array.from({ length: CLIENTS }, async () => {
        for (let i = 0; i < each; i++) await one();
      })
    );
  // As a server is after its first minutes: each connection of the pool has its statements ready, the code is compiled, and the
  // database knows its tables (it looks at them by itself each minute).
  await all(EACH * 4, warm);
  await sql`analyze`;
  await all(EACH, warm);
  const started = performance.now();
  await all(EACH, one);
  return (CLIENTS * EACH * 1000) / (performance.now() - started);
}

const short = await makeFleet(sql, 1, 250, 12);
const long = await makeFleet(sql, 1, 2500, 12);
const who = { [short]: await personOf(sql, short), [long]: await personOf(sql, long) };
const on = { [short]: await machineOf(sql, short), [long]: await machineOf(sql, long) };
const took: Record<string, number[]> = { [short]: [], [long]: [] };
for (let i = 0; i < 200; i++)
  for (const team of [short, long]) {
    const started = performance.now();
    await write(team, who[team]!, 'reading.log', ride(on[team]!));
    if (i >= 120) took[team]!.push(performance.now() - started);
  }

const busy = await makeFleet(sql, 1, 250, 12);
const [busyWho, busyOn] = [await personOf(sql, busy), await machineOf(sql, busy)];
const readings = await rate(() => write(busy, busyWho, 'reading.log', ride(busyOn)));

/** A visit of forty ticks, begun at a machine of its own. */
async function aVisit(): Promise<() => Promise<void>> {
  const team = await makeFleet(sql, 1, 10, 1);
  const [person, machineId] = [await personOf(sql, team), await machineOf(sql, team)];
  const visitId = crypto.randomUUID();
  const steps = Array.from({ length: 40 }, (_, i) =>
    makeStep({ key: `s${i}`, title: `Step ${i}`, input: { type: 'tick' } })
  );
  const plan = {
    jobs: [{ key: 'job', version: 1, title: 'Job', taskId: null, circuits: [] }],
    title: 'Job',
    steps,
    items: [],
    points: [],
    estimate: null
  };
  await sql.begin((tx) =>
    insertVisit(
      tx,
      team,
      { id: visitId, machineId, personId: person, startedAt: new Date() },
      plan,
      DEFAULT_RULES
    )
  );
  let n = 0;
  return () =>
    write(team, person, 'visit.enter', {
      visitId,
      entry: { id: crypto.randomUUID(), stepKey: `s${n++ % 40}`, action: 'done', content: { remark: 'x' } }
    });
}
const ticks = await rate(await aVisit(), await aVisit());
console.log(JSON.stringify({ short: median(took[short]!), long: median(took[long]!), readings, ticks }));
await sql.end();
// Lines that are kept open keep it from ending.
process.exit(0);
