import { distanceTypedOrNone, hoursTypedOrNone } from '../core/forms';
import type { MeterChangeInput, OdometerInput, StrikeInput } from '../core/hours/form';
import { showHours } from '../core/hours/hours';
import type { ReadingRow } from '../core/hours/reading';
import type { RunningStep } from '../core/hours/running';
import type { Db } from './db';
import { momentOn, refuseDay } from './moment';
import { refuse } from './refusal';
import type { Write } from './write';

/** A machine's latest readings with who wrote them, struck-out ones among them, a page at a time by key. */
export async function listReadings(
  sql: Db,
  teamId: string,
  machineId: string,
  before: Date | null = null,
  most = 12
): Promise<ReadingRow[]> {
  return (await sql`
    select r.id, r.read_at as at, r.value, r.ridden, r.remark, p.name as by, r.settled, r.settled_reason as "settledReason", s.reason as struck,
      (select count(*)::int from meter m2 where m2.team_id = r.team_id and m2.machine_id = r.machine_id and m2.counts = m.counts and m2.fitted_at <= m.fitted_at) as meter,
      m.counts, r.estimated_from as "estimatedFrom", r.before_outing as "beforeOuting"
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
  deadSince: Date | null;
}

/** Every meter a machine has had, the first first. */
export async function listMeters(sql: Db, teamId: string, machineId: string): Promise<MeterRow[]> {
  return (await sql`
    select id, kind, counts, fitted_at as "fittedAt", first_value as "firstValue", removed_at as "removedAt", last_value as "lastValue",
      removed_reason as "removedReason", change, dead_since as "deadSince"
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

/** An odometer read. It only goes up, but for a new one. */
export async function logDistance({ tx, team, personId, now }: Write, input: OdometerInput): Promise<void> {
  refuseDay(input.day, team.timeZone, now);
  const [meter] =
    await tx`select id, first_value from meter where team_id = ${team.id} and machine_id = ${input.machineId} and counts = 'distance' and removed_at is null`;
  if (!meter) refuse('typed', 'This machine has no odometer in the book. Add it under “Meters” first.');
  const at = momentOn(input.day, team.timeZone, now);
  const [last] = await tx`
    select value from reading r where team_id = ${team.id} and meter_id = ${meter!.id} and read_at <= ${at}
      and not exists (select 1 from reading_strike s where s.team_id = r.team_id and s.reading_id = r.id) order by read_at desc limit 1`;
  const least = (last?.value as number | undefined) ?? (meter!.first_value as number);
  if (input.typed! < least)
    refuse(
      'typed',
      `It showed ${least / 100} km before. Strike out the earlier one if that was wrong, or write down a new odometer.`
    );
  await tx`
    insert into reading (team_id, id, machine_id, meter_id, read_at, value, remark, created_by)
    values (${team.id}, ${input.id}, ${input.machineId}, ${meter!.id}, ${at}, ${input.typed}, ${input.remark}, ${personId})`;
}

/** A meter's figure as typed, in its own measure; null where nothing was. */
function figure(text: string, counts: 'hours' | 'distance', field: string): number | null {
  const parsed = (counts === 'hours' ? hoursTypedOrNone : distanceTypedOrNone).safeParse(text);
  if (!parsed.success) refuse(field, parsed.error.issues[0]!.message);
  return parsed.data;
}

/**
 * Something happened to a meter: replaced, set back, taken off, gone dark, reading again, or an odometer added. The running
 * total goes on over all of it.
 */
export async function changeMeter(
  { tx, team, personId, now }: Write,
  input: MeterChangeInput
): Promise<void> {
  refuseDay(input.day, team.timeZone, now);
  const counts = input.change === 'odometer added' ? 'distance' : input.counts;
  const [meter] = await tx`
    select m.id, m.kind, m.fitted_at, m.first_value, m.dead_since, last.value, last.read_at from meter m
    left join lateral (
      select max(r.read_at) as read_at, max(r.value) as value from reading r where r.team_id = m.team_id and r.meter_id = m.id
        and not exists (select 1 from reading_strike s where s.team_id = r.team_id and s.reading_id = r.id)) last on true
    where m.team_id = ${team.id} and m.machine_id = ${input.machineId} and m.counts = ${counts} and m.removed_at is null`;
  let at = momentOn(input.day, team.timeZone, now);
  const begin = (kind: string, first: number, from: Date, change: string) => tx`
    insert into meter (team_id, id, machine_id, kind, fitted_at, first_value, change, created_by)
    values (${team.id}, ${input.id}, ${input.machineId}, ${kind}, ${from}, ${first}, ${change}, ${personId})`;

  if (input.change === 'odometer added') {
    if (meter) refuse('change', 'It has an odometer in the book already.');
    const first = figure(input.firstValue, 'distance', 'firstValue');
    if (first === null) refuse('firstValue', 'What does it show now? Such as 1240 km.');
    await begin('odometer', 0, new Date(at.getTime() - 1000), 'added');
    await tx`insert into reading (team_id, id, machine_id, meter_id, read_at, value, created_by) values (${team.id}, ${crypto.randomUUID()}, ${input.machineId}, ${input.id}, ${at}, ${first}, ${personId})`;
    return;
  }
  if (!meter)
    refuse(
      'change',
      counts === 'distance' ? 'It has no odometer in the book.' : 'It has no meter in the book.'
    );
  const latest = Math.max(
    (meter!.read_at as Date | null)?.getTime() ?? 0,
    (meter!.fitted_at as Date).getTime()
  );
  if (input.change === 'dead' || input.change === 'works again') {
    if (meter!.kind === 'reckoned')
      refuse('change', 'There is no meter fitted; its hours come from time ridden.');
    await tx`update meter set dead_since = ${input.change === 'dead' ? new Date(Math.max(at.getTime(), latest)) : null} where team_id = ${team.id} and id = ${meter!.id}`;
    return;
  }
  if (at.getTime() <= latest) at = new Date(Math.min(latest + 1000, Math.max(now.getTime(), latest + 1)));
  const last = figure(input.lastValue, counts, 'lastValue');
  const first = figure(input.firstValue, counts, 'firstValue') ?? 0;
  if (last !== null && meter!.value !== null && last < meter!.value)
    refuse(
      'lastValue',
      `It already showed ${counts === 'hours' ? `${showHours(meter!.value)} h` : `${meter!.value / 100} km`}. Leave it empty if nobody could read it.`
    );
  await tx`
    update meter set removed_at = ${at}, last_value = ${last}, removed_reason = ${input.reason}, change = ${input.change}
    where team_id = ${team.id} and id = ${meter!.id}`;
  if (input.change !== 'removed')
    await begin(meter!.kind === 'reckoned' ? 'hour meter' : meter!.kind, first, at, '');
  // Without a meter the hours go on by the time ridden.
  else if (counts === 'hours') await begin('reckoned', 0, at, '');
}
