import { addComponent, recordDone, strikeReading } from '../../../../tests/database/hands';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { NOW, TODAY, uuid } from '../../../../tests/database/book';
import { later, Pit, refused } from '../../../../tests/database/pit';
import { componentSchema, swapSchema } from '../../core/component/form';
import { strikeSchema } from '../../core/hours/form';
import { doneSchema } from '../../core/schedule/form';
import { componentHistory, listComponents } from './pages';
import { rebuildStanding } from '../book/standing';

describe('two engines', () => {
  let pit: Pit;
  beforeAll(async () => {
    pit = await Pit.open();
  });
  afterAll(() => pit.book.close());

  it('carry their own hours, and their tasks stand on the machine they are on', async () => {
    expect(await pit.left(pit.book.machineId)).toBe('in 10 h'.replace('10', '10.0'));
    expect(await pit.left(pit.other)).toBe('in 9.0 h');
    await pit.log(pit.book.machineId, '40.4', { day: '2026-06-11' }, later(8));
    expect([await pit.hours(pit.a), await pit.hours(pit.b)]).toEqual([3200, 7000]);
    expect(await pit.left(pit.book.machineId)).toBe('in 8.0 h');
  });

  it('swapped in one action, leave both machines with the right hours left, read at the swap', async () => {
    const id = uuid();
    await pit.swap({ id, reading: '41.4', withReading: '82' });
    await pit.swap({ id, reading: '41.4', withReading: '82' });
    expect([await pit.hours(pit.a), await pit.hours(pit.b)]).toEqual([3300, 7200]);
    expect(await pit.left(pit.book.machineId)).toBe('in 7.0 h');
    expect(await pit.left(pit.other)).toBe('in 7.0 h');
    // 9 runs on with the other engine.
    await pit.log(pit.other, '84.5', { day: '2026-06-12' }, later(30));
    expect([await pit.hours(pit.a), await pit.hours(pit.b)]).toEqual([3550, 7200]);
    expect(await pit.left(pit.other)).toBe('in 4.5 h');
    expect(await pit.left(pit.book.machineId)).toBe('in 7.0 h');
    expect(await pit.sql`select count(*)::int as n from fitting where removed_at is null`).toEqual([
      { n: 2 }
    ]);
  });

  it('are right on both machines for a reading entered late, and for one struck out', async () => {
    // Ridden before the swap, written down after it: it belongs to the engine that was on then.
    await pit.log(pit.book.machineId, '39.4', { day: '2026-06-10' }, later(31));
    expect(await pit.hours(pit.a)).toBe(3550);
    const [swapReading] = await pit.sql`select id from reading where value = 4140`;
    await strikeReading(
      pit.sql,
      pit.book.team.id,
      pit.book.personId,
      strikeSchema.parse({ readingId: swapReading!.id, reason: 'misread' })
    );
    // 7 stood at 40.4 h when its engine came off: an hour less on that engine, which is on the other machine now.
    expect(await pit.hours(pit.a)).toBe(3450);
    expect(await pit.left(pit.other)).toBe('in 5.5 h');
    expect(await pit.left(pit.book.machineId)).toBe('in 7.0 h');
  });

  it('worked out anew, stand where they stood', async () => {
    const before = await pit.sql`select * from machine_standing order by machine_id`;
    for (const m of [pit.book.machineId, pit.other]) await rebuildStanding(pit.sql, pit.book.team.id, m);
    expect(await pit.sql`select * from machine_standing order by machine_id`).toEqual(before);
  });

  it('done on one machine count there: the record’s hours are the engine’s own and follow the book', async () => {
    const id = uuid();
    await recordDone(
      pit.sql,
      pit.book.team,
      pit.book.personId,
      doneSchema.parse({ id, taskId: pit.oilA, day: '2026-06-12', reason: 'while it was open' }),
      later(32)
    );
    const record = () =>
      pit.sql`select machine_id, hours, machine_hours, hours_by from service_record where id = ${id}`;
    expect(await record()).toEqual([
      { machine_id: pit.other, hours: 3450, machine_hours: 8450, hours_by: 'book' }
    ]);
    expect(await pit.left(pit.other)).toBe('in 15.0 h');
    const [reading] = await pit.sql`select id from reading where value = 8450`;
    await strikeReading(pit.sql, pit.book.team.id, pit.book.personId, {
      readingId: reading!.id,
      reason: 'other bike'
    });
    expect(await record()).toMatchObject([{ hours: 3200, machine_hours: 8200 }]);
    expect(await pit.left(pit.other)).toBe('in 15.0 h');
  });

  it('stated by the engine’s own hours, stand as a peg where the machine stood then', async () => {
    // The evening's reading says 82.0 h and 32.0 h of the engine; it was done at 31.4 h of it, so at 81.4 h of the machine.
    const id = uuid();
    await recordDone(
      pit.sql,
      pit.book.team,
      pit.book.personId,
      doneSchema.parse({ id, taskId: pit.oilA, day: '2026-06-12', hours: '31.4', reason: 'again' }),
      later(33)
    );
    expect(await pit.sql`select hours, machine_hours, hours_by from service_record where id = ${id}`).toEqual(
      [{ hours: 3140, machine_hours: 8140, hours_by: 'stated' }]
    );
    const [{ pegs }] =
      (await pit.sql`select pegs from machine_standing where machine_id = ${pit.other}`) as unknown as [
        { pegs: { recordId: string; hours: number }[] }
      ];
    expect(pegs.find((p) => p.recordId === id)!.hours).toBe(8140);
  });

  it('tell where they were, with their own hours at both ends', async () => {
    const { fittings } = await componentHistory(pit.sql, pit.book.team.id, pit.a);
    expect(fittings.map((f) => [f.plate, f.hoursFrom, f.hoursTo])).toEqual([
      ['9', 3200, 3200],
      ['7', 3000, 3200]
    ]);
    expect((await listComponents(pit.sql, pit.book.team.id, pit.other)).map((c) => c.name)).toEqual([
      'Engine 30'
    ]);
  });
});

describe('what cannot be', () => {
  let pit: Pit;
  beforeAll(async () => {
    pit = await Pit.open();
  });
  afterAll(() => pit.book.close());

  it('an engine in two machines, or two engines in one', async () => {
    const extra = uuid();
    expect(
      (
        await refused(
          addComponent(
            pit.sql,
            pit.book.team,
            pit.book.personId,
            componentSchema.parse({
              id: extra,
              kind: 'engine',
              name: 'Third',
              machineId: pit.other,
              fittedOn: TODAY
            }),
            NOW
          )
        )
      ).errors.machineId
    ).toMatch(/an engine in the book there already/);
    expect(await pit.sql`select 1 from component where id = ${extra}`).toHaveLength(0);
    const fitting = (component: string, machine: string, from: string, to: string | null) => pit.sql`
      insert into fitting (team_id, id, component_id, kind, machine_id, fitted_at, removed_at, created_by, removed_by)
      values (${pit.book.team.id}, ${uuid()}, ${component}, 'engine', ${machine}, ${from}, ${to}, ${pit.book.personId}, ${to && pit.book.personId})`;
    await expect(fitting(pit.a, pit.other, '2026-06-20', null)).rejects.toThrow(/fitting_one_place/);
    await expect(fitting(pit.a, pit.other, '2026-06-01', '2026-06-07')).rejects.toThrow(/fitting_one/);
    await expect(fitting(pit.a, pit.other, '2026-05-02', '2026-05-01')).rejects.toThrow(/check|range/);
  });
  it('a day before it was fitted, or one that has not come', async () => {
    expect((await refused(pit.swap({ day: '2026-06-01' }))).errors.day).toMatch(
      /cannot have come off before/
    );
    expect((await refused(pit.swap({ day: '2027-01-01' }))).errors.day).toMatch(/not come/);
  });
  it('a swap with itself, with another kind, with the shelf, or with another team’s', async () => {
    const chain = uuid();
    const spare = uuid();
    await addComponent(
      pit.sql,
      pit.book.team,
      pit.book.personId,
      componentSchema.parse({
        id: chain,
        kind: 'chain',
        name: 'Chain',
        machineId: pit.other,
        fittedOn: TODAY
      }),
      NOW
    );
    await addComponent(
      pit.sql,
      pit.book.team,
      pit.book.personId,
      componentSchema.parse({ id: spare, kind: 'engine', name: 'Spare', serial: 'S1' }),
      NOW
    );
    expect(swapSchema.safeParse({ id: spare, componentId: spare, withId: spare, day: TODAY }).success).toBe(
      false
    );
    expect((await refused(pit.swap({ withId: chain }))).errors.withId).toMatch(/cannot change places/);
    expect((await refused(pit.swap({ withId: spare }))).errors.withId).toMatch(/on the shelf/);
    expect((await refused(pit.swap({ withId: uuid() }))).errors.withId).toMatch(/not in this team/);
    expect((await refused(pit.move({ componentId: chain, hostId: pit.a }))).errors.hostId).toMatch(
      /not in its engine/
    );
    expect(
      (await refused(pit.move({ componentId: pit.a, machineId: pit.book.machineId }))).errors.machineId
    ).toMatch(/where it is/);
    expect(
      (
        await refused(
          addComponent(
            pit.sql,
            pit.book.team,
            pit.book.personId,
            componentSchema.parse({ id: uuid(), kind: 'engine', name: 'Twin', serial: 's1' }),
            NOW
          )
        )
      ).errors.serial
    ).toMatch(/has that serial/);
  });
  it('a meter read lower at the swap than before: said at its own field, and nothing is swapped', async () => {
    expect((await refused(pit.swap({ reading: '12' }))).errors).toHaveProperty('reading');
    expect((await refused(pit.swap({ withReading: '1' }))).errors).toHaveProperty('withReading');
    expect(await pit.sql`select 1 from fitting where removed_at is not null`).toHaveLength(0);
  });
  it('two swaps of the same pair at once: one after the other, and both are in the book', async () => {
    const results = await Promise.allSettled([pit.swap(), pit.swap()]);
    expect(results.filter((r) => r.status === 'fulfilled').length).toBeGreaterThanOrEqual(1);
    expect(
      await pit.sql`select count(*)::int as n from fitting where removed_at is null and kind = 'engine'`
    ).toEqual([{ n: 2 }]);
  });
});
