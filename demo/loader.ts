import { v5 as uuidv5 } from 'uuid';
import { GRADES, type Grade } from '../src/lib/core/debris/debris';
import { quantity } from '../src/lib/core/quantity/quantity';
import { DEFAULT_RULES } from '../src/lib/core/rules/rules';
import { addDays, dayNumber, dayOf, type Day } from '../src/lib/core/time/day';
import type { Entry, NewEntry } from '../src/lib/core/visit/entry';
import { planEngineOil } from '../src/lib/core/visit/jobs/engine-oil';
import type { VisitPlan } from '../src/lib/core/visit/plan';
import { visitState } from '../src/lib/core/visit/state';
import { summarise } from '../src/lib/core/visit/summary';
import type { Db, Sql } from '../src/lib/server/db';
import { readSheet } from '../src/lib/server/specs';
import { refreshStanding } from '../src/lib/server/standing';
import { earlier, insertEntry, insertVisit } from '../src/lib/server/visits';
import { chance, doneAt, firstTotal, outings, type DemoOuting } from './history';
import { MACHINES, type DemoMachine } from './machines';
import { PEOPLE, TEAM } from './people';

const NAMESPACE = '6f1c2b5e-8a34-4d0e-9f57-3f1f0c7f5a10';
/** The same thing has the same id in every demo. */
const uid = (name: string) => uuidv5(name, NAMESPACE);
export const DEMO_TEAM_ID = uid('team');
export const demoId = uid;
const person = (slug: string) => uid(`person/${slug}`);
const at = (day: Day, minutes: number) => new Date(Date.parse(`${day}T08:00:00Z`) + minutes * 60_000);

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

async function loadSheet(tx: Db, m: DemoMachine): Promise<void> {
  const base = { team_id: DEMO_TEAM_ID, machine_id: uid(m.slug), created_by: person('maud') };
  const source_id = uid(`source/${m.slug}`);
  for (const [position, f] of m.fasteners.entries()) {
    const id = uid(`${m.slug}/fastener/${f.slug}`);
    await tx`insert into fastener ${tx({ ...base, id, circuit: f.circuit, role: f.role, name: f.name, place: f.place, quantity: f.quantity ?? 1, magnet: f.magnet ?? false, seal: f.seal ?? 'none', note: f.note ?? '', position })}`;
    if (f.torque) {
      const [value, unit, confidence] = f.torque;
      const q = quantity(value, unit);
      await tx`insert into spec_figure ${tx({ ...base, id: uid(`${m.slug}/torque/${f.slug}`), key: 'torque', fastener_id: id, dimension: q.dimension, base: q.base, value, unit, source_id, page: String(40 + position), confidence: confidence ?? 'printed' })}`;
    }
  }
  for (const [i, [key, value, unit, confidence]] of m.figures.entries()) {
    const row = {
      ...base,
      id: uid(`${m.slug}/figure/${key}`),
      key,
      source_id,
      page: String(30 + i),
      confidence: confidence ?? 'printed'
    };
    if (typeof value === 'string') await tx`insert into spec_figure ${tx({ ...row, text: value })}`;
    else {
      const q = quantity(value, unit!);
      await tx`insert into spec_figure ${tx({ ...row, dimension: q.dimension, base: q.base, value, unit: unit! })}`;
    }
  }
}

/** Meters and readings of a season: one reading after each outing; a new meter, a dead one or none where the scenario says. */
async function loadReadings(
  tx: Db,
  m: DemoMachine,
  rides: DemoOuting[],
  start: number,
  season: Day
): Promise<void> {
  const base = { team_id: DEMO_TEAM_ID, machine_id: uid(m.slug), created_by: person(m.rider ?? 'jory') };
  const first = uid(`${m.slug}/meter/1`);
  const second = uid(`${m.slug}/meter/2`);
  const swapAt = m.meter === 'replaced' ? Math.floor(rides.length * 0.55) : Infinity;
  const gap =
    m.meter === 'gap'
      ? [Math.floor(rides.length * 0.7), Math.floor(rides.length * 0.7) + 5]
      : [Infinity, Infinity];
  const swap = rides[swapAt];
  await tx`insert into meter ${tx({
    ...base,
    id: first,
    kind: m.meter === 'none' ? 'reckoned' : 'hour meter',
    fitted_at: at(season, 0),
    first_value: m.meter === 'none' ? start : 0,
    removed_at: swap ? at(swap.day, swapAt + 1) : null,
    last_value: swap ? swap.total : null,
    removed_reason: swap ? 'Display went dark after the deep ford; new one fitted.' : ''
  })}`;
  if (swap)
    await tx`insert into meter ${tx({ ...base, id: second, kind: 'hour meter', fitted_at: at(swap.day, swapAt + 1), first_value: 10 })}`;

  const outingRows = [];
  const readingRows = [];
  for (const [i, ride] of rides.entries()) {
    const id = uid(`${m.slug}/outing/${i}`);
    const ridden = m.meter === 'none' || (i >= gap[0]! && i < gap[1]!);
    outingRows.push({
      ...base,
      id,
      rider_id: m.rider ? person(m.rider) : null,
      day: ride.day,
      kind: ride.race ? 'race' : i % 3 === 0 ? 'practice' : 'ride',
      remark: ride.remark
    });
    const value = i > swapAt ? ride.total - swap!.total + 10 : ride.total;
    readingRows.push({
      ...base,
      id,
      meter_id: i > swapAt ? second : first,
      outing_id: id,
      read_at: at(ride.day, i),
      value: ridden ? null : value,
      ridden: ridden ? ride.used : null
    });
  }
  await tx`insert into outing ${tx(outingRows)}`;
  await tx`insert into reading ${tx(readingRows)}`;
  if (m.slug === 'lynchet') {
    // A slip of the pen, struck out: it stays in the book.
    const wrong = uid(`${m.slug}/reading/wrong`);
    const ride = rides.at(-3)!;
    await tx`insert into reading ${tx({ ...base, id: wrong, meter_id: first, read_at: new Date(at(ride.day, rides.length - 3).getTime() + 30_000), value: ride.total * 10 })}`;
    await tx`insert into reading_strike ${tx({ team_id: DEMO_TEAM_ID, reading_id: wrong, reason: 'Decimal sign left out.', struck_by: person('anwen'), struck_at: at(ride.day, 600) })}`;
  }
}

/** Every entry of a visit done as the sheet says, for the book of the season gone by. */
function entriesFor(plan: VisitPlan, seed: string, grade: Grade): NewEntry[] {
  const next = chance(seed);
  let n = 0;
  const id = () => uid(`${seed}/entry/${n++}`);
  const step = (stepKey: string, content: object = {}) =>
    ({ id: id(), stepKey, itemKey: null, action: 'done', content }) as NewEntry;
  return plan.steps.flatMap((s): NewEntry[] => {
    const { input } = s;
    switch (input.type) {
      case 'close':
        return input.items.map((itemKey) => {
          const item = plan.items.find((i) => i.key === itemKey)!;
          if (item.kind !== 'fastener')
            return { id: id(), stepKey: null, itemKey, action: 'shut', content: {} };
          const q = item.torque?.quantity;
          return q
            ? ({
                id: id(),
                stepKey: null,
                itemKey,
                action: 'torqued',
                content: { value: q.value, unit: q.unit }
              } as NewEntry)
            : {
                id: id(),
                stepKey: null,
                itemKey,
                action: 'by feel',
                content: { reason: 'No figure on the sheet.' }
              };
        });
      case 'drained':
        return [
          step(s.key, {
            ml: Math.round(((input.pouredLastTimeMl ?? 1000) * (0.9 + next() * 0.06)) / 10) * 10
          })
        ];
      case 'debris': {
        const found = s.key.startsWith('magnet') ? grade : GRADES[0];
        return [step(s.key, { grade: found, materials: found === GRADES[0] ? [] : ['steel (magnetic)'] })];
      }
      case 'pour':
        return [step(s.key, { ml: input.firstMl ?? 900 })];
      case 'level':
        return [
          step(s.key, {
            level:
              input.method === 'check screw'
                ? { method: input.method, flow: 'weeps' }
                : {
                    method: input.method ?? 'sight glass',
                    position: Math.round((0.5 + next() * 0.3) * 100) / 100
                  },
            toppedUpMl: 60
          })
        ];
      default:
        return [step(s.key)];
    }
  });
}

/** The steps for a machine, with what its earlier changes left behind. */
async function planFor(tx: Db, m: DemoMachine): Promise<VisitPlan> {
  const sheet = await readSheet(tx, DEMO_TEAM_ID, uid(m.slug));
  const before = await earlier(tx, DEMO_TEAM_ID, uid(m.slug));
  const full = sheet.figures.find((f) => f.key.startsWith('engine oil with'))?.quantity?.base ?? null;
  return planEngineOil({
    sheet,
    rules: DEFAULT_RULES,
    pouredLastTimeMl: before.pouredMl ?? full,
    debrisBefore: before.debris,
    breakIn: false
  });
}

async function loadVisit(
  tx: Db,
  m: DemoMachine,
  taskId: string,
  recordId: string,
  total: number,
  when: Date,
  k: number,
  of: number
): Promise<void> {
  const plan = await planFor(tx, m);
  const list = m.debris ?? [];
  const grade = (list[list.length - (of - k)] ?? 'grey paste or fuzz') as Grade;
  const visitId = uid(`${recordId}/visit`);
  const by = person(k % 2 === 0 ? 'jory' : 'anwen');
  const startedAt = new Date(when.getTime() - 50 * 60_000);
  await insertVisit(
    tx,
    DEMO_TEAM_ID,
    { id: visitId, machineId: uid(m.slug), taskId, personId: by, startedAt },
    plan,
    DEFAULT_RULES
  );
  const entries = entriesFor(plan, recordId, grade);
  for (const [i, e] of entries.entries())
    await insertEntry(tx, DEMO_TEAM_ID, by, visitId, e, new Date(startedAt.getTime() + i * 60_000));
  const state = visitState(
    plan,
    entries.map((e, i) => ({ ...e, seq: i, at: when.toISOString(), by }) as Entry)
  );
  const findings = summarise(plan, state, DEFAULT_RULES, 50);
  await tx`
    insert into service_record (team_id, id, machine_id, task_id, visit_id, done_on, done_at, hours, findings, created_by)
    values (${DEMO_TEAM_ID}, ${recordId}, ${uid(m.slug)}, ${taskId}, ${visitId}, ${dayOf(when, TEAM.timeZone)}, ${when}, ${total}, ${tx.json(findings as never)}, ${by})`;
  await tx`update visit set closed_at = ${when}, closed_by = ${by} where team_id = ${DEMO_TEAM_ID} and id = ${visitId}`;
}

/** A visit begun yesterday and left with the plugs out: what the bench looks like when someone comes back. */
async function loadHalfVisit(tx: Db, m: DemoMachine, startedAt: Date): Promise<void> {
  const task = m.tasks.find((t) => t.job)!;
  const plan = await planFor(tx, m);
  const visitId = uid(`${m.slug}/half`);
  await insertVisit(
    tx,
    DEMO_TEAM_ID,
    {
      id: visitId,
      machineId: uid(m.slug),
      taskId: uid(`${m.slug}/task/${task.name}`),
      personId: person('jory'),
      startedAt
    },
    plan,
    DEFAULT_RULES
  );
  const half = entriesFor(plan, visitId, 'grey paste or fuzz').slice(0, 9);
  for (const [i, e] of half.entries())
    await insertEntry(
      tx,
      DEMO_TEAM_ID,
      person('jory'),
      visitId,
      e,
      new Date(startedAt.getTime() + i * 90_000)
    );
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
