import { proposeShorter } from '../../core/schedule/propose';
import type { Db, Tx } from '../base/db';
import { refuse } from '../base/refusal';
import type { Write } from '../book/under-way';

export interface ProposalRow {
  id: string;
  taskId: string;
  task: string;
  measure: 'hours' | 'distance' | 'days' | 'outings' | 'races' | 'times';
  from: number;
  to: number;
  reason: string;
  recordId: string | null;
  by: string;
  at: Date;
  decided: 'accepted' | 'dismissed' | null;
  word: string;
}

/** What of a proposal that nobody has decided changes a task. */
export type OpenProposal = Pick<ProposalRow, 'measure' | 'from' | 'to'>;

/** All of a team, by task; of several triggers of one the soonest. */
export async function openProposals(sql: Db, teamId: string): Promise<Map<string, OpenProposal>> {
  const rows = await sql`
    select q.task_id as "taskId", g.measure, q.from_amount as "from", q.to_amount as "to"
    from interval_proposal q join task_trigger g on g.team_id = q.team_id and g.id = q.trigger_id
    where q.team_id = ${teamId} and q.decided is null order by q.created_at desc`;
  return new Map(rows.map((r) => [r.taskId as string, r as unknown as OpenProposal]));
}

/** Proposals for a machine's tasks and those of what is fitted to it: the open ones, then the latest decided. */
export async function listProposals(
  sql: Db,
  teamId: string,
  taskIds: readonly string[]
): Promise<ProposalRow[]> {
  return (await sql`
    select q.id, q.task_id as "taskId", t.name as task, g.measure, q.from_amount as "from", q.to_amount as "to", q.reason, q.record_id as "recordId",
      p.name as by, q.created_at as at, q.decided, q.word
    from interval_proposal q join task t on t.team_id = q.team_id and t.id = q.task_id
    join task_trigger g on g.team_id = q.team_id and g.id = q.trigger_id
    join person p on p.team_id = q.team_id and p.id = q.created_by
    where q.team_id = ${teamId} and q.task_id = any(${taskIds as string[]})
    order by q.decided is not null, q.created_at desc limit 30`) as unknown as ProposalRow[];
}

/** What was seen at a task proposes a shorter interval for it, once at a time. */
export async function proposeFrom(
  tx: Db,
  teamId: string,
  personId: string,
  taskId: string,
  recordId: string | null,
  reason: string
): Promise<void> {
  const [trigger] = await tx`
    select id, measure, coalesce(shortened_to, interval_amount) as amount from task_trigger
    where team_id = ${teamId} and task_id = ${taskId} and measure <> 'times'
    order by array_position(array['hours', 'distance', 'outings', 'races', 'days'], measure) limit 1`;
  const to = trigger ? proposeShorter(trigger.amount, trigger.measure) : null;
  if (!trigger || to === null) return;
  await tx`
    insert into interval_proposal (team_id, id, task_id, trigger_id, from_amount, to_amount, reason, record_id, created_by)
    values (${teamId}, ${crypto.randomUUID()}, ${taskId}, ${trigger.id}, ${trigger.amount}, ${to}, ${reason}, ${recordId}, ${personId})
    on conflict do nothing`;
}

/** A shorter interval proposed by hand, with what was seen. */
export async function makeProposal(
  { tx, team, personId }: Write,
  p: { taskId: string; reason: string }
): Promise<void> {
  const [task] =
    await tx`select 1 from task where team_id = ${team.id} and id = ${p.taskId} and retired_at is null`;
  if (!task) refuse('', 'That task is not in this team.');
  await proposeFrom(tx, team.id, personId, p.taskId, null, p.reason);
}

/** The task of a proposal or of an interval. @throws Refusal where the team has none such */
export async function taskOf(
  tx: Tx,
  teamId: string,
  table: 'interval_proposal' | 'task_trigger',
  id: string
): Promise<string> {
  const [row] = await tx`select task_id from ${tx(table)} where team_id = ${teamId} and id = ${id}`;
  return row
    ? (row.task_id as string)
    : refuse(
        '',
        table === 'task_trigger' ? 'That interval is not in this team.' : 'That proposal is not in this team.'
      );
}

/** A proposal accepted or dismissed, with a word. Decided once; the second device is told what the first decided. */
export async function decide(
  { tx, team, personId }: Write,
  input: { proposalId: string; decision: 'accepted' | 'dismissed'; word: string }
): Promise<void> {
  const [p] =
    await tx`select * from interval_proposal where team_id = ${team.id} and id = ${input.proposalId}`;
  if (p!.decided === input.decision) return;
  if (p!.decided) refuse('', `It was ${p!.decided} already${p!.word ? `: ${p!.word}` : ''}.`);
  await tx`
    update interval_proposal set decided = ${input.decision}, word = ${input.word}, decided_at = now(), decided_by = ${personId}
    where team_id = ${team.id} and id = ${input.proposalId}`;
  if (input.decision === 'dismissed') return;
  await tx`
    update task_trigger set shortened_to = least(coalesce(shortened_to, interval_amount), ${p!.to_amount as number})
    where team_id = ${team.id} and id = ${p!.trigger_id} and ${p!.to_amount as number} < interval_amount`;
}

/** The book's interval again, in place of a shortened one: with who and why in the task's history. */
export async function backToBook(
  { tx, team, personId }: Write,
  input: { triggerId: string; word: string }
): Promise<void> {
  const [t] =
    await tx`select task_id, shortened_to from task_trigger where team_id = ${team.id} and id = ${input.triggerId}`;
  if (t!.shortened_to === null) return;
  await tx`
    insert into task_change (team_id, id, task_id, was, word, changed_by)
    values (${team.id}, ${crypto.randomUUID()}, ${t!.task_id}, ${tx.json({ shortened_to: t!.shortened_to })}, ${input.word}, ${personId})`;
  await tx`update task_trigger set shortened_to = null where team_id = ${team.id} and id = ${input.triggerId}`;
}
