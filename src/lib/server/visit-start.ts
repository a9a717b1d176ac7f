import type { HouseRules } from '../core/rules/rules';
import { dayOf } from '../core/time/day';
import type { StartInput } from '../core/visit/form';
import { layOut, type JobInput } from '../core/job/layout/layout';
import { writeItem, writePlan, writeStep } from '../core/job/stored';
import { inOrder } from '../core/job/order/overrule';
import { orderPlan } from '../core/job/order/order';
import { LoopError } from '../core/ordering/order';
import type { VisitPlan } from '../core/job/plan';
import { layoutInput } from './bench-history';
import type { Db } from './db';
import { takeToBench } from './finding-tasks';
import { refuse } from './refusal';
import { keepJob, machineOf } from './tasks';
import { readTemplates, templateFor } from './templates';
import type { Write } from './write';

/**
 * Starts a visit: the steps of its jobs are laid out now, from this machine's sheet, the house rules and the templates, put in
 * order and kept; a later change of any of them does not reach back. A visit that stands open at this machine is taken up
 * again instead.
 * @returns the visit's id
 */
export async function startVisit(w: Write, input: StartInput): Promise<string> {
  const { tx, team, personId, now } = w;
  const [open] =
    await tx`select id from visit where team_id = ${team.id} and machine_id = ${input.machineId} and closed_at is null and given_up_at is null`;
  if (open) return open.id as string;

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
