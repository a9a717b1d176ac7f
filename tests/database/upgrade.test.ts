import { closeVisit } from './hands';
import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { migrate } from '../../scripts/lib/migrate.mjs';
import { ensureDatabase } from '../../scripts/lib/roles.mjs';
import { connect, type Sql } from '../../src/lib/server/base/db';
import { refreshMissing } from '../../src/lib/server/book/standing';
import { listTeams } from '../../src/lib/server/team/teams';
import { lanesOf } from '../../src/lib/server/trail/lanes';
import { visitState } from '../../src/lib/core/visit/state';
import { getVisit } from '../../src/lib/server/visit/visits';
import { adminUrl, databaseUrl } from './cluster';

let sql: Sql;
let folder: string;
const name = `upgrade_${crypto.randomUUID().slice(0, 8)}`;
const url = databaseUrl(name);
const migrations = new URL('../../db/migrations', import.meta.url).pathname;
beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'first-'));
  cpSync(join(migrations, '0001_foundation.sql'), join(folder, '0001_foundation.sql'));
  await ensureDatabase(adminUrl(name));
  await migrate(url, folder);
  sql = connect(url, 2);
});
afterAll(async () => {
  await sql.end();
  rmSync(folder, { recursive: true });
});

it('a book of the first version is carried over: its hours and due points are what they were', async () => {
  const [team, person, machine, meter, task] = Array.from({ length: 5 }, () =>
    crypto.randomUUID()
  ) as string[];
  await sql`insert into team (id, name, time_zone) values (${team!}, 'Old hands', 'Europe/London')`;
  await sql`insert into person (team_id, id, name, role) values (${team!}, ${person!}, 'Ada', 'mechanic')`;
  await sql`insert into machine (team_id, id, plate, name, kind, in_service_on, created_by) values (${team!}, ${machine!}, '7', 'Barrow', 'four-stroke enduro', '2026-01-01', ${person!})`;
  await sql`insert into meter (team_id, id, machine_id, kind, fitted_at, first_value, created_by) values (${team!}, ${meter!}, ${machine!}, 'hour meter', '2026-01-01', 0, ${person!})`;
  await sql`insert into reading (team_id, id, machine_id, meter_id, read_at, value, created_by) values (${team!}, ${crypto.randomUUID()}, ${machine!}, ${meter!}, '2026-05-01', 3840, ${person!})`;
  await sql`insert into task (team_id, id, machine_id, name, created_by) values (${team!}, ${task!}, ${machine!}, 'Engine oil', ${person!})`;
  await sql`insert into task_trigger (team_id, id, task_id, measure, interval_amount, limit_amount) values (${team!}, ${crypto.randomUUID()}, ${task!}, 'hours', 1500, 1800)`;
  await sql`insert into service_record (team_id, id, machine_id, task_id, done_on, done_at, hours, created_by) values (${team!}, ${crypto.randomUUID()}, ${machine!}, ${task!}, '2026-04-01', '2026-04-01', 2700, ${person!})`;
  await sql`insert into machine_standing (team_id, machine_id, total, estimated, recent, points, tasks, pegs) values (${team!}, ${machine!}, 3840, false, '[]', '[[1,4000,4300,1500]]', '[]', '[]')`;

  // A visit that stands open, with a plug off, as the first version kept it.
  const visit = crypto.randomUUID();
  await sql`insert into visit (team_id, id, machine_id, job, job_version, rules, started_at, started_by) values (${team!}, ${visit}, ${machine!}, 'engine-oil', 1, '{}', '2026-05-01', ${person!})`;
  await sql`insert into visit_task (team_id, visit_id, task_id) values (${team!}, ${visit}, ${task!})`;
  const kept = { lines: [], caution: null, number: null, mayLeaveOut: true, after: [] };
  for (const [position, step] of [
    { ...kept, key: 'drain-d', title: 'Open the plug', input: { type: 'open', items: ['plug'] } },
    { ...kept, key: 'drain-in-d', title: 'Refit it', input: { type: 'close', items: ['plug'] } }
  ].entries())
    await sql`insert into visit_step (team_id, visit_id, key, position, content) values (${team!}, ${visit}, ${step.key}, ${position}, ${sql.json(step)})`;
  const plug = {
    key: 'plug',
    kind: 'fastener',
    name: 'Plug',
    place: '',
    quantity: 1,
    torque: null,
    seal: 'none',
    note: ''
  };
  await sql`insert into opened_item (team_id, visit_id, key, position, content) values (${team!}, ${visit}, 'plug', 0, ${sql.json(plug)})`;
  const write = (step: string | null, item: string | null, action: string, content: object = {}) =>
    sql`insert into visit_entry (team_id, id, visit_id, step_key, item_key, action, content, by) values (${team!}, ${crypto.randomUUID()}, ${visit}, ${step}, ${item}, ${action}, ${sql.json(content as never)}, ${person!})`;
  await write('drain-d', null, 'done');

  expect(await migrate(url, migrations)).not.toEqual([]);
  expect(await refreshMissing(sql)).toBe(1);
  expect(await refreshMissing(sql)).toBe(0);
  const [row] = await listTeams(sql);
  const [lane] = await lanesOf(sql, row!, [machine!], new Date('2026-05-02T12:00:00Z'));
  expect(lane).toMatchObject({ total: 3840, state: 'clear', next: 'Engine oil in 3.6 h' });
  expect(lane!.stakes[0]!.limitAhead).toBe(660);
  expect(lane!.pegs).toMatchObject([{ behind: 1140 }]);

  // The open visit goes on where it was, and closes into a record of its task.
  const before = (await getVisit(sql, team!, visit))!;
  expect(before.plan.jobs).toMatchObject([{ key: 'engine-oil', taskId: task, circuits: ['engine'] }]);
  expect(visitState(before.plan, before.entries).open.map((i) => i.item.name)).toEqual(['Plug']);
  const close = () => closeVisit(sql, row!, person!, visit, new Date('2026-05-02T12:00:00Z'));
  await expect(close()).rejects.toThrow(/still stands open/);
  await write(null, 'plug', 'torqued', { value: 20, unit: 'N·m' });
  const record = await close();
  expect((await getVisit(sql, team!, visit))!.recordIds).toEqual([record]);
  expect(await sql`select task_id, content->>'job' as job from service_record where id = ${record}`).toEqual([
    { task_id: task, job: 'engine-oil' }
  ]);
});
