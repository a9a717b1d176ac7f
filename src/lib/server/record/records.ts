import type { Consumption } from '../../core/fluids/ledger';
import type { HouseRules } from '../../core/rules/rules';
import type { Day } from '../../core/time/day';
import type { JobRecord } from '../../core/record/record';
import { readStep } from '../../core/job/stored';
import { readRecord } from '../../core/record/stored';
import { keptRules } from '../../core/rules/stored';
import type { Row } from 'postgres';
import type { Db } from '../base/db';

export interface RecordRow {
  id: string;
  /** Null where it was done on the shelf. */
  machineId: string | null;
  plate: string | null;
  machine: string | null;
  task: string;
  visitId: string | null;
  doneOn: Day;
  /** Of the component, where it belongs to one. */
  hours: number | null;
  /** Of the machine then, where it belongs to a component; null: not known. */
  machineHours: number | null;
  reason: string;
  remark: string;
  by: string;
  /** What was done at the bench; null where it was only written down as done. */
  content: JobRecord | null;
  /** The component it belongs to; null: the machine's own. */
  part: string | null;
  replaced: boolean;
  perPart: boolean;
  early: string;
  /** House rules in force then; empty for records older than they. */
  rules: Partial<HouseRules>;
}

const from = (sql: Db) => sql`
  from service_record r
  join task t on t.team_id = r.team_id and t.id = r.task_id
  left join machine m on m.team_id = r.team_id and m.id = r.machine_id
  left join component c on c.team_id = t.team_id and c.id = t.component_id
  join person p on p.team_id = r.team_id and p.id = r.created_by`;
const select = (sql: Db) => sql`
  select r.id, r.machine_id as "machineId", m.plate, m.name as machine, t.name as task, r.visit_id as "visitId", r.done_on as "doneOn", r.hours, r.machine_hours as "machineHours",
    r.reason, r.remark, c.name as part, r.replaced, t.per_part as "perPart", r.early, r.rules, p.name as by, r.content ${from(sql)}`;

const rowOf = (r: Row): RecordRow => ({
  ...(r as unknown as RecordRow),
  rules: keptRules.parse(r.rules),
  content: r.content === null ? null : readRecord(r.content)
});

export async function getRecord(sql: Db, teamId: string, id: string): Promise<RecordRow | null> {
  const [row] = await sql`${select(sql)} where r.team_id = ${teamId} and r.id = ${id}`;
  return row ? rowOf(row) : null;
}

/** A record as a list shows it; its remark is all that was said of its own job, at the bench too. */
export type ListedRecord = Pick<
  RecordRow,
  | 'id'
  | 'machineId'
  | 'plate'
  | 'machine'
  | 'task'
  | 'visitId'
  | 'doneOn'
  | 'hours'
  | 'machineHours'
  | 'reason'
  | 'remark'
  | 'by'
  | 'part'
  | 'content'
>;

/**
 * Records, the latest first; of one evening, the one written last. A page at a time: those before a record.
 * @param machineId of one machine; null: of the whole team, with what was done on the shelf
 */
export async function listRecords(
  sql: Db,
  teamId: string,
  machineId: string | null,
  before: string | null = null,
  most = 20
): Promise<ListedRecord[]> {
  const rows = await sql`
    select r.id, r.machine_id as "machineId", m.plate, m.name as machine, t.name as task, r.visit_id as "visitId", r.done_on as "doneOn", r.hours, r.machine_hours as "machineHours",
      r.reason, r.remark, c.name as part, p.name as by, r.content
    ${from(sql)} where r.team_id = ${teamId} ${machineId ? sql`and r.machine_id = ${machineId}` : sql``} ${before ? sql`and (r.done_at, r.created_at, r.id) < (select b.done_at, b.created_at, b.id from service_record b where b.team_id = ${teamId} and b.id = ${before})` : sql``}
    order by r.done_at desc, r.created_at desc, r.id desc limit ${most}`;
  // What was said at a step that jobs share is told once, at the first of them.
  const told = new Set<string>();
  return rows.map((row) => {
    const content = row.content === null ? null : readRecord(row.content);
    const own = (content?.remarks ?? []).filter(({ stepKey, title, remark }) => {
      const key = `${row.visitId} ${stepKey ?? title} ${remark}`;
      return !told.has(key) && told.add(key);
    });
    const remark = [row.remark as string, ...own.map((x) => x.remark)].filter(Boolean).join(' · ');
    return { ...(row as unknown as ListedRecord), content, remark };
  });
}

/** The records of a visit, one for each of its jobs, in their order there; and its steps, as they were worked. */
export async function recordsOfVisit(
  sql: Db,
  teamId: string,
  visitId: string
): Promise<{ records: RecordRow[]; steps: { key: string; title: string }[] }> {
  const [records, steps] = await Promise.all([
    sql`
      ${select(sql)} left join visit_task v on v.team_id = r.team_id and v.visit_id = r.visit_id and v.task_id = r.task_id
      where r.team_id = ${teamId} and r.visit_id = ${visitId} order by v.position, t.name, r.id`,
    sql`select content from visit_step where team_id = ${teamId} and visit_id = ${visitId} order by position`
  ]);
  return {
    records: records.map(rowOf),
    steps: steps.map((s) => {
      const { key, title } = readStep(s.content);
      return { key, title };
    })
  };
}

/** Oil used between the changes before this one, of the same task, the latest first. */
export async function earlierConsumption(sql: Db, teamId: string, recordId: string): Promise<Consumption[]> {
  const rows = await sql`
    select p.content from service_record r
    join service_record p on p.team_id = r.team_id and p.task_id = r.task_id and (p.done_at, p.created_at, p.id) < (r.done_at, r.created_at, r.id)
    where r.team_id = ${teamId} and r.id = ${recordId} and p.content is not null order by p.done_at desc, p.created_at desc, p.id desc limit 6`;
  return rows.flatMap((r) => readRecord(r.content).circuits[0]?.used ?? []);
}
