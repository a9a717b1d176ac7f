import { questionReading, type Doubt } from '../core/hours/doubt';
import type { ReadingInput } from '../core/hours/form';
import { rateOfUse } from '../core/hours/rate';
import { showHours } from '../core/hours/hours';
import { addDays, dayNumber, dayOf, type Day } from '../core/time/day';
import type { Team } from '../core/team/team';
import type { Sql, Db } from './db';
import { refuse, Refusal } from './refusal';
import { lockMachine, refreshStanding } from './standing';
import { becameDue, lanesOf } from './trail';

export interface Logged {
  machineId: string;
  plate: string;
  /** Running hours after it, in words, and what has become due by it. */
  total: string;
  due: ReturnType<typeof becameDue>;
}

/** A moment on a calendar day: now for today, the evening of it for a day gone by. */
function momentOn(day: Day, timeZone: string, now: Date): Date {
  if (dayOf(now, timeZone) === day) return now;
  const hours = [18, 12, 6, 0].map((h) => new Date(`${day}T${String(h).padStart(2, '0')}:00:00Z`));
  return hours.find((m) => dayOf(m, timeZone) === day) ?? hours[1]!;
}

interface MeterRow {
  id: string;
  kind: 'hour meter' | 'reckoned';
  fitted_at: Date;
}

/**
 * Writes down a reading, or time ridden, and the outing it came from. A doubtful one is refused with its doubts until it is
 * settled; a settlement is carried out with it: the wrong earlier one struck out, the new meter begun. One transaction.
 * Sent twice, it is written once.
 *
 * @throws Refusal with `more.doubts` when it wants settling
 */
export async function logReading(
  sql: Sql,
  team: Team,
  personId: string,
  input: ReadingInput,
  now: Date
): Promise<Logged> {
  const [before] = await lanesOf(sql, team, [input.machineId], now);
  const machine = await sql.begin(async (tx) => {
    const locked = await lockMachine(tx, team.id, input.machineId);
    if (!locked) refuse('machineId', 'That machine is not in this team.');
    const [there] = await tx`select 1 from reading where team_id = ${team.id} and id = ${input.id}`;
    if (!there) {
      await write(tx, team, personId, input, now);
      await refreshStanding(tx, team.id, input.machineId);
    }
    return locked;
  });
  const [after] = await lanesOf(sql, team, [input.machineId], now);
  return {
    machineId: input.machineId,
    plate: machine.plate,
    total: after?.total === null || after === undefined ? 'not known' : `${showHours(after.total)} h`,
    due: after ? becameDue(before ?? null, after) : []
  };
}

async function write(tx: Db, team: Team, personId: string, input: ReadingInput, now: Date): Promise<void> {
  const today = dayOf(now, team.timeZone);
  if (input.day > today) refuse('day', 'That day has not come yet.');
  if (input.day < addDays(today, -3650)) refuse('day', 'That is more than ten years ago.');
  const [meter] =
    (await tx`select id, kind, fitted_at from meter where team_id = ${team.id} and machine_id = ${input.machineId} and removed_at is null`) as unknown as MeterRow[];
  if (!meter) refuse('typed', 'This machine has no meter in the book.');
  let at = momentOn(input.day, team.timeZone, now);
  // Two readings of one past day stand in the order of what they show.
  const [same] =
    await tx`select max(read_at) as at from reading where team_id = ${team.id} and machine_id = ${input.machineId} and read_at between ${at} and ${new Date(at.getTime() + 3_600_000)} and (value is null or value <= ${input.typed})`;
  if (same?.at && same.at >= at && at < now) at = new Date(Math.min(same.at.getTime() + 1000, now.getTime()));

  if (meter.kind === 'reckoned') {
    if (input.typed > 2400)
      refuse('typed', 'More than 24 h ridden on one day? Write the time ridden, such as 2h30.');
    await writeOuting(tx, team, personId, input);
    await insertReading(tx, team, personId, input, meter.id, at, [], { ridden: true });
    return;
  }
  const doubts = await doubtsOf(tx, team, input, meter.id, at, now);
  if (doubts.length === 0) {
    await writeOuting(tx, team, personId, input);
    await insertReading(tx, team, personId, input, meter.id, at, []);
    return;
  }
  const { settlement } = input;
  const allowed = doubts.every((d) => d.settlements.length > 0);
  const ways = allowed
    ? doubts[0]!.settlements.filter((w) => doubts.every((d) => d.settlements.includes(w)))
    : [];
  if (!settlement || !ways.includes(settlement.as)) {
    throw new Refusal({ typed: doubts.map((d) => d.message).join(' ') }, { doubts, ways });
  }
  let meterId = meter.id;
  if (settlement.as === 'earlier one was wrong')
    await strikeLast(tx, team, personId, input.machineId, meter.id, at, settlement.reason);
  if (settlement.as === 'meter was replaced')
    meterId = await replaceMeter(tx, team, personId, input, meter, at);
  if (settlement.as !== 'reading is right') {
    // What remains odd after that is asked again.
    const rest = (await doubtsOf(tx, team, input, meterId, at, now)).filter(
      (d) => d.kind === 'lower than the last' || d.settlements.length === 0
    );
    if (rest.length > 0)
      throw new Refusal(
        { typed: rest.map((d) => d.message).join(' ') },
        { doubts: rest, ways: rest[0]!.settlements }
      );
  }
  await writeOuting(tx, team, personId, input);
  await insertReading(tx, team, personId, input, meterId, at, doubts);
}

async function doubtsOf(
  tx: Db,
  team: Team,
  input: ReadingInput,
  meterId: string,
  at: Date,
  now: Date
): Promise<Doubt[]> {
  const neighbour = async (order: 'before' | 'after') => {
    const [row] = await tx`
      select r.value, r.read_at from reading r
      where r.team_id = ${team.id} and r.machine_id = ${input.machineId} and r.meter_id = ${meterId} and r.value is not null
        and ${order === 'before' ? tx`r.read_at <= ${at}` : tx`r.read_at > ${at}`}
        and not exists (select 1 from reading_strike s where s.team_id = r.team_id and s.reading_id = r.id)
      order by r.read_at ${order === 'before' ? tx`desc` : tx`asc`}, r.id limit 1`;
    return row ? { value: row.value as number, at: (row.read_at as Date).getTime() } : null;
  };
  const [last, next] = [await neighbour('before'), await neighbour('after')];
  const [standing] =
    await tx`select recent from machine_standing where team_id = ${team.id} and machine_id = ${input.machineId}`;
  const rate = standing ? rateOfUse(standing.recent, dayNumber(dayOf(now, team.timeZone))) : null;
  return questionReading(input.typed, at.getTime(), {
    last,
    next,
    rate,
    now: now.getTime(),
    dayOnly: input.day !== dayOf(now, team.timeZone)
  });
}

async function writeOuting(tx: Db, team: Team, personId: string, input: ReadingInput): Promise<void> {
  if (!input.outing) return;
  // The reading's own id serves its outing too: they are born together.
  await tx`
    insert into outing (team_id, id, machine_id, event_id, rider_id, day, kind, remark, created_by)
    values (${team.id}, ${input.id}, ${input.machineId}, ${input.eventId}, ${input.riderId}, ${input.day}, ${input.outing}, ${input.remark}, ${personId})
    on conflict do nothing`;
}

async function insertReading(
  tx: Db,
  team: Team,
  personId: string,
  input: ReadingInput,
  meterId: string,
  at: Date,
  doubts: Doubt[],
  { ridden = false } = {}
): Promise<void> {
  await tx`
    insert into reading (team_id, id, machine_id, meter_id, outing_id, read_at, value, ridden, remark, doubts, settled, settled_reason, created_by)
    values (${team.id}, ${input.id}, ${input.machineId}, ${meterId}, ${input.outing ? input.id : null}, ${at},
      ${ridden ? null : input.typed}, ${ridden ? input.typed : null}, ${input.remark},
      ${doubts.map((d) => d.kind)}, ${doubts.length > 0 ? input.settlement!.as : null}, ${doubts.length > 0 ? input.settlement!.reason : ''}, ${personId})`;
}

async function strikeLast(
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

async function replaceMeter(
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
  if (start > input.typed)
    refuse('settlement.newStart', 'The new meter cannot have started above what it shows now.');
  const swap = new Date(
    Math.min(at.getTime(), Math.max(last?.at?.getTime() ?? 0, meter.fitted_at.getTime()) + 1000)
  );
  await tx`update meter set removed_at = ${swap}, last_value = ${oldFinal}, removed_reason = ${reason} where team_id = ${team.id} and id = ${meter.id}`;
  const id = crypto.randomUUID();
  await tx`insert into meter (team_id, id, machine_id, kind, fitted_at, first_value, created_by) values (${team.id}, ${id}, ${input.machineId}, 'hour meter', ${swap}, ${start}, ${personId})`;
  return id;
}

export interface ReadingRow {
  id: string;
  at: Date;
  value: number | null;
  ridden: number | null;
  remark: string;
  by: string;
  settled: string | null;
  settledReason: string;
  struck: string | null;
  meter: number;
}

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
      (select count(*)::int from meter m2 where m2.team_id = r.team_id and m2.machine_id = r.machine_id and m2.fitted_at <= m.fitted_at) as meter
    from reading r
    join person p on p.team_id = r.team_id and p.id = r.created_by
    join meter m on m.team_id = r.team_id and m.id = r.meter_id
    left join reading_strike s on s.team_id = r.team_id and s.reading_id = r.id
    where r.team_id = ${teamId} and r.machine_id = ${machineId} ${before ? sql`and r.read_at < ${before}` : sql``}
    order by r.read_at desc, r.id desc limit ${most}`) as unknown as ReadingRow[];
}
