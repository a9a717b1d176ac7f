import { dayOf } from '../../core/time/day';
import { refuse } from '../base/refusal';
import { earlyBy } from './tasks';
import type { Write } from '../book/under-way';

/** What a check on a sheet of its own says of the task it was made for. */
export interface CheckDone {
  /** Where it was made; null: on the shelf. */
  machineId: string | null;
  /** Whose task it may be besides the machine's. */
  components: readonly string[];
  notMine: string;
  remark: string;
  /** House rules that were in force, as they are kept. */
  rules: unknown;
  /** How soon what was measured wants it again, hundredths of an hour; null: not known. */
  within: number | null;
}

/**
 * Restarts the count of a task by a check that is over, with a stake of its own where what was measured wants it sooner than the
 * book does.
 * @returns the record
 */
export async function recordOfCheck(w: Write, taskId: string, c: CheckDone): Promise<string> {
  const { tx, team, personId, now, at } = w;
  const [task] = await tx`
    select id, machine_id, component_id from task where team_id = ${team.id} and id = ${taskId} and retired_at is null`;
  const mine =
    task &&
    (task.component_id === null || c.components.includes(task.component_id)) &&
    (task.machine_id === null || task.machine_id === c.machineId);
  if (!mine) refuse('taskId', c.notMine);
  const early = await earlyBy(
    tx,
    team,
    { machineId: task!.machine_id, componentId: task!.component_id, onMachine: c.machineId },
    taskId,
    now
  );
  const id = crypto.randomUUID();
  await tx`
    insert into service_record (team_id, id, machine_id, task_id, done_on, done_at, hours_by, remark, early, rules, next_within, created_by)
    values (${team.id}, ${id}, ${c.machineId}, ${taskId}, ${dayOf(at, team.timeZone)}, ${at}, 'book', ${c.remark}, ${early}, ${tx.json(c.rules as never)},
      ${c.within}, ${personId})`;
  return id;
}
