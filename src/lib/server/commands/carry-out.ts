import type { Input, Result, TeamKind } from '../../core/command/commands';
import { RULES } from '../../core/command/rules';
import { refuseOthers } from '../access/own';
import { allOver, type Sql, type Tx } from '../base/db';
import { Refusal } from '../base/refusal';
import type { Asked, Handler, Said } from '../book/handler';
import { hold, type Held, type Scope } from '../book/hold';
import type { Write } from '../book/under-way';
import { attempt, settle } from '../book/write';
import { answerVisit } from '../visit/answers';
import { claim } from './claim';
import type { Done, Job } from './job';
import { momentsOf } from './moments';
import { REGISTRY } from './registry';
import type { Sender } from './sender';

/** Of a write that touches no machine's book. */
const NOTHING_HELD: Held = { machines: new Map(), components: [] };

/** @throws Refusal where that kind is not for somebody of this role */
export function refuseRole(from: Sender, kind: TeamKind): void {
  if (!RULES[kind].who.includes(from.person.role))
    throw new Refusal({ '': 'That is for others in the team to do.' });
}

/**
 * Carries out commands of one kind at one place in one transaction: each is taken or refused by itself, once whatever is sent twice;
 * what they touch is held, worked out anew and kept once for all.
 * @throws Refusal when the book allows none of them; errors of the database as they are
 */
export const carryOutAll = <K extends TeamKind>(sql: Sql, jobs: readonly Job<K>[]): Promise<Done[]> =>
  attempt(sql, (tx, also) => inBook(tx, also, jobs));

/** Carries out a command, looks at the book as it then is, and takes everything back: what is shown cannot differ from what comes. */
export async function rehearse<K extends TeamKind, T>(
  sql: Sql,
  from: Sender,
  kind: K,
  input: Input<K>,
  now: Date,
  look: (tx: Tx) => Promise<T>
): Promise<T> {
  refuseRole(from, kind);
  const command = { id: crypto.randomUUID(), kind, at: now.toISOString(), body: {} };
  try {
    return await attempt(sql, async (tx, also): Promise<never> => {
      const [done] = await inBook(tx, also, [{ from, command, input, body: {}, now }]);
      if (!done!.ok) throw done!.error;
      throw new TakenBack(await look(tx));
    });
  } catch (e) {
    if (e instanceof TakenBack) return e.seen as T;
    throw e;
  }
}
class TakenBack extends Error {
  constructor(readonly seen: unknown) {
    super('taken back');
  }
}

async function inBook<K extends TeamKind>(
  tx: Tx,
  also: readonly string[],
  jobs: readonly Job<K>[]
): Promise<Done[]> {
  const { from, command, input } = jobs[0]!;
  const { team } = from;
  const handler: Handler<K> = REGISTRY[command.kind];
  // Claimed first, then held, without waiting in between: who sent one twice waits at the claim.
  const [known, place] = await allOver([
    claim(tx, team.id, jobs),
    holdPlace(tx, team.id, handler, input, also)
  ]);
  const done = new Map<Job<K>, Done>(known);
  const todo = jobs.filter((job) => !done.has(job));
  if (todo.length > 0 && place instanceof Refusal) throw place;
  if (todo.length === 0 || place instanceof Refusal) return jobs.map((job) => done.get(job)!);
  const { scope, held } = place;
  const allowed: Job<K>[] = [];
  for (const job of todo) {
    const refusal = scope && (await ofOthers(tx, job, scope));
    if (refusal) done.set(job, { ok: false, error: refusal });
    else allowed.push(job);
  }
  const made = await write(
    handler,
    allowed.map((job) => ({ w: writeOf(tx, job, held), input: job.input }))
  );
  if (scope) await settle(tx, team.id, scope, held);
  for (const [i, said] of made.entries())
    done.set(
      allowed[i]!,
      said instanceof Refusal ? { ok: false, error: said } : { ok: true, answer: (await said()) ?? null }
    );
  await keepAnswers(tx, team.id, held, todo, done);
  return jobs.map((job) => done.get(job)!);
}

const writeOf = (tx: Tx, { from, command, now }: Job, held: Held): Write => ({
  tx,
  team: from.team,
  personId: from.person.id,
  role: from.person.role,
  ...momentsOf(command.kind, command.at, now),
  held
});

async function write<K extends TeamKind>(
  handler: Handler<K>,
  list: readonly Asked<K>[]
): Promise<readonly (Said<K> | Refusal)[]> {
  if (list.length === 0) return [];
  if ('together' in handler) return handler.together(list);
  const results: Result<K>[] = [];
  for (const { w, input } of list) {
    results.push(await handler.handle(w, input));
    if (handler.sheetOf) await answerVisit(w, await handler.sheetOf(input, w));
  }
  return results.map((result) => async () => result);
}

/** Finds out what commands of one place touch, and holds it. @returns why it is refused, where it is */
async function holdPlace<K extends TeamKind>(
  tx: Tx,
  teamId: string,
  handler: Handler<K>,
  input: Input<K>,
  also: readonly string[]
): Promise<{ scope: Scope | null; held: Held } | Refusal> {
  try {
    const named = handler.scope && (await handler.scope(input, tx, teamId));
    // What names no machine may turn out to reach one: begun again, it holds that one, and its standing is made anew.
    const scope = named ?? (also.length > 0 ? { machines: also } : null);
    return { scope, held: scope ? await hold(tx, teamId, scope, also) : NOTHING_HELD };
  } catch (e) {
    if (e instanceof Refusal) return e;
    throw e;
  }
}

/** Riders write about what is theirs. @returns why it is refused, where it is */
async function ofOthers(tx: Tx, { from }: Job, scope: Scope): Promise<Refusal | null> {
  if (from.person.role !== 'rider') return null;
  try {
    await refuseOthers(tx, from.team.id, from.person.id, scope);
    return null;
  } catch (e) {
    if (e instanceof Refusal) return e;
    throw e;
  }
}

/** Keeps what was answered, with the machines it touched. Refused is not kept: put right, it goes through under the same id. */
async function keepAnswers<K extends TeamKind>(
  tx: Tx,
  teamId: string,
  held: Held,
  todo: readonly Job<K>[],
  done: ReadonlyMap<Job<K>, Done>
): Promise<void> {
  const answers: { id: string; answer: unknown }[] = [];
  const refused: string[] = [];
  for (const job of todo) {
    const d = done.get(job)!;
    if (d.ok) answers.push({ id: job.command.id, answer: d.answer });
    else refused.push(job.command.id);
  }
  const machines = held.machines.size > 0 ? [...held.machines.keys()] : null;
  await allOver([
    answers.length > 0 &&
      tx`
      update command c set answer = a.answer, machines = coalesce(${machines}::uuid[], c.machines)
      from jsonb_to_recordset(${tx.json(answers as never)}) as a (id uuid, answer jsonb)
      where c.team_id = ${teamId} and c.id = any(${answers.map((a) => a.id)}) and c.id = a.id`,
    refused.length > 0 && tx`delete from command where team_id = ${teamId} and id = any(${refused})`
  ]);
}
