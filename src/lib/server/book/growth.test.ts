import { afterAll, beforeAll, expect, it } from 'vitest';
import { Book, openBook } from '../../../../tests/database/book';
import { connect, type Sql } from '../base/db';
import { rebuildStanding } from './standing';

/**
 * What one reading makes the database look at. Told by the database's own counts of rows, not by the clock: a plan that
 * walks through a team's whole history is quick while that is short.
 */
const HISTORY = 4000;
const FLEET = 300;
let book: Book;
/** One connection: what it has done can be read as soon as it has done it. */
let sql: Sql;

beforeAll(async () => {
  book = await openBook();
  const { team, machineId, personId } = book;
  sql = connect(book.url, 1);
  // A long history of its own and one of the team's other machines, an outing to each reading.
  const [other] = await sql`
    insert into machine (team_id, id, plate, name, kind, in_service_on, created_by)
    values (${team.id}, gen_random_uuid(), '8', 'Barrow 300', 'two-stroke enduro', '2020-01-01', ${personId}) returning id`;
  await sql`
    insert into meter (team_id, id, machine_id, kind, fitted_at, first_value, created_by)
    values (${team.id}, gen_random_uuid(), ${other!.id}, 'hour meter', '2020-01-01', 0, ${personId})`;
  for (const [id, meterFrom] of [
    [machineId, 0],
    [other!.id as string, 1]
  ] as const) {
    await sql`
      insert into outing (team_id, id, machine_id, day, kind, ridden_at, created_by)
      select ${team.id}, md5(${id} || n)::uuid, ${id}, date '2026-06-01' - n / 4, 'ride', timestamptz '2026-06-01' - n * interval '6 hours', ${personId}
      from generate_series(1, ${HISTORY}::int) n`;
    await sql`
      insert into reading (team_id, id, machine_id, meter_id, outing_id, read_at, value, created_by)
      select ${team.id}, gen_random_uuid(), ${id}, m.id, md5(${id} || n)::uuid, timestamptz '2026-06-01' - n * interval '6 hours', 3800 - n / 4 + ${meterFrom}, ${personId}
      from generate_series(1, ${HISTORY}::int) n, (select id from meter where team_id = ${team.id} and machine_id = ${id} and counts = 'hours' limit 1) m`;
    await rebuildStanding(sql, team.id, id);
  }
  await sql`
    insert into command (team_id, id, kind, person_id, device, at, body, answer)
    select ${team.id}, gen_random_uuid(), 'reading.log', ${personId}, 'old', now() - n * interval '1 hour', '{}', '{}' from generate_series(1, ${HISTORY}::int) n`;
  // A fleet around it, with its tasks and what was done.
  await sql`
    insert into machine (team_id, id, plate, name, kind, in_service_on, created_by)
    select ${team.id}, gen_random_uuid(), 'f' || n, 'Machine ' || n, 'four-stroke enduro', '2020-01-01', ${personId} from generate_series(1, ${FLEET}::int) n`;
  await sql`
    insert into task (team_id, id, machine_id, name, created_by)
    select ${team.id}, gen_random_uuid(), m.id, 'Task ' || n, ${personId} from machine m, generate_series(1, 10) n where m.team_id = ${team.id} and m.plate like 'f%'`;
  await sql`
    insert into service_record (team_id, id, machine_id, task_id, done_on, done_at, hours, created_by)
    select t.team_id, gen_random_uuid(), t.machine_id, t.id, '2025-06-01', '2025-06-01', 100, ${personId} from task t where t.team_id = ${team.id} and t.name like 'Task %'`;
  await sql`analyze`;
}, 60_000);
afterAll(async () => {
  await sql.end();
  await book.close();
});

/** Rows of each table that were read so far, in the table or through an index. */
async function rowsRead(): Promise<Map<string, number>> {
  await sql`select pg_stat_force_next_flush()`;
  const rows = await sql`
    select relname, seq_tup_read + coalesce(idx_tup_fetch, 0) as n from pg_stat_user_tables where seq_tup_read + coalesce(idx_tup_fetch, 0) > 0`;
  return new Map(rows.map((r) => [r.relname as string, Number(r.n)]));
}

it('one reading looks at some hundred rows of each table, however much is in the book', async () => {
  const on = new Book(sql, book.team, book.personId, book.machineId, book.taskId, book.url, book.close);
  // The database tries a statement five times before it keeps one way for all that follow.
  for (let i = 0; i < 12; i++) await on.log('+0.01');
  const before = await rowsRead();
  await on.log('+0.01');
  const after = await rowsRead();
  const read = Object.fromEntries([...after].map(([table, n]) => [table, n - (before.get(table) ?? 0)]));
  expect(Object.entries(read).filter(([, n]) => n > 700)).toEqual([]);
  expect(read.reading).toBeGreaterThan(0);
  expect(read.count_step).toBeGreaterThan(0);
});
