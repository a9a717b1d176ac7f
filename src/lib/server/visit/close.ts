import type { Team } from '../../core/team/team';
import { dayOf } from '../../core/time/day';
import { closeProblems, minutesTaken } from '../../core/visit/close';
import { visitState } from '../../core/visit/state';
import { drawUpRecord, type JobRecord } from '../../core/record/record';
import { writeRecord } from '../../core/record/stored';
import { leavesOf } from '../../core/record/leaves';
import type { Db } from '../base/db';
import { keepLeaves } from '../finding/findings';
import { settleVisit } from '../round/filters';
import { closePutRight } from './of-findings';
import { afterVisit } from '../../core/round/after';
import { DEFAULT_RULES } from '../../core/rules/rules';
import { proposeFrom } from '../schedule/proposals';
import { closeAfter, raiseAfter } from '../finding/reminders';
import { refuse, Refusal } from '../base/refusal';
import { closeChainWithVisit } from '../chain/at-bench';
import { closeWithVisit } from '../valve/at-bench';
import { lockVisit, type Visit } from './visits';
import type { Write } from '../book/under-way';

/**
 * Closes a visit: refused with the list while anything is open or wanting. Writes a record for each job, restarts the counts,
 * moves the stakes; what was deferred or found becomes a finding, what came out with the oil proposes a shorter
 * interval, and the oil leaves the stores. Closing twice is closing once.
 * @returns the first record's id
 */
export async function closeVisit(sent: Write, { visitId }: { visitId: string }): Promise<string> {
  const { tx, team, personId } = sent;
  const visit = await lockVisit(tx, team.id, visitId);
  if (visit.recordIds[0]) return visit.recordIds[0];
  // Closed on a device without a signal, while others wrote on: it is over once the last of it is written, and so is what it leaves.
  const began = visit.startedAt.getTime();
  const now = new Date(Math.max(sent.now.getTime(), began, ...visit.entries.map((e) => Date.parse(e.at))));
  const w = { ...sent, now };
  if (visit.givenUpAt) refuse('', 'This visit was given up.');
  const state = visitState(visit.plan, visit.entries);
  const problems = closeProblems(visit.plan, state);
  if (problems.length > 0)
    throw new Refusal({ '': 'Not closed: something still stands open.' }, { problems });
  const written = visit.entries.map((e) => Date.parse(e.at)).filter((at) => at <= now.getTime());
  const valves = await closeWithVisit(w, visit, state);
  const chain = await closeChainWithVisit(w, visit, state);
  const minutes = minutesTaken([began, ...written, now.getTime()]);
  await tx`update visit set closed_at = ${now}, closed_by = ${personId} where team_id = ${team.id} and id = ${visit.id}`;
  const ids: string[] = [];
  const records: JobRecord[] = [];
  for (const job of visit.plan.jobs) {
    if (!job.taskId) continue;
    const record = drawUpRecord(visit.plan, state, visit.rules, minutes, job.key);
    const id = await insertRecord(tx, team, personId, visit, job.taskId, record, now);
    ids.push(id);
    if (valves?.jobs.includes(job.key)) await keepCheck(tx, team.id, 'valve_check', id, valves);
    if (chain?.jobs.includes(job.key)) await keepCheck(tx, team.id, 'chain_check', id, chain);
    records.push(record);
    await followUp(tx, team.id, personId, visit, job.taskId, id, record);
  }
  await takeFromStores(tx, team.id, personId, visit, records);
  const { id, machineId, plan } = visit;
  const leaves = leavesOf(plan, state);
  await keepLeaves(w, { id, machineId, jobs: plan.jobs }, leaves);
  await closePutRight(w, visit, state);
  await settleVisit(w, visit, state);
  // What was tried again here is done; what was off now is asked for once it was ridden.
  for (const { fastenerId, word } of leaves.tight) await closeAfter(w, machineId, { fastenerId }, word);
  await raiseAfter(w, machineId, afterVisit(state, visit.rules.levelAgain ?? DEFAULT_RULES.levelAgain));
  return ids[0]!;
}

/** The record of the job a check of the valves or of the chain was made in. */
async function keepCheck(
  tx: Db,
  teamId: string,
  table: 'valve_check' | 'chain_check',
  recordId: string,
  { checkId, within, remark }: { checkId: string; within: number | null; remark: string }
): Promise<void> {
  await tx`update service_record set next_within = ${within}, remark = ${remark} where team_id = ${teamId} and id = ${recordId}`;
  await tx`update ${tx(table)} set record_id = coalesce(record_id, ${recordId}) where team_id = ${teamId} and id = ${checkId}`;
}

async function insertRecord(
  tx: Db,
  team: Team,
  personId: string,
  visit: Visit,
  taskId: string,
  record: JobRecord,
  now: Date
): Promise<string> {
  const id = crypto.randomUUID();
  // Its hours follow the book: they are filled in when the standing is made anew.
  await tx`
    insert into service_record (team_id, id, machine_id, task_id, visit_id, done_on, done_at, hours_by, content, rules, created_by)
    values (${team.id}, ${id}, ${visit.machineId}, ${taskId}, ${visit.id}, ${dayOf(now, team.timeZone)}, ${now}, 'book', ${tx.json(writeRecord(record) as never)}, ${tx.json(visit.rules as never)}, ${personId})`;
  return id;
}

/** What follows from the record of a job. */
async function followUp(
  tx: Db,
  teamId: string,
  personId: string,
  visit: Visit,
  taskId: string,
  recordId: string,
  record: JobRecord
): Promise<void> {
  const bad = record.debris.filter((d) => d.verdict !== 'carry on');
  if (bad[0])
    await proposeFrom(
      tx,
      teamId,
      personId,
      taskId,
      recordId,
      `${bad[0].place}: ${bad[0].grade}. ${bad[0].overruled ?? bad[0].reasons.join(' ')}`.trim()
    );
}

/** What went into the machine leaves the stores: once a circuit, however many jobs of the visit were about it. */
async function takeFromStores(
  tx: Db,
  teamId: string,
  personId: string,
  visit: Visit,
  records: readonly JobRecord[]
): Promise<void> {
  const byCircuit = new Map(records.flatMap((r) => r.circuits.map((c) => [c.circuit, c] as const)));
  for (const c of byCircuit.values())
    if (c.oil?.id && c.pouredMl)
      await tx`
        insert into oil_movement (team_id, id, oil_id, ml, why, visit_id, by)
        select ${teamId}, ${crypto.randomUUID()}, id, ${-c.pouredMl}, ${`into ${visit.plate}, ${c.circuit}`}, ${visit.id}, ${personId} from oil where team_id = ${teamId} and id = ${c.oil.id}`;
}
