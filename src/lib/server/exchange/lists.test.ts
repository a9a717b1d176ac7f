import Papa from 'papaparse';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { at, openBook, TODAY, uuid, type Book } from '../../../../tests/database/book';
import {
  addFinding,
  addMachine,
  addOil,
  changeMeter,
  createTeam,
  logDistance,
  recordDone,
  strikeReading
} from '../../../../tests/database/hands';
import { unguarded } from '../../core/exchange/csv';
import { machineSchema } from '../../core/machine/form';
import { meterChangeSchema, odometerSchema } from '../../core/hours/form';
import { doneSchema } from '../../core/schedule/form';
import { oilSchema } from '../../core/stores/form';
import { dueFilter, duePage } from '../schedule/dues';
import { LIST_KEYS, LISTS, type ListKey } from './lists';
import { csvOf } from './write';

let book: Book;
beforeEach(async () => {
  book = await openBook();
});
afterEach(() => book.close());

interface How {
  units?: 'metric' | 'imperial';
  machine?: string;
  severity?: string;
  closed?: boolean;
  team?: Book['team'];
}
async function bytes(key: ListKey, how: How = {}): Promise<string> {
  const filter = {
    machine: how.machine ?? null,
    severity: how.severity ?? null,
    kind: null,
    closed: how.closed ?? false,
    due: dueFilter(new URLSearchParams()),
    now: at(1)
  };
  const reader = { team: how.team ?? book.team, units: how.units ?? 'metric' };
  const body = await new Response(csvOf(LISTS[key], book.sql, reader, filter)).arrayBuffer();
  return new TextDecoder('utf-8', { ignoreBOM: true }).decode(body);
}
/** As whatever reads CSV reads it: rows by heading. */
async function read(key: ListKey, how: How = {}): Promise<Record<string, string>[]> {
  const parsed = Papa.parse<Record<string, string>>((await bytes(key, how)).replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: true
  });
  expect(parsed.errors).toEqual([]);
  return parsed.data;
}
const find = (what: string, severity: 'watch' | 'fix now' = 'watch', machineId = book.machineId) =>
  addFinding(
    book.sql,
    book.team,
    book.personId,
    { id: uuid(), machineId, componentId: null, what, place: '', note: '', severity },
    at(1)
  );

describe('every list of an empty book and of one with something in it', () => {
  it('has its headings, each once, and reads as CSV', async () => {
    for (const key of LIST_KEYS) {
      const text = (await bytes(key)).replace(/^\uFEFF/, '');
      const [head] = Papa.parse<string[]>(text).data;
      expect([key, head!.length, new Set(head).size]).toEqual([key, LISTS[key].columns.length, head!.length]);
      for (const row of await read(key)) expect(Object.keys(row)).toEqual(head);
    }
  });
  it('begins with its mark, ends each line as RFC 4180 has it', async () => {
    const text = await bytes('machines');
    expect(text.startsWith('\uFEFFplate,name,')).toBe(true);
    expect(text.endsWith('\r\n')).toBe(true);
    expect(text.split('\r\n')).toHaveLength(3);
  });
  it('of a team with nothing is its headings alone; of another team nothing is seen', async () => {
    const other = await createTeam(book.sql, {
      id: uuid(),
      name: 'Other',
      timeZone: 'Europe/London',
      you: { id: uuid(), name: 'Ada', role: 'mechanic' }
    });
    for (const key of LIST_KEYS) expect([key, await read(key, { team: other })]).toEqual([key, []]);
    expect(await read('readings', { team: other, machine: book.machineId })).toEqual([]);
  });
});

describe('what stands in it', () => {
  it('hours as people write them, units in the headings, moments on the team’s wall clock', async () => {
    await book.log('40.6', { outing: 'race' });
    expect(await read('machines')).toMatchObject([
      { plate: '7', 'running hours (h)': '40.6', estimated: 'no', ready: 'yes' }
    ]);
    // Half past seven in the evening in London, in June.
    const rows = await read('readings');
    expect(rows.map((r) => [r['meter shows (h)'], r['outing']])).toEqual([
      ['38.4', ''],
      ['40.6', 'race']
    ]);
    expect(rows[1]!['read at']).toMatch(/^2026-06-10T\d\d:\d\d$/);
  });
  it('distance in the reader’s unit, and its heading says which', async () => {
    await book.log('40.6', { outing: 'ride', distance: '100 mi' });
    expect((await read('outings', { units: 'imperial' }))[0]).toMatchObject({ 'distance (mi)': '100' });
    expect((await read('outings'))[0]).toMatchObject({ 'distance (km)': '160.93' });
  });
  it('an odometer in a column of its own, never among the hours', async () => {
    const { machineId } = book;
    await changeMeter(
      book.sql,
      book.team,
      book.personId,
      meterChangeSchema.parse({
        id: uuid(),
        machineId,
        day: TODAY,
        change: 'odometer added',
        firstValue: '1200 km',
        remark: ''
      }),
      at(1)
    );
    await logDistance(
      book.sql,
      book.team,
      book.personId,
      odometerSchema.parse({ id: uuid(), machineId, day: TODAY, typed: '1240 km' }),
      at(2)
    );
    const rows = await read('readings');
    expect(rows.map((r) => [r['meter shows (h)'], r['odometer shows (km)']])).toEqual([
      ['38.4', ''],
      ['', '1200'],
      ['', '1240']
    ]);
  });
  it('a reading that was struck out, with why', async () => {
    const { id } = (await book.sql`select id from reading order by read_at limit 1`)[0]!;
    const logged = await book.log('41');
    await strikeReading(
      book.sql,
      book.team,
      book.personId,
      {
        readingId:
          (logged as { id?: string }).id ?? (await book.sql`select id from reading where id <> ${id}`)[0]!.id,
        reason: 'wrong bike'
      },
      at(2)
    );
    expect((await read('readings')).map((r) => r['struck out because'])).toEqual(['', 'wrong bike']);
  });
  it('a task’s triggers a row each, and when it was last done', async () => {
    await recordDone(
      book.sql,
      book.team,
      book.personId,
      doneSchema.parse({ id: uuid(), taskId: book.taskId, day: TODAY, reason: 'x' }),
      at(0)
    );
    expect((await read('tasks'))[0]).toMatchObject({
      task: 'Engine oil',
      'counted in': 'hours',
      every: '15',
      limit: '18',
      'last done': TODAY,
      'last done at (h)': '38.4'
    });
    expect((await read('records')).at(-1)).toMatchObject({
      task: 'Engine oil',
      'done on': TODAY,
      'at (h)': '38.4'
    });
  });
  it('what would be a formula elsewhere is text, and comes back as it was', async () => {
    const nasty = ['=HYPERLINK("http://x","y")', '+1', '-1', '@x', 'a "b", c\nd', '\u00e9 \u2014 \u65e5'];
    for (const what of nasty) await find(what);
    const text = await bytes('findings');
    expect(text).not.toMatch(/(^|,|\n)"?[=+@-]/);
    expect((await read('findings')).map((r) => unguarded(r['what']!)).sort()).toEqual([...nasty].sort());
  });
  it('what is negative by number stays a number', async () => {
    const id = uuid();
    await addOil(
      book.sql,
      book.team.id,
      book.personId,
      oilSchema.parse({
        id,
        name: 'Brindle',
        kind: 'engine oil, four-stroke',
        grade: '10W-50',
        ratings: [],
        additives: [],
        bottle: '1 L',
        stock: '0'
      })
    );
    await book.sql`insert into oil_movement (team_id, id, oil_id, ml, why, by) values (${book.team.id}, ${uuid()}, ${id}, -250, 'x', ${book.personId})`;
    expect((await read('oils'))[0]).toMatchObject({ 'there is (ml)': '-250', 'a bottle (ml)': '1000' });
  });
});

describe('as it is filtered', () => {
  it('findings by machine, severity, and whether they are closed', async () => {
    const other = uuid();
    const form = {
      id: other,
      plate: '8',
      name: 'Barrow',
      kind: 'electric',
      meter: 'hour meter',
      reading: '1',
      tasks: []
    };
    await addMachine(book.sql, book.team, book.personId, machineSchema.parse(form), at(0));
    await find('a');
    await find('b', 'fix now');
    await find('c', 'fix now', other);
    const what = async (how: How) => (await read('findings', how)).map((r) => r['what']);
    expect(await what({})).toEqual(['a', 'b', 'c']);
    expect(await what({ severity: 'fix now' })).toEqual(['b', 'c']);
    expect(await what({ machine: other })).toEqual(['c']);
    expect(await what({ closed: true })).toEqual([]);
  });
  it('the due list as the page has it, line by line', async () => {
    await find('seal', 'fix now');
    const filter = dueFilter(new URLSearchParams());
    const page = await duePage(book.sql, book.team, filter, 0, at(1));
    expect((await read('due')).map((r) => [r['plate'], r['what'], r['state'], r['left']])).toEqual(
      page.rows.map((r) => [r.plate, r.name, r.state, r.left])
    );
    expect(page.rows.length).toBeGreaterThan(1);
  });
});

describe('a long list', () => {
  const fill = (n: number) => book.sql`
    insert into finding (team_id, id, machine_id, cause, what, place, note, severity, found_on, found_at, created_by)
    select ${book.team.id}, gen_random_uuid(), ${book.machineId}, 'seen', 'no ' || g, '', '', 'watch', ${TODAY}, ${at(1)}, ${book.personId} from generate_series(1, ${n}) g`;
  it('is whole', async () => {
    await fill(2300);
    const rows = await read('findings');
    expect(new Set(rows.map((r) => r['what'])).size).toBe(2300);
  });
  it('left off in the middle gives its connection back', async () => {
    await fill(2300);
    for (let i = 0; i < 12; i++) {
      const filter = {
        machine: null,
        severity: null,
        kind: null,
        closed: false,
        due: dueFilter(new URLSearchParams()),
        now: at(1)
      };
      const reader = csvOf(
        LISTS.findings,
        book.sql,
        { team: book.team, units: 'metric' },
        filter
      ).getReader();
      await reader.read();
      await reader.read();
      await reader.cancel();
    }
    expect(await book.sql`select 1 as one`).toEqual([{ one: 1 }]);
  });
});
