import Papa from 'papaparse';
import fc from 'fast-check';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { at, openBook, uuid, type Book } from '../../../../tests/database/book';
import { changeMeter, createTeam } from '../../../../tests/database/hands';
import { freshDatabase } from '../../../../tests/database/cluster';
import { loadDemo } from '../../../../demo/loader';
import { detectDates, detectDecimal } from '../../core/exchange/import/dialect';
import { matchHeads } from '../../core/exchange/import/field';
import { guessList, IMPORT_KEYS, IMPORT_LISTS, type ImportKey } from '../../core/exchange/import/lists';
import type { Draft, ImportList, Verdict } from '../../core/exchange/import/model';
import type { Outcome } from '../../core/command/envelope';
import type { Team } from '../../core/team/team';
import { runCommands } from '../commands/run';
import { connect, type Sql } from '../base/db';
import { dueFilter } from '../schedule/dues';
import { rebuildStanding } from '../book/standing';
import { getTeam } from '../team/teams';
import { meterChangeSchema } from '../../core/hours/form';
import { planFile, type ImportQuestion } from './import';
import { LISTS } from './lists';
import { csvOf } from './write';

/** A file as the page has it after it was dropped: its columns matched, its dialect found out. */
function fileOf(csv: string, list: ImportKey, importId: string = uuid()): ImportQuestion {
  const [heads, ...rows] = Papa.parse<string[]>(csv.replace(/^\uFEFF/, ''), {
    skipEmptyLines: 'greedy'
  }).data;
  const columns = matchHeads(heads!, (IMPORT_LISTS[list] as ImportList).fields);
  return {
    importId,
    list,
    heads: heads!,
    columns,
    decimal: detectDecimal(rows.flat()).is,
    dates: detectDates(rows.flat()).is,
    shown: false,
    usual: null,
    rows: rows.map((cells, i) => ({ line: i + 2, cells }))
  };
}
async function exported(
  sql: Sql,
  team: Team,
  key: ImportKey,
  units: 'metric' | 'imperial',
  now: Date,
  closed = false
): Promise<string> {
  const filter = {
    machine: null,
    severity: null,
    kind: null,
    closed,
    due: dueFilter(new URLSearchParams()),
    now
  };
  return new Response(csvOf(LISTS[key], sql, { team, units }, filter)).text();
}
const told = (v: Verdict) => [v.lines[0], v.what, v.why];

/** Takes what is good of it, as the page does. */
async function take(
  sql: Sql,
  team: Team,
  personId: string,
  drafts: readonly Draft[],
  now: Date
): Promise<Outcome[]> {
  const from = { team, person: { id: personId, name: 'x', role: 'mechanic' as const }, device: 'a test' };
  const readings = drafts.filter((d) => d.kind === 'reading.log');
  const commands = [
    ...(readings.length > 0
      ? [
          {
            id: uuid(),
            kind: 'reading.paste' as const,
            body: { rows: readings.map((d) => d.body) },
            after: null
          }
        ]
      : []),
    ...drafts
      .filter((d) => d.kind !== 'reading.log')
      .map((d) => ({ id: d.id, kind: d.kind, body: d.body, after: d.after ?? null }))
  ].map((c) => ({ ...c, at: now.toISOString() }));
  return runCommands(
    sql,
    from,
    commands,
    () => now,
    (e) => {
      throw e;
    }
  );
}

describe('the demo, every list of it out and looked at again', () => {
  it('is the same throughout, in either system of units', { timeout: 120_000 }, async () => {
    const database = await freshDatabase();
    const sql = connect(database.url, 4);
    try {
      const now = new Date('2026-11-25T12:00:00Z');
      await loadDemo(sql, now);
      const team = (await getTeam(sql, (await sql`select id from team where is_demo`)[0]!.id as string))!;
      for (const key of IMPORT_KEYS)
        for (const units of ['metric', 'imperial'] as const) {
          const csv = await exported(sql, team, key, units, now);
          expect([key, guessList(fileOf(csv, key).heads)]).toEqual([key, key]);
          const plan = await planFile(sql, team, fileOf(csv, key), now);
          expect([
            key,
            units,
            plan.length > 0,
            plan
              .filter((v) => v.what !== 'same')
              .map(told)
              .slice(0, 5)
          ]).toEqual([key, units, true, []]);
        }
    } finally {
      await sql.end();
      await database.drop();
    }
  });
});

describe('a file of a book', () => {
  let book: Book;
  beforeEach(async () => {
    book = await openBook();
  });
  afterEach(() => book.close());
  const plan = (csv: string, list: ImportKey, importId?: string) =>
    planFile(book.sql, book.team, fileOf(csv, list, importId), at(1));
  const takeAll = async (verdicts: readonly Verdict[]) =>
    take(
      book.sql,
      book.team,
      book.personId,
      verdicts.filter((v) => v.what === 'new' || v.what === 'changed').flatMap((v) => v.drafts),
      at(1)
    );

  const season = [
    'Bike;Date;Meter;Km;Rider;Ground;Notes',
    '7;01.06.2026;39,4;26,5;Wren;mud + water;',
    '7;02.06.2026;40,1;;;;=1+1',
    '7;03.06.2026;12,0;;;;',
    '7;04.06.2026;41;;Nobody;;',
    '9;04.06.2026;41;;;;',
    '7;31.02.2026;41;;;;',
    '7;05.06.2026;41,2;;;lava;',
    '7;02.06.2026;40,1;;;;=1+1',
    '7;24.12.2026;50;;;;',
    '7;06.06.2026;42,0;900;;;',
    '7;07.06.2026;;;;;'
  ].join('\r\n');
  it('outings: each row is new, doubtful or refused with its reason; nothing is written by looking', async () => {
    const verdicts = await plan(season, 'outings');
    expect(verdicts.map(told)).toEqual([
      [2, 'new', ''],
      [3, 'new', ''],
      [4, 'refused', 'The last reading was 40.1 h; 12.0 h is lower.'],
      [5, 'refused', 'Nobody called “Nobody” in this team.'],
      [6, 'refused', 'No machine “9” in this team.'],
      [7, 'refused', expect.stringContaining('“31.02.2026” is no day')],
      [8, 'refused', expect.stringContaining('“lava” is no condition')],
      [9, 'same', 'As row 3.'],
      [10, 'refused', '2026-12-24 has not come yet.'],
      [11, 'doubtful', expect.stringContaining('900 km in 1.9 h')],
      [12, 'refused', expect.stringContaining('+time ridden')]
    ]);
    expect(await book.sql`select 1 from outing`).toEqual([]);
  });
  it('the good ones are taken, the same file again changes nothing, whoever sends it again meanwhile', async () => {
    const verdicts = await plan(season, 'outings');
    const [one, two] = await Promise.all([takeAll(verdicts), takeAll(verdicts)]);
    expect([one, two].flat().map((o) => o.ok && o.data)).toEqual([
      [{ ok: true }, { ok: true }],
      [{ ok: true }, { ok: true }]
    ]);
    expect(
      await book.sql`select o.day, r.value, o.distance, o.conditions, o.remark from outing o join reading r on r.id = o.id order by o.day`
    ).toEqual([
      { day: '2026-06-01', value: 3940, distance: 2650, conditions: ['mud', 'water'], remark: '' },
      { day: '2026-06-02', value: 4010, distance: null, conditions: [], remark: '=1+1' }
    ]);
    const again = await plan(season, 'outings');
    expect(again.slice(0, 2).map(told)).toEqual([
      [2, 'same', ''],
      [3, 'same', '']
    ]);
    expect(again.filter((v) => v.what === 'new')).toEqual([]);
    expect((await book.standing()).total).toBe(4010);
  });
  it('what is doubted is taken as it stands where somebody says so', async () => {
    const verdicts = await plan('plate,day,hours\n7,2026-06-09,338.9', 'outings');
    expect(verdicts.map(told)).toEqual([
      [2, 'doubtful', expect.stringContaining('300.5 h since the last reading')]
    ]);
    const [sent] = await take(book.sql, book.team, book.personId, verdicts[0]!.drafts, at(1));
    expect(sent).toMatchObject({ ok: true, data: [{ ok: true }] });
    expect(await book.sql`select value, settled, settled_reason from reading where value = 33890`).toEqual([
      { value: 33890, settled: 'reading is right', settled_reason: 'From a file, taken as it stands there.' }
    ]);
  });
  it('two rides of half an hour that no meter counted are two; a meter read once is once', async () => {
    await changeMeter(
      book.sql,
      book.team,
      book.personId,
      meterChangeSchema.parse({
        id: uuid(),
        machineId: book.machineId,
        change: 'dead',
        counts: 'hours',
        day: '2026-06-02',
        lastValue: '',
        firstValue: '',
        meanwhile: '',
        reason: 'cable'
      }),
      at(0)
    );
    const csv = 'plate,day,kind,minutes\n7,2026-06-05,ride,30\n7,2026-06-05,ride,30';
    const verdicts = await plan(csv, 'outings');
    expect(verdicts.map((v) => v.what)).toEqual(['new', 'new']);
    await takeAll(verdicts);
    expect((await book.standing()).total).toBe(3940);
    expect((await plan(csv, 'outings')).map((v) => v.what)).toEqual(['same', 'same']);
    expect((await plan(`${csv}\n7,2026-06-05,ride,30`, 'outings')).map((v) => v.what)).toEqual([
      'same',
      'same',
      'new'
    ]);
  });
  it('a figure under hours is time ridden where no meter counts, and is known again as that', async () => {
    const other = await openBook({ meter: 'reckoned' });
    try {
      const csv = 'plate,day,hours,before\n7,2026-06-05,1h15,\n7,2026-06-06,0.5,';
      const look = () => planFile(other.sql, other.team, fileOf(csv, 'outings'), at(1));
      await take(
        other.sql,
        other.team,
        other.personId,
        (await look()).flatMap((v) => v.drafts),
        at(1)
      );
      expect((await other.standing()).total).toBe(4015);
      expect((await look()).map(told)).toEqual([
        [2, 'same', ''],
        [3, 'same', '']
      ]);
    } finally {
      await other.close();
    }
  });
  it('what a meter shows is never time ridden, where no meter is in the book', async () => {
    const other = await openBook({ meter: 'reckoned' });
    try {
      const { total } = await other.standing();
      const csv = 'plate,day,meter shows (h)\n7,2026-06-05,22.6\n7,2026-06-06,30.1';
      const verdicts = await planFile(other.sql, other.team, fileOf(csv, 'readings'), at(1));
      expect(verdicts.map((v) => [v.what, v.drafts.length])).toEqual([
        ['refused', 0],
        ['refused', 0]
      ]);
      expect(verdicts[0]!.why).toContain('no hour meter of 7 could be read on that day');
      expect((await other.standing()).total).toBe(total);
    } finally {
      await other.close();
    }
  });
  it('stopped after any row, it goes on from there and ends the same', async () => {
    const rows = ['39', '39.5', '40.2', '41', '42.5', '43'].map(
      (h, i) => `7,2026-06-0${i + 1},${h},${10 + i}`
    );
    const csv = ['plate,day,hours', ...rows].join('\n');
    await fc.assert(
      fc.asyncProperty(
        fc.uniqueArray(fc.integer({ min: 0, max: 5 }), { minLength: 0, maxLength: 6 }),
        async (some) => {
          const verdicts = await plan(csv, 'outings');
          await take(
            book.sql,
            book.team,
            book.personId,
            some.flatMap((i) => (verdicts[i]!.what === 'new' ? verdicts[i]!.drafts : [])),
            at(1)
          );
          await takeAll(await plan(csv, 'outings'));
          const after = await plan(csv, 'outings');
          expect(after.map((v) => v.what)).toEqual(rows.map(() => 'same'));
          expect(await book.sql`select count(*)::int as n from outing`).toEqual([{ n: 6 }]);
          expect((await book.standing()).total).toBe(4300);
          // Anew for the next one.
          await book.sql`delete from reading where outing_id is not null`;
          await book.sql`delete from outing`;
          await rebuildStanding(book.sql, book.team.id, book.machineId);
        }
      ),
      { numRuns: 12 }
    );
  });
  it('machines: new ones come with what the file says, a rider changes, a kind does not', async () => {
    const csv = (kind: string, rider: string) =>
      `Number,Bike,Type,Rider,Hours\n7,Barrow 250,${kind},${rider},\n12,Fell 450,Four-stroke motocross,wren,"1.204,5"`;
    const verdicts = await plan(csv('four-stroke enduro', 'Wren Oddie'), 'machines');
    expect(verdicts.map(told)).toEqual([
      [2, 'changed', 'rider: – → Wren Oddie'],
      [3, 'new', 'Its tasks come with the list of tasks, or on its page']
    ]);
    expect((await takeAll(verdicts)).every((o) => o.ok)).toBe(true);
    expect(
      await book.sql`select m.plate, m.name, m.kind, p.name as rider, s.total from machine m left join person p on p.id = m.rider_id join machine_standing s on s.machine_id = m.id order by m.plate`
    ).toEqual([
      { plate: '12', name: 'Fell 450', kind: 'four-stroke motocross', rider: 'Wren Oddie', total: 120450 },
      { plate: '7', name: 'Barrow 250', kind: 'four-stroke enduro', rider: 'Wren Oddie', total: 3840 }
    ]);
    expect((await plan(csv('four-stroke enduro', 'Wren Oddie'), 'machines')).map((v) => v.what)).toEqual([
      'same',
      'same'
    ]);
    expect((await plan(csv('electric', 'Wren Oddie'), 'machines')).map(told)[0]).toEqual([
      2,
      'refused',
      'It is a four-stroke enduro in the book, and that does not change.'
    ]);
    expect((await plan('plate,kind\n9,tricycle', 'machines')).map(told)[0]).toEqual([
      2,
      'refused',
      expect.stringContaining('“tricycle” is no kind of machine')
    ]);
  });
  it('machines without hours: not known until they are read, and what their meter showed is never ridden', async () => {
    await takeAll(
      await plan('Number,Bike,Type\n21,Tarn 300,two-stroke enduro\n22,Beck 90,electric', 'machines')
    );
    const stand = (plate: string) =>
      book.sql`select s.total, s.estimated from machine m join machine_standing s on s.machine_id = m.id where m.plate = ${plate}`;
    expect(await stand('21')).toEqual([{ total: null, estimated: false }]);
    // All of it from before it came into the book.
    const csv = 'plate,day,meter shows (h)\n21,2026-04-01,22.6\n21,2026-05-20,275\n21,2026-05-30,297.5';
    const verdicts = await plan(csv, 'readings');
    expect(verdicts.map((v) => v.what)).toEqual(['new', 'new', 'new']);
    await takeAll(verdicts);
    expect(await stand('21')).toEqual([{ total: 29750, estimated: false }]);
    expect((await plan(csv, 'readings')).map((v) => v.what)).toEqual(['same', 'same', 'same']);
    // Nothing tells what this is: it is asked, and said.
    const odd = fileOf('plate,day,hours\n22,2026-05-30,2.5', 'readings');
    expect((await planFile(book.sql, book.team, odd, at(1))).map((v) => [v.what, v.asks])).toEqual([
      ['refused', true]
    ]);
    const said = await planFile(book.sql, book.team, { ...odd, shown: true }, at(1));
    expect(said.map((v) => [v.what, v.drafts[0]!.body['typed']])).toEqual([['new', '2.5']]);
    const ridden = await planFile(
      book.sql,
      book.team,
      { ...odd, columns: odd.columns.map((c) => (c === 'hours' ? 'ridden' : c)) },
      at(1)
    );
    await takeAll(ridden);
    expect(await stand('22')).toEqual([{ total: 250, estimated: true }]);
  });
  it('hours that were stated hold what was ridden before: a diary of last month adds nothing', async () => {
    await takeAll(
      await plan('Number,Bike,Type,Meter,Hours\n23,Rigg 125,two-stroke enduro,reckoned,30.2', 'machines')
    );
    const csv = 'plate,day,kind,ridden\n23,2026-05-01,ride,2h\n23,2026-05-08,race,3h';
    await takeAll(await plan(csv, 'outings'));
    const [{ id }] = (await book.sql`select id from machine where plate = '23'`) as unknown as [
      { id: string }
    ];
    const hours = () =>
      book.sql`select hours from count_step where machine_id = ${id} and kind = 'reading' order by at, ord`;
    const expected = [2720, 3020, 3020].map((hours) => ({ hours }));
    expect(await hours()).toEqual(expected);
    // The same when it is worked out from nothing.
    await rebuildStanding(book.sql, book.team.id, id);
    expect(await hours()).toEqual(expected);
    // One of them that was wrong goes: what was stated stays.
    await book.sql`
      insert into reading_strike (team_id, reading_id, reason, struck_by)
      select team_id, id, 'another machine', created_by from reading where machine_id = ${id} and ridden = 200`;
    await rebuildStanding(book.sql, book.team.id, id);
    expect(await hours()).toEqual([3020, 3020].map((hours) => ({ hours })));
  });
  it('tasks: a row for each thing counted is one task; an interval changes, the rest of it stays', async () => {
    const csv =
      'plate,task,counted in,every,limit,last done,last done at\n7,Chain,km,"500",600,2026-06-01,38\n7,Chain,days,30,,,\n7,engine OIL,h,12,15,,';
    const verdicts = await plan(csv, 'tasks');
    expect(verdicts.map((v) => [v.lines, v.what, v.why])).toEqual([
      [[2, 3], 'new', ''],
      [[4], 'changed', 'every: 15 → 12; limit: 18 → 15']
    ]);
    expect((await takeAll(verdicts)).map((o) => (o.ok ? '' : o.errors))).toEqual(['', '']);
    expect(
      await book.sql`select t.name, t.job, g.measure, g.interval_amount, g.limit_amount from task t join task_trigger g on g.task_id = t.id order by t.name, g.measure`
    ).toEqual([
      { name: 'Chain', job: null, measure: 'days', interval_amount: 30, limit_amount: null },
      { name: 'Chain', job: null, measure: 'distance', interval_amount: 50000, limit_amount: 60000 },
      { name: 'Engine oil', job: 'engine-oil', measure: 'hours', interval_amount: 1200, limit_amount: 1500 }
    ]);
    expect((await plan(csv, 'tasks')).map((v) => v.what)).toEqual(['same', 'same']);
  });
  it('records: done is done once; another number of hours on the same day is doubted', async () => {
    const csv =
      'plate,task,done on,at\n7,Engine oil,2026-06-02,38.2\n7,Engine oil,2026-05-01,24\n7,Clutch,2026-05-01,20';
    const verdicts = await plan(csv, 'records');
    expect(verdicts.map(told)).toEqual([
      [2, 'new', ''],
      [3, 'doubtful', expect.stringContaining('The book has it done that day at 25')],
      [4, 'refused', expect.stringContaining('No task “Clutch” is watched there')]
    ]);
    expect((await takeAll(verdicts)).map((o) => o.ok)).toEqual([true]);
    expect((await plan(csv, 'records'))[0]!.what).toBe('same');
  });
  it('findings: of the day they were found on, closed where the file says so', async () => {
    const csv =
      'plate,what,severity,found on,closed on,with\n7,fork seal weeps,watch,2026-06-03,2026-06-08,new seal\n7,rim dented,fix now,2026-06-04,,';
    const verdicts = await plan(csv, 'findings');
    expect((await takeAll(verdicts)).map((o) => (o.ok ? '' : o.errors))).toEqual(['', '', '']);
    expect(
      await book.sql`select what, found_on, closed_on, closed_word from finding order by found_on`
    ).toEqual([
      { what: 'fork seal weeps', found_on: '2026-06-03', closed_on: '2026-06-08', closed_word: 'new seal' },
      { what: 'rim dented', found_on: '2026-06-04', closed_on: null, closed_word: '' }
    ]);
    expect((await plan(csv, 'findings')).map((v) => v.what)).toEqual(['same', 'same']);
    const closed = await plan(csv.replace('2026-06-04,,', '2026-06-04,2026-06-09,trued'), 'findings');
    expect(closed.map(told)[1]).toEqual([3, 'changed', 'closed on: – → 2026-06-09; with: – → trued']);
    expect((await takeAll(closed)).map((o) => o.ok)).toEqual([true]);
    expect((await plan('plate,what\n7,noise', 'findings')).map(told)).toEqual([
      [2, 'refused', expect.stringContaining('How grave is it?')]
    ]);
  });
  it('fasteners and figures: with their source, a slip doubted, one that differs put in its place', async () => {
    const bolts =
      'plate,name,head,torque,torque unit,torque source,torque page\n7,Engine drain plug,17 mm,25,N·m,Workshop handbook,4-2\n7,Rear axle nut,27 mm,9000,N·m,Workshop handbook,5-1\n7,Skid plate,8 mm,10,N·m,,';
    const verdicts = await plan(bolts, 'fasteners');
    expect(verdicts.map(told)).toEqual([
      [2, 'new', ''],
      [3, 'doubtful', expect.stringContaining('very much')],
      [4, 'new', expect.stringContaining('Its torque is left out')]
    ]);
    expect((await takeAll(verdicts)).map((o) => (o.ok ? '' : o.errors))).toEqual(['', '', '']);
    const figures =
      'plate,figure,value,source,page\n7,Engine oil with a filter change,950 ml,Workshop handbook,4-1';
    const changed = await plan(bolts.replace(',25,', ',28,'), 'fasteners');
    expect(changed.map(told)[0]).toEqual([2, 'changed', 'torque: 25 → 28']);
    expect((await takeAll(changed)).every((o) => o.ok)).toBe(true);
    expect(
      await book.sql`select f.value, f.page, f.supersedes is not null as later from spec_figure f order by f.created_at, f.value`
    ).toEqual([
      { value: 25, page: '4-2', later: false },
      { value: 28, page: '4-2', later: true }
    ]);
    expect((await plan(figures, 'figures'))[0]!.what).toBe('refused');
    const slack = (typed: string) => `plate,key,as printed,source\n7,chain slack,${typed},Workshop handbook`;
    expect((await takeAll(await plan(slack('35–45 mm'), 'figures'))).map((o) => o.ok)).toEqual([true]);
    expect((await plan(slack('35–45 mm'), 'figures')).map((v) => v.what)).toEqual(['same']);
    expect((await plan(slack('35–50 mm'), 'figures')).map(told)).toEqual([[2, 'changed', 'to: 45 → 50']]);
  });
  it('components and oils: each once, moved on their own page, stock as it is', async () => {
    const parts =
      'kind,name,serial,plate,fitted on,hours\nfork,Sprung 48,F-1,7,2026-06-01,12\nwheel,Spare rear,,,,';
    const verdicts = await plan(parts, 'components');
    expect((await takeAll(verdicts)).map((o) => (o.ok ? '' : o.errors))).toEqual(['', '']);
    expect((await plan(parts, 'components')).map((v) => v.what)).toEqual(['same', 'same']);
    const oil = (ml: number) =>
      `name,grade,made for,a bottle,there is\nTrailmix,10W-50,"engine oil, four-stroke",1000,${ml}`;
    expect((await takeAll(await plan(oil(2500), 'oils'))).map((o) => (o.ok ? '' : o.errors))).toEqual(['']);
    const less = await plan(oil(500), 'oils');
    expect(less.map(told)).toEqual([[2, 'changed', 'there is: 2500 → 500']]);
    await takeAll(less);
    // Up again by another file, and down again: each is a change of its own.
    await takeAll(await plan(oil(2500), 'oils'));
    await takeAll(await plan(oil(500), 'oils'));
    expect(await book.sql`select sum(ml)::int as ml from oil_movement`).toEqual([{ ml: 500 }]);
  });
  it('nothing of another team is named or seen', async () => {
    const other = await createTeam(book.sql, {
      id: uuid(),
      name: 'Other',
      timeZone: 'UTC',
      you: { id: uuid(), name: 'Ada', role: 'mechanic' }
    });
    expect(
      (await planFile(book.sql, other, fileOf(season, 'outings'), at(1))).every((v) => v.what === 'refused')
    ).toBe(true);
  });
});
