import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { Book, NOW, openBook, uuid } from './book';

/** The schema itself holds what must never be, whatever a module above it does. */
let book: Book;
let team: string;
let by: string;
let machine: string;
let meter: string;
beforeAll(async () => {
  book = await openBook();
  team = book.team.id;
  by = book.personId;
  machine = book.machineId;
  meter = (await book.sql`select id from meter`)[0]!.id;
});
afterAll(() => book.close());

const insert = (table: string, row: Record<string, unknown>) =>
  book.sql`insert into ${book.sql(table)} ${book.sql({ team_id: team, id: uuid(), ...row })}`;
const refused = (table: string, row: Record<string, unknown>, constraint: RegExp) =>
  expect(insert(table, row)).rejects.toMatchObject({ constraint_name: expect.stringMatching(constraint) });

describe('readings', () => {
  const row = { read_at: NOW, created_by: '' };
  const reading = (more: object) => ({
    ...row,
    machine_id: machine,
    meter_id: meter,
    created_by: by,
    ...more
  });
  it('show a value or hours ridden, never both or neither', async () => {
    await refused('reading', reading({ value: 100, ridden: 50 }), /reading_check/);
    await refused('reading', reading({}), /reading_check/);
  });
  it('are never negative, and never past any meter', async () => {
    await refused('reading', reading({ value: -1 }), /value/);
    await refused('reading', reading({ value: 10_000_001 }), /value/);
    await refused('reading', reading({ ridden: 100_001 }), /ridden/);
  });
  it('that were doubted say how that was settled', () =>
    refused('reading', reading({ value: 5, doubts: ['unusual jump'] }), /reading_check/));
  it('belong to a meter and a person of the same team', async () => {
    await refused('reading', reading({ value: 5, meter_id: uuid() }), /meter_id/);
    await refused('reading', reading({ value: 5, created_by: uuid() }), /created_by/);
    await refused('reading', reading({ value: 5, team_id: uuid() }), /fkey/);
  });
  it('are struck out once, with a reason', async () => {
    const [{ id }] = (await book.sql`select id from reading limit 1`) as unknown as [{ id: string }];
    const strike = (reason: string) =>
      book.sql`insert into reading_strike (team_id, reading_id, reason, struck_by) values (${team}, ${id}, ${reason}, ${by})`;
    await expect(strike('  ')).rejects.toMatchObject({ code: '23514' });
    await strike('misread');
    await expect(strike('again')).rejects.toMatchObject({ code: '23505' });
    await book.sql`delete from reading_strike`;
  });
});

describe('meters', () => {
  const row = (more: object) => ({
    machine_id: machine,
    kind: 'hour meter',
    fitted_at: NOW,
    first_value: 0,
    created_by: by,
    ...more
  });
  it('one is in use at a time', () => refused('meter', row({}), /meter_in_use/));
  it('end after they began, at or above what they began with', async () => {
    await refused('meter', row({ removed_at: new Date(NOW.getTime() - 1) }), /meter_check/);
    await refused('meter', row({ removed_at: NOW, first_value: 50, last_value: 40 }), /meter_check/);
    await refused('meter', row({ last_value: 40 }), /meter_check|meter_in_use/);
  });
});

describe('tasks and triggers', () => {
  const trigger = (more: object) => ({ task_id: book.taskId, measure: 'days', interval_amount: 10, ...more });
  it('intervals are more than nothing', async () => {
    await refused('task_trigger', trigger({ interval_amount: 0 }), /interval_amount/);
    await refused('task_trigger', trigger({ interval_amount: -5 }), /interval_amount/);
  });
  it('a limit lies at or past its interval', async () => {
    await refused('task_trigger', trigger({ limit_amount: 9 }), /task_trigger_check/);
    await refused('task_trigger', trigger({ first_limit: 5 }), /task_trigger_check/);
    await refused('task_trigger', trigger({ first_interval: 5, first_limit: 4 }), /task_trigger_check/);
  });
  it('one trigger a measure', () =>
    refused('task_trigger', trigger({ measure: 'hours' }), /task_trigger_measure/));
  it('names tell tasks apart, in any case', () =>
    refused('task', { machine_id: machine, name: 'ENGINE OIL', created_by: by }, /task_name/));
});

describe('spec figures', () => {
  const source = uuid();
  beforeAll(() => insert('spec_source', { id: source, title: 'Manual', edition: '1st' }).then(() => {}));
  const figure = (more: object) => ({
    machine_id: machine,
    key: 'torque',
    source_id: source,
    confidence: 'printed',
    created_by: by,
    ...more
  });
  const oil = { dimension: 'volume', base: 950, value: 950, unit: 'ml' };
  it('are a quantity with its unit, or words; unknown is no row at all', async () => {
    await refused('spec_figure', figure({}), /spec_figure_check/);
    await refused('spec_figure', figure({ ...oil, unit: null }), /spec_figure_check/);
    await refused('spec_figure', figure({ ...oil, text: 'about a litre' }), /spec_figure_check/);
    await refused('spec_figure', figure({ text: '   ' }), /spec_figure_check/);
  });
  it('stand once, and are superseded once', async () => {
    const first = uuid();
    await insert('spec_figure', figure({ id: first, key: 'engine oil with filter', ...oil }));
    await refused('spec_figure', figure({ key: 'engine oil with filter', ...oil }), /first_once/);
    await insert('spec_figure', figure({ key: 'engine oil with filter', ...oil, supersedes: first }));
    await refused(
      'spec_figure',
      figure({ key: 'engine oil with filter', ...oil, supersedes: first }),
      /superseded_once/
    );
  });
  it('one source a title and edition', () =>
    refused('spec_source', { title: 'MANUAL', edition: '1ST' }, /spec_source_title/));
});

describe('visits and records', () => {
  const visit = (more: object) => ({
    machine_id: machine,
    plan: book.sql.json({ v: 1, jobs: [], points: [], estimate: null }),
    rules: {},
    started_at: NOW,
    started_by: by,
    ...more
  });
  it('one visit stands open on a machine', async () => {
    await insert('visit', visit({}));
    await refused('visit', visit({}), /visit_one_open/);
    await insert('visit', visit({ given_up_at: NOW, given_up_reason: 'wrong machine' }));
  });
  it('are closed by someone, and not given up as well', async () => {
    await refused('visit', visit({ closed_at: NOW }), /visit_check/);
    await refused(
      'visit',
      visit({ closed_at: NOW, closed_by: by, given_up_at: NOW, given_up_reason: 'x' }),
      /visit_check/
    );
    await refused('visit', visit({ given_up_at: NOW }), /visit_check/);
  });
  it('an entry is of a step or of a thing opened, and of one this visit has', async () => {
    const [{ id }] = (await book.sql`select id from visit limit 1`) as unknown as [{ id: string }];
    await refused('visit_entry', { visit_id: id, action: 'done', by }, /visit_entry_about/);
    await refused(
      'visit_entry',
      { visit_id: id, action: 'thing out', step_key: 'pour', by },
      /visit_entry_about/
    );
    await refused(
      'visit_entry',
      { visit_id: id, action: 'torqued', step_key: 'pour', by },
      /visit_entry_about/
    );
    await refused('visit_entry', { visit_id: id, action: 'done', step_key: 'nothing', by }, /step_key/);
  });
  it('a visit leaves one record a task', async () => {
    const [{ id }] = (await book.sql`select id from visit limit 1`) as unknown as [{ id: string }];
    const record = {
      machine_id: machine,
      task_id: book.taskId,
      visit_id: id,
      done_on: '2026-06-10',
      done_at: NOW,
      hours: 100,
      created_by: by
    };
    await insert('service_record', record);
    await refused('service_record', record, /service_record_once/);
  });
});

describe('the bench', () => {
  it('a wrench’s range is the right way up', () =>
    refused(
      'torque_wrench',
      { name: 'Odd', unit: 'N·m', low_nm: 50, high_nm: 20, created_by: by },
      /torque_wrench_check/
    ));
  it('a point of the map lies on the machine, with both its sides', async () => {
    const point = { machine_id: machine, role: 'drain plug', name: 'Plug', position: 1, created_by: by };
    await refused('fastener', { ...point, at_x: 0.5 }, /fastener_at/);
    await refused('fastener', { ...point, at_x: 1.5, at_y: 0.5 }, /fastener_at_x/);
    await refused('fastener', { ...point, role: 'ornament' }, /fastener_role/);
  });
  it('stock moves by something, and an oil is of a kind', async () => {
    const oil = uuid();
    const can = {
      id: oil,
      name: 'Brindle',
      kind: 'engine oil, four-stroke',
      grade: '10W-50',
      bottle_ml: 1000,
      created_by: by
    };
    await refused('oil', { ...can, kind: 'cooking oil' }, /oil_kind/);
    await refused('oil', { ...can, bottle_ml: 1 }, /oil_bottle/);
    await insert('oil', can);
    await refused('oil', { ...can, id: uuid() }, /oil_name/);
    await refused('oil_movement', { oil_id: oil, ml: 0, why: 'x', by }, /oil_movement_ml/);
    await refused('oil_movement', { oil_id: oil, ml: 10, why: ' ', by }, /oil_movement_why/);
  });
  it('a version of a job is written once', async () => {
    const version = { key: 'a-job', version: 1, content: book.sql.json({}), created_by: by };
    const put = () => book.sql`insert into job_template ${book.sql({ team_id: book.team.id, ...version })}`;
    await put();
    await expect(put()).rejects.toMatchObject({ constraint_name: 'job_template_pkey' });
  });
});

describe('teams, people, machines, events', () => {
  it('one demo at most', async () => {
    const demo = () =>
      book.sql`insert into team (id, name, time_zone, is_demo) values (${uuid()}, 'Demo', 'UTC', true)`;
    await demo();
    await expect(demo()).rejects.toMatchObject({ constraint_name: 'team_one_demo' });
  });
  it('names and plates tell apart, in any case', async () => {
    await refused('person', { name: 'wren ODDIE', role: 'rider' }, /person_name/);
    await refused(
      'machine',
      { plate: '7', name: 'Twin', kind: 'electric', in_service_on: '2026-01-01', created_by: by },
      /machine_plate/
    );
  });
  it('events end after they begin, within a month', async () => {
    const event = (last: string) => ({
      name: 'Cross',
      kind: 'race',
      first_day: '2026-06-13',
      last_day: last,
      hours_each: 200,
      whole_fleet: true,
      created_by: by
    });
    await refused('event', event('2026-06-12'), /event_check/);
    await refused('event', event('2026-09-12'), /event_check/);
  });
});
