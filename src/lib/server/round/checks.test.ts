import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { at, uuid } from '../../../../tests/database/book';
import { refused, refusedWith } from '../../../../tests/database/refused';
import { RoundBook, WHOLE } from '../../../../tests/database/rounds';
import type { RoundCheck } from '../../core/round/lists';
import { roundChecksSchema } from '../../core/round/form';
import { AS_IT_CAME } from '../../core/round/lists';
import { readTeamChecks } from './checks';

let on: RoundBook;
beforeEach(async () => {
  on = await RoundBook.open();
});
afterEach(() => on.book.close());

const SAG: RoundCheck = {
  key: 'own-1',
  title: 'Sag with the rider',
  station: 'At the rear',
  how: 'measure',
  line: '',
  minutes: 1,
  kinds: ['four-stroke enduro'],
  lists: ['ready'],
  wrong: 'Sag',
  severity: 'watch',
  off: false,
  figure: null,
  from: 100,
  to: 110,
  unit: 'mm',
  step: 1,
  least: false,
  sets: true
};
const save = (content: readonly RoundCheck[] | null, from: number, now = at(3)) =>
  on.send('round.checks', roundChecksSchema.parse({ from, content, word: 'ours' }), now);
const keys = async () => (await on.sheet()).checks.map((c) => c.key);

describe('what a team checks', () => {
  it('is asked for and judged like what came; the band is the team’s own', async () => {
    await save([...AS_IT_CAME, SAG], 0);
    expect(await keys()).toContain('own-1');
    await on.answer([{ check: 'own-1', found: '95' }]);
    expect(await on.findings()).toMatchObject([{ what: 'Sag: 95 mm, too little, 100–110 mm is wanted' }]);
  });
  it('what is off is not asked for, and does not keep a round open; an answer that comes late is still taken', async () => {
    await save(
      AS_IT_CAME.map((c) => (c.key === 'coolant' ? { ...c, off: true } : c)),
      0
    );
    expect(await keys()).not.toContain('coolant');
    await on.answer([{ check: 'coolant', said: 'wrong', note: 'hose' }]);
    await on.answer(WHOLE.filter((a) => a.check !== 'coolant'));
    expect((await on.sheet()).round!.doneAt).not.toBeNull();
    expect((await on.findings()).map((f) => f.what)).toEqual([]);
  });
  it('a check of the product’s that a team has thrown out altogether may still come in', async () => {
    await save(
      AS_IT_CAME.filter((c) => c.key !== 'coolant'),
      0
    );
    await on.answer([{ check: 'coolant' }]);
    expect(await keys()).not.toContain('coolant');
    expect(await refused(on.answer([{ check: 'never-was' }]))).toEqual({
      'answers.0.check': 'There is no such check.'
    });
  });
  it('the order is the team’s, on the board its minutes are', async () => {
    const front = (await on.sheet()).checks.filter((c) => c.station === 'At the front').map((c) => c.key);
    const before = (await on.board(at(24))).readiness.work.attended;
    const seals = AS_IT_CAME.find((c) => c.key === 'fork-seals')!;
    await save([{ ...seals, minutes: 20 }, ...AS_IT_CAME.filter((c) => c !== seals)], 0);
    expect((await keys()).slice(0, 2)).toEqual(['fork-seals', front[0]]);
    expect((await on.board(at(24))).readiness.work.attended - before).toBeCloseTo(20 - seals.minutes);
  });
  it('saved by two from one version: the second is told; back to how it came is a version too', async () => {
    await save([...AS_IT_CAME, SAG], 0);
    expect(await refusedWith(save([SAG], 0))).toMatch(/Somebody has changed/);
    await save(null, 1);
    expect(await readTeamChecks(on.book.sql, on.book.team.id)).toMatchObject({ version: 2, own: false });
    expect(await refusedWith(save(null, 2, at(4)))).toMatch(/as it came already/);
    await save([SAG], 2);
    expect(await keys()).toEqual(['own-1']);
  });
  it('saved at once by ten, one of them is taken', async () => {
    const sent = await Promise.allSettled(
      Array.from({ length: 10 }, (_, i) => save([{ ...SAG, title: `Sag ${i}` }], 0, at(3)))
    );
    expect(sent.filter((s) => s.status === 'fulfilled')).toHaveLength(1);
    expect(await on.book.sql`select version from round_checks`).toEqual([{ version: 1 }]);
  });
});

describe('what is shown from the sheet while looking', () => {
  it('is which brake fluid; not known is said', async () => {
    expect((await on.sheet()).shown['front-brake']).toEqual({ label: 'Brake fluid', words: null });
    await on.figure('brake fluid', 'mineral');
    expect((await on.sheet()).shown['front-brake']).toEqual({ label: 'Brake fluid', words: 'mineral' });
  });
  it('pads below the sheet’s least park the machine', async () => {
    await on.figure('brake pad least', '1.5 mm');
    await on.answer([{ check: 'pads', found: '1.1' }]);
    expect(await on.findings()).toMatchObject([{ severity: 'park the machine' }]);
  });
});

describe('a wheel that was put on', () => {
  const wheel = (more: object = {}) => ({
    id: uuid(),
    kind: 'wheel' as const,
    name: 'Sand wheel',
    serial: '',
    brought: 0,
    broughtDistance: null,
    fromNew: true,
    note: '',
    machineId: on.book.machineId,
    hostId: null,
    place: 'rear' as const,
    fittedOn: '2026-06-11',
    ...more
  });
  it('is asked for after the first ride, once, and the round that looks at it is what does it', async () => {
    await on.send('component.add', wheel() as never, at(24));
    expect(await on.reminders()).toMatchObject([
      { words: 'Rear wheel: spokes and axle nut again after the first ride', come: false, done: false }
    ]);
    await on.answer([{ check: 'rear-wheel' }], { now: at(25) });
    expect(await on.reminders()).toMatchObject([{ done: false }]);
    await on.book.log('45.4', { day: '2026-06-12', outing: 'ride', sure: true }, at(50));
    await on.answer([{ check: 'rear-wheel' }], { now: at(60) });
    expect(await on.reminders()).toMatchObject([{ done: true }]);
  });
  it('one that was there all along, or put on long ago, is not', async () => {
    await on.send('component.add', wheel({ fromNew: false, brought: null }) as never, at(24));
    await on.send('component.add', wheel({ place: 'front', fittedOn: '2026-06-01' }) as never, at(24));
    expect(await on.reminders()).toEqual([]);
  });
  it('moved to the shelf says nothing; spoked anew it is looked at again', async () => {
    const w = wheel({ fittedOn: '2026-06-01' });
    await on.send('component.add', w as never, at(24));
    await on.send(
      'component.rebuild',
      { id: uuid(), componentId: w.id, day: '2026-06-11', remark: 'new spokes', taskIds: [] } as never,
      at(25)
    );
    expect(await on.reminders()).toHaveLength(1);
  });
});
