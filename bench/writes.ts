import { createHash, randomBytes } from 'node:crypto';
import { once } from 'node:events';
import { Agent, request, type IncomingMessage } from 'node:http';
import { performance } from 'node:perf_hooks';
import { json } from 'node:stream/consumers';
import { makeStep } from '../src/lib/core/job/plan';
import { DEFAULT_RULES } from '../src/lib/core/rules/rules';
import { connect } from '../src/lib/server/db';
import { insertVisit } from '../src/lib/server/visit-start';
import { makeFleet } from './fleet';

/**
 * How many writes a second one machine and one visit take from twenty clients at once, over HTTP; and what one reading takes
 * with ten times the history behind it. Prints one line of JSON.
 */
const [databaseUrl, url] = process.argv.slice(2);
const sql = connect(databaseUrl!, 4);
const CLIENTS = 20;
const EACH = 25;
const median = (list: number[]) => [...list].sort((a, b) => a - b)[list.length >> 1]!;

// The plain client of Node.js: fetch takes as much of a core as what is measured.
const agent = new Agent({ keepAlive: true, maxSockets: CLIENTS });
async function post(body: object, cookie: string): Promise<{ outcomes?: { ok: boolean }[] }> {
  const asked = request(`${url}/api/commands`, {
    method: 'POST',
    agent,
    headers: { 'content-type': 'application/json', cookie }
  });
  asked.end(JSON.stringify(body));
  const [answer] = (await once(asked, 'response')) as [IncomingMessage];
  return (await json(answer)) as { outcomes?: { ok: boolean }[] };
}
/** Sessions by their person: whoever sends is signed in once. */
const keys = new Map<string, Promise<string>>();
async function signIn(team: string, person: string): Promise<string> {
  const key = randomBytes(32).toString('base64url');
  const hash = createHash('sha256').update(key).digest('hex');
  await sql`insert into session (team_id, id, person_id, how, hash) values (${team}, ${crypto.randomUUID()}, ${person}, 'passphrase', ${hash})`;
  return key;
}
async function send(team: string, person: string, kind: string, body: object): Promise<void> {
  const command = { id: crypto.randomUUID(), kind, at: new Date().toISOString(), body };
  if (!keys.has(person)) keys.set(person, signIn(team, person));
  const answer = await post(
    { device: 'bench', commands: [command] },
    `ht_session=${await keys.get(person)!}`
  );
  if (!answer.outcomes?.[0]?.ok) throw new Error(JSON.stringify(answer));
}
const personOf = async (team: string) =>
  (await sql`select id from person where team_id = ${team}`)[0]!.id as string;
const machineOf = async (team: string) =>
  (await sql`select id from machine where team_id = ${team} limit 1`)[0]!.id as string;
const today = new Date().toISOString().slice(0, 10);
const reading = (machineId: string) => ({
  id: crypto.randomUUID(),
  machineId,
  typed: '+0.01',
  day: today,
  outing: 'ride'
});

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
const who = { [short]: await personOf(short), [long]: await personOf(long) };
const on = { [short]: await machineOf(short), [long]: await machineOf(long) };
const took: Record<string, number[]> = { [short]: [], [long]: [] };
for (let i = 0; i < 200; i++)
  for (const team of [short, long]) {
    const started = performance.now();
    await send(team, who[team]!, 'reading.log', reading(on[team]!));
    if (i >= 120) took[team]!.push(performance.now() - started);
  }

const busy = await makeFleet(sql, 1, 250, 12);
const [busyWho, busyOn] = [await personOf(busy), await machineOf(busy)];
const readings = await rate(() => send(busy, busyWho, 'reading.log', reading(busyOn)));

/** A visit of forty ticks, begun at a machine of its own. */
async function aVisit(): Promise<() => Promise<void>> {
  const team = await makeFleet(sql, 1, 10, 1);
  const [person, machineId] = [await personOf(team), await machineOf(team)];
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
    send(team, person, 'visit.enter', {
      visitId,
      entry: { id: crypto.randomUUID(), stepKey: `s${n++ % 40}`, action: 'done', content: { remark: 'x' } }
    });
}
const ticks = await rate(await aVisit(), await aVisit());
console.log(JSON.stringify({ short: median(took[short]!), long: median(took[long]!), readings, ticks }));
agent.destroy();
await sql.end();
