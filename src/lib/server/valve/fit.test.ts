import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { uuid } from '../../../../tests/database/book';
import { refused } from '../../../../tests/database/refused';
import { blades, EL, HeadBook, IL, IR, WELL } from '../../../../tests/database/valves';
import { standsOf } from '../../core/valve/check';
import { drawerSchema } from '../../core/valve/drawer';
import { fitSchema, sizesSchema } from '../../core/valve/form';
import { checkInput } from '../../core/valve/sheet';
import type { Refusal } from '../base/refusal';
import { drawerOf, valveSheetIn } from './sheet';

let on: HeadBook;
const sheet = async () => (await valveSheetIn(on.book.sql, on.book.team, on.book.machineId))!;

beforeEach(async () => {
  on = await HeadBook.open();
});
afterEach(() => on.book.close());

describe('shims', () => {
  beforeEach(async () => {
    await on.send(
      'head.sizes',
      sizesSchema.parse({ headId: on.headId, sizes: '1.20 to 3.50 by 0.05', across: '8' })
    );
    await on.readShim(IL, 1850);
    await on.readShim(IR, 1800);
  });
  const count = (stamp: string, now: string, measured = '') =>
    on.send('shims.count', drawerSchema.parse({ id: uuid(), across: '8', stamp, measured, now }));
  const drawer = () => drawerOf(on.book.sql, on.book.team.id, 8000);
  /** What sits there when these begin. */
  const WAS: Record<string, number> = { [IL]: 1850, [IR]: 1800 };
  const fit = (checkId: string, fits: object[], out: object[] = [], id = uuid()) =>
    on.send(
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
    expect(await refused(on.readShim(IL, 900))).toMatchObject({
      stamp: expect.stringContaining('not made for it')
    });
    await on.readShim(EL, 1900, { measured: 1889 });
    await on.readShim(EL, 1900, { measured: 1889 });
    expect(await on.rows('finding')).toMatchObject([
      { what: 'Exhaust left: shim stamped 1.90 mm measures 1.889 mm', severity: 'watch' }
    ]);
  });

  it('move, come out of the drawer, are bought; what comes out lands in the drawer, measured', async () => {
    await count('175', '+2');
    await on.readShim(EL, 1900);
    const checkId = await on.measure([...WELL, [IL, blades(50, 75)]]);
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
    expect(await drawer()).toEqual([
      { stamp: 1750, measured: null, count: 1 },
      { stamp: 1850, measured: 1846, count: 1 },
      { stamp: 1900, measured: null, count: 1 }
    ]);
    const now = standsOf(checkInput(await sheet()));
    expect(now.map((s) => s.verdict)).toEqual(['to be proven', 'to be proven', 'to be proven', 'in']);
    expect(now[0]).toMatchObject({ before: { stamp: 1850 }, shim: { stamp: 1800 } });
    // 50 + 1850 − 1800 = 100 to 125; proven, and shimmed again the proof is old.
    await on.measure([[IL, blades(100, 125), 'left']]);
    expect(standsOf(checkInput(await sheet()))[0]).toMatchObject({ verdict: 'in', proof: { ok: true } });
    await fit(checkId, [{ valve: IL, stamp: 1750, was: 1800, from: 'drawer' }]);
    expect(standsOf(checkInput(await sheet()))[0]).toMatchObject({
      verdict: 'to be proven',
      left: null,
      before: { stamp: 1850 }
    });
  });

  it('are not in two valves, nor taken where there is none, nor given by a valve that gets none', async () => {
    const checkId = await on.measure([...WELL, [IL, blades(50, 75)]]);
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
    expect(await on.rows('valve_shim')).toHaveLength(2);
  });

  it('of which one is left are taken by one of two who want it at once', async () => {
    await count('175', '+1');
    const checkId = await on.measure([...WELL, [IL, blades(50, 75)], [IR, blades(50, 75)]]);
    const both = await Promise.allSettled([
      fit(checkId, [{ valve: IL, stamp: 1750, from: 'drawer' }]),
      fit(checkId, [{ valve: IR, stamp: 1750, from: 'drawer' }])
    ]);
    expect(both.map((b) => b.status).sort()).toEqual(['fulfilled', 'rejected']);
    expect((await drawer()).filter((d) => d.stamp === 1750)).toEqual([]);
  });

  it('are not fitted twice by two devices that both say so: what came out once comes out once', async () => {
    const checkId = await on.measure([...WELL, [IL, blades(50, 75)]]);
    const one = () => fit(checkId, [{ valve: IL, stamp: 1750, from: 'bought' }]);
    const both = await Promise.allSettled([one(), one()]);
    expect(both.map((b) => b.status).sort()).toEqual(['fulfilled', 'rejected']);
    const no = both.find((b) => b.status === 'rejected') as PromiseRejectedResult;
    expect((no.reason as Refusal).errors).toMatchObject({
      'fits.0.valve': expect.stringContaining('somebody else')
    });
    expect(await drawer()).toEqual([{ stamp: 1850, measured: null, count: 1 }]);
  });

  it('of which one lies there are not taken for two valves at once', async () => {
    await count('175', '+1');
    const checkId = await on.measure([...WELL, [IL, blades(50, 75)], [IR, blades(50, 75)]]);
    const two = [IL, IR].map((valve) => ({ valve, stamp: 1750, from: 'drawer' }));
    expect(await refused(fit(checkId, two))).toMatchObject({
      'fits.0.stamp': expect.stringContaining('only 1 of 1.75 mm')
    });
    expect(await drawer()).toEqual([{ stamp: 1750, measured: null, count: 1 }]);
  });

  it('are counted: more, less, or as they lie there', async () => {
    await count('175', '+3');
    await count('175', '-1');
    expect(await drawer()).toEqual([{ stamp: 1750, measured: null, count: 2 }]);
    expect(await refused(count('175', '-3'))).toMatchObject({ now: expect.stringContaining('there are 2') });
    await count('175', '5', '1.752');
    await count('175', '0');
    expect(await drawer()).toEqual([{ stamp: 1750, measured: 1752, count: 5 }]);
  });
});
