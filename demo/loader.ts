import { addDays, dayNumber, dayOf, type Day } from '../src/lib/core/time/day';
import type { Db, Sql } from '../src/lib/server/base/db';
import { isChainTask } from '../src/lib/core/chain/sheet';
import { isValveTask } from '../src/lib/core/valve/task';
import { refreshStanding } from '../src/lib/server/book/standing';
import { CHAINS } from './chains';
import { ownOffset, partOf } from './components';
import { chance, doneAt, firstTotal, outings } from './history';
import { at, DEMO_TEAM_ID, person, uid } from './ids';
import { loadReadings, loadSheet } from './load-book';
import { chainWantsAgain, loadChain } from './load-chains';
import { loadComponents, loadReports } from './load-parts';
import { loadRounds } from './load-rounds';
import { loadFilters, loadStores } from './load-stores';
import { loadBladesAndShims, loadHead, wantsAgain } from './load-valves';
import { loadHalfVisit, loadVisit } from './load-visits';
import { MACHINES, type DemoMachine } from './machines';
import { PEOPLE, TEAM } from './people';
import { HEADS } from './valves';

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
    await tx`insert into spec_source ${tx(MACHINES.filter((m) => m.superseded).map((m) => ({ team_id: DEMO_TEAM_ID, id: uid(`source/${m.slug}/1`), title: `${m.maker} ${m.name} owner’s handbook`, edition: '1st ed.' })))}`;
    const events = await loadEvents(tx, today);
    const season = addDays(today, -280);
    for (const machine of MACHINES) await insertMachine(tx, machine, season);
    await loadStarters(tx, events);
    await loadStores(tx, today, season);
    await loadFilters(tx, season);
    await loadBladesAndShims(tx, season);
    await loadComponents(tx, season, new Map(MACHINES.map((m) => [m.slug, firstTotal(m, today)])));
    for (const machine of MACHINES) await loadMachine(tx, machine, today, season, events, now);
    await loadReports(tx, today, now);
    for (const machine of MACHINES) await refreshStanding(tx, DEMO_TEAM_ID, uid(machine.slug));
    const team = { ...TEAM, id: DEMO_TEAM_ID, isDemo: true };
    for (const { machine } of HEADS) await wantsAgain(tx, team, uid(machine));
    for (const { machine } of CHAINS) await chainWantsAgain(tx, team, uid(machine));
    for (const slug of new Set([...HEADS, ...CHAINS].map((x) => x.machine)))
      await refreshStanding(tx, DEMO_TEAM_ID, uid(slug));
    for (const slug of await loadRounds(tx, today, now)) await refreshStanding(tx, DEMO_TEAM_ID, uid(slug));
    return `${TEAM.name}, ${MACHINES.length} machines, season up to ${today}.`;
  });
}

/** Removes the demo team with everything in it; other teams are not touched. */
async function clear(tx: Db): Promise<void> {
  const tables = [
    'machine_standing',
    'air_filter_movement',
    'round_checks',
    'calendar_feed',
    'api_token',
    'access_event',
    'invitation',
    'session',
    'device_pin',
    'device',
    'sign_in',
    'chain_reading',
    'chain_check',
    'chain_entry',
    'chain_drive',
    'valve_reading',
    'valve_shim',
    'shim_movement',
    'shim_level',
    'valve_check',
    'valve_head',
    'blade_set',
    'count_step',
    'book_stale',
    'command',
    'photo_upload',
    'photo',
    'oil_movement',
    'oil',
    'torque_wrench',
    'adapter',
    'job_template',
    'interval_proposal',
    'task_change',
    'rebuild_task',
    'rebuild',
    'machine_call',
    'finding_change',
    'reminder',
    'finding',
    'round_answer',
    'machine_round',
    'house_rule',
    'figure_check',
    'modification',
    'service_record',
    'visit_begun_apart',
    'visit_entry',
    'opened_item',
    'visit_step',
    'visit_task',
    'visit',
    'task_trigger',
    'task',
    'fitting',
    'component',
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
    'air_filter',
    'person'
  ];
  const demos = await tx`select id from team where is_demo`;
  for (const { id } of demos) {
    for (const table of tables) await tx`delete from ${tx(table)} where team_id = ${id}`;
    await tx`delete from team where id = ${id}`;
  }
}

async function insertMachine(tx: Db, m: DemoMachine, season: Day): Promise<void> {
  await tx`
    insert into machine (team_id, id, plate, name, maker, kind, rider_id, in_service_on, created_by)
    values (${DEMO_TEAM_ID}, ${uid(m.slug)}, ${m.plate}, ${m.name}, ${m.maker}, ${m.kind}, ${m.rider && person(m.rider)}, ${season}, ${person('maud')})`;
}

async function loadMachine(
  tx: Db,
  m: DemoMachine,
  today: Day,
  season: Day,
  events: DemoEvent[],
  now: Date
): Promise<void> {
  const machineId = uid(m.slug);
  await loadSheet(tx, m, season);

  const start = firstTotal(m, today);
  const done = m.tasks.map((t) =>
    t.since === null || !t.hours ? [] : doneAt(m, t.since, t.hours[0], start)
  );
  const rides = outings(m, today, done.flat());
  const eventOn = (day: Day) =>
    events.find((e) => e.who?.includes(m) && e.first <= day && day <= addDays(e.first, e.days - 1))?.id ??
    null;
  await loadReadings(tx, m, rides, start, season, eventOn);

  // Work is done in the evening after the outing that ended at those hours.
  const dayAt = (total: number) => rides.findLast((r) => r.total <= total)?.day ?? rides[0]!.day;
  const minuteAt = (total: number) => (rides.findLastIndex((r) => r.total <= total) + 1) * 1;
  let valves: { total: number; recordId: string }[] = [];
  let chains: { total: number; recordId: string }[] = [];
  for (const [i, t] of m.tasks.entries()) {
    const taskId = uid(`${m.slug}/task/${t.name}`);
    const part = partOf(m.slug, t.name);
    await tx`
      insert into task (team_id, id, machine_id, component_id, name, job, answers, ageing, sensitivity, per_part, created_by)
      values (${DEMO_TEAM_ID}, ${taskId}, ${part ? null : machineId}, ${part && uid(part)}, ${t.name}, ${t.job ?? null}, ${t.answers ?? []}, ${t.ageing ?? null},
        ${tx.json((t.sensitivity ?? {}) as never)}, ${t.perPart ?? false}, ${person('maud')})`;
    const trigger = (
      measure: string,
      [interval, limit]: readonly [number, number?],
      scale: number,
      first?: readonly [number, number],
      of: string | null = null
    ) => tx`
      insert into task_trigger (team_id, id, task_id, measure, of_task_id, interval_amount, limit_amount, first_interval, first_limit)
      values (${DEMO_TEAM_ID}, ${uid(`${taskId}/${measure}`)}, ${taskId}, ${measure}, ${of}, ${interval * scale}, ${limit === undefined ? null : limit * scale}, ${first ? first[0] * scale : null}, ${first ? first[1] * scale : null})`;
    if (t.hours) await trigger('hours', t.hours, 100, t.first);
    if (t.days) await trigger('days', t.days, 1);
    if (t.distance) await trigger('distance', [t.distance], 100);
    if (t.outings) await trigger('outings', [t.outings], 1);
    if (t.races) await trigger('races', [t.races], 1);
    if (t.times) await trigger('times', [t.times[0]], 1, undefined, uid(`${m.slug}/task/${t.times[1]}`));
    const marks = done[i]!;
    const asRecorded = () =>
      [...marks].reverse().map((total, k) => ({ total, recordId: uid(`${taskId}/done/${k}`) }));
    if (isValveTask({ name: t.name, job: t.job ?? null })) valves = asRecorded();
    if (isChainTask({ name: t.name, job: t.job ?? null }) && marks.length > 0) chains = asRecorded();
    for (const [k, total] of [...marks].reverse().entries()) {
      const when = at(dayAt(total), 600 + minuteAt(total) / 100 + i);
      const recordId = uid(`${taskId}/done/${k}`);
      // A filter is washed on the tailgate and ticked off; the bench has it for whoever wants its steps.
      if (t.job && t.job !== 'air-filter') await loadVisit(tx, m, t, recordId, total, when, k, marks.length);
      else await loadRecord(tx, m, taskId, recordId, total + ownOffset(part, start), when);
    }
    if (t.sinceDays !== undefined) {
      const day = addDays(today, -t.sinceDays);
      const total = rides.findLast((r) => dayNumber(r.day) <= dayNumber(day))?.total ?? start;
      await loadRecord(tx, m, taskId, uid(`${taskId}/done`), total + ownOffset(part, start), at(day, 500));
    }
  }
  await loadHead(tx, m, today, rides, valves);
  await loadChain(tx, m, today, rides, chains);
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
interface DemoEvent {
  id: string;
  first: Day;
  days: number;
  hours: number;
  who: DemoMachine[] | null;
}

async function loadEvents(tx: Db, today: Day): Promise<DemoEvent[]> {
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
  for (const e of events)
    await tx`insert into event ${tx({ team_id: DEMO_TEAM_ID, id: uid(`event/${e.slug}`), name: e.name, kind: e.kind, first_day: e.first, last_day: addDays(e.first, e.days - 1), hours_each: e.hours * 100, whole_fleet: e.who === null, created_by: person('maud') })}`;
  return events.map((e) => ({ ...e, id: uid(`event/${e.slug}`) }));
}

/** Who goes, once the machines are there. */
async function loadStarters(tx: Db, events: DemoEvent[]): Promise<void> {
  for (const e of events)
    if (e.who)
      await tx`insert into event_machine ${tx(e.who.map((m) => ({ team_id: DEMO_TEAM_ID, event_id: e.id, machine_id: uid(m.slug), hours: m.slug === 'packhorse' ? 800 : null })))}`;
}
