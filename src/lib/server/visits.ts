import { judge, type Grade } from '../core/debris/debris';
import type { HouseRules } from '../core/rules/rules';
import type { Team } from '../core/team/team';
import { dayOf } from '../core/time/day';
import type { Entry, NewEntry } from '../core/visit/entry';
import { ENGINE_OIL, planEngineOil } from '../core/visit/jobs/engine-oil';
import type { OpenedItem, Step, VisitPlan } from '../core/visit/plan';
import { closeProblems, refuseEntry, visitState } from '../core/visit/state';
import { summarise, type Findings } from '../core/visit/summary';
import type { Db, Sql } from './db';
import { proposeFrom } from './proposals';
import { refuse, Refusal } from './refusal';
import { readRules } from './rules';
import { readSheet } from './specs';
import { lockMachine, refreshStanding } from './standing';
import { machineOf } from './tasks';

/**
 * Debris and fill of the earlier changes on the task's own engine or machine, the latest first: an engine that was swapped in
 * is not held against what came out of the one before it.
 */
export async function earlier(
  sql: Db,
  teamId: string,
  taskId: string
): Promise<{ pouredMl: number | null; debris: Record<string, Grade[]> }> {
  const rows = await sql`
    select r.findings from service_record r
    join task t on t.team_id = r.team_id and t.id = r.task_id
    join task mine on mine.team_id = t.team_id and mine.machine_id is not distinct from t.machine_id and mine.component_id is not distinct from t.component_id
    where r.team_id = ${teamId} and mine.id = ${taskId} and r.findings->>'job' = ${ENGINE_OIL.job}
    order by r.done_at desc, r.id desc limit 4`;
  const debris: Record<string, Grade[]> = {};
  for (const { findings } of rows as unknown as { findings: Findings }[]) {
    for (const d of findings.debris) (debris[d.place] ??= []).push(d.grade);
  }
  return { pouredMl: (rows[0]?.findings as Findings | undefined)?.pouredMl ?? null, debris };
}

/**
 * Starts a visit for a task with a job template. The steps are laid out now, from this machine's sheet and the house rules,
 * and kept: a later change of either does not reach back. A visit of that kind which stands open is taken up again instead.
 * @returns the visit's id
 */
export async function startVisit(
  sql: Sql,
  team: Team,
  personId: string,
  input: { id: string; taskId: string },
  now: Date
): Promise<string> {
  return sql.begin(async (tx) => {
    const [task] =
      await tx`select machine_id, component_id, job from task where team_id = ${team.id} and id = ${input.taskId} and retired_at is null`;
    if (!task) refuse('', 'That task is not in this team.');
    if (task!.job !== ENGINE_OIL.job)
      refuse('', 'There are no bench steps for this task; write it down as done.');
    const machineId =
      (task!.machine_id as string | null) ?? (await machineOf(tx, team.id, task!.component_id));
    if (machineId === null) refuse('', 'It is on the shelf. Write it down as done there.');
    await lockMachine(tx, team.id, machineId);
    const [open] =
      await tx`select id from visit where team_id = ${team.id} and machine_id = ${machineId} and job = ${task!.job} and closed_at is null and given_up_at is null`;
    if (open) return open.id as string;
    const [again] = await tx`select id from visit where team_id = ${team.id} and id = ${input.id}`;
    if (again) return again.id as string;

    const before = await earlier(tx, team.id, input.taskId);
    const rules = await readRules(tx, team.id);
    const plan = planEngineOil({
      sheet: await readSheet(tx, team.id, machineId),
      rules,
      pouredLastTimeMl: before.pouredMl,
      debrisBefore: before.debris,
      breakIn: await inBreakIn(tx, team.id, machineId, input.taskId)
    });
    await insertVisit(
      tx,
      team.id,
      { id: input.id, machineId, taskId: input.taskId, personId, startedAt: now },
      plan,
      rules
    );
    return input.id;
  });
}

/**
 * Whether a task's machine or component is in its first hours: not done since new or since a rebuild. A used one without
 * records is not: no record proves nothing, and glitter in it is not to be expected.
 */
export async function inBreakIn(
  sql: Db,
  teamId: string,
  machineId: string,
  taskId: string
): Promise<boolean> {
  const [row] = await sql`
    select t.value->'counted'->>'since' as since from machine_standing s, jsonb_array_elements(s.tasks) t
    where s.team_id = ${teamId} and s.machine_id = ${machineId} and t.value->>'id' = ${taskId}`;
  return row?.since === 'new' || row?.since === 'rebuild';
}

/** Writes a visit with its steps and everything it will open. */
export async function insertVisit(
  tx: Db,
  teamId: string,
  v: { id: string; machineId: string; taskId: string; personId: string; startedAt: Date },
  plan: VisitPlan,
  rules: HouseRules
): Promise<void> {
  await tx`
    insert into visit (team_id, id, machine_id, job, job_version, rules, started_at, started_by)
    values (${teamId}, ${v.id}, ${v.machineId}, ${plan.job}, ${plan.version}, ${tx.json(rules as never)}, ${v.startedAt}, ${v.personId})`;
  await tx`insert into visit_task (team_id, visit_id, task_id) values (${teamId}, ${v.id}, ${v.taskId})`;
  await tx`insert into visit_step ${tx(plan.steps.map((content, position) => ({ team_id: teamId, visit_id: v.id, key: content.key, position, content: tx.json(content as never) })))}`;
  await tx`insert into opened_item ${tx(plan.items.map((content, position) => ({ team_id: teamId, visit_id: v.id, key: content.key, position, content: tx.json(content as never) })))}`;
}

export interface Visit {
  id: string;
  machineId: string;
  plate: string;
  machine: string;
  total: number | null;
  startedAt: Date;
  closedAt: Date | null;
  givenUpAt: Date | null;
  taskIds: string[];
  recordId: string | null;
  rules: HouseRules;
  plan: VisitPlan;
  entries: Entry[];
}

export async function getVisit(sql: Db, teamId: string, id: string): Promise<Visit | null> {
  const [v] = await sql`
    select v.*, m.plate, m.name as machine, s.total,
      array(select task_id from visit_task t where t.team_id = v.team_id and t.visit_id = v.id) as task_ids,
      (select id from service_record r where r.team_id = v.team_id and r.visit_id = v.id limit 1) as record_id
    from visit v join machine m on m.team_id = v.team_id and m.id = v.machine_id
    left join machine_standing s on s.team_id = v.team_id and s.machine_id = v.machine_id
    where v.team_id = ${teamId} and v.id = ${id}`;
  if (!v) return null;
  const steps =
    await sql`select content from visit_step where team_id = ${teamId} and visit_id = ${id} order by position`;
  const items =
    await sql`select content from opened_item where team_id = ${teamId} and visit_id = ${id} order by position`;
  return {
    id: v.id,
    machineId: v.machine_id,
    plate: v.plate,
    machine: v.machine,
    total: v.total,
    startedAt: v.started_at,
    closedAt: v.closed_at,
    givenUpAt: v.given_up_at,
    taskIds: v.task_ids,
    recordId: v.record_id,
    rules: v.rules,
    plan: {
      job: v.job,
      version: v.job_version,
      title: ENGINE_OIL.title,
      steps: steps.map((s) => s.content as Step),
      items: items.map((i) => i.content as OpenedItem)
    },
    entries: await readEntries(sql, teamId, id)
  };
}

async function readEntries(sql: Db, teamId: string, visitId: string): Promise<Entry[]> {
  const rows = await sql`
    select e.id, e.seq, e.step_key, e.item_key, e.action, e.content, e.at, p.name as by from visit_entry e
    join person p on p.team_id = e.team_id and p.id = e.by
    where e.team_id = ${teamId} and e.visit_id = ${visitId} order by e.seq`;
  return rows.map(
    (r) =>
      ({
        id: r.id,
        seq: Number(r.seq),
        stepKey: r.step_key,
        itemKey: r.item_key,
        action: r.action,
        content: r.content,
        at: r.at.toISOString(),
        by: r.by
      }) as Entry
  );
}

async function lockVisit(tx: Db, teamId: string, id: string): Promise<Visit> {
  await tx`select 1 from visit where team_id = ${teamId} and id = ${id} for update`;
  const visit = await getVisit(tx, teamId, id);
  if (!visit) refuse('', 'That visit is not in this team.');
  return visit!;
}

/**
 * Adds one entry to a visit. Sent twice it is one; two devices write one after the other. Answers with everything in the
 * book, so that each device sees what the other did.
 */
export async function addEntry(
  sql: Sql,
  teamId: string,
  personId: string,
  visitId: string,
  entry: NewEntry
): Promise<Entry[]> {
  return sql.begin(async (tx) => {
    const visit = await lockVisit(tx, teamId, visitId);
    if (!visit.entries.some((e) => e.id === entry.id)) {
      if (visit.closedAt || visit.givenUpAt)
        refuse('', 'This visit is closed; nothing more can be written in it.');
      const problem = refuseEntry(visitState(visit.plan, visit.entries), entry);
      if (problem) refuse('', problem);
      await insertEntry(tx, teamId, personId, visitId, entry);
    }
    return readEntries(tx, teamId, visitId);
  });
}

export async function insertEntry(
  tx: Db,
  teamId: string,
  personId: string,
  visitId: string,
  e: NewEntry,
  at: Date | null = null
): Promise<void> {
  await tx`
    insert into visit_entry (team_id, id, visit_id, step_key, item_key, action, content, by, at)
    values (${teamId}, ${e.id}, ${visitId}, ${e.stepKey}, ${e.itemKey}, ${e.action}, ${tx.json(e.content as never)}, ${personId}, ${at ?? tx`now()`})`;
}

/**
 * Closes a visit: refused with the list while anything is open or wanting. Writes the record, restarts the count, moves the
 * stake. Closing twice is closing once.
 * @returns the record's id
 */
export async function closeVisit(
  sql: Sql,
  team: Team,
  personId: string,
  visitId: string,
  now: Date
): Promise<string> {
  return sql.begin(async (tx) => {
    const visit = await lockVisit(tx, team.id, visitId);
    if (visit.recordId) return visit.recordId;
    if (visit.givenUpAt) refuse('', 'This visit was given up.');
    await lockMachine(tx, team.id, visit.machineId);
    const state = visitState(visit.plan, visit.entries);
    const problems = closeProblems(state);
    if (problems.length > 0)
      throw new Refusal({ '': 'Not closed: something still stands open.' }, { problems });
    const minutes = Math.max(1, Math.round((now.getTime() - visit.startedAt.getTime()) / 60_000));
    const findings = summarise(visit.plan, state, visit.rules, minutes);
    const seen = await evidence(tx, team.id, visit, findings);
    const recordIds = await insertRecords(tx, team, personId, visit, findings, now);
    await tx`update visit set closed_at = ${now}, closed_by = ${personId} where team_id = ${team.id} and id = ${visitId}`;
    if (seen)
      for (const [i, taskId] of visit.taskIds.entries())
        await proposeFrom(tx, team.id, personId, taskId, recordIds[i]!, seen);
    await refreshStanding(tx, team.id, visit.machineId);
    return recordIds[0]!;
  });
}

/** What came out with the oil, where it says that the next change should come sooner; null where it does not. */
async function evidence(tx: Db, teamId: string, visit: Visit, findings: Findings): Promise<string | null> {
  const before = await earlier(tx, teamId, visit.taskIds[0] ?? '');
  const breakIn = await inBreakIn(tx, teamId, visit.machineId, visit.taskIds[0] ?? '');
  for (const d of findings.debris) {
    const { verdict, reason } = judge(d, before.debris[d.place] ?? [], breakIn);
    if (verdict !== 'carry on') return `${d.place}: ${d.grade}. ${reason}`;
  }
  return null;
}

async function insertRecords(
  tx: Db,
  team: Team,
  personId: string,
  visit: Visit,
  findings: Findings,
  now: Date
): Promise<string[]> {
  const ids: string[] = [];
  for (const taskId of visit.taskIds) {
    const id = crypto.randomUUID();
    // Its hours follow the book: they are filled in when the standing is made anew.
    await tx`
      insert into service_record (team_id, id, machine_id, task_id, visit_id, done_on, done_at, hours_by, findings, rules, created_by)
      values (${team.id}, ${id}, ${visit.machineId}, ${taskId}, ${visit.id}, ${dayOf(now, team.timeZone)}, ${now}, 'book', ${tx.json(findings as never)}, ${tx.json(visit.rules as never)}, ${personId})`;
    ids.push(id);
  }
  return ids;
}

/** Gives a visit up without the work done: only while nothing stands open. */
export async function giveUpVisit(sql: Sql, teamId: string, visitId: string, reason: string): Promise<void> {
  await sql.begin(async (tx) => {
    const visit = await lockVisit(tx, teamId, visitId);
    if (visit.closedAt) refuse('', 'This visit is closed already.');
    const open = visitState(visit.plan, visit.entries).open;
    if (open.length > 0)
      throw new Refusal(
        { '': 'It cannot be given up while something stands open.' },
        { problems: open.map((i) => ({ key: i.item.key, message: `${i.item.name} is not shut.` })) }
      );
    await tx`update visit set given_up_at = now(), given_up_reason = ${reason} where team_id = ${teamId} and id = ${visitId} and given_up_at is null`;
  });
}

/** Visits that stand open, the oldest first, with what is open in each. */
export async function listOpenVisits(
  sql: Db,
  teamId: string
): Promise<
  {
    id: string;
    plate: string;
    machine: string;
    startedAt: Date;
    open: string[];
    done: number;
    steps: number;
  }[]
> {
  const rows =
    await sql`select id from visit where team_id = ${teamId} and closed_at is null and given_up_at is null order by started_at limit 50`;
  const visits = await Promise.all(rows.map((r) => getVisit(sql, teamId, r.id)));
  return visits.flatMap((v) => {
    if (!v) return [];
    const state = visitState(v.plan, v.entries);
    return [
      {
        id: v.id,
        plate: v.plate,
        machine: v.machine,
        startedAt: v.startedAt,
        open: state.open.map((i) => i.item.name),
        done: state.steps.filter((s) => s.done || s.leftOut !== null).length,
        steps: state.steps.length
      }
    ];
  });
}
