import { connect, type Sql } from '../src/lib/server/base/db';
import { refreshStanding } from '../src/lib/server/book/standing';

/**
 * A generated team for measuring: `size` machines with three years of readings each, so many tasks with their records and
 * triggers, four planned weekends.
 */
export async function makeFleet(
  sql: Sql,
  size: number,
  readingsEach: number,
  tasksEach = 6,
  triggersEach = 1
): Promise<string> {
  const team = crypto.randomUUID();
  const person = crypto.randomUUID();
  await sql`insert into team (id, name, time_zone) values (${team}, ${`Fleet of ${size} with ${readingsEach} readings`}, 'Europe/London')`;
  await sql`insert into person (team_id, id, name, role) values (${team}, ${person}, 'Measurer', 'mechanic')`;
  await sql`
    insert into machine (team_id, id, plate, name, kind, in_service_on, created_by)
    select ${team}, gen_random_uuid(), n::text, 'Machine ' || n, 'four-stroke enduro', current_date - 1100, ${person} from generate_series(1, ${size}) n`;
  await sql`insert into meter (team_id, id, machine_id, kind, fitted_at, first_value, created_by) select team_id, gen_random_uuid(), id, 'hour meter', now() - interval '1100 days', 0, ${person} from machine where team_id = ${team}`;
  await sql`
    insert into reading (team_id, id, machine_id, meter_id, read_at, value, created_by)
    select t.team_id, gen_random_uuid(), t.machine_id, t.id, now() - interval '1095 days' + n * (interval '1094 days' / ${readingsEach}::int), round(n * 36000.0 / ${readingsEach}::int)::int, ${person}
    from meter t, generate_series(1, ${readingsEach}) n where t.team_id = ${team}`;
  await sql`
    insert into task (team_id, id, machine_id, name, job, created_by)
    select m.team_id, gen_random_uuid(), m.id, 'Task ' || n, case when n = 1 then 'engine-oil' end, ${person} from machine m, generate_series(1, ${tasksEach}::int) n where m.team_id = ${team}`;
  await sql`
    insert into task_trigger (team_id, id, task_id, measure, interval_amount, limit_amount)
    select team_id, gen_random_uuid(), id, g.measure, g.size * substr(name, 6)::int, g.size * 1.3 * substr(name, 6)::int
    from task, (values (1, 'hours', 1000), (2, 'days', 30), (3, 'outings', 10), (4, 'races', 3)) g (n, measure, size)
    where team_id = ${team} and g.n <= ${triggersEach}`;
  await sql`
    insert into service_record (team_id, id, machine_id, task_id, done_on, done_at, hours, created_by)
    select k.team_id, gen_random_uuid(), k.machine_id, k.id, current_date - n * 25, now() - n * interval '25 days', greatest(0, 36000 - n * 800 - (hashtext(k.id::text) & 511))::int, ${person}
    from task k, generate_series(1, 12) n where k.team_id = ${team}`;
  await sql`
    insert into event (team_id, id, name, kind, first_day, last_day, hours_each, whole_fleet, created_by)
    select ${team}, gen_random_uuid(), 'Weekend ' || n, 'race', current_date + n * 12, current_date + n * 12 + 1, 300, true, ${person} from generate_series(1, 4) n`;
  await sql.unsafe('analyze');
  const machines = await sql`select id from machine where team_id = ${team}`;
  for (const { id } of machines) await refreshStanding(sql, team, id);
  return team;
}

const [url, ...sizes] = process.argv.slice(2);
if (url && process.argv[1]?.endsWith('fleet.ts')) {
  const sql = connect(url, 2);
  for (const spec of sizes) {
    const [size, readings, tasks, triggers] = spec.split('x').map(Number);
    console.log(spec, await makeFleet(sql, size!, readings!, tasks, triggers));
  }
  await sql.end();
}
