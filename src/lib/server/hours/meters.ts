import type { OdometerInput, StrikeInput } from '../../core/hours/form';
import type { ReadingRow } from '../../core/hours/reading';
import type { RunningStep } from '../../core/hours/running';
import { meterOn } from '../../core/hours/entry';
import { momentOn } from '../../core/time/moment';
import type { Db } from '../base/db';
import { refuseDay } from '../base/moment';
import { refuse } from '../base/refusal';
import type { Write } from '../book/under-way';

/** A machine's latest readings with who wrote them, struck-out ones among them, a page at a time by key. */
export async function listReadings(
  sql: Db,
  teamId: string,
  machineId: string,
  before: Date | null = null,
  most = 12
): Promise<ReadingRow[]> {
  return (await sql`
    select r.id, r.read_at as at, r.value, r.ridden, r.remark, p.name as by, r.instrument, r.settled, r.settled_reason as "settledReason", s.reason as struck,
      (select count(*)::int from meter m2 where m2.team_id = r.team_id and m2.machine_id = r.machine_id and m2.counts = m.counts and m2.fitted_at <= m.fitted_at) as meter,
      m.counts, r.estimated_from as "estimatedFrom", r.before_outing as "beforeOuting",
      case when m.counts = 'hours' then (
        select c.hours from count_step c where c.team_id = r.team_id and c.machine_id = r.machine_id and c.at <= r.read_at and c.hours is not null order by c.at desc, c.ord desc limit 1) end as total
    from reading r
    join person p on p.team_id = r.team_id and p.id = r.created_by
    join meter m on m.team_id = r.team_id and m.id = r.meter_id
    left join reading_strike s on s.team_id = r.team_id and s.reading_id = r.id
    where r.team_id = ${teamId} and r.machine_id = ${machineId} ${before ? sql`and r.read_at < ${before}` : sql``}
    order by r.read_at desc, r.id desc limit ${most}`) as unknown as ReadingRow[];
}

export interface MeterRow {
  id: string;
  kind: 'hour meter' | 'reckoned' | 'odometer';
  counts: 'hours' | 'distance';
  fittedAt: Date;
  firstValue: number;
  removedAt: Date | null;
  lastValue: number | null;
  removedReason: string;
  change: string;
  /** When it could not be read; `until` null: it still cannot. */
  dead: { since: string; until: string | null; counted: boolean }[];
}

/** Every meter a machine has had, the first first. */
export async function listMeters(sql: Db, teamId: string, machineId: string): Promise<MeterRow[]> {
  return (await sql`
    select id, kind, counts, fitted_at as "fittedAt", first_value as "firstValue", removed_at as "removedAt", last_value as "lastValue",
      removed_reason as "removedReason", change,
      coalesce((select jsonb_agg(jsonb_build_object('since', d.since, 'until', d.until, 'counted', d.counted) order by d.since) from meter_dead d
        where d.team_id = meter.team_id and d.meter_id = meter.id), '[]') as dead
    from meter where team_id = ${teamId} and machine_id = ${machineId} order by counts, fitted_at`) as unknown as MeterRow[];
}

/** A machine's running total as it went, for the chart: at most the last 2,000 steps, and readings that were struck out. */
export async function runningHistory(
  sql: Db,
  teamId: string,
  machineId: string
): Promise<{ steps: RunningStep[]; struck: { at: number; value: number; reason: string }[] }> {
  const steps = await sql`
    select at, hours, estimated, reading_id from count_step
    where team_id = ${teamId} and machine_id = ${machineId} and kind in ('reading', 'meter closed') order by at desc, ord desc limit 2000`;
  const struck = await sql`
    select r.read_at as at, r.value, s.reason from reading r
    join reading_strike s on s.team_id = r.team_id and s.reading_id = r.id
    join meter m on m.team_id = r.team_id and m.id = r.meter_id and m.counts = 'hours'
    where r.team_id = ${teamId} and r.machine_id = ${machineId} and r.value is not null order by r.read_at desc limit 200`;
  return {
    steps: steps
      .map((s) => ({
        at: (s.at as Date).getTime(),
        total: s.hours as number,
        estimated: s.estimated as boolean,
        readingId: s.reading_id as string | null
      }))
      .reverse(),
    struck: struck.map((r) => ({
      at: (r.at as Date).getTime(),
      value: r.value as number,
      reason: r.reason as string
    }))
  };
}

/** The machine a reading is of. @throws Refusal where the team has no such reading */
export async function machineOfReading(tx: Db, teamId: string, readingId: string): Promise<string> {
  const [reading] = await tx`select machine_id from reading where team_id = ${teamId} and id = ${readingId}`;
  return reading ? (reading.machine_id as string) : refuse('', 'That reading is not in this team.');
}

/** Strikes a reading out: it stays in the book and counts for nothing. Struck out by two, it is struck out once. */
export async function strikeReading({ tx, team, personId }: Write, input: StrikeInput): Promise<void> {
  await tx`
    insert into reading_strike (team_id, reading_id, reason, struck_by) values (${team.id}, ${input.readingId}, ${input.reason}, ${personId})
    on conflict do nothing`;
}

/** An odometer read: of the one that was on that day. It only goes up, but for a new one. */
export async function logDistance({ tx, team, personId, now }: Write, input: OdometerInput): Promise<void> {
  refuseDay(input.day, team.timeZone, now);
  const at = momentOn(input.day, team.timeZone, now);
  const odometers = (await listMeters(tx, team.id, input.machineId)).filter((m) => m.counts === 'distance');
  const meter = meterOn(
    odometers.map((m) => ({ ...m, fittedAt: m.fittedAt.getTime() })),
    input.day,
    team.timeZone
  );
  if (!meter || (meter.removedAt && meter.removedAt < at))
    refuse('typed', 'This machine has no odometer in the book on that day. Add it under “Meters” first.');
  const [near] = await tx`
    select max(value) filter (where read_at <= ${at}) as before, min(value) filter (where read_at > ${at}) as after from reading_in_force
    where team_id = ${team.id} and meter_id = ${meter!.id}`;
  const least = (near!.before as number | null) ?? meter!.firstValue;
  const most = (near!.after as number | null) ?? meter!.lastValue;
  const wrong = 'Strike out the other one if that was wrong, or write down a new odometer.';
  if (input.typed! < least) refuse('typed', `It showed ${least / 100} km before. ${wrong}`);
  if (most !== null && input.typed! > most)
    refuse('typed', `It showed ${most / 100} km afterwards. ${wrong}`);
  await tx`
    insert into reading (team_id, id, machine_id, meter_id, read_at, value, remark, created_by)
    values (${team.id}, ${input.id}, ${input.machineId}, ${meter!.id}, ${at}, ${input.typed}, ${input.remark}, ${personId})`;
}
