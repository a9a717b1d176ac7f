import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { freshDatabase } from '../tests/database/cluster';
import { STATES } from '../src/lib/core/schedule/due';
import { connect, type Sql } from '../src/lib/server/base/db';
import { rebuildStanding } from '../src/lib/server/book/standing';
import { getDemoTeam } from '../src/lib/server/team/teams';
import { lanesOf, trailPage, type TrailPage } from '../src/lib/server/trail/lanes';
import type { Lane } from '../src/lib/core/trail/lane';
import type { Team } from '../src/lib/core/team/team';
import { loadDemo } from './loader';
import { MACHINES } from './machines';

// A Monday, a Saturday and a leap day: the weekends ahead are counted from whatever day it is loaded.
describe.each(['2026-11-23', '2026-06-13', '2028-02-29'])('the demo loaded on %s', (day) => {
  let sql: Sql;
  let drop: () => Promise<void>;
  let team: Team;
  let trail: TrailPage;
  let lanes: Lane[];
  const now = new Date(`${day}T17:00:00Z`);
  beforeAll(async () => {
    const database = await freshDatabase();
    sql = connect(database.url, 2);
    drop = database.drop;
    await loadDemo(sql, now);
    team = (await getDemoTeam(sql))!;
    trail = await trailPage(sql, team, now);
    const drawn = await lanesOf(sql, team, trail.order, now);
    lanes = trail.order.map((id) => drawn.find((l) => l.id === id)!);
  });
  afterAll(async () => {
    await sql.end();
    await drop();
  });

  it('shows every state', () => expect(new Set(Object.keys(trail.counts))).toEqual(new Set(STATES)));
  it('puts what presses most first', () =>
    expect(lanes.map((l) => STATES.indexOf(l.state))).toEqual(
      lanes.map((l) => STATES.indexOf(l.state)).sort((a, b) => a - b)
    ));
  it('stands every machine at its hours, over a replaced meter, a dead one and none', () => {
    for (const m of MACHINES)
      expect(lanes.find((l) => l.plate === m.plate)).toMatchObject({
        total: Math.round(m.hoursNow * 100),
        estimated: m.meter === 'none'
      });
  });
  it('has a debris that grows, a half-done visit and a struck-out reading', async () => {
    const grades =
      await sql`select r.content->'debris'->0->>'grade' as grade from service_record r join machine m on m.id = r.machine_id where m.plate = '41' and r.content is not null order by done_at desc limit 3`;
    expect(grades.map((g) => g.grade)).toEqual(['flakes you can feel', 'fine glitter', 'grey paste or fuzz']);
    expect(await sql`select 1 from visit where closed_at is null`).toHaveLength(1);
    expect(await sql`select 1 from reading_strike`).toHaveLength(1);
  });
  it('keeps standings that working them out anew does not change', async () => {
    const before = await sql`select * from machine_standing order by machine_id`;
    for (const row of before) {
      await rebuildStanding(sql, team.id, row.machine_id);
    }
    expect(await sql`select * from machine_standing order by machine_id`).toEqual(before);
  });
  it('is loaded once, and again when asked', async () => {
    expect(await loadDemo(sql, now)).toBeNull();
    expect(await loadDemo(sql, now, { again: true })).toMatch(/12 machines/);
    expect(await sql`select 1 from team`).toHaveLength(1);
  });
});
