import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { item, planOf, SHEET, step, visitEntry, whole } from '../../../../tests/core/bench';
import { closeProblems, minutesTaken } from './close';
import { entrySchema, type Entry } from './entry';
import { fillInForce, ledgerOf, VisitFold, visitState } from './state';

const plan = planOf(['engine-oil']);
const both = planOf(['engine-oil', 'gearbox-check-screw']);
const ask = planOf(['engine-oil-only']);
const done = (p: typeof plan, entries: Entry[], key: string) =>
  visitState(p, entries).steps.find((s) => s.step.key === key)!;

describe('a visit', () => {
  it('can be closed when all is done, and not before', () => {
    for (const p of [plan, both, planOf(['engine-oil'], { sheet: { fasteners: [], figures: [] } })]) {
      const all = whole(p);
      expect(closeProblems(p, visitState(p, all))).toEqual([]);
      for (let n = 0; n < all.length; n++)
        expect(closeProblems(p, visitState(p, all.slice(0, n)))).not.toEqual([]);
    }
  });

  it('refuses to close over a plug that is only hand-tight, or only snug, saying which', () => {
    for (const stand of ['by hand', 'snug'] as const) {
      const entries = [...whole(plan), item('drain-plug-d', stand)];
      expect(closeProblems(plan, visitState(plan, entries))).toEqual([
        {
          key: 'drain-plug-d',
          message: `Engine drain plug is only ${stand === 'snug' ? 'snug' : 'hand-tight'}.`
        }
      ]);
    }
  });

  it('refuses to close on a level outside the marks', () => {
    const entries = [
      ...whole(plan),
      step('level', 'done', { level: { method: 'sight glass', position: 1.2 } })
    ];
    expect(closeProblems(plan, visitState(plan, entries))[0]!.message).toMatch(/above the high mark/);
  });

  it('keeps open what was opened, through any interruption', () => {
    const all = whole(plan);
    const half = visitState(plan, all.slice(0, all.findIndex((e) => e.stepKey === 'drain-d') + 1));
    expect(half.open.map((i) => i.item.name)).toEqual(['Skid plate', 'Filler cap', 'Engine drain plug']);
    expect(half.next).toBe('magnet-d');
  });

  it('does not call a plug refitted that never came out, unless that was left out', () => {
    const back = (entries: Entry[]) => done(plan, entries, 'filter-in-c').done;
    expect(back([])).toBe(false);
    expect(back([step('filter-out-c')])).toBe(false);
    expect(back([step('filter-out-c'), item('filter-cover-part-c', 'shut')])).toBe(true);
    expect(back([step('filter-out-c', 'left out', { reason: 'no filter to hand' })])).toBe(true);
  });

  it('takes back what was ticked by mistake', () => {
    const s = visitState(plan, [step('drain-d'), step('drain-d', 'undone')]);
    expect(s.open).toEqual([]);
    expect(s.items.find((i) => i.item.key === 'drain-plug-d')!.opened).toBe(false);
  });

  it('a plug torqued stays torqued when its opening is unticked, and opens again when it comes off again', () => {
    const entries = [
      step('drain-d'),
      item('drain-plug-d', 'torqued', { value: 20, unit: 'N·m', seal: 'new' }),
      step('drain-d', 'undone')
    ];
    expect(visitState(plan, entries).items.find((i) => i.item.key === 'drain-plug-d')!.stand).toBe('torqued');
    expect(visitState(plan, [...entries, item('drain-plug-d', 'off')]).open).toHaveLength(1);
  });

  it('is the same whatever order the entries arrive in, so long as they are numbered', () => {
    const all = whole(plan);
    fc.assert(
      fc.property(fc.shuffledSubarray(all, { minLength: all.length }), (mixed) => {
        expect(visitState(plan, mixed)).toEqual(visitState(plan, all));
      })
    );
  });

  it('is the same looked at after every entry as only at the end', () => {
    fc.assert(
      fc.property(fc.shuffledSubarray(whole(both)), fc.boolean(), (entries, twice) => {
        const numbered = (twice ? [...entries, ...entries] : entries).map((e, seq) => ({ ...e, seq }));
        const fold = new VisitFold(both);
        for (const e of numbered) {
          fold.state();
          fold.add(e);
        }
        expect(fold.state()).toEqual(visitState(both, numbered));
      })
    );
  });
  it('reopens a level when oil is let out after it was read', () => {
    const all = whole(plan);
    expect(done(plan, all, 'level').done).toBe(true);
    const again = [
      ...all,
      item('drain-plug-d', 'off'),
      item('drain-plug-d', 'torqued', { value: 20, unit: 'N·m' })
    ];
    expect(done(plan, again, 'level').done).toBe(false);
    expect(closeProblems(plan, visitState(plan, again)).map((p) => p.key)).toEqual(['level']);
    // The gearbox's drain has nothing to do with the engine's level.
    const other = [
      ...whole(both),
      item('drain-plug-x', 'off'),
      item('drain-plug-x', 'torqued', { value: 20, unit: 'N·m' })
    ];
    expect(done(both, other, 'level').done).toBe(true);
    expect(done(both, other, 'level@gearbox').done).toBe(false);
  });
});

describe('gates', () => {
  it('ticking the filter changes the fill, and brings its steps', () => {
    const answered = (answer: string) => visitState(ask, [step('filter-choice', 'done', { answer })]);
    const called = (s: ReturnType<typeof visitState>) =>
      s.steps.filter((x) => x.called && x.step.key.startsWith('filter-')).map((x) => x.step.key);
    expect(called(visitState(ask, []))).toEqual(['filter-choice']);
    expect(called(answered('no'))).toEqual(['filter-choice']);
    expect(called(answered('yes'))).toContain('filter-cover-c');
    const pour = ask.steps.find((s) => s.key === 'pour')!;
    expect(fillInForce(answered('yes'), pour)!.quantityMl).toBe(1100);
    expect(fillInForce(answered('no'), pour)!.quantityMl).toBe(1000);
  });
  it('flakes on the magnet call for the source, and the visit waits for it', () => {
    const flakes = [
      ...whole(plan),
      step('magnet-d', 'done', { grade: 'flakes you can feel', materials: [] })
    ];
    expect(closeProblems(plan, visitState(plan, flakes)).map((p) => p.key)).toEqual(['source']);
    const found = [...flakes, step('source', 'done', { remark: 'clutch basket' })];
    expect(closeProblems(plan, visitState(plan, found))).toEqual([]);
    // Written anew as glitter: it is not called for any more.
    expect(
      closeProblems(plan, visitState(plan, [...flakes, step('magnet-d', 'done', { grade: 'fine glitter' })]))
    ).toEqual([]);
  });
});

describe('a closing that shuts what was never called for', () => {
  it('does not wait for it: no valve is out, so the cam chain was never wired', () => {
    const top = planOf(['valve-check', 'cam-chain']);
    const tensioner = 'thing-cam-chain-tensioner';
    const isDone = (entries: Entry[]) =>
      visitState(top, entries).steps.find((s) => s.step.key === 'tensioner-on')!.done;
    expect(top.steps.find((s) => s.key === 'tensioner-on')!.input).toMatchObject({
      items: expect.arrayContaining([tensioner, 'thing-wire-for-the-cam-chain']) as unknown
    });
    expect(isDone([step('tensioner-off')])).toBe(false);
    expect(isDone([step('tensioner-off'), item(tensioner, 'shut')])).toBe(true);
  });
});

describe('the open register', () => {
  it('small things are counted out and in', () => {
    const out = visitEntry('thing out', { what: 'rag in a hole', name: 'rag in the intake', count: 1 });
    const s = visitState(plan, [...whole(plan), out]);
    expect(closeProblems(plan, s)).toEqual([
      { key: `thing:${out.id}`, message: 'rag in the intake is still in the engine.' }
    ]);
    expect(
      closeProblems(plan, visitState(plan, [...whole(plan), out, visitEntry('thing in', { of: out.id })]))
    ).toEqual([]);
  });
  it('what had to be fetched holds nothing up, and is taken back where it was there after all', () => {
    const socket = visitEntry('fetched', { what: '8 mm socket' });
    const rags = visitEntry('fetched', { what: 'rags' });
    const back = visitEntry('not fetched', { of: socket.id });
    const s = visitState(plan, [...whole(plan), socket, rags, back]);
    expect(s.fetched).toEqual([{ id: rags.id, what: 'rags' }]);
    expect(closeProblems(plan, s)).toEqual([]);
  });
  it('a deferred fastener lets the visit close, and stays written down', () => {
    const entries = [
      ...whole(plan),
      item('filter-cover-c', 'deferred', {
        reason: 'no adapter',
        waitsFor: 'a tool to arrive',
        part: 'adapter'
      })
    ];
    const state = visitState(plan, entries);
    expect(closeProblems(plan, state)).toEqual([]);
    expect(state.items.find((i) => i.item.key === 'filter-cover-c')!.deferred).toEqual({
      reason: 'no adapter',
      waitsFor: 'a tool to arrive',
      part: 'adapter',
      usable: false
    });
  });
  it('asks about a point of the map nobody was at', () => {
    const skipped = whole(both).filter(
      (e) => e.stepKey !== 'drain-x@gearbox' && e.itemKey !== 'drain-plug-x'
    );
    const named = closeProblems(both, visitState(both, skipped)).find((p) => p.key === 'point:x')!;
    expect(named.message).toContain('Gearbox drain plug is on the map and was not visited');
    const passed = visitState(both, [
      ...skipped,
      visitEntry('passed over', { fastenerId: 'x', reason: 'sealed' })
    ]);
    expect(closeProblems(both, passed).some((p) => p.key === 'point:x')).toBe(false);
  });
  it('a step handed over waits, and is not what comes next', () => {
    const s = visitState(plan, [step('gather', 'handed over', { to: 'Anwen', note: '' })]);
    expect(s.next).toBe('meter');
    expect(closeProblems(plan, s).find((p) => p.key === 'gather')!.message).toContain('waits for Anwen');
    expect(
      visitState(plan, [step('gather', 'handed over', { to: null, note: '' }), step('gather')]).steps[0]!
        .handed
    ).toBeNull();
  });
  it('timers run until they are switched off', () => {
    const timer = step('drain-d', 'timer', { label: 'the oil drains', seconds: 600 });
    expect(visitState(plan, [timer]).timers).toMatchObject([{ seconds: 600, stepKey: 'drain-d' }]);
    expect(visitState(plan, [timer, step('drain-d', 'timer off', { of: timer.id })]).timers).toEqual([]);
  });
});

describe('what is poured', () => {
  it('is added up by circuit', () => {
    const s = visitState(both, [
      step('pour', 'done', { ml: 500, pour: 'poured in' }),
      step('pour', 'done', { ml: 60, pour: 'into the filter' }),
      step('pour@gearbox', 'done', { ml: 640 }),
      step('level', 'done', { level: { method: 'sight glass', position: 0.2 }, toppedUpMl: 80 })
    ]);
    expect(ledgerOf(s, 'engine')).toMatchObject({ inMl: 640, leftMl: 460 });
    expect(ledgerOf(s, 'gearbox')).toMatchObject({ inMl: 640, leftMl: 60 });
  });
});

describe('entrySchema', () => {
  const ok = {
    id: '0b0a1c6e-4f0e-4b39-9f4f-6c1df3a0a001',
    stepKey: 'pour',
    action: 'done',
    content: { ml: 1000 }
  };
  it('takes a pour', () => expect(entrySchema.parse(ok)).toMatchObject({ itemKey: null }));
  it.each([
    [{ ...ok, content: { ml: -5 } }],
    [{ ...ok, content: { ml: 50_000 } }],
    [{ ...ok, content: { remark: 'x'.repeat(10_001) } }],
    [{ ...ok, id: 'not-an-id' }],
    [{ ...ok, action: 'exploded' }],
    [{ ...ok, action: 'timer', content: { label: 'x', seconds: 90_000 } }],
    [{ id: ok.id, itemKey: 'a', action: 'torqued', content: { value: 5, unit: 'ml' } }],
    [{ id: ok.id, itemKey: 'a', action: 'by feel', content: { reason: ' ' } }],
    [{ id: ok.id, itemKey: 'a', action: 'deferred', content: { reason: 'x', waitsFor: 'better days' } }],
    [{ id: ok.id, action: 'thing out', content: { what: 'spring', name: ' ' } }]
  ])('refuses %j', (bad) => expect(entrySchema.safeParse(bad).success).toBe(false));
});

it('the fixture has a map', () => expect(SHEET.fasteners.filter((f) => f.at)).toHaveLength(2));

describe('how long a visit took', () => {
  const at = (day: number, hour: number, minute = 0) => Date.UTC(2026, 5, day, hour, minute);
  it('counts its work and its waits, and no night', () => {
    // Half past five to six, home, on from eight to a quarter to nine: 75 minutes.
    expect(minutesTaken([at(9, 17, 30), at(9, 18), at(10, 8), at(10, 8, 45)])).toBe(75);
    // A cold engine waited for, three hours, is the visit's own.
    expect(minutesTaken([at(9, 9), at(9, 12), at(9, 12, 10)])).toBe(190);
    expect(minutesTaken([at(9, 9), at(12, 9)])).toBe(1);
  });
});

describe('what is taken back', () => {
  const plan = planOf(['engine-oil']);
  it('is the last pour, not those before it', () => {
    const pours = [step('pour', 'done', { ml: 900 }), step('pour', 'done', { ml: 150, pour: 'topped up' })];
    const one = visitState(plan, [...pours, step('pour', 'undone')]);
    expect([ledgerOf(one, 'engine').inMl, one.steps.find((s) => s.step.key === 'pour')!.done]).toEqual([
      900,
      true
    ]);
    const none = visitState(plan, [...pours, step('pour', 'undone'), step('pour', 'undone')]);
    expect([ledgerOf(none, 'engine').inMl, none.steps.find((s) => s.step.key === 'pour')!.done]).toEqual([
      0,
      false
    ]);
  });
});

describe('a round of torques', () => {
  it('is done when each was torqued, though nothing was opened', () => {
    const whole = planOf(['engine-oil']);
    const plan = { ...whole, steps: whole.steps.filter((s) => s.key === 'drain-in-d') };
    const done = (entries: Parameters<typeof visitState>[1]) => visitState(plan, entries).steps[0]!.done;
    expect(done([])).toBe(false);
    expect(done([item('drain-plug-d', 'torqued', { value: 20, unit: 'N·m', seal: 'again' })])).toBe(true);
  });
});
