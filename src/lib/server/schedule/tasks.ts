import type { DoneInput, TaskChangeInput, TaskInput, TriggerInput } from '../../core/schedule/form';
import { findCircle } from '../../core/schedule/count';
import { taskDue } from '../../core/schedule/due';
import { leftInWords } from '../../core/schedule/words';
import type { Team } from '../../core/team/team';
import { dayOf } from '../../core/time/day';
import { machineNow } from '../../core/trail/lane';
import type { Scope } from '../book/hold';
import type { Db } from '../base/db';
import { momentOn } from '../../core/time/moment';
import { refuseDay } from '../base/moment';
import { proposeFrom } from './proposals';
import { readTemplates } from '../job/templates';
import { refuse } from '../base/refusal';
import { readRules } from '../rules/rules';
import { readCalendar, readStandings } from '../trail/lanes';
import type { Write } from '../book/under-way';

/** Where a task stands: its machine, or its component and the machine that is on now. */
export interface Owner {
  machineId: string | null;
  componentId: string | null;
  /** The machine it is on now; null on the shelf. */
  onMachine: string | null;
}

/** The machine a component is on now, by itself or in an engine; null on the shelf. */
export async function machineOf(sql: Db, teamId: string, componentId: string): Promise<string | null> {
  const [row] =
    await sql`select machine_id as id from placement where team_id = ${teamId} and component_id = ${componentId}`;
  return (row?.id as string | undefined) ?? null;
}

/** What a new task is written to: its machine, or its component. */
export function ownerScope(t: { machineId: string | null; componentId: string | null }): Scope {
  return t.machineId ? { machines: [t.machineId] } : { components: [t.componentId!] };
}

async function ownerOf(sql: Db, teamId: string, taskId: string): Promise<Owner | null> {
  const [t] =
    await sql`select machine_id, component_id from task where team_id = ${teamId} and id = ${taskId} and retired_at is null`;
  if (!t) return null;
  return {
    machineId: t.machine_id,
    componentId: t.component_id,
    onMachine: t.machine_id ?? (await machineOf(sql, teamId, t.component_id))
  };
}

/** Adds a task with its triggers, and from where it counts. */
export async function addTask(w: Write, input: TaskInput): Promise<void> {
  await insertTask(w.tx, w.team, w.personId, input, w.now);
}

async function refuseSameName(
  tx: Db,
  teamId: string,
  id: string,
  owner: Pick<Owner, 'machineId' | 'componentId'>,
  name: string
) {
  const [other] = await tx`
    select id from task where team_id = ${teamId} and lower(name) = lower(${name}) and retired_at is null and id <> ${id}
      and machine_id is not distinct from ${owner.machineId} and component_id is not distinct from ${owner.componentId}`;
  if (other) refuse('name', `This ${owner.machineId ? 'machine' : 'component'} has a task of that name.`);
}

/** Tasks may count one another, but not in a circle. */
async function refuseCircle(
  tx: Db,
  teamId: string,
  taskId: string,
  triggers: readonly TriggerInput[]
): Promise<void> {
  const mine = triggers.flatMap((t) => (t.ofTaskId ? [t.ofTaskId] : []));
  if (mine.length === 0) return;
  if (mine.includes(taskId)) refuse('triggers', 'A task cannot count itself.');
  const known = await tx`select id, name from task where team_id = ${teamId} and retired_at is null`;
  const names = new Map(known.map((t) => [t.id as string, t.name as string]));
  if (mine.some((id) => !names.has(id))) refuse('triggers', 'The task that is counted is not in this team.');
  const rows =
    await tx`select task_id, of_task_id from task_trigger where team_id = ${teamId} and of_task_id is not null and task_id <> ${taskId}`;
  const of = new Map<string, string[]>([[taskId, mine]]);
  for (const r of rows) of.set(r.task_id, [...(of.get(r.task_id) ?? []), r.of_task_id]);
  const circle = findCircle(of);
  if (circle)
    refuse(
      'triggers',
      `These tasks would count one another in a circle and never fall due: ${[...circle, circle[0]!].map((id) => names.get(id) ?? 'this one').join(' → ')}.`
    );
}

async function insertTriggers(
  tx: Db,
  teamId: string,
  taskId: string,
  triggers: readonly TriggerInput[]
): Promise<void> {
  for (const t of triggers)
    await tx`
      insert into task_trigger (team_id, id, task_id, measure, of_task_id, interval_amount, limit_amount, first_interval, first_limit)
      values (${teamId}, ${t.id}, ${taskId}, ${t.measure}, ${t.ofTaskId}, ${t.interval}, ${t.limit}, ${t.firstInterval}, ${t.firstLimit})
      on conflict (team_id, id) do update set measure = excluded.measure, of_task_id = excluded.of_task_id, interval_amount = excluded.interval_amount,
        limit_amount = excluded.limit_amount, first_interval = excluded.first_interval, first_limit = excluded.first_limit,
        shortened_to = case when task_trigger.shortened_to < excluded.interval_amount then task_trigger.shortened_to end
      where task_trigger.task_id = excluded.task_id`;
}

/** A task is done by one of the team's jobs, or by none. */
async function refuseJob(tx: Db, teamId: string, job: string | null): Promise<void> {
  if (job !== null && !(await readTemplates(tx, teamId)).some((t) => t.key === job))
    refuse('job', 'That job is not among the team’s jobs.');
}

export async function insertTask(
  tx: Db,
  team: Team,
  personId: string,
  t: TaskInput,
  now: Date
): Promise<void> {
  await refuseSameName(tx, team.id, t.id, t, t.name);
  await refuseJob(tx, team.id, t.job);
  await refuseCircle(tx, team.id, t.id, t.triggers);
  await tx`
    insert into task (team_id, id, machine_id, component_id, name, job, note, anchoring, ageing, sensitivity, per_part, restarts_on_rebuild, answers, from_new, created_by)
    values (${team.id}, ${t.id}, ${t.machineId}, ${t.componentId}, ${t.name}, ${t.job}, ${t.note}, ${t.anchoring}, ${t.ageing}, ${tx.json(t.sensitivity as never)},
      ${t.perPart}, ${t.restartsOnRebuild}, ${t.answers as string[]}, ${t.lastDone === 'new'}, ${personId})`;
  await insertTriggers(tx, team.id, t.id, t.triggers);
  if (t.lastDone === 'done') {
    refuseDay(t.lastDoneDay, team.timeZone, now, 'lastDoneDay');
    const onMachine = t.machineId ?? (await machineOf(tx, team.id, t.componentId!));
    await refuseHours(tx, team, t, t.lastDoneHours, 'lastDoneHours');
    await tx`
      insert into service_record (team_id, id, machine_id, task_id, done_on, done_at, hours, hours_by, remark, created_by)
      values (${team.id}, ${crypto.randomUUID()}, ${onMachine}, ${t.id}, ${t.lastDoneDay}, ${momentOn(t.lastDoneDay, team.timeZone, now)}, ${t.lastDoneHours}, 'stated',
        'Done before this book began.', ${personId})`;
  }
}

/** Hours somebody states cannot lie past where the machine or component stands. */
async function refuseHours(
  tx: Db,
  team: Team,
  owner: Pick<Owner, 'machineId' | 'componentId'>,
  hours: number | null,
  field: string
): Promise<void> {
  if (hours === null) return;
  const [row] = owner.componentId
    ? await tx`select total from component where team_id = ${team.id} and id = ${owner.componentId}`
    : await tx`select total from machine_standing where team_id = ${team.id} and machine_id = ${owner.machineId}`;
  const total = (row?.total as number | null | undefined) ?? null;
  if (total !== null && hours > total)
    refuse(
      field,
      `The ${owner.componentId ? 'component' : 'machine'} has not run that far yet. Log its hours first.`
    );
}

/** Changes a task. What it was is kept, with who changed it and why. */
export async function changeTask({ tx, team, personId }: Write, t: TaskChangeInput): Promise<void> {
  const owner = await ownerOf(tx, team.id, t.taskId);
  if (!owner) refuse('', 'That task is not in this team.');
  await refuseSameName(tx, team.id, t.taskId, owner!, t.name);
  await refuseJob(tx, team.id, t.job);
  await refuseCircle(tx, team.id, t.taskId, t.triggers);
  await keepAsWas(tx, team.id, personId, t);
  await tx`
      update task set name = ${t.name}, job = ${t.job}, note = ${t.note}, anchoring = ${t.anchoring}, ageing = ${t.ageing},
        sensitivity = ${tx.json(t.sensitivity as never)}, per_part = ${t.perPart}, restarts_on_rebuild = ${t.restartsOnRebuild}, answers = ${t.answers as string[]}
      where team_id = ${team.id} and id = ${t.taskId}`;
  // A trigger that counts something else now is another one: what was shortened or proposed for it does not carry over, and
  // two that change places never stand in each other's way.
  const had =
    await tx`select id, measure, of_task_id from task_trigger where team_id = ${team.id} and task_id = ${t.taskId}`;
  const gone = had.filter(
    (h) => !t.triggers.some((g) => g.id === h.id && g.measure === h.measure && g.ofTaskId === h.of_task_id)
  );
  await tx`delete from task_trigger where team_id = ${team.id} and id = any(${gone.map((g) => g.id as string)})`;
  await insertTriggers(tx, team.id, t.taskId, t.triggers);
}

/** Writes down how a task was, before it is changed. */
const keepAsWas = (
  tx: Db,
  teamId: string,
  personId: string,
  c: { id: string; taskId: string; word: string }
) => tx`
  insert into task_change (team_id, id, task_id, was, word, changed_by)
  select ${teamId}, ${c.id}, t.id, to_jsonb(t) || jsonb_build_object('triggers',
    (select coalesce(jsonb_agg(to_jsonb(g)), '[]') from task_trigger g where g.team_id = t.team_id and g.task_id = t.id)), ${c.word}, ${personId}
  from task t where t.team_id = ${teamId} and t.id = ${c.taskId}`;

/** A job that was picked for one visit is the task's own from now on. The job has been looked up. */
export async function keepJob(
  tx: Db,
  teamId: string,
  personId: string,
  taskId: string,
  job: string
): Promise<void> {
  await keepAsWas(tx, teamId, personId, { id: crypto.randomUUID(), taskId, word: 'picked at the bench' });
  await tx`update task set job = ${job} where team_id = ${teamId} and id = ${taskId}`;
}

/** Stops watching a task: it and its records stay readable. Refused while another task counts it. */
export async function retireTask(
  { tx, team, personId }: Write,
  { taskId, word }: { taskId: string; word: string }
): Promise<void> {
  if (!(await ownerOf(tx, team.id, taskId)))
    refuse('', 'That task is not in this team, or is not watched any more.');
  const counting = await tx`
    select t.name from task_trigger g join task t on t.team_id = g.team_id and t.id = g.task_id
    where g.team_id = ${team.id} and g.of_task_id = ${taskId} and t.retired_at is null`;
  if (counting.length > 0)
    refuse('word', `${counting.map((c) => c.name).join(', ')} counts it. Change that one first.`);
  await keepAsWas(tx, team.id, personId, { id: crypto.randomUUID(), taskId, word });
  await tx`update task set retired_at = now() where team_id = ${team.id} and id = ${taskId}`;
}

/**
 * Writes a task down as done; its count starts again from there. Done while nothing presses, it wants a reason; seen worse
 * than it should be, it proposes a shorter interval.
 * @returns the machine it was done on, null on the shelf
 */
export async function recordDone({ tx, team, personId, now }: Write, d: DoneInput): Promise<string | null> {
  const owner = await ownerOf(tx, team.id, d.taskId);
  if (!owner) refuse('', 'That task is not in this team.');
  refuseDay(d.day, team.timeZone, now);
  if (d.hours !== 'book') await refuseHours(tx, team, owner!, d.hours, 'hours');
  const early = d.day === dayOf(now, team.timeZone) ? await earlyBy(tx, team, owner!, d.taskId, now) : '';
  if (early && !d.reason && !d.worse)
    refuse('reason', `It has ${early}. Why now? A word is enough, such as “before the race”.`);
  const rules = await readRules(tx, team.id, owner!.onMachine);
  await tx`
    insert into service_record (team_id, id, machine_id, task_id, done_on, done_at, hours, hours_by, reason, remark, replaced, early, rules, created_by)
    values (${team.id}, ${d.id}, ${owner!.onMachine}, ${d.taskId}, ${d.day}, ${momentOn(d.day, team.timeZone, now)}, ${d.hours === 'book' ? null : d.hours},
      ${d.hours === 'book' ? 'book' : 'stated'}, ${d.reason}, ${d.remark}, ${d.replaced}, ${early}, ${tx.json(rules as never)}, ${personId})`;
  if (d.worse) await proposeFrom(tx, team.id, personId, d.taskId, d.id, d.worse);
  return owner!.onMachine;
}

/** What is left of a task that does not press yet, in words; empty where it presses, or where nobody knows. */
export async function earlyBy(tx: Db, team: Team, owner: Owner, taskId: string, now: Date): Promise<string> {
  if (!owner.onMachine) return '';
  const today = dayOf(now, team.timeZone);
  const [standing] = await readStandings(tx, team, [owner.onMachine]);
  const task = standing?.tasks.find((t) => t.id === taskId);
  if (!task?.counted) return '';
  const planned = (await readCalendar(tx, team.id, today)).of(owner.onMachine);
  const due = taskDue(task, machineNow(standing!, planned, today));
  return due.state === 'clear' ? `${leftInWords(due).replace(/^in /, '')} left` : '';
}
