import { setTimeout as pause } from 'node:timers/promises';
import type { Input, Kind } from '../../core/command/commands';
import type { Envelope } from '../../core/command/envelope';
import { hold } from '../book/hold';
import { attempt, settle } from '../book/write';
import { allOver, type Sql, type Tx } from '../base/db';
import { isAway } from '../base/problems';
import { Refusal } from '../base/refusal';
import type { Write } from '../book/under-way';
import { momentsOf } from './moments';
import { NOTHING_HELD, sameBody, SENT_BEFORE, type Sender } from './sender';
import type { Handler } from './handler';

/**
 * Writes to one machine or one visit wait for one another in any case. Those that come while one is being carried out are
 * carried out together in the next transaction: each by itself, taken or refused, but held, worked out and kept once for all.
 */
interface Job {
  from: Sender;
  command: Pick<Envelope, 'id' | 'kind' | 'at' | 'body'>;
  input: unknown;
  body: unknown;
  now: Date;
  done: (answer: unknown) => void;
  failed: (error: unknown) => void;
}
/** So many at once: a transaction that takes longer keeps others waiting. */
const MOST_TOGETHER = 40;
/** So many at once are a crowd; who writes alone, or two in turn, waits for nobody. */
const CROWD = 3;
const lines = new Map<string, Job[]>();

/** Carries out a command together with whatever else is written at the same place. @param key which place */
export function carryOutTogether<K extends Kind>(
  sql: Sql,
  key: string,
  handler: Handler<K>,
  job: Omit<Job, 'done' | 'failed'>
): Promise<unknown> {
  return new Promise((done, failed) => {
    const line = lines.get(key);
    const mine = { ...job, done, failed };
    if (line) line.push(mine);
    else {
      lines.set(key, [mine]);
      void work(sql, key, handler);
    }
  });
}

async function work<K extends Kind>(sql: Sql, key: string, handler: Handler<K>): Promise<void> {
  const line = lines.get(key)!;
  for (let batch = line.splice(0, MOST_TOGETHER); batch.length > 0; batch = line.splice(0, MOST_TOGETHER)) {
    try {
      tell(batch, await all(sql, handler, batch));
      // Those who have just been answered write again in a moment: a little later, all of them go together instead of by halves.
      if (batch.length >= CROWD) await pause(batch.length);
    } catch (e) {
      // Where one of them is a mistake of ours, the others are not to suffer for it.
      if (batch.length === 1 || isAway(e)) for (const job of batch) job.failed(e);
      else
        for (const job of batch)
          await all(sql, handler, [job]).then(
            (results) => tell([job], results),
            (error: unknown) => job.failed(error)
          );
    }
  }
  lines.delete(key);
}
function tell(batch: readonly Job[], results: readonly Result[]): void {
  for (const [i, job] of batch.entries()) {
    const r = results[i]!;
    if (r.ok) job.done(r.answer);
    else job.failed(r.error);
  }
}

type Result = { ok: true; answer: unknown } | { ok: false; error: unknown };

/** Carries out a batch in one transaction. */
function all<K extends Kind>(sql: Sql, handler: Handler<K>, batch: readonly Job[]): Promise<Result[]> {
  const { team } = batch[0]!.from;
  return attempt(sql, async (tx, also) => {
    // All of a batch are written at the same place. Claimed first, then held, without waiting in between.
    const named = handler.scope && (await handler.scope(batch[0]!.input as Input<K>, tx, team.id));
    // What names no machine may turn out to reach one: begun again, it holds that one, and its standing is made anew.
    const scope = named ?? (also.length > 0 ? { machines: also } : null);
    const [known, held] = await allOver([
      claimAll(tx, team.id, batch),
      scope ? hold(tx, team.id, scope, also) : NOTHING_HELD
    ]);
    const results = batch.map((job): Result | null => known.get(job) ?? null);
    const todo = batch.filter((_, i) => results[i] === null);
    if (todo.length === 0) return results as Result[];
    const of = ({ from, command, now }: Job): Write => ({
      tx,
      team,
      personId: from.person.id,
      role: from.person.role,
      ...momentsOf(command.kind, command.at, now),
      held
    });
    const made = await handler.together!.handle(
      todo.map((job) => ({ w: of(job), input: job.input as Input<K> }))
    );
    if (scope) await settle(tx, team.id, scope, held);
    const taken = todo.flatMap((job, i) => {
      const m = made[i]!;
      if (!(m instanceof Refusal)) return [{ job, w: of(job), input: job.input as Input<K>, result: m }];
      results[batch.indexOf(job)] = { ok: false, error: m };
      return [];
    });
    const said = handler.together!.answer
      ? await handler.together!.answer(taken)
      : taken.map((t) => t.result ?? null);
    const answers = taken.map(({ job }, i) => {
      results[batch.indexOf(job)] = { ok: true, answer: said[i] };
      return { id: job.command.id, answer: said[i] };
    });
    const refused = todo.map((j) => j.command.id).filter((id) => !answers.some((a) => a.id === id));
    await Promise.all([
      tx`
        update command c set answer = a.answer, machines = case when ${held.machines.size > 0} then ${[...held.machines.keys()]}::uuid[] else c.machines end from jsonb_to_recordset(${tx.json(answers as never)}) as a (id uuid, answer jsonb)
        where c.team_id = ${team.id} and c.id = any(${answers.map((a) => a.id)}) and c.id = a.id`,
      // Refused is not kept: put right, it goes through under the same id.
      refused.length > 0 ? tx`delete from command where team_id = ${team.id} and id = any(${refused})` : null
    ]);
    return results as Result[];
  });
}

/** Writes down that these are being carried out. @returns what is known already of those that were sent before */
async function claimAll(tx: Tx, teamId: string, batch: readonly Job[]): Promise<Map<Job, Result>> {
  const rows = batch.map(({ command: { id, kind, at }, from, body }) => ({
    id,
    kind,
    at,
    person_id: from.person.id,
    device: from.device,
    body,
    clock_ahead_s: from.clockAheadS ?? null
  }));
  const made = await tx`
    insert into command (team_id, id, kind, person_id, device, at, body, clock_ahead_s)
    select ${teamId}, c.id, c.kind, c.person_id, c.device, c.at, c.body, c.clock_ahead_s
    from jsonb_to_recordset(${tx.json(rows as never)}) as c (id uuid, kind text, person_id uuid, device text, at timestamptz, body jsonb, clock_ahead_s int)
    on conflict do nothing returning id`;
  const fresh = new Set(made.map((m) => m.id as string));
  const known = new Map<Job, Result>();
  for (const job of batch) {
    // Of two alike in one batch, the first is carried out; the second is told to ask again.
    if (fresh.delete(job.command.id)) continue;
    known.set(job, await before(tx, teamId, job));
  }
  return known;
}
async function before(tx: Tx, teamId: string, { command: c, body }: Job): Promise<Result> {
  const [there] = await tx`
    select kind = ${c.kind} and ${sameBody(tx, body, c.body)} as same, answer from command where team_id = ${teamId} and id = ${c.id}`;
  if (!there?.same) return { ok: false, error: new Refusal({ '': SENT_BEFORE }) };
  // Without an answer it is in this very batch: it will have one when this is asked again.
  return there.answer === null ? { ok: false, error: new Again() } : { ok: true, answer: there.answer };
}
/** The same command stands in the same batch: ask again. */
export class Again extends Error {}
