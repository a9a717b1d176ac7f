import { readRecent } from '../../core/book/stored';
import { rateOfUse } from '../../core/forecast/rate';
import type { Around, Entry, EntryMeter, NearReading } from '../../core/hours/entry';
import type { ReadingInput } from '../../core/hours/form';
import { dayNumber, dayOf } from '../../core/time/day';
import { startOf } from '../../core/time/moment';
import type { Team } from '../../core/team/team';
import type { Db } from '../base/db';

/** The longest day, when the clocks go back. */
const MS_PER_DAY = 25 * 3_600_000;
const iso = (ms: number): string => new Date(ms).toISOString();

/**
 * What readings about to be written are held against, for each machine they name: in a number of queries that does not grow
 * with them.
 * @returns by the machine's id
 */
export async function loadAround(
  tx: Db,
  team: Team,
  inputs: readonly Pick<ReadingInput, 'machineId' | 'day' | 'settlement'>[],
  now: Date
): Promise<Map<string, Around>> {
  const ids = [...new Set(inputs.map((i) => i.machineId))];
  const windows = [...new Set(inputs.map((i) => `${i.machineId} ${i.day}`))].map((key) => {
    const [machineId, day] = key.split(' ') as [string, string];
    return {
      machineId,
      from: (day >= dayOf(now, team.timeZone) ? now : startOf(day, team.timeZone)).getTime()
    };
  });
  // Each that is struck out on the way uncovers the one before it.
  const back = 1 + inputs.filter((i) => i.settlement?.as === 'earlier one was wrong').length;
  const mine = (kind: 'before' | 'after') => tx`
    select r.machine_id, r.id, r.meter_id, r.read_at, r.value, false as struck from w
    join meter m on m.team_id = ${team.id} and m.machine_id = w.machine_id and m.counts = 'hours'
    cross join lateral (
      select r.machine_id, r.id, r.meter_id, r.read_at, r.value from reading_in_force r
      where r.team_id = ${team.id} and r.meter_id = m.id and r.value is not null and ${kind === 'before' ? tx`r.read_at <= w.lo` : tx`r.read_at > w.hi`}
      order by ${kind === 'before' ? tx`r.read_at desc, r.id limit ${back}` : tx`r.read_at, r.id limit 1`}) r`;
  const [meters, readings, standings] = await Promise.all([
    tx`
      select m.machine_id, m.id, m.kind, m.fitted_at, m.removed_at, m.last_value,
        (select jsonb_agg(jsonb_build_object('from', d.since, 'to', d.until) order by d.since) from meter_dead d where d.team_id = m.team_id and d.meter_id = m.id) as dead,
        l.value as latest, l.read_at as latest_at
      from meter m
      left join lateral (
        select r.value, r.read_at from reading_in_force r where r.team_id = m.team_id and r.meter_id = m.id and r.value is not null
        order by r.read_at desc, r.id limit 1) l on true
      where m.team_id = ${team.id} and m.machine_id = any(${ids}) and m.counts = 'hours' order by m.fitted_at, m.id`,
    tx`
      with w as (
        select machine_id, lo, hi from unnest(${windows.map((w) => w.machineId)}::uuid[], ${windows.map((w) => iso(w.from))}::timestamptz[],
          ${windows.map((w) => iso(w.from + MS_PER_DAY))}::timestamptz[]) u (machine_id, lo, hi))
      select r.machine_id, r.id, r.meter_id, r.read_at, r.value, s.reading_id is not null as struck from w
        cross join lateral (
          select * from reading r where r.team_id = ${team.id} and r.machine_id = w.machine_id and r.read_at between w.lo and w.hi offset 0) r
        left join reading_strike s on s.team_id = r.team_id and s.reading_id = r.id
      union ${mine('before')} union ${mine('after')}
      order by 4, 2`,
    tx`
      select machine_id, recent, speed, per_race, per_outing from machine_standing
      where team_id = ${team.id} and machine_id = any(${ids})`
  ]);
  const of = (rows: typeof meters, id: string) => rows.filter((r) => r.machine_id === id);
  return new Map(
    ids.map((id): [string, Around] => {
      const [s] = of(standings, id);
      return [
        id,
        {
          timeZone: team.timeZone,
          meters: of(meters, id).map(asMeter),
          readings: of(readings, id).map(asNear),
          learned: {
            speed: s?.speed ?? null,
            perRace: s?.per_race ?? null,
            perOuting: s?.per_outing ?? null
          },
          rate: s ? rateOfUse(readRecent(s.recent), dayNumber(dayOf(now, team.timeZone))) : null
        }
      ];
    })
  );
}

function asMeter(m: Record<string, unknown>): EntryMeter {
  const dead = (m.dead ?? []) as { from: string; to: string | null }[];
  return {
    id: m.id as string,
    kind: m.kind as EntryMeter['kind'],
    fittedAt: (m.fitted_at as Date).getTime(),
    dead: dead.map((d) => ({ from: Date.parse(d.from), to: d.to === null ? null : Date.parse(d.to) })),
    removedAt: (m.removed_at as Date | null)?.getTime() ?? null,
    lastValue: m.last_value as number | null,
    latest: m.latest === null ? null : { value: m.latest as number, at: (m.latest_at as Date).getTime() }
  };
}
function asNear(r: Record<string, unknown>): NearReading {
  return {
    id: r.id as string,
    meterId: r.meter_id as string,
    at: (r.read_at as Date).getTime(),
    value: r.value as number | null,
    struck: r.struck as boolean
  };
}

/** A reading that has been decided on. */
export interface Taken {
  input: ReadingInput;
  entry: Entry;
  personId: string;
}

/** Writes readings down, in one statement for each table. Outings stand in the book before them. */
export async function writeEntries(tx: Db, teamId: string, taken: readonly Taken[]): Promise<void> {
  const strikes = taken.flatMap(({ entry, input, personId }) =>
    entry.strikes === null
      ? []
      : [{ reading_id: entry.strikes, reason: input.settlement!.reason, struck_by: personId }]
  );
  if (strikes.length > 0)
    await tx`
      insert into reading_strike (team_id, reading_id, reason, struck_by)
      select ${teamId}, s.reading_id, s.reason, s.struck_by from jsonb_to_recordset(${tx.json(strikes)}) as s (reading_id uuid, reason text, struck_by uuid)
      on conflict do nothing`;
  for (const { entry, input, personId } of taken) {
    if (!entry.replaces) continue;
    const { meterId, at, lastValue, newId, firstValue } = entry.replaces;
    await tx`
      update meter set removed_at = ${new Date(at)}, last_value = ${lastValue}, removed_reason = ${input.settlement!.reason}, change = 'replaced'
      where team_id = ${teamId} and id = ${meterId}`;
    await tx`update meter_dead set until = greatest(since, ${new Date(at)}) where team_id = ${teamId} and meter_id = ${meterId} and until is null`;
    await tx`
      insert into meter (team_id, id, machine_id, kind, fitted_at, first_value, created_by)
      values (${teamId}, ${newId}, ${input.machineId}, 'hour meter', ${new Date(at)}, ${firstValue}, ${personId})`;
  }
  const rows = taken.flatMap(({ input, entry, personId }) =>
    entry.rows.map((r) => ({
      id: r.id,
      machine_id: input.machineId,
      meter_id: r.meterId,
      outing_id: input.outing && !r.before ? input.id : null,
      read_at: iso(r.at),
      value: r.value,
      ridden: r.ridden,
      estimated_from: r.from,
      before_outing: r.before,
      remark: r.before ? '' : input.remark,
      instrument: r.before ? '' : input.instrument,
      doubts: r.doubts,
      settled: r.doubts.length > 0 ? input.settlement!.as : null,
      settled_reason: r.doubts.length > 0 ? input.settlement!.reason : '',
      created_by: personId
    }))
  );
  if (rows.length > 0)
    await tx`
      insert into reading (team_id, id, machine_id, meter_id, outing_id, read_at, value, ridden, estimated_from, before_outing, remark, instrument, doubts, settled, settled_reason, created_by)
      select ${teamId}, r.id, r.machine_id, r.meter_id, r.outing_id, r.read_at, r.value, r.ridden, r.estimated_from, r.before_outing, r.remark, r.instrument,
        array(select jsonb_array_elements_text(r.doubts)), r.settled, r.settled_reason, r.created_by
      from jsonb_to_recordset(${tx.json(rows)}) as r (id uuid, machine_id uuid, meter_id uuid, outing_id uuid, read_at timestamptz, value int, ridden int,
        estimated_from text, before_outing boolean, remark text, instrument text, doubts jsonb, settled text, settled_reason text, created_by uuid)`;
}
