import { addDays, dayNumber, dayOf, type Day } from '../src/lib/core/time/day';
import type { Db, Sql } from '../src/lib/server/db';
import { refreshStanding } from '../src/lib/server/standing';
import { chance, doneAt, firstTotal, outings } from './history';
import { at, DEMO_TEAM_ID, person, uid } from './ids';
import { loadReadings, loadSheet } from './load-book';
import { loadHalfVisit, loadVisit } from './load-visits';
import { MACHINES, type DemoMachine } from './machines';
import { PEOPLE, TEAM } from './people';

/**
 * Loads the demo team, dated so that the season ends today. Does nothing when it is there, unless told to do it again.
 * @returns a line about what was loaded, or null
 */
export async function loadDemo(sql: Sql, now: Date, { again = false } = {}): Promise<string | null> {
  return sql.begin(async (tx) => {
    await tx`select pg_advisory_xact_lock(478047804781)`;
    const [there] = await tx`select 1 from team where is_demo`;
    if (there && !again) return null;
    await clear(tx);
    const today = dayOf(now, TEAM.timeZone);
    await tx`insert into team (id, name, time_zone, is_demo) values (${DEMO_TEAM_ID}, ${TEAM.name}, ${TEAM.timeZone}, true)`;
    await tx`insert into person ${tx(PEOPLE.map((p, i) => ({ team_id: DEMO_TEAM_ID, id: person(p.slug), name: p.name, role: p.role, created_at: new Date(now.getTime() - 86_400_000 + i * 1000) })))}`;
    await tx`insert into spec_source ${tx(MACHINES.map((m) => ({ team_id: DEMO_TEAM_ID, id: uid(`source/${m.slug}`), title: `${m.maker} ${m.name} owner’s handbook`, edition: '2nd ed.' })))}`;
    for (const machine of MACHINES) await loadMachine(tx, machine, today, now);
    await loadEvents(tx, today);
    for (const machine of MACHINES) await refreshStanding(tx, DEMO_TEAM_ID, uid(machine.slug));
    return `${TEAM.name}, ${MACHINES.length} machines, season up to ${today}.`;
  });
}

/** Removes the demo team with everything in it; other teams are not touched. */
async function clear(tx: Db): Promise<void> {
  const tables = [
    'machine_standing',
    'service_record',
    'visit_entry',
    'opened_item',
    'visit_step',
    'visit_task',
    'visit',
    'task_trigger',
    'task',
    'spec_figure',
    'fastener',
    'spec_source',
    'reading_strike',
    'reading',
    'outing',
    'event_machine',
    'event',
    'meter',
    'machine',
    'person'
  ];
  const demos = await tx`select id from team where is_demo`;
  for (const { id } of demos) {
    for (const table of tables) await tx`delete from ${tx(table)} where team_id = ${id}`;
    await tx`delete from team where id = ${id}`;
  }
}

async function loadMachine(tx: Db, m: DemoMachine, today: Day, now: Date): Promise<void> {
  const machineId = uid(m.slug);
  const season = addDays(today, -280);
  await tx`
    insert into machine (team_id, id, plate, name, maker, kind, rider_id, in_service_on, created_by)
    values (${DEMO_TEAM_ID}, ${machineId}, ${m.plate}, ${m.name}, ${m.maker}, ${m.kind}, ${m.rider && person(m.rider)}, ${season}, ${person('maud')})`;
  await loadSheet(tx, m);

  const start = firstTotal(m, today);
  const done = m.tasks.map((t) =>
    t.since === null || !t.hours ? [] : doneAt(m, t.since, t.hours[0], start)
  );
  const rides = outings(m, today, done.flat());
  await loadReadings(tx, m, rides, start, season);

  // Work is done in the evening after the outing that ended at those hours.
  const dayAt = (total: number) => rides.findLast((r) => r.total <= total)?.day ?? rides[0]!.day;
  const minuteAt = (total: number) => (rides.findLastIndex((r) => r.total <= total) + 1) * 1;
  for (const [i, t] of m.tasks.entries()) {
    const taskId = uid(`${m.slug}/task/${t.name}`);
    await tx`insert into task (team_id, id, machine_id, name, job, created_by) values (${DEMO_TEAM_ID}, ${taskId}, ${machineId}, ${t.name}, ${t.job ?? null}, ${person('maud')})`;
    const trigger = (
      measure: string,
      [interval, limit]: readonly [number, number?],
      scale: number,
      first?: readonly [number, number]
    ) => tx`
      insert into task_trigger (team_id, id, task_id, measure, interval_amount, limit_amount, first_interval, first_limit)
      values (${DEMO_TEAM_ID}, ${uid(`${taskId}/${measure}`)}, ${taskId}, ${measure}, ${interval * scale}, ${limit === undefined ? null : limit * scale}, ${first ? first[0] * scale : null}, ${first ? first[1] * scale : null})`;
    if (t.hours) await trigger('hours', t.hours, 100, t.first);
    if (t.days) await trigger('days', t.days, 1);
    const marks = done[i]!;
    for (const [k, total] of [...marks].reverse().entries()) {
      const when = at(dayAt(total), 600 + minuteAt(total) / 100 + i);
      const recordId = uid(`${taskId}/done/${k}`);
      if (t.job) await loadVisit(tx, m, taskId, recordId, total, when, k, marks.length);
      else await loadRecord(tx, m, taskId, recordId, total, when);
    }
    if (t.sinceDays !== undefined) {
      const day = addDays(today, -t.sinceDays);
      const total = rides.findLast((r) => dayNumber(r.day) <= dayNumber(day))?.total ?? start;
      await loadRecord(tx, m, taskId, uid(`${taskId}/done`), total, at(day, 500));
    }
  }
  if (m.slug === 'drover') await loadHalfVisit(tx, m, new Date(now.getTime() - 20 * 3_600_000));
}

async function loadRecord(
  tx: Db,
  m: DemoMachine,
  taskId: string,
  id: string,
  total: number,
  when: Date
): Promise<void> {
  const by = chance(id)() < 0.5 ? 'jory' : 'anwen';
  await tx`
    insert into service_record (team_id, id, machine_id, task_id, done_on, done_at, hours, created_by)
    values (${DEMO_TEAM_ID}, ${id}, ${uid(m.slug)}, ${taskId}, ${dayOf(when, TEAM.timeZone)}, ${when}, ${total}, ${person(by)})`;
}

/** The season's calendar: weekends gone by and weekends ahead. */
async function loadEvents(tx: Db, today: Day): Promise<void> {
  // 1970-01-01 was a Thursday, so day number 2 a Saturday.
  const saturday = (from: Day) => addDays(from, (((2 - dayNumber(from)) % 7) + 7) % 7);
  const next = saturday(addDays(today, 2));
  const racing = MACHINES.filter((m) => m.races);
  const events = [
    {
      slug: 'next',
      name: 'Harrow Edge Hare',
      kind: 'race',
      first: next,
      days: 2,
      hours: 3.5,
      who: [...racing, MACHINES.find((m) => m.slug === 'packhorse')!]
    },
    {
      slug: 'practice',
      name: 'Valley practice',
      kind: 'practice',
      first: addDays(next, 14),
      days: 1,
      hours: 2,
      who: null
    },
    {
      slug: 'two-day',
      name: 'Brackloch Two Days',
      kind: 'race',
      first: addDays(next, 28),
      days: 2,
      hours: 6,
      who: racing
    },
    {
      slug: 'past-1',
      name: 'Sallowmoor Cross',
      kind: 'race',
      first: addDays(next, -14),
      days: 2,
      hours: 3.5,
      who: racing
    },
    {
      slug: 'past-2',
      name: 'Old Quarry Round',
      kind: 'race',
      first: addDays(next, -49),
      days: 1,
      hours: 2.5,
      who: racing
    }
  ];
  for (const e of events) {
    const id = uid(`event/${e.slug}`);
    await tx`insert into event ${tx({ team_id: DEMO_TEAM_ID, id, name: e.name, kind: e.kind, first_day: e.first, last_day: addDays(e.first, e.days - 1), hours_each: e.hours * 100, whole_fleet: e.who === null, created_by: person('maud') })}`;
    if (e.who)
      await tx`insert into event_machine ${tx(e.who.map((m) => ({ team_id: DEMO_TEAM_ID, event_id: id, machine_id: uid(m.slug), hours: m.slug === 'packhorse' ? 800 : null })))}`;
  }
}
