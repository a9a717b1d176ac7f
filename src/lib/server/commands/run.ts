import { COMMANDS, type Input, type Kind, type TeamKind } from '../../core/command/commands';
import { keptOf, mostBytes } from '../../core/command/kept';
import type { Envelope, Outcome } from '../../core/command/envelope';
import { unkeepable } from '../../core/command/text';
import { errorsByField } from '../../core/forms';
import type { Sql } from '../base/db';
import { log } from '../base/log';
import { awayWords, isAway, isBusy, refusalOf } from '../base/problems';
import { countEntry } from '../base/quota';
import { refuseRole } from './carry-out';
import type { Handler } from '../book/handler';
import { inLine } from './line';
import { REGISTRY } from './registry';
import type { Sender } from './sender';

export type { Sender } from './sender';

const bytesOf = (body: unknown): number => Buffer.byteLength(JSON.stringify(body) ?? '');
const tooMuch = (kind: Kind) =>
  `That is more than one entry holds (${Math.round(mostBytes(kind) / 1000)} kB). Write it in parts.`;

/**
 * Carries out one command whose body has been checked, and keeps what it was answered with it.
 *
 * @param c as it was sent
 * @param body what is kept of it: what a second sending is held against
 * @throws Refusal when the book does not allow it; errors of the database as they are
 */
export async function carryOut<K extends TeamKind>(
  sql: Sql,
  from: Sender,
  c: Pick<Envelope, 'id' | 'at' | 'body'> & { kind: K },
  input: Input<K>,
  body: unknown,
  now: Date
): Promise<unknown> {
  refuseRole(from, c.kind);
  await countEntry(sql, from.team.id, bytesOf(body), now);
  const handler: Handler<K> = REGISTRY[c.kind];
  const place = 'at' in handler ? handler.at(input) : c.id;
  return inLine(sql, `${from.team.id} ${c.kind} ${place}`, { from, command: c, input, body, now });
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
