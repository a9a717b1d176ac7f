import type { HouseRules } from '../../core/rules/rules';
import { dayOf } from '../../core/time/day';
import type { StartInput } from '../../core/visit/form';
import { layOut, type JobInput } from '../../core/job/layout/layout';
import { writeItem, writePlan, writeStep } from '../../core/job/stored';
import { inOrder } from '../../core/job/order/overrule';
import { orderPlan } from '../../core/job/order/order';
import { LoopError } from '../../core/ordering/order';
import type { VisitPlan } from '../../core/job/plan';
import { layoutInput } from './history';
import type { Db } from '../base/db';
import { takeToBench } from './of-findings';
import { refuse } from '../base/refusal';
import { keepJob, machineOf } from '../schedule/tasks';
import { readTemplates, templateFor } from '../job/templates';
import type { Write } from '../book/under-way';

/**
 * Starts a visit: the steps of its jobs are laid out now, from this machine's sheet, the house rules and the templates, put in
 * order and kept; a later change of any of them does not reach back. Where one with these jobs stands open at this machine, it is
 * taken up instead, and what a device writes in the one it has begun apart goes into that.
 * @returns the visit's id
 * @throws Refusal where one with other jobs stands open there: a machine has one at a time
 */
export async function startVisit(w: Write, input: StartInput): Promise<string> {
  const { tx, team, personId, now } = w;
  const standing = await takeUp(w, input);
  if (standing) return standing;

  const templates = await readTemplates(tx, team.id);
  const jobs: JobInput[] = [];
  for (const j of input.jobs) {
    const [task] =
      await tx`select id, name, job, machine_id, component_id from task where team_id = ${team.id} and id = ${j.taskId} and retired_at is null`;
    if (!task) refuse('', 'That task is not in this team.');
    const on = (task!.machine_id as string | null) ?? (await machineOf(tx, team.id, task!.component_id));
    if (on === null) refuse('', `${task!.name}: its component is on the shelf. Write it down as done there.`);
    if (on !== input.machineId) refuse('', `${task!.name} belongs to another machine.`);
    if (j.template !== null && !templates.some((t) => t.key === j.template))
      refuse('', 'That job is not among the team’s jobs any more.');
    if (j.keep && j.template !== null && j.template !== task!.job)
      await keepJob(tx, team.id, personId, task!.id as string, j.template);
    jobs.push({
      taskId: task!.id as string,
      template: templateFor({ id: task!.id, name: task!.name, job: task!.job }, j.template, templates)
    });
  }
  jobs.push(...(await takeToBench(w, input.machineId, input.findings)));
  const [m] = await tx`select id, kind from machine where team_id = ${team.id} and id = ${input.machineId}`;
  const laid = await layoutInput(tx, team, { id: m!.id, kind: m!.kind }, jobs, dayOf(now, team.timeZone));
  let plan: VisitPlan;
  try {
    plan = orderPlan(layOut(laid), input.engine).plan;
  } catch (e) {
    if (e instanceof LoopError) refuse('', `These jobs cannot be put in order: ${e.message}.`);
    throw e;
  }
  if (input.order) plan = { ...plan, steps: inOrder(plan.steps, input.order) };
  await insertVisit(
    tx,
    team.id,
    { id: input.id, machineId: input.machineId, personId, startedAt: now },
    plan,
    laid.rules
  );
  return input.id;
}

/** Takes up the visit that stands open at a machine. @returns its id; null: there is none */
async function takeUp({ tx, team }: Write, input: StartInput): Promise<string | null> {
  const [open] = await tx`
    select v.id, p.name as by, array_agg(t.task_id) as tasks, string_agg(k.name, ', ' order by t.position) as names
    from visit v join person p on p.team_id = v.team_id and p.id = v.started_by
    left join visit_task t on t.team_id = v.team_id and t.visit_id = v.id left join task k on k.team_id = t.team_id and k.id = t.task_id
    where v.team_id = ${team.id} and v.machine_id = ${input.machineId} and v.closed_at is null and v.given_up_at is null
    group by v.id, p.name`;
  if (!open) return null;
  const { id, by, tasks, names } = open as unknown as {
    id: string;
    by: string;
    names: string | null;
    tasks: (string | null)[];
  };
  // A finding is put right under a task of its own id.
  if (![...input.jobs.map((j) => j.taskId), ...input.findings].every((job) => tasks.includes(job)))
    refuse(
      '',
      `Another visit stands open at this machine (${[names, `begun by ${by}`].filter(Boolean).join(', ')}). Close it first.`
    );
  if (id !== input.id)
    await tx`insert into visit_begun_apart (team_id, id, visit_id) values (${team.id}, ${input.id}, ${id}) on conflict do nothing`;
  return id;
}

/** Writes a visit with its jobs, its steps and everything it will open. */
export async function insertVisit(
  tx: Db,
  teamId: string,
  v: { id: string; machineId: string; personId: string; startedAt: Date },
  plan: VisitPlan,
  rules: HouseRules
): Promise<void> {
  await tx`
    insert into visit (team_id, id, machine_id, plan, rules, started_at, started_by)
    values (${teamId}, ${v.id}, ${v.machineId}, ${tx.json(writePlan(plan) as never)}, ${tx.json(rules as never)}, ${v.startedAt}, ${v.personId})`;
  for (const [position, j] of plan.jobs.entries())
    if (j.taskId)
      await tx`insert into visit_task (team_id, visit_id, task_id, job_key, position) values (${teamId}, ${v.id}, ${j.taskId}, ${j.key}, ${position})`;
  await tx`insert into visit_step ${tx(plan.steps.map((s, position) => ({ team_id: teamId, visit_id: v.id, key: s.key, position, content: tx.json(writeStep(s) as never) })))}`;
  if (plan.items.length > 0)
    await tx`insert into opened_item ${tx(plan.items.map((i, position) => ({ team_id: teamId, visit_id: v.id, key: i.key, position, content: tx.json(writeItem(i) as never) })))}`;
}
