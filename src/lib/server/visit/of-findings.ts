import { doStep, findingTemplate } from '../../core/job/plain';
import type { JobInput } from '../../core/job/layout/layout';
import type { VisitState } from '../../core/visit/state';
import type { Db } from '../base/db';
import { closeFinding } from '../finding/findings';
import { refuse } from '../base/refusal';
import { machineOf } from '../schedule/tasks';
import type { Visit } from './visits';
import type { Write } from '../book/under-way';

/** What is open on a machine, as jobs that put it right. */
export async function findingJobs(
  sql: Db,
  teamId: string,
  findings: readonly { id: string; what: string; place: string; note: string }[]
): Promise<JobInput[]> {
  const known = await sql`
    select id from task where team_id = ${teamId} and finding_id = any(${findings.map((f) => f.id)}::uuid[])`;
  const ids = new Set(known.map((t) => t.id as string));
  return findings.map((f) => ({ template: findingTemplate(f), taskId: ids.has(f.id) ? f.id : null }));
}

/**
 * Findings taken to the bench: each gets a task that nobody watches, so that its record stands with all others.
 * @throws Refusal where one is closed, or is not on that machine
 */
export async function takeToBench(
  { tx, team, personId, now }: Write,
  machineId: string,
  findingIds: readonly string[]
): Promise<JobInput[]> {
  const jobs: JobInput[] = [];
  for (const id of findingIds) {
    const [f] = await tx`
      select id, machine_id, component_id, what, place, note, closed_at from finding
      where team_id = ${team.id} and id = ${id} for no key update`;
    if (!f) refuse('', 'That finding is not in this team.');
    if (f!.closed_at) refuse('', `“${f!.what}” is closed already.`);
    const on = f!.component_id ? await machineOf(tx, team.id, f!.component_id) : f!.machine_id;
    if (on !== machineId) refuse('', `“${f!.what}” is not on this machine.`);
    await tx`
      insert into task (team_id, id, finding_id, machine_id, component_id, name, created_by, retired_at)
      values (${team.id}, ${id}, ${id}, ${f!.component_id ? null : machineId}, ${f!.component_id}, ${(f!.what as string).slice(0, 60).trim()}, ${personId}, ${now})
      on conflict do nothing`;
    const { what, place, note } = f as unknown as { what: string; place: string; note: string };
    jobs.push({ template: findingTemplate({ id, what, place, note }), taskId: id });
  }
  return jobs;
}

/** What a closed visit has put right is over, with what was written at its step; what was left out in it stays open. */
export async function closePutRight(
  w: Write,
  visit: Pick<Visit, 'id' | 'plan'>,
  state: VisitState
): Promise<void> {
  const { tx, team } = w;
  const rows = await tx`
    select t.finding_id, v.job_key from visit_task v join task t on t.team_id = v.team_id and t.id = v.task_id
    where v.team_id = ${team.id} and v.visit_id = ${visit.id} and t.finding_id is not null`;
  for (const r of rows) {
    const done = state.steps.find((s) => s.step.key === doStep(r.job_key as string));
    if (!done?.done) continue;
    const remark = done.written
      .map((x) => x.remark)
      .filter(Boolean)
      .at(-1);
    await closeFinding(w, { findingId: r.finding_id as string, word: remark ?? 'Put right at the bench.' });
  }
}
