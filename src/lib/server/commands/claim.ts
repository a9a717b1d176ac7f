import { Refusal } from '../base/refusal';
import type { Tx } from '../base/db';
import type { TeamKind } from '../../core/command/commands';
import { Twice, type Done, type Job } from './job';

const SENT_BEFORE = 'That was sent before, with other content. Open the page again to see what is there.';

/**
 * Writes down that commands are being carried out: each id once. Who sends one again at the same moment waits here until it is over.
 * @returns what became of those that were sent before; refused where an id was used for another body
 */
export async function claim<K extends TeamKind>(
  tx: Tx,
  teamId: string,
  jobs: readonly Job<K>[]
): Promise<Map<Job<K>, Done>> {
  const rows = jobs.map(({ command: { id, kind, at }, from, body }) => ({
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
  const begun = new Set<string>();
  const known = new Map<Job<K>, Done>();
  for (const job of jobs) {
    const { id } = job.command;
    if (fresh.has(id) && !begun.has(id)) begun.add(id);
    else known.set(job, await sentBefore(tx, teamId, job, begun.has(id)));
  }
  return known;
}

/**
 * Whether a command that is there already was sent with this body: by what is kept of it; or, kept before keys that nobody reads were
 * left out, by all of it.
 */
export const sameBody = (tx: Tx, kept: unknown, sent: unknown) =>
  tx`body in (${tx.json(kept as never)}::jsonb, ${tx.json((sent ?? null) as never)}::jsonb)`;

async function sentBefore(tx: Tx, teamId: string, { command: c, body }: Job, begun: boolean): Promise<Done> {
  const [there] = await tx`
    select kind = ${c.kind} and ${sameBody(tx, body, c.body)} as same, answer from command where team_id = ${teamId} and id = ${c.id}`;
  if (!there?.same) return { ok: false, error: new Refusal({ '': SENT_BEFORE }) };
  return begun ? { ok: false, error: new Twice() } : { ok: true, answer: there.answer };
}
