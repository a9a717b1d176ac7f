import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { openBook, uuid, NOW, byHours, type Book } from '../../../tests/database/book';
import { addComponent, addTask, command, swapComponents } from '../../../tests/database/hands';
import { componentSchema, swapSchema } from '../core/component/form';
import type { Input, Kind } from '../core/command/commands';
import { taskSchema } from '../core/schedule/form';
import { checkInput } from '../core/valve/sheet';
import { standsOf } from '../core/valve/check';
import type { Measured } from '../core/valve/clearance';
import { fitSchema, measureSchema, sizesSchema } from '../core/valve/form';
import { drawerSchema } from '../core/valve/drawer';
import { USUAL_LAYOUTS } from '../core/valve/head';
import { figureSchema } from '../core/specs/form';
import { machineSchema } from '../core/machine/form';
import { headIn } from './heads';
import { Refusal } from './refusal';
import { readStandings } from './trail';
import { drawerOf, valveSheetIn } from './valve-sheet';

const [IL, IR, EL, ER] = ['1-inlet-left', '1-inlet-right', '1-exhaust-left', '1-exhaust-right'] as const;
const blades = (goes: number | null, stops: number | null): Measured => ({ by: 'blades', goes, stops });
const HOUR = 3_600_000;
const at = (hours: number) => new Date(NOW.getTime() + hours * HOUR);

let book: Book;
let headId: string;
const send = <K extends Exclude<Kind, 'team.found'>>(kind: K, input: Input<K>, now = at(24)) =>
  command(book.sql, book.team, book.personId, kind, input, now);
const refused = async (sent: Promise<unknown>): Promise<Record<string, string>> => {
  const e = await sent.then(
    () => null,
    (error: unknown) => error
  );
  expect(e).toBeInstanceOf(Refusal);
  return (e as Refusal).errors;
};
const limits = (machineId: string, side: 'inlet' | 'exhaust', typed: string) =>
  send(
    'figure.add',
    figureSchema.parse({
      id: uuid(),
      machineId,
      key: `${side} valve clearance`,
      typed,
      source: 'Workshop manual',
      confidence: 'printed'
    })
  );
/** Valves measured in one go, by a body as it is sent. */
const measure = (
  readings: [valve: string, measured: Measured, stage?: 'found' | 'left'][],
  more: { checkId?: string; cold?: 'said' | 'by the book'; now?: Date } = {}
) =>
  send(
    'valve.measure',
    measureSchema.parse({
      checkId: more.checkId ?? uuid(),
      headId,
      cold: more.cold ?? 'said',
      readings: readings.map(([valve, measured, stage = 'found']) => ({ id: uuid(), valve, stage, measured }))
    }),
    more.now ?? at(24)
  ) as Promise<string>;
const well: [string, Measured][] = [
  [IL, blades(100, 125)],
  [IR, blades(125, 150)],
  [EL, blades(200, 225)],
  [ER, blades(225, 250)]
];
const shim = (valve: string, stamp: number, more: { measured?: number; now?: Date } = {}) =>
  send(
    'valve.shim',
    { id: uuid(), headId, checkId: null, valve, stamp, measured: more.measured ?? null },
    more.now
  );
const sheet = async (machineId = book.machineId) => (await valveSheetIn(book.sql, book.team, machineId))!;
const rows = (table: string) => book.sql`select * from ${book.sql(table)} where team_id = ${book.team.id}`;

beforeEach(async () => {
  book = await openBook();
  headId = (await send('head.set', {
    id: uuid(),
    machineId: book.machineId,
    layout: USUAL_LAYOUTS[0]!.layout
  })) as string;
  await limits(book.machineId, 'inlet', '0.10–0.15 mm');
  await limits(book.machineId, 'exhaust', '0.20–0.25 mm');
});
afterEach(() => book.close());

describe('a head', () => {
  it('is laid out once, from whichever device, and keeps the valves that were measured', async () => {
    const again = await send('head.set', {
      id: uuid(),
      machineId: book.machineId,
      layout: USUAL_LAYOUTS[0]!.layout
    });
    expect(again).toBe(headId);
    await measure([[IL, blades(100, 125)]]);
    const errors = await refused(
      send('head.set', { id: uuid(), machineId: book.machineId, layout: USUAL_LAYOUTS[3]!.layout })
    );
    expect(errors.layout).toContain('Valves that were measured');
    expect(await rows('valve_head')).toHaveLength(1);
  });

  it('goes with its engine, with all that was measured and the limits of the sheet it was looked up on', async () => {
    // The engine is named only now: it takes over what was laid out for its machine.
    await measure(well);
    const engine = uuid();
    const name = (id: string, serial: string, machineId: string, fittedOn: string) =>
      addComponent(
        book.sql,
        book.team,
        book.personId,
        componentSchema.parse({
          id,
          kind: 'engine',
          name: `Engine ${serial}`,
          serial,
          brought: '38.4',
          machineId,
          fittedOn: fittedOn
        }),
        at(1)
      );
    await name(engine, 'A', book.machineId, '2026-06-01');
    expect(await headIn(book.sql, book.team.id, book.machineId)).toMatchObject({
      id: headId,
      componentId: engine
    });
    const other = uuid();
    await send(
      'machine.add',
      machineSchema.parse({
        id: other,
        plate: '8',
        name: 'Barrow 250',
        kind: 'four-stroke enduro',
        meter: 'hour meter',
        reading: '12',
        tasks: []
      }),
      at(2)
    );
    const spare = uuid();
    await name(spare, 'B', other, '2026-06-10');
    await swapComponents(
      book.sql,
      book.team,
      book.personId,
      swapSchema.parse({ id: uuid(), componentId: engine, withId: spare, day: '2026-06-12', reason: '' }),
      at(48)
    );
    expect(await valveSheetIn(book.sql, book.team, book.machineId)).toBeNull();
    const there = await sheet(other);
    expect(there).toMatchObject({ sheetOf: '7', limits: { inlet: { lo: 100, hi: 150 } } });
    expect(standsOf(checkInput(there)).map((s) => s.verdict)).toEqual(['in', 'in', 'in', 'in']);
  });
});

describe('a check', () => {
  it('is asked to be stone cold where the book cannot know it', async () => {
    // Read just now, two hours more than before: it may have run until then.
    await book.log('40.4', { sure: true });
    expect(await refused(measure(well, { cold: 'by the book', now: at(1) }))).toMatchObject({
      cold: expect.stringContaining('stone cold')
    });
    expect(await rows('valve_check')).toHaveLength(0);
    // A day later nothing more was counted.
    await measure(well, { cold: 'by the book', now: at(24) });
    expect(await rows('valve_check')).toMatchObject([{ cold: 'by the book' }]);
  });

  it('is one for two people at two devices, and nothing of either is lost', async () => {
    const ids = await Promise.all([measure(well.slice(0, 2)), measure(well.slice(1))]);
    expect(ids[0]).toBe(ids[1]);
    expect(await rows('valve_check')).toHaveLength(1);
    expect(await rows('valve_reading')).toHaveLength(5);
  });

  it('sent twice is written once', async () => {
    const input = measureSchema.parse({
      checkId: uuid(),
      headId,
      cold: 'said',
      readings: [{ id: uuid(), valve: IL, stage: 'found', measured: blades(75, 100) }]
    });
    await Promise.all([
      send('valve.measure', input),
      send('valve.measure', input),
      send('valve.measure', input)
    ]);
    expect(await rows('valve_reading')).toHaveLength(1);
  });

  it('takes no valve the head has not, nothing as left before it was found, and nothing upside down', async () => {
    expect(await refused(measure([['2-inlet-left', blades(75, 100)]]))).toEqual({
      'readings.0.valve': 'This head has no such valve.'
    });
    expect(await refused(measure([[IL, blades(75, 100), 'left']]))).toMatchObject({
      'readings.0.measured': expect.any(String)
    });
    expect(() => measure([[IL, blades(100, 75)]])).toThrow();
    expect(await rows('valve_check')).toHaveLength(0);
  });

  it('is closed with a number at every valve, restarts the count, and the next begins anew', async () => {
    const taskId = uuid();
    await addTask(
      book.sql,
      book.team,
      book.personId,
      taskSchema.parse({
        id: taskId,
        machineId: book.machineId,
        name: 'Valve clearances',
        triggers: [byHours('40')],
        lastDone: 'not known'
      }),
      NOW
    );
    const checkId = await measure(well.slice(0, 3));
    const close = () => send('valve.close', { checkId, taskId, leave: null }, at(25));
    expect(await refused(close())).toEqual({ '': 'Exhaust right is not measured.' });
    await measure(well.slice(3));
    const recordId = await close();
    expect(await close()).toBe(recordId);
    expect(await rows('service_record')).toEqual(
      expect.arrayContaining([
        expect.objectContaining({
          id: recordId,
          task_id: taskId,
          hours: 3840,
          next_within: null,
          remark: '4 valves measured'
        })
      ])
    );
    expect((await sheet()).check).toBeNull();
    expect((await sheet()).past).toMatchObject([{ hours: 38.4, found: { [IL]: blades(100, 125) } }]);
    // Its id is used up: what comes late from another device begins no check of that id.
    expect(await refused(measure(well, { checkId }))).toMatchObject({ '': expect.stringContaining('over') });
    expect(await measure(well)).not.toBe(checkId);
  });

  it('out of its limits is put right, or left with a reason and a finding on the engine', async () => {
    const checkId = await measure([...well, [IL, blades(50, 75)]]);
    expect(await refused(send('valve.close', { checkId, taskId: null, leave: null }))).toEqual({
      '': 'Inlet left is too tight.'
    });
    await send('valve.close', {
      checkId,
      taskId: null,
      leave: { reason: 'No shim in the house', severity: 'park the machine' }
    });
    expect(await rows('finding')).toMatchObject([
      {
        what: 'Inlet left: clearance too tight, 0.05 mm goes, 0.075 mm does not, limits 0.10 mm to 0.15 mm',
        note: 'No shim in the house',
        severity: 'park the machine'
      }
    ]);
    const [standing] = await readStandings(book.sql, book.team, [book.machineId]);
    expect(standing!.findings).toHaveLength(1);
  });

  it('struck out does not count any more, and its record stays', async () => {
    const checkId = await measure(well);
    await send('valve.close', { checkId, taskId: null, leave: null });
    await send('valve.strike', { checkId, reason: 'It was warm' });
    expect((await sheet()).past).toEqual([]);
    expect(await rows('valve_check')).toMatchObject([{ struck_reason: 'It was warm' }]);
  });
});

describe('shims', () => {
  beforeEach(async () => {
    await send('head.sizes', sizesSchema.parse({ headId, sizes: '1.20 to 3.50 by 0.05', across: '8' }));
    await shim(IL, 1850);
    await shim(IR, 1800);
  });
  const count = (stamp: string, now: string, measured = '') =>
    send('shims.count', drawerSchema.parse({ id: uuid(), across: '8', stamp, measured, now }));
  /** What sits there when these begin. */
  const WAS: Record<string, number> = { [IL]: 1850, [IR]: 1800 };
  const fit = (checkId: string, fits: object[], out: object[] = [], id = uuid()) =>
    send(
      'valve.fit',
      fitSchema.parse({
        id,
        checkId,
        fits: fits.map((f) => ({
          id: uuid(),
          measured: null,
          was: WAS[(f as { valve: string }).valve] ?? null,
          ...f
        })),
        out
      })
    );

  it('that are not made for it are not taken; stamp and micrometer that disagree are a finding, once', async () => {
    expect(await refused(shim(IL, 900))).toMatchObject({ stamp: expect.stringContaining('not made for it') });
    await shim(EL, 1900, { measured: 1889 });
    await shim(EL, 1900, { measured: 1889 });
    expect(await rows('finding')).toMatchObject([
      { what: 'Exhaust left: shim stamped 1.90 mm measures 1.889 mm', severity: 'watch' }
    ]);
  });

  it('move, come out of the drawer, are bought; what comes out lands in the drawer, measured', async () => {
    await count('175', '+2');
    await shim(EL, 1900);
    const checkId = await measure([...well, [IL, blades(50, 75)]]);
    await fit(
      checkId,
      [
        { valve: IL, stamp: 1800, from: 'another valve', of: IR },
        { valve: IR, stamp: 1750, from: 'drawer' },
        { valve: EL, stamp: 1950, was: 1900, from: 'bought' }
      ],
      [{ valve: IL, measured: 1846 }]
    );
    // Out came 1.85 of the left (1.846 by micrometer) and 1.90 of the exhaust; 1.80 went over; one of two 1.75 is gone.
    expect(await drawerOf(book.sql, book.team.id, 8000)).toEqual([
      { stamp: 1750, measured: null, count: 1 },
      { stamp: 1850, measured: 1846, count: 1 },
      { stamp: 1900, measured: null, count: 1 }
    ]);
    const now = standsOf(checkInput(await sheet()));
    expect(now.map((s) => s.verdict)).toEqual(['to be proven', 'to be proven', 'to be proven', 'in']);
    expect(now[0]).toMatchObject({ before: { stamp: 1850 }, shim: { stamp: 1800 } });
    // 50 + 1850 − 1800 = 100 to 125; proven, and shimmed again the proof is old.
    await measure([[IL, blades(100, 125), 'left']]);
    expect(standsOf(checkInput(await sheet()))[0]).toMatchObject({ verdict: 'in', proof: { ok: true } });
    await fit(checkId, [{ valve: IL, stamp: 1750, was: 1800, from: 'drawer' }]);
    expect(standsOf(checkInput(await sheet()))[0]).toMatchObject({
      verdict: 'to be proven',
      left: null,
      before: { stamp: 1850 }
    });
  });

  it('are not in two valves, nor taken where there is none, nor given by a valve that gets none', async () => {
    const checkId = await measure([...well, [IL, blades(50, 75)]]);
    expect(await refused(fit(checkId, [{ valve: IL, stamp: 1750, from: 'drawer' }]))).toMatchObject({
      'fits.0.stamp': expect.stringContaining('no 1.75 mm')
    });
    expect(await refused(fit(checkId, [{ valve: IL, stamp: 1800, from: 'another valve', of: IR }]))).toEqual({
      'fits.0.of': 'That valve gave its shim and gets none.'
    });
    const twice = fitSchema.safeParse({
      id: uuid(),
      checkId,
      fits: [
        { id: uuid(), valve: IL, stamp: 1800, measured: null, was: 1850, from: 'another valve', of: IR },
        { id: uuid(), valve: EL, stamp: 1800, measured: null, was: null, from: 'another valve', of: IR }
      ]
    });
    expect(twice.error?.issues[0]?.message).toBe('That shim goes into another valve already.');
    expect(await rows('valve_shim')).toHaveLength(2);
  });

  it('of which one is left are taken by one of two who want it at once', async () => {
    await count('175', '+1');
    const checkId = await measure([...well, [IL, blades(50, 75)], [IR, blades(50, 75)]]);
    const both = await Promise.allSettled([
      fit(checkId, [{ valve: IL, stamp: 1750, from: 'drawer' }]),
      fit(checkId, [{ valve: IR, stamp: 1750, from: 'drawer' }])
    ]);
    expect(both.map((b) => b.status).sort()).toEqual(['fulfilled', 'rejected']);
    expect((await drawerOf(book.sql, book.team.id, 8000)).filter((d) => d.stamp === 1750)).toEqual([]);
  });

  it('are not fitted twice by two devices that both say so: what came out once comes out once', async () => {
    const checkId = await measure([...well, [IL, blades(50, 75)]]);
    const one = () => fit(checkId, [{ valve: IL, stamp: 1750, from: 'bought' }]);
    const both = await Promise.allSettled([one(), one()]);
    expect(both.map((b) => b.status).sort()).toEqual(['fulfilled', 'rejected']);
    const no = both.find((b) => b.status === 'rejected') as PromiseRejectedResult;
    expect((no.reason as Refusal).errors).toMatchObject({
      'fits.0.valve': expect.stringContaining('somebody else')
    });
    expect(await drawerOf(book.sql, book.team.id, 8000)).toEqual([{ stamp: 1850, measured: null, count: 1 }]);
  });

  it('of which one lies there are not taken for two valves at once', async () => {
    await count('175', '+1');
    const checkId = await measure([...well, [IL, blades(50, 75)], [IR, blades(50, 75)]]);
    const two = [IL, IR].map((valve) => ({ valve, stamp: 1750, from: 'drawer' }));
    expect(await refused(fit(checkId, two))).toMatchObject({
      'fits.0.stamp': expect.stringContaining('only 1 of 1.75 mm')
    });
    expect(await drawerOf(book.sql, book.team.id, 8000)).toEqual([{ stamp: 1750, measured: null, count: 1 }]);
  });

  it('are counted: more, less, or as they lie there', async () => {
    await count('175', '+3');
    await count('175', '-1');
    expect(await drawerOf(book.sql, book.team.id, 8000)).toEqual([{ stamp: 1750, measured: null, count: 2 }]);
    expect(await refused(count('175', '-3'))).toMatchObject({ now: expect.stringContaining('there are 2') });
    await count('175', '5', '1.752');
    await count('175', '0');
    expect(await drawerOf(book.sql, book.team.id, 8000)).toEqual([{ stamp: 1750, measured: 1752, count: 5 }]);
  });
});

describe('wear', () => {
  it('sets a stake of its own where a valve reaches its limit sooner than the book says', async () => {
    const taskId = uuid();
    await addTask(
      book.sql,
      book.team,
      book.personId,
      taskSchema.parse({
        id: taskId,
        machineId: book.machineId,
        name: 'Valve clearances',
        triggers: [byHours('100')],
        lastDone: 'not known'
      }),
      NOW
    );
    for (const [v, s] of [
      [IL, 1850],
      [IR, 1800],
      [EL, 1900],
      [ER, 1900]
    ] as const)
      await shim(v, s, { now: at(-1) });
    const first = await measure([...well, [IL, blades(140, 150)]], { now: at(0) });
    await send('valve.close', { checkId: first, taskId, leave: null }, at(1));
    await book.log('48.4', { day: '2026-06-12', sure: true }, at(48));
    // Ten hours later 20 less: 2 µm an hour; the middle of 120 to 125 is 22.5 over 100, reached in 11.25 h.
    const second = await measure([...well, [IL, blades(120, 125)]], { now: at(49) });
    await send('valve.close', { checkId: second, taskId, leave: null }, at(50));
    const [standing] = await readStandings(book.sql, book.team, [book.machineId]);
    const [trigger] = standing!.tasks.find((t) => t.id === taskId)!.triggers;
    expect(trigger).toMatchObject({ within: 1125, due: 1125, book: 10_000 });
  });
});
