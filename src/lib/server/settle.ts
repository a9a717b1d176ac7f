import type { ReadingInput } from '../core/hours/form';
import { showHours } from '../core/hours/hours';
import type { Team } from '../core/team/team';
import type { Db } from './db';
import { refuse } from './refusal';

/** An hour meter as readings are held against it. */
export interface MeterRow {
  id: string;
  kind: 'hour meter' | 'reckoned';
  fitted_at: Date;
  dead_since: Date | null;
  removed_at: Date | null;
  last_value: number | null;
}

/** Strikes out the reading before this one: it was the wrong one. */
export async function strikeLast(
  tx: Db,
  team: Team,
  personId: string,
  machineId: string,
  meterId: string,
  at: Date,
  reason: string
): Promise<void> {
  await tx`
    insert into reading_strike (team_id, reading_id, reason, struck_by)
    select r.team_id, r.id, ${reason}, ${personId} from reading r
    where r.team_id = ${team.id} and r.machine_id = ${machineId} and r.meter_id = ${meterId} and r.value is not null and r.read_at <= ${at}
      and not exists (select 1 from reading_strike s where s.team_id = r.team_id and s.reading_id = r.id)
    order by r.read_at desc, r.id limit 1
    on conflict do nothing`;
}

/** Closes the old meter and begins the new one, as a questioned reading was settled. */
export async function replaceMeter(
  tx: Db,
  team: Team,
  personId: string,
  input: ReadingInput,
  meter: MeterRow,
  at: Date
): Promise<string> {
  const { oldFinal, newStart, reason } = input.settlement!;
  const [last] =
    await tx`select max(read_at) as at, max(value) as value from reading where team_id = ${team.id} and machine_id = ${input.machineId} and meter_id = ${meter.id}
    and not exists (select 1 from reading_strike s where s.team_id = reading.team_id and s.reading_id = reading.id)`;
  if (oldFinal !== null && last?.value !== null && oldFinal < last!.value)
    refuse(
      'settlement.oldFinal',
      `The old meter already showed ${showHours(last!.value)} h. Leave it empty if it could not be read.`
    );
  const start = newStart ?? 0;
  if (input.typed.as === 'meter' && start > input.typed.value)
    refuse('settlement.newStart', 'The new meter cannot have started above what it shows now.');
  const swap = new Date(
    Math.min(at.getTime(), Math.max(last?.at?.getTime() ?? 0, meter.fitted_at.getTime()) + 1000)
  );
  await tx`update meter set removed_at = ${swap}, last_value = ${oldFinal}, removed_reason = ${reason}, change = 'replaced' where team_id = ${team.id} and id = ${meter.id}`;
  const id = crypto.randomUUID();
  await tx`insert into meter (team_id, id, machine_id, kind, fitted_at, first_value, created_by) values (${team.id}, ${id}, ${input.machineId}, 'hour meter', ${swap}, ${start}, ${personId})`;
  return id;
}
