import { questionReading, type Doubt } from '../core/hours/doubt';
import { z } from 'zod';
import { errorsByField, id } from '../core/forms';
import { readingSchema, type ReadingInput } from '../core/hours/form';
import type { Logged, RowAnswer } from '../core/command/logged';
import { estimateHours, oddPace, type EstimatedFrom } from '../core/hours/learned';
import { rateOfUse } from '../core/forecast/rate';
import { showHours } from '../core/hours/hours';
import { isRace } from '../core/outing/outing';
import { dayNumber, dayOf, type Day } from '../core/time/day';
import type { Team } from '../core/team/team';
import type { Lane } from '../core/trail/lane';
import type { Db, Tx } from './db';
import { refuse, Refusal } from './refusal';
import { momentOn, refuseDay } from './moment';
import { writeOuting } from './outings';
import { replaceMeter, strikeLast, type MeterRow } from './settle';
import { refusalOf } from './problems';
import { eachBySavepoint } from './savepoints';
import { becameDue, lanesOf, learnedOf } from './trail';
import { heldMachine, type Write } from './write';

/**
 * Writes down readings of one machine, or time ridden, and the outings they came from: each by itself, in the order given. A
 * doubtful one is refused with its doubts until it is settled; a settlement is carried out with it: the wrong earlier one
 * struck out, the new meter begun.
 *
 * @returns for each how the machine stood before, for {@link logged}; or why it is refused, with `more.doubts` when it wants
 *   settling
 */
export async function logReadings(
  list: readonly { w: Write; input: ReadingInput }[]
): Promise<({ before: Lane | null } | Refusal)[]> {
  const { w, input } = list[0]!;
  const [before = null] = await lanesOf(w.tx, w.team, [input.machineId], w.now);
  return eachBySavepoint(list, async (mine, reading) => {
    heldMachine(mine, reading.machineId);
    await write(mine.tx, mine.team, mine.personId, reading, mine.now);
    return { before };
  });
}

/** What readings of one machine brought: its running hours, and what has become due. Asked once the standing is made anew. */
export async function logged(
  list: readonly { w: Write; input: ReadingInput; result: { before: Lane | null } }[]
): Promise<Logged[]> {
  if (list.length === 0) return [];
  const { w, input, result } = list[0]!;
  const [after] = await lanesOf(w.tx, w.team, [input.machineId], w.now);
  const answer: Logged = {
    machineId: input.machineId,
    plate: heldMachine(w, input.machineId).plate,
    total: after?.total === null || after === undefined ? 'not known' : `${showHours(after.total)} h`,
    due: after ? becameDue(result.before, after) : []
  };
  return list.map(() => answer);
}

/** The machines of pasted rows that are the team's; rows of others are refused each by itself. */
export async function machinesOfRows(tx: Tx, teamId: string, rows: readonly unknown[]): Promise<string[]> {
  const named = rows.flatMap((row) => {
    const parsed = z.object({ machineId: id }).safeParse(row);
    return parsed.success ? [parsed.data.machineId] : [];
  });
  const there =
    await tx`select id from machine where team_id = ${teamId} and id = any(${[...new Set(named)]})`;
  return there.map((m) => m.id as string);
}

/**
 * Writes down many readings at once, as pasted or imported: each is taken or refused by itself, under the same rules as one,
 * in the order they were ridden. A row that is in the book already is taken as it is.
 * @returns what became of each row, in the order given
 */
export async function pasteReadings(w: Write, { rows }: { rows: readonly unknown[] }): Promise<RowAnswer[]> {
  const answers: RowAnswer[] = rows.map(() => ({ ok: true }));
  const good: { at: number; input: ReadingInput }[] = [];
  for (const [at, row] of rows.entries()) {
    const parsed = readingSchema.safeParse(row);
    if (parsed.success) good.push({ at, input: parsed.data });
    else answers[at] = { ok: false, errors: errorsByField(parsed.error), more: {} };
  }
  const known = await w.tx`
    select id from reading where team_id = ${w.team.id} and id = any(${good.map((g) => g.input.id)})
    union select id from outing where team_id = ${w.team.id} and id = any(${good.map((g) => g.input.id)})`;
  const there = new Set(known.map((k) => k.id as string));
  good.sort((a, b) => (a.input.day < b.input.day ? -1 : a.input.day > b.input.day ? 1 : a.at - b.at));
  for (const { at, input } of good) {
    if (there.has(input.id)) continue;
    there.add(input.id);
    try {
      heldMachine(w, input.machineId, 'machineId');
      await w.tx.savepoint((row) => write(row, w.team, w.personId, input, w.now));
    } catch (e) {
      const refusal = refusalOf(e);
      if (!refusal) throw e;
      answers[at] = { ok: false, errors: refusal.errors, more: refusal.more };
    }
  }
  return answers;
}

/** Writes a mere reading within another write; what is odd about it is said at that form's own field. */
export async function writeReading(
  tx: Db,
  team: Team,
  personId: string,
  input: ReadingInput,
  now: Date,
  field: string
): Promise<void> {
  try {
    await write(tx, team, personId, input, now);
  } catch (e) {
    if (e instanceof Refusal && e.errors.typed) throw new Refusal({ [field]: e.errors.typed });
    throw e;
  }
}

/** The hour meter that was on when a day was over; of days before the book began, its first. */
async function meterOn(tx: Db, team: Team, machineId: string, day: Day): Promise<MeterRow | null> {
  const meters = (await tx`
    select id, kind, fitted_at, dead_since, removed_at, last_value from meter
    where team_id = ${team.id} and machine_id = ${machineId} and counts = 'hours' order by fitted_at, id`) as unknown as MeterRow[];
  return meters.findLast((m) => dayOf(m.fitted_at, team.timeZone) <= day) ?? meters[0] ?? null;
}

async function write(tx: Db, team: Team, personId: string, input: ReadingInput, now: Date): Promise<void> {
  refuseDay(input.day, team.timeZone, now);
  const meter = await meterOn(tx, team, input.machineId, input.day);
  if (!meter) refuse('typed', 'This machine has no meter in the book.');
  const { typed } = input;
  let at = momentOn(input.day, team.timeZone, now);
  // Of a day on which the meter was changed, a reading is of the one that was on when the day was over.
  if (at <= meter.fitted_at && dayOf(meter.fitted_at, team.timeZone) === input.day)
    at = new Date(Math.min(meter.fitted_at.getTime() + 1000, now.getTime()));
  // Two readings of one past day stand in the order of what they show.
  const most = typed.as === 'meter' && meter.kind === 'hour meter' ? typed.value : 2_000_000_000;
  const [same] =
    await tx`select max(read_at) as at from reading where team_id = ${team.id} and machine_id = ${input.machineId} and read_at between ${at} and ${new Date(at.getTime() + 3_600_000)} and (value is null or value <= ${most})`;
  if (same?.at && same.at >= at && at < now) at = new Date(Math.min(same.at.getTime() + 1000, now.getTime()));

  if (typed.as === 'nothing') {
    await writeOuting(tx, team, personId, input, at);
    return;
  }
  const unread = meter.kind === 'reckoned' || (meter.dead_since !== null && at >= meter.dead_since);
  if (typed.as !== 'meter' || unread) {
    const { ridden, from } = await riddenOf(tx, team, input);
    await checkPace(tx, team, input, ridden);
    await Promise.all([
      writeOuting(tx, team, personId, input, at),
      insertReading(tx, team, personId, input, meter.id, at, { ridden, from }, [])
    ]);
    return;
  }
  await writeBefore(tx, team, personId, input, meter.id, at);
  await checkPace(tx, team, input, await hoursOf(tx, team, input, meter.id, typed.value, at));
  const doubts = await doubtsOf(tx, team, input, meter, at, now);
  if (doubts.length === 0) {
    await Promise.all([
      writeOuting(tx, team, personId, input, at),
      insertReading(tx, team, personId, input, meter.id, at, { value: typed.value }, [])
    ]);
    return;
  }
  const { settlement } = input;
  const allowed = doubts.every((d) => d.settlements.length > 0);
  const ways = allowed
    ? doubts[0]!.settlements.filter(
        (w) =>
          doubts.every((d) => d.settlements.includes(w)) &&
          // One that has come off already is not replaced again.
          (w !== 'meter was replaced' || meter.removed_at === null)
      )
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
    const rest = (await doubtsOf(tx, team, input, { ...meter, id: meterId }, at, now)).filter(
      (d) => d.kind === 'lower than the last' || d.settlements.length === 0
    );
    if (rest.length > 0)
      throw new Refusal(
        { typed: rest.map((d) => d.message).join(' ') },
        { doubts: rest, ways: rest[0]!.settlements }
      );
  }
  await writeOuting(tx, team, personId, input, at);
  await insertReading(tx, team, personId, input, meterId, at, { value: typed.value }, doubts);
}

/** Time ridden that no meter counted: as stated, or as the machine's own pace has it. */
async function riddenOf(
  tx: Db,
  team: Team,
  input: ReadingInput
): Promise<{ ridden: number; from: EstimatedFrom }> {
  const { typed } = input;
  if (typed.as === 'estimate') {
    const estimate = estimateHours(
      { distance: input.distance, race: isRace(input.outing ?? '') },
      await learnedOf(tx, team.id, input.machineId)
    );
    if (!estimate)
      refuse(
        'typed',
        'Its usual hours are not known yet: three outings with hours are wanted. Write the time ridden, such as +2h30.'
      );
    return { ridden: estimate.hours, from: estimate.from };
  }
  const ridden = typed.as === 'nothing' ? 0 : typed.value;
  if (ridden > 2400)
    refuse('typed', 'More than 24 h ridden on one day? Write the time ridden, such as 2h30.');
  return { ridden, from: 'time ridden' };
}

/** What the meter showed before the outing is a reading of its own: what was ridden unseen lies before it. */
async function writeBefore(
  tx: Db,
  team: Team,
  personId: string,
  input: ReadingInput,
  meterId: string,
  at: Date
): Promise<void> {
  if (input.before === null) return;
  const [last] = await tx`
    select value, read_at from reading r where team_id = ${team.id} and meter_id = ${meterId} and value is not null and read_at <= ${at}
      and not exists (select 1 from reading_strike s where s.team_id = r.team_id and s.reading_id = r.id) order by read_at desc, id limit 1`;
  if (last && input.before < last.value)
    refuse(
      'before',
      `The last reading was ${showHours(last.value)} h; it cannot have shown less before this outing.`
    );
  if (last && input.before === last.value) return;
  // Between the last reading and this one, and at the moment of neither: two of one moment have no order.
  const after = (last?.read_at as Date | undefined)?.getTime() ?? 0;
  const when = new Date(Math.max(at.getTime() - 1000, Math.floor((after + at.getTime()) / 2)));
  await tx`
    insert into reading (team_id, id, machine_id, meter_id, read_at, value, before_outing, created_by)
    values (${team.id}, ${crypto.randomUUID()}, ${input.machineId}, ${meterId}, ${when}, ${input.before}, true, ${personId})`;
}

/** Hours of this outing by the meter: since the reading before it. */
async function hoursOf(
  tx: Db,
  team: Team,
  input: ReadingInput,
  meterId: string,
  value: number,
  at: Date
): Promise<number | null> {
  const [last] = await tx`
    select value from reading r where team_id = ${team.id} and meter_id = ${meterId} and value is not null and read_at <= ${at}
      and not exists (select 1 from reading_strike s where s.team_id = r.team_id and s.reading_id = r.id) order by read_at desc, id limit 1`;
  return last ? value - last.value : null;
}

/** A distance that does not fit the hours is questioned until somebody has looked again. */
async function checkPace(tx: Db, team: Team, input: ReadingInput, hours: number | null): Promise<void> {
  if (input.sure || !input.distance || input.typed.as === 'estimate') return;
  const odd = oddPace(hours, input.distance, await learnedOf(tx, team.id, input.machineId));
  if (odd) throw new Refusal({ distance: odd }, { askSure: true });
}

async function doubtsOf(
  tx: Db,
  team: Team,
  input: ReadingInput,
  meter: Pick<MeterRow, 'id' | 'removed_at' | 'last_value'>,
  at: Date,
  now: Date
): Promise<Doubt[]> {
  const neighbour = async (order: 'before' | 'after') => {
    const [row] = await tx`
      select r.value, r.read_at from reading r
      where r.team_id = ${team.id} and r.machine_id = ${input.machineId} and r.meter_id = ${meter.id} and r.value is not null
        and ${order === 'before' ? tx`r.read_at <= ${at}` : tx`r.read_at > ${at}`}
        and not exists (select 1 from reading_strike s where s.team_id = r.team_id and s.reading_id = r.id)
      order by r.read_at ${order === 'before' ? tx`desc` : tx`asc`}, r.id limit 1`;
    return row ? { value: row.value as number, at: (row.read_at as Date).getTime() } : null;
  };
  const last = await neighbour('before');
  // What it showed when it came off is a reading that comes after all others.
  const end =
    meter.removed_at && meter.last_value !== null
      ? { value: meter.last_value, at: meter.removed_at.getTime() }
      : null;
  const next = (await neighbour('after')) ?? end;
  const [standing] =
    await tx`select recent from machine_standing where team_id = ${team.id} and machine_id = ${input.machineId}`;
  const rate = standing ? rateOfUse(standing.recent, dayNumber(dayOf(now, team.timeZone))) : null;
  return questionReading(input.typed.as === 'meter' ? input.typed.value : 0, at.getTime(), {
    last,
    next,
    rate,
    now: now.getTime(),
    dayOnly: input.day !== dayOf(now, team.timeZone)
  });
}

async function insertReading(
  tx: Db,
  team: Team,
  personId: string,
  input: ReadingInput,
  meterId: string,
  at: Date,
  what: { value: number } | { ridden: number; from: EstimatedFrom },
  doubts: Doubt[]
): Promise<void> {
  const [value, ridden, from] = 'value' in what ? [what.value, null, null] : [null, what.ridden, what.from];
  await tx`
    insert into reading (team_id, id, machine_id, meter_id, outing_id, read_at, value, ridden, estimated_from, remark, doubts, settled, settled_reason, created_by)
    values (${team.id}, ${input.id}, ${input.machineId}, ${meterId}, ${input.outing ? input.id : null}, ${at},
      ${value}, ${ridden}, ${from}, ${input.remark},
      ${doubts.map((d) => d.kind)}, ${doubts.length > 0 ? input.settlement!.as : null}, ${doubts.length > 0 ? input.settlement!.reason : ''}, ${personId})`;
}
