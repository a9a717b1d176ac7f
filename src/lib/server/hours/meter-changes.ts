import { distanceTypedOrNone, hoursTypedOrNone } from '../../core/forms';
import { looksCounted } from '../../core/hours/entry';
import type { MeterChangeInput } from '../../core/hours/form';
import { showHours } from '../../core/hours/hours';
import { addDays } from '../../core/time/day';
import { momentOn, startOf } from '../../core/time/moment';
import { refuseDay } from '../base/moment';
import { refuse } from '../base/refusal';
import type { Write } from '../book/under-way';

/** The meter something happened to, with what it last showed. */
interface InUse {
  id: string;
  kind: 'hour meter' | 'reckoned' | 'odometer';
  fittedAt: Date;
  firstValue: number;
  /** Of any reading; `value` and `shownAt` of what it showed. */
  readAt: Date | null;
  value: number | null;
  shownAt: Date | null;
  deadSince: Date | null;
}

/** A meter's figure as typed, in its own measure; null where nothing was. */
function figure(text: string, counts: 'hours' | 'distance', field: string): number | null {
  const parsed = (counts === 'hours' ? hoursTypedOrNone : distanceTypedOrNone).safeParse(text);
  if (!parsed.success) refuse(field, parsed.error.issues[0]!.message);
  return parsed.data;
}

async function inUse(w: Write, machineId: string, counts: 'hours' | 'distance'): Promise<InUse | null> {
  const [meter] = await w.tx`
    select m.id, m.kind, m.fitted_at as "fittedAt", m.first_value as "firstValue", last.read_at as "readAt", last.value, last.shown_at as "shownAt",
      (select d.since from meter_dead d where d.team_id = m.team_id and d.meter_id = m.id and d.until is null) as "deadSince"
    from meter m
    cross join lateral (
      select max(r.read_at) as read_at, max(r.value) as value, max(r.read_at) filter (where r.value is not null) as shown_at
      from reading_in_force r where r.team_id = m.team_id and r.meter_id = m.id) last
    where m.team_id = ${w.team.id} and m.machine_id = ${machineId} and m.counts = ${counts} and m.removed_at is null`;
  return (meter as unknown as InUse) ?? null;
}

/**
 * Something happened to a meter: replaced, set back, taken off, gone dark, reading again, or an odometer added. The running
 * total goes on over all of it.
 */
export async function changeMeter(w: Write, input: MeterChangeInput): Promise<void> {
  const { tx, team, personId, now } = w;
  refuseDay(input.day, team.timeZone, now);
  const { change } = input;
  const counts =
    change === 'odometer added'
      ? 'distance'
      : change === 'dead' || change === 'works again'
        ? 'hours'
        : input.counts;
  const meter = await inUse(w, input.machineId, counts);
  const at = momentOn(input.day, team.timeZone, now);
  if (change === 'odometer added') {
    if (meter) refuse('change', 'It has an odometer in the book already.');
    const first = figure(input.firstValue, 'distance', 'firstValue');
    if (first === null) refuse('firstValue', 'What does it show now? Such as 1240 km.');
    await begin(w, input, 'odometer', 0, new Date(at.getTime() - 1000), 'added');
    await tx`
      insert into reading (team_id, id, machine_id, meter_id, read_at, value, created_by)
      values (${team.id}, ${crypto.randomUUID()}, ${input.machineId}, ${input.id}, ${at}, ${first}, ${personId})`;
    return;
  }
  if (!meter)
    refuse(
      'change',
      counts === 'distance' ? 'It has no odometer in the book.' : 'It has no meter in the book.'
    );
  if (change === 'dead') await goesDark(w, input, meter!);
  else if (change === 'works again') await readsAgain(w, input, meter!, at);
  else await comesOff(w, input, meter!, counts, at);
}

const begin = (
  { tx, team, personId }: Write,
  input: MeterChangeInput,
  kind: string,
  first: number,
  from: Date,
  change: string
) => tx`
  insert into meter (team_id, id, machine_id, kind, fitted_at, first_value, change, created_by)
  values (${team.id}, ${input.id}, ${input.machineId}, ${kind}, ${from}, ${first}, ${change}, ${personId})`;

/** From that day on it is not read: what was ridden since it last was is time ridden, and stays. */
async function goesDark({ tx, team, personId }: Write, input: MeterChangeInput, meter: InUse): Promise<void> {
  if (meter.kind === 'reckoned')
    refuse('change', 'There is no meter fitted; its hours come from time ridden.');
  if (meter.deadSince) refuse('change', 'It is dead already.');
  const since = Math.max(
    startOf(input.day, team.timeZone).getTime(),
    (meter.shownAt ?? meter.fittedAt).getTime()
  );
  await tx`
    insert into meter_dead (team_id, id, meter_id, since, reason, created_by)
    values (${team.id}, ${input.id}, ${meter.id}, ${new Date(since)}, ${input.reason}, ${personId})`;
}

async function readsAgain(
  { tx, team, personId }: Write,
  input: MeterChangeInput,
  meter: InUse,
  at: Date
): Promise<void> {
  if (!meter.deadSince) refuse('change', 'It is not dead.');
  // What was ridden on that day was ridden before somebody saw it read again.
  const [day] = await tx`
    select max(read_at) as last from reading_in_force
    where team_id = ${team.id} and meter_id = ${meter.id} and read_at >= ${at} and read_at < ${startOf(addDays(input.day, 1), team.timeZone)}`;
  const last = (day!.last as Date | null)?.getTime() ?? 0;
  const until = new Date(Math.max(at.getTime(), meter.deadSince!.getTime() + 1, last + 1));
  const shows = figure(input.firstValue, 'hours', 'firstValue');
  const before = meter.value ?? meter.firstValue;
  const counted = input.meanwhile === 'went on counting';
  if (shows !== null) {
    if (shows < before)
      refuse(
        'firstValue',
        `It showed ${showHours(before)} h before it went dark. Was it set back? Write that down instead.`
      );
    const [dark] = await tx`
      select coalesce(sum(ridden), 0)::int as ridden from reading_in_force
      where team_id = ${team.id} and meter_id = ${meter.id} and value is null and read_at >= ${meter.deadSince} and read_at < ${until}`;
    if (input.meanwhile === '' && looksCounted(shows - before, dark!.ridden))
      refuse(
        'meanwhile',
        `It shows ${showHours(shows - before)} h more than when it went dark, and ${showHours(dark!.ridden)} h were ridden since. Did it stand still, or go on counting?`
      );
  } else if (counted) refuse('firstValue', 'What does it show now? Such as 44.9.');
  await tx`
    update meter_dead set until = ${until}, counted = ${counted}
    where team_id = ${team.id} and meter_id = ${meter.id} and until is null`;
  if (shows !== null)
    await tx`
      insert into reading (team_id, id, machine_id, meter_id, read_at, value, remark, created_by)
      values (${team.id}, ${input.id}, ${input.machineId}, ${meter.id}, ${until}, ${shows}, ${input.reason}, ${personId})`;
}

async function comesOff(
  w: Write,
  input: MeterChangeInput,
  meter: InUse,
  counts: 'hours' | 'distance',
  day: Date
): Promise<void> {
  const { tx, team, now } = w;
  const latest = Math.max(meter.readAt?.getTime() ?? 0, meter.fittedAt.getTime());
  const at =
    day.getTime() > latest ? day : new Date(Math.min(latest + 1000, Math.max(now.getTime(), latest + 1)));
  const last = figure(input.lastValue, counts, 'lastValue');
  const first = figure(input.firstValue, counts, 'firstValue') ?? 0;
  if (last !== null && meter.value !== null && last < meter.value)
    refuse(
      'lastValue',
      `It already showed ${counts === 'hours' ? `${showHours(meter.value)} h` : `${meter.value / 100} km`}. Leave it empty if nobody could read it.`
    );
  await tx`
    update meter set removed_at = ${at}, last_value = ${last}, removed_reason = ${input.reason}, change = ${input.change}
    where team_id = ${team.id} and id = ${meter.id}`;
  await tx`
    update meter_dead set until = greatest(since, ${at}) where team_id = ${team.id} and meter_id = ${meter.id} and until is null`;
  if (input.change !== 'removed')
    await begin(w, input, meter.kind === 'reckoned' ? 'hour meter' : meter.kind, first, at, '');
  // Without a meter the hours go on by the time ridden.
  else if (counts === 'hours') await begin(w, input, 'reckoned', 0, at, '');
}
