import { cpSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { migrate } from '../../scripts/lib/migrate.mjs';
import { ensureDatabase } from '../../scripts/lib/roles.mjs';
import { connect, type Sql } from '../../src/lib/server/base/db';
import { getRecord, listRecords } from '../../src/lib/server/record/records';
import { refreshMissing } from '../../src/lib/server/book/standing';
import { readSheet } from '../../src/lib/server/specs/sheet';
import { listTeams } from '../../src/lib/server/team/teams';
import { readTemplates } from '../../src/lib/server/job/templates';
import { lanesOf } from '../../src/lib/server/trail/lanes';
import { closeProblems } from '../../src/lib/core/visit/close';
import { judgedAt, measuredAt, visitState } from '../../src/lib/core/visit/state';
import { getVisit } from '../../src/lib/server/visit/visits';
import { adminUrl, databaseUrl } from './cluster';

/**
 * Books as every schema version that has landed kept them: two visits of the demo each, one closed and one half done, with
 * all that belongs to them, written by the program of that time. A new migration that changes what is kept gets a book here.
 */
const migrations = new URL('../../db/migrations', import.meta.url).pathname;
const books = new URL('./landed', import.meta.url).pathname;
const versions = readdirSync(books)
  .map((f) => f.replace('.json', ''))
  .sort();
type Rows = Record<string, Record<string, unknown>[]>;

/** An empty database as a schema version left it. */
async function emptyAt(version: string): Promise<{ sql: Sql; url: string }> {
  const name = `landed_${version}_${crypto.randomUUID().slice(0, 8)}`;
  const url = databaseUrl(name);
  const folder = mkdtempSync(join(tmpdir(), 'landed-'));
  for (const f of readdirSync(migrations))
    if (f.slice(0, 4) <= version) cpSync(join(migrations, f), join(folder, f));
  await ensureDatabase(adminUrl(name));
  await migrate(url, folder);
  rmSync(folder, { recursive: true });
  return { sql: connect(url, 2), url };
}

async function openAt(version: string): Promise<{ sql: Sql; url: string; rows: Rows }> {
  const { sql, url } = await emptyAt(version);
  const rows = JSON.parse(readFileSync(join(books, `${version}.json`), 'utf8')) as Rows;
  // Tables stand in the order in which they hang on one another.
  for (const [table, list] of Object.entries(rows))
    for (const row of list) {
      const columns = Object.keys(row);
      await sql`
        insert into ${sql(table)} (${sql(columns)})
        select ${sql(columns)} from jsonb_populate_record(null::${sql(table)}, ${sql.json(row as never)})`;
    }
  return { sql, url, rows };
}

describe.each(versions)('a book of %s', (version) => {
  it('is brought up to today: its visits, records, jobs and sheets read as they were written', async () => {
    const { sql, url, rows } = await openAt(version);
    await migrate(url, migrations);
    await refreshMissing(sql);
    const [team] = await listTeams(sql);
    const machines = rows.machine!.map((m) => m.id as string);
    const now = new Date('2026-11-25T12:00:00Z');
    expect(await lanesOf(sql, team!, machines, now)).toHaveLength(machines.length);

    for (const kept of rows.visit!) {
      const visit = (await getVisit(sql, team!.id, kept.id as string))!;
      const mine = (table: string) => rows[table]!.filter((r) => r.visit_id === kept.id);
      expect(visit.plan.steps.map((s) => s.key)).toEqual(
        mine('visit_step')
          .sort((a, b) => Number(a.position) - Number(b.position))
          .map((s) => s.key)
      );
      expect(visit.entries.map((e) => e.id)).toEqual(mine('visit_entry').map((e) => e.id));
      expect(visit.plan.jobs.length).toBe(mine('visit_task').length);
      const state = visitState(visit.plan, visit.entries);
      // All that was opened in the closed one is shut; the other is half done.
      if (kept.closed_at) {
        expect(state.open).toEqual([]);
        expect(visit.recordIds).toEqual(mine('service_record').map((r) => r.id));
      } else expect(closeProblems(visit.plan, state).length).toBeGreaterThan(5);
      const torques = visit.plan.items.flatMap((i) => i.torque?.band?.from?.value ?? []);
      const inOrder = mine('opened_item').sort((a, b) => Number(a.position) - Number(b.position));
      const before = inOrder.flatMap((i) => {
        const content = i.content as { torque: { quantity: { value: number } | null } | null };
        return content.torque?.quantity?.value ?? [];
      });
      expect(torques).toEqual(before);
    }
    for (const machineId of machines) {
      await readSheet(sql, team!.id, machineId);
      for (const r of await listRecords(sql, team!.id, machineId)) {
        const { content } = (await getRecord(sql, team!.id, r.id))!;
        expect(content!.circuits[0]).toMatchObject({ circuit: 'engine', drainedMl: expect.any(Number) });
        expect(content!.debris.length).toBeGreaterThan(0);
        expect(content!.fasteners.every((f) => 'marked' in f)).toBe(true);
      }
    }
    await sql.end();
  });
});

describe.each(versions.filter((v) => v >= '0003'))('numbers in a book of %s', (version) => {
  it('are measured in units of the workshop, judged by their band', async () => {
    const { sql, url, rows } = await openAt(version);
    await migrate(url, migrations);
    const [team] = await listTeams(sql);
    const open = rows.visit!.find((v) => !v.closed_at)!;
    const visit = (await getVisit(sql, team!.id, open.id as string))!;
    const state = visitState(visit.plan, visit.entries);
    const at = (key: string) => state.steps.find((s) => s.step.key === key)!;
    // Written as a bare 52 in a step of 35 to 45 mm, and as a bare 12 in one of at most 14 clicks.
    expect([measuredAt(at('slack')), judgedAt(at('slack'))]).toMatchObject([
      [{ value: 52, unit: 'mm' }],
      'outside'
    ]);
    expect([measuredAt(at('clicks')), judgedAt(at('clicks'))]).toMatchObject([
      [{ value: 12, unit: 'clicks' }],
      'inside'
    ]);
    const [closed] = rows.service_record!;
    expect((await getRecord(sql, team!.id, closed!.id as string))!.content!.measured).toMatchObject([
      { title: 'Slack', measured: { value: 40, unit: 'mm' } },
      { title: 'Clicks', measured: { value: 12, unit: 'clicks' } }
    ]);
    const job = (await readTemplates(sql, team!.id)).find((t) => t.key === 'chain-look')!;
    expect(job.steps.map((s) => s.measure)).toEqual([
      { unit: 'mm', from: 35, to: 45, figure: null },
      { unit: 'clicks', from: null, to: 14, figure: null }
    ]);
    await sql.end();
  });
  it('reminders that kept a machine off are findings, and what waited still waits', async () => {
    const { sql, url } = await openAt(version);
    await migrate(url, migrations);
    await refreshMissing(sql);
    expect(
      await sql`
        select f.what, f.cause, f.severity, r.waits_for, r.part from finding f left join reminder r on r.finding_id = f.id order by f.what`
    ).toEqual([
      {
        what: 'Engine drain plug: chunks; park it',
        cause: 'debris',
        severity: 'park the machine',
        waits_for: null,
        part: null
      },
      {
        what: 'Screen cap: torque 12 N·m (no adapter)',
        cause: 'deferred',
        severity: 'park the machine',
        waits_for: 'a tool to arrive',
        part: 'adapter'
      }
    ]);
    expect(await sql`select count(*)::int as n from machine_standing where not ready`).toEqual([{ n: 1 }]);
    await sql.end();
  });
});

describe('a meter that 0007 kept as dead', () => {
  // 38.4 when it went dark, then 2.0 and 1.5 h ridden; the other was replaced in the dark after 1.0 h.
  it('keeps what was ridden in the dark', async () => {
    const { sql, url } = await emptyAt('0007');
    const [team, person, machine, other] = Array.from({ length: 4 }, () => crypto.randomUUID());
    await sql`insert into team (id, name, time_zone) values (${team!}, 'Lower Barn', 'Europe/London')`;
    await sql`insert into person (team_id, id, name, role) values (${team!}, ${person!}, 'Wren Oddie', 'mechanic')`;
    const day = (n: number) => new Date(Date.UTC(2026, 5, n));
    for (const [id, plate] of [
      [machine!, '7'],
      [other!, '8']
    ] as const) {
      await sql`
        insert into machine (team_id, id, plate, name, kind, in_service_on, created_by)
        values (${team!}, ${id}, ${plate}, 'Barrow 250', 'four-stroke enduro', '2026-05-01', ${person!})`;
      const meter = crypto.randomUUID();
      await sql`
        insert into meter (team_id, id, machine_id, kind, fitted_at, first_value, dead_since, removed_at, created_by)
        values (${team!}, ${meter}, ${id}, 'hour meter', ${day(1)}, 0, ${day(3)}, ${plate === '8' ? day(6) : null}, ${person!})`;
      const read = (n: number, value: number | null, ridden: number | null) => sql`
        insert into reading (team_id, id, machine_id, meter_id, read_at, value, ridden, created_by)
        values (${team!}, ${crypto.randomUUID()}, ${id}, ${meter}, ${day(n)}, ${value}, ${ridden}, ${person!})`;
      await read(2, 3840, null);
      await read(4, null, plate === '8' ? 100 : 200);
      if (plate === '7') await read(5, null, 150);
    }
    await migrate(url, migrations);
    await refreshMissing(sql);
    const rows = await sql`
      select m.plate, s.total, s.estimated from machine_standing s join machine m on m.team_id = s.team_id and m.id = s.machine_id order by plate`;
    expect(rows).toEqual([
      { plate: '7', total: 4190, estimated: true },
      { plate: '8', total: 3940, estimated: true }
    ]);
    const dark = await sql`select until is null as still from meter_dead order by until nulls first`;
    expect(dark.map((d) => d.still)).toEqual([true, false]);
    await sql.end();
  });
});
