import { COMMANDS, type Input, type Kind } from '../../core/command/commands';
import { keptOf, mostBytes } from '../../core/command/kept';
import type { Envelope, Outcome } from '../../core/command/envelope';
import { unkeepable } from '../../core/command/text';
import { errorsByField } from '../../core/forms';
import { refuseOthers } from '../access/own';
import { hold } from '../book/hold';
import { attempt, settle } from '../book/write';
import type { Sql, Tx } from '../base/db';
import { log } from '../base/log';
import { awayWords, isAway, isBusy, refusalOf } from '../base/problems';
import { countEntry } from '../base/quota';
import { Refusal } from '../base/refusal';
import type { Write } from '../book/under-way';
import { momentsOf } from './moments';
import type { Handler } from './handler';
import { REGISTRY } from './registry';
import { NOTHING_HELD, sameBody, SENT_BEFORE, type Sender } from './sender';
import { Again, carryOutTogether } from './together';

export type { Sender } from './sender';

const bytesOf = (body: unknown): number => Buffer.byteLength(JSON.stringify(body) ?? '');
const tooMuch = (kind: Kind) =>
  `That is more than one entry holds (${Math.round(mostBytes(kind) / 1000)} kB). Write it in parts.`;
const MAY_NOT = 'That is for others in the team to do.';

/**
 * Writes down that a command is being carried out.
 * @returns what it was answered, where it was carried out before
 * @throws Refusal where its id was used for another body
 */
async function claim(
  tx: Tx,
  from: Sender,
  c: Pick<Envelope, 'id' | 'kind' | 'at' | 'body'>,
  body: unknown
): Promise<{ answer: unknown } | null> {
  const made = await tx`
    insert into command (team_id, id, kind, person_id, device, at, body, clock_ahead_s)
    values (${from.team.id}, ${c.id}, ${c.kind}, ${from.person.id}, ${from.device}, ${c.at}, ${tx.json(body as never)}, ${from.clockAheadS ?? null})
    on conflict do nothing returning id`;
  if (made.length > 0) return null;
  const [there] = await tx`
    select kind = ${c.kind} and ${sameBody(tx, body, c.body)} as same, answer from command where team_id = ${from.team.id} and id = ${c.id}`;
  if (!there!.same) throw new Refusal({ '': SENT_BEFORE });
  return { answer: there!.answer };
}

/**
 * Carries out one command whose body has been checked: once, whatever is sent twice, holding what it touches, and keeps what
 * it was answered with it. One transaction.
 *
 * @param c as it was sent
 * @param body what is kept of it: what a second sending is held against
 * @throws Refusal when the book does not allow it; errors of the database as they are
 */
export async function carryOut<K extends Exclude<Kind, 'team.found'>>(
  sql: Sql,
  from: Sender,
  c: Pick<Envelope, 'id' | 'at' | 'body'> & { kind: K },
  input: Input<K>,
  body: unknown,
  now: Date
): Promise<unknown> {
  const handler = REGISTRY[c.kind] as unknown as Handler<K>;
  if (!handler.role.includes(from.person.role)) throw new Refusal({ '': MAY_NOT });
  await countEntry(sql, from.team.id, bytesOf(body), now);
  if (handler.together) {
    // Before it stands in the line: those it would be carried out with are others'.
    if (from.person.role === 'rider' && handler.scope)
      await sql.begin(async (tx) =>
        refuseOthers(tx, from.team.id, from.person.id, (await handler.scope!(input, tx, from.team.id))!)
      );
    const key = `${from.team.id} ${c.kind} ${handler.together.at(input)}`;
    const job = { from, command: c, input, body, now };
    for (;;) {
      try {
        return await carryOutTogether(sql, key, handler, job);
      } catch (e) {
        if (!(e instanceof Again)) throw e;
      }
    }
  }
  return attempt(sql, async (tx, also) => {
    const before = await claim(tx, from, c, body);
    if (before) return before.answer;
    const scope = handler.scope && (await handler.scope(input, tx, from.team.id));
    if (scope && from.person.role === 'rider') await refuseOthers(tx, from.team.id, from.person.id, scope);
    const held = scope ? await hold(tx, from.team.id, scope, also) : NOTHING_HELD;
    const w: Write = {
      tx,
      team: from.team,
      personId: from.person.id,
      role: from.person.role,
      ...momentsOf(c.kind, c.at, now),
      held
    };
    const result = await handler.handle!(w, input);
    if (scope) await settle(tx, from.team.id, scope, held);
    const answer = (handler.answer ? await handler.answer(w, input, result) : result) ?? null;
    await tx`
      update command set answer = ${tx.json(answer as never)}, machines = case when ${held.machines.size > 0} then ${[...held.machines.keys()]}::uuid[] else machines end
      where team_id = ${from.team.id} and id = ${c.id}`;
    return answer;
  });
}

/** The same, with whatever comes of it as an answer: a refusal by field, or that the database is away. */
async function outcomeOf(sql: Sql, from: Sender, c: Envelope, now: Date): Promise<Outcome> {
  const no = (errors: Record<string, string>, more: Record<string, unknown> = {}): Outcome => ({
    id: c.id,
    ok: false,
    errors,
    more
  });
  const { kind } = c;
  if (kind === 'team.found') return no({ '': 'A team is set up by itself.' });
  const body = keptOf(kind, c.body);
  const odd = unkeepable(body);
  if (Object.keys(odd).length > 0) return no(odd);
  const parsed = COMMANDS[kind].safeParse(body);
  if (!parsed.success) return no(errorsByField(parsed.error));
  // What is wrong with a field is said of that field first.
  if (bytesOf(body) > mostBytes(kind)) return no({ '': tooMuch(kind) });
  // What it says is in the book; which one it was, by whom, and what became of it, here.
  const noted = (became: string) =>
    log.info({ command: c.id, kind, team: from.team.id, person: from.person.id, became }, 'command');
  try {
    const data = await carryOut(sql, from, { ...c, kind }, parsed.data as never, body, now);
    noted('carried out');
    return { id: c.id, ok: true, data };
  } catch (e) {
    const refusal = refusalOf(e);
    noted(refusal ? 'refused' : 'failed');
    if (refusal) return no(refusal.errors, refusal.more);
    if (isAway(e)) return no({ '': awayWords(e) }, { retry: true, away: !isBusy(e) });
    throw e;
  }
}

/**
 * Carries out a list of commands, one after the other and each by itself. One that rests on another waits where that one was
 * not taken; the others go on.
 * @param fault what is done about a mistake of ours; returns what to call it
 */
export async function runCommands(
  sql: Sql,
  from: Sender,
  commands: readonly Envelope[],
  now: () => Date,
  fault: (e: unknown) => string
): Promise<Outcome[]> {
  const outcomes: Outcome[] = [];
  const taken = new Set<string>();
  const isTaken = async (id: string): Promise<boolean> =>
    taken.has(id) ||
    (await sql`select 1 from command where team_id = ${from.team.id} and id = ${id}`).length > 0;
  for (const c of commands) {
    let outcome: Outcome;
    if (c.after !== null && !(await isTaken(c.after)))
      outcome = {
        id: c.id,
        ok: false,
        errors: { '': 'It waits for what was not taken before it.' },
        more: { waits: true }
      };
    else
      try {
        outcome = await outcomeOf(sql, from, c, now());
      } catch (e) {
        const name = fault(e);
        outcome = {
          id: c.id,
          ok: false,
          errors: { '': `Something went wrong on our side; this was not written (${name}).` },
          more: { retry: true, fault: name }
        };
      }
    if (outcome.ok) taken.add(c.id);
    outcomes.push(outcome);
  }
  return outcomes;
}
