import { describe, expect, it } from 'vitest';
import { item, planOf, step, visitEntry, whole, GOOD_OIL, WRENCH } from '../../../../tests/core/bench';
import { DEFAULT_RULES } from '../rules/rules';
import type { Entry } from './entry';
import { asksWhy, inWords } from './problems';
import { refuseEntry } from './refuse';
import { visitState } from './state';
import type { Toolbox } from '../stores/toolbox';

const refused = (...args: Parameters<typeof refuseEntry>): string | null => {
  const problem = refuseEntry(...args);
  // What is taken with a reason says so in its words, and nothing else does.
  if (problem) expect(asksWhy(problem)).toBe(/say why/.test(inWords(problem)));
  return problem && inWords(problem);
};
const plan = planOf(['engine-oil']);
const both = planOf(['engine-oil', 'gearbox-check-screw']);
const tools: Toolbox = {
  wrenches: [WRENCH, { ...WRENCH, id: 'v', name: 'Large', lowNm: 20, highNm: 110, lengthMm: 380 }],
  adapters: [],
  oils: [
    GOOD_OIL,
    {
      id: 'b',
      name: 'Burnt',
      kind: 'two-stroke oil, burnt with the fuel',
      grade: 'SAE 30',
      ratings: [],
      additives: [],
      bottleMl: 1000,
      stockMl: 5000
    }
  ]
};
const opened = visitState(plan, [step('drain-d', 'done', { pointedAt: 'd' })]);
const seal = { seal: 'new' };

describe('the engine', () => {
  it('will not be filled over an open drain', () =>
    expect(refused(opened, step('pour', 'done', { ml: 1000 }))).toMatch(/Engine drain plug is off/));
  it('will not be started with the filler open', () =>
    expect(refused(visitState(plan, [step('filler-out-f')]), step('run'))).toMatch(/Filler cap is off/));
  it('will not be started without the other circuit’s oil', () => {
    const dry = whole(both).filter((e) => e.stepKey !== 'pour@gearbox');
    expect(refused(visitState(both, dry), step('run'))).toBe('Do not start it: no gearbox oil is in.');
  });
  it('will not be filled over a drain plug that was put off', () => {
    const before = whole(plan).filter((e) => e.stepKey !== 'pour');
    const put = item('drain-plug-d', 'deferred', { reason: 'no washer', waitsFor: 'a part', part: 'washer' });
    expect(refused(visitState(plan, [...before, put]), step('pour', 'done', { ml: 1000 }))).toMatch(
      /drain plug is deferred/
    );
  });
  it('will not be started all but dry, nor with a check screw out', () => {
    // 1.1 L with the filter, 8 % held back: 1,010 ml go in before it runs, and nine tenths of that will do: 909.
    const some = (ml: number) =>
      visitState(plan, [
        ...whole(plan).filter((e) => e.stepKey !== 'pour' && e.stepKey !== 'level'),
        step('pour', 'done', { ml })
      ]);
    expect(refused(some(30), step('run'))).toBe(
      '30 ml are in the engine; 1010 ml go in before it runs. Pour the rest first.'
    );
    expect(refused(some(500), step('run', 'done', { remark: 'it will do' }))).toMatch(/500 ml are in/);
    expect(refused(some(900), step('run'))).toMatch(/900 ml are in .*say why in the remark/);
    expect(refused(some(900), step('run', 'done', { remark: 'some stayed in the cooler' }))).toBeNull();
    expect(refused(some(910), step('run'))).toBeNull();
    const done = whole(both);
    const out = visitState(both, [...done, item('check-screw-y', 'off', {})]);
    expect(refused(out, step('run'))).toMatch(/Check screw is off/);
  });
  it('will not be started with a rag still in it, nor over what was deferred', () => {
    const rag = visitEntry('thing out', { what: 'rag in a hole', name: 'rag', count: 1 });
    expect(refused(visitState(plan, [...whole(plan), rag]), step('run'))).toMatch(
      /Do not start it: rag.*, in the engine/
    );
    const all = whole(plan);
    const deferred = item('filter-cover-c', 'deferred', {
      reason: 'x',
      waitsFor: 'a second person',
      part: ''
    });
    expect(refused(visitState(plan, [...all, deferred]), step('run'))).toMatch(/Filter cover is deferred/);
    expect(refused(visitState(plan, whole(plan)), step('run'))).toBeNull();
  });
});

describe('a pass needs its number', () => {
  it('for what was drained, found, read, asked', () => {
    expect(refused(opened, step('drained'))).toMatch(/amount/);
    expect(refused(opened, step('magnet-d'))).toMatch(/Pick/);
    expect(refused(visitState(plan, whole(plan)), step('level'))).toMatch(/reading/);
    const ask = planOf(['engine-oil-only']);
    expect(refused(visitState(ask, []), step('filter-choice'))).toMatch(/Yes or no/);
  });
  it('and a verdict of one’s own its words', () => {
    const own = { grade: 'fine glitter', verdict: 'carry on' };
    expect(refused(opened, step('magnet-d', 'done', own))).toMatch(/say why/);
    expect(refused(opened, step('magnet-d', 'done', { ...own, overruled: 'new gears' }))).toBeNull();
  });
  it('a pour that lets out more than is in, or leaves more in the jug than was in it', () => {
    const tight = visitState(plan, []);
    expect(refused(tight, step('pour', 'done', { ml: 100, pour: 'let out again' }))).toMatch(
      /More was let out/
    );
    expect(refused(tight, step('pour', 'done', { ml: 100, residueMl: 150 }))).toMatch(/left in the jug/);
  });
});

describe('oil that is poured through a cap', () => {
  const filled = (entries: Entry[]) => visitState(plan, entries);
  const pour = (content: object = {}) => step('pour', 'done', { ml: 400, ...content });
  const cap = plan.items.find((i) => i.role === 'filler cap')!.key;
  it('stands open, or somebody says where it went in', () => {
    const all = whole(plan).filter((e) => e.stepKey !== 'pour');
    const closed = filled(all);
    expect(refused(closed, pour())).toMatch(/^Filler cap stands shut: open it first/);
    expect(refused(closed, pour({ remark: 'through the dipstick hole' }))).toBeNull();
    expect(refused(closed, pour({ afterwards: true }))).toBeNull();
    expect(refused(filled([...all, item(cap, 'off')]), pour())).toBeNull();
    const leftOut = all.filter((e) => !e.stepKey?.startsWith('filler-out') && e.itemKey !== cap);
    const reason = { reason: 'poured through the screen' };
    expect(refused(filled([...leftOut, step('filler-out-f', 'left out', reason)]), pour())).toBeNull();
  });
});

describe('a warm drain', () => {
  // Every entry of these tests is written at ten o'clock.
  const warmed = visitState(
    plan,
    whole(plan).filter(
      (e) => !(e.stepKey ?? e.itemKey ?? '').startsWith('drain-') && e.stepKey !== 'filler-out'
    )
  );
  const at = (minutes: number) => Date.parse('2026-06-10T10:00:00Z') + minutes * 60_000;
  const drain = (content: object = {}) => step('drain-d', 'done', { pointedAt: 'd', ...content });
  it('half an hour after the warm-up is asked about', () => {
    expect(refused(warmed, drain(), tools, at(30))).toBe(
      'It was warmed up 30 minutes ago, and warm oil is drained within 15. Warm it again, or say why in the remark.'
    );
    expect(refused(warmed, drain({ remark: 'lunch; still hand-warm' }), tools, at(30))).toBeNull();
    expect(refused(warmed, drain(), tools, at(15))).toBeNull();
  });
  it('of an engine that was warmed once more, the last warm-up counts', () => {
    const warm = plan.steps.find((s) => s.key === 'warm')!;
    const steps = plan.steps.flatMap((s) => (s === warm ? [s, { ...s, key: 'warm-again1' }] : [s]));
    const again = visitState({ ...plan, steps }, [
      step('warm'),
      { ...step('warm-again1'), at: new Date(at(25)).toISOString() }
    ]);
    expect(refused(again, drain(), tools, at(30))).toBeNull();
    expect(refused(again, drain(), tools, at(45))).toMatch(/warmed up 20 minutes ago/);
  });
  it('that nobody warmed is asked about: done, left out, or with a word it is not', () => {
    const none = visitState(plan, []);
    expect(refused(none, drain(), tools, at(30))).toBe(
      '“Warm the engine at idle” is not done, and warm oil takes the dirt with it. Warm it, or say why in the remark.'
    );
    expect(refused(none, drain({ remark: 'warm from the ride' }), tools, at(30))).toBeNull();
    expect(refused(none, drain({ afterwards: true }), tools, at(30))).toBeNull();
    expect(
      refused(visitState(plan, [step('warm', 'left out', { reason: 'just ridden' })]), drain(), tools, at(30))
    ).toBeNull();
  });
  it('is not asked about where the house drains cold', () => {
    const cold = planOf(['engine-oil'], { rules: { ...DEFAULT_RULES, warmUp: 'drain cold' } });
    expect(cold.steps.map((s) => s.warmFor)).not.toContain(15);
    const longer = planOf(['engine-oil'], { rules: { ...DEFAULT_RULES, warmForMinutes: 40 } });
    expect(longer.steps.find((s) => s.key === 'drain-d')!.warmFor).toBe(40);
  });
});

describe('a level', () => {
  // Its oil settles for three minutes; every entry of these tests is written at ten o'clock.
  const run = visitState(
    plan,
    whole(plan).filter((e) => e.stepKey !== 'level')
  );
  const read = { level: { method: 'sight glass', position: 0.6 } };
  const after = (seconds: number, more: object = {}) => {
    const entry = step('level', 'done', { ...read, ...more });
    return refused(run, entry, tools, Date.parse('2026-06-10T10:00:00Z') + seconds * 1000);
  };
  it('read while the oil still runs down is asked about', () => {
    expect(after(4)).toBe(
      'The oil has settled for 0:04, and its level wants 3:00. Read it again then, or say why in the remark.'
    );
    expect(after(161)).toMatch(/2:41/);
    expect(after(4, { remark: 'stood since the run, ticked late' })).toBeNull();
    expect([after(162), after(200)]).toEqual([null, null]);
    // Printed as one to three minutes it may be read after one.
    const range = plan.steps.map((s) =>
      s.input.type === 'level'
        ? { ...s, input: { ...s.input, protocol: { ...s.input.protocol, settleLeastSeconds: 60 } } }
        : s
    );
    const ranged = visitState(
      { ...plan, steps: range },
      whole(plan).filter((e) => e.stepKey !== 'level')
    );
    const at = (seconds: number) =>
      refused(
        ranged,
        step('level', 'done', read),
        tools,
        Date.parse('2026-06-10T10:00:00Z') + seconds * 1000
      );
    expect([at(40) === null, at(58)]).toEqual([false, null]);
    expect(refused(run, step('level', 'done', read), tools)).toBeNull();
  });
  it('is left in peace once somebody said why', () => {
    const early = step('level', 'done', { ...read, remark: 'stood since the run, ticked late' });
    const said = visitState(plan, [
      ...whole(plan).filter((e) => e.stepKey !== 'level'),
      { ...early, seq: 1_000_000, at: '2026-06-10T10:00:04.000Z', by: 'Wren' } as Entry
    ]);
    const again = step('level', 'done', { ...read, toppedUpMl: 60 });
    expect(refused(said, again, tools, Date.parse('2026-06-10T10:00:20Z'))).toBeNull();
  });
});

describe('twin plugs', () => {
  it('are told apart before one is opened', () => {
    const none = visitState(plan, []);
    expect(refused(none, step('drain-d'))).toMatch(/point at the one/);
    expect(refused(none, step('drain-d', 'done', { pointedAt: 'x' }))).toBe(
      'That is Gearbox drain plug: gearbox oil. This step opens another.'
    );
    expect(refused(visitState(plan, [step('warm')]), step('drain-d', 'done', { pointedAt: 'd' }))).toBeNull();
  });
});

describe('the wrong bottle', () => {
  it('is stopped, and goes in only with a reason', () => {
    const none = visitState(plan, []);
    const burnt = { oilId: 'b', oil: 'Burnt', oilGrade: 'SAE 30' };
    expect(refused(none, step('oil', 'done', burnt), tools)).toMatch(/^Stop\. .*burn with the fuel.*say why/);
    expect(
      refused(none, step('oil', 'done', { ...burnt, deviation: 'as told by the owner' }), tools)
    ).toBeNull();
    expect(refused(none, step('oil', 'done', { oilId: 'o', oil: 'Good' }), tools)).toBeNull();
    expect(refused(none, step('oil', 'done', { oilId: 'gone', oil: 'x' }), tools)).toMatch(
      /not in the stores/
    );
    expect(refused(none, step('oil'), tools)).toMatch(/Pick the oil/);
  });
});

describe('a torque', () => {
  const set = (value: number, more: object = {}) =>
    refused(opened, item('drain-plug-d', 'torqued', { value, unit: 'N·m', ...seal, ...more }), tools);
  it('that is not the sheet’s is questioned until a reason is given', () => {
    expect(set(30)).toMatch(/The sheet says 20/);
    expect(set(25, { reason: 'steel thread insert' })).toBeNull();
  });
  it('that would stretch the bolt looks like the wrong unit', () => {
    expect(set(200)).toMatch(/nine tenths of its proof stress/);
  });
  it('outside the wrench’s trusted span is questioned; with an adapter it is the setting that counts', () => {
    expect(set(20, { wrenchId: 'v' })).toMatch(/trusted from 22 N·m to 110 N·m/);
    expect(set(20, { wrenchId: 'w' })).toBeNull();
    expect(set(20, { wrenchId: 'v', settingNm: 26, angleDeg: 180 })).toBeNull();
  });
  it('wants to know of its washer; used up or new by the house, the old one needs a reason', () => {
    const value = { value: 20, unit: 'N·m' };
    expect(refused(opened, item('drain-plug-d', 'torqued', value))).toBe(
      'New crush washer, or the old one again?'
    );
    expect(refused(opened, item('drain-plug-d', 'torqued', { ...value, seal: 'again' }))).toMatch(
      /new crush washer every time/
    );
    const reuse = planOf(['engine-oil'], {
      rules: { ...DEFAULT_RULES, washers: 're-use after a look', washerUses: 2 },
      sealUses: { d: 2 }
    });
    const state = visitState(reuse, [step('drain-d')]);
    expect(refused(state, item('drain-plug-d', 'torqued', { ...value, seal: 'again' }))).toMatch(
      /served 2 of 2/
    );
    expect(
      refused(state, item('drain-plug-d', 'torqued', { ...value, seal: 'again', sealReason: 'none left' }))
    ).toBeNull();
  });
  it('of bolts on one face is pulled bolt by bolt', () => {
    const torque = item('filter-cover-c', 'torqued', { value: 10, unit: 'N·m' });
    const off = [step('filter-out-c')];
    expect(refused(visitState(plan, off), torque)).toMatch(/bolt by bolt: 1 2 3|bolt by bolt: 1 3 2/);
    const half = [...off, item('filter-cover-c', 'bolt', { round: 0, bolt: 0 })];
    expect(refused(visitState(plan, half), torque)).toMatch(/Not all are pulled/);
    const pulled = [0, 1].flatMap((round) =>
      [0, 1, 2].map((bolt) => item('filter-cover-c', 'bolt', { round, bolt }))
    );
    expect(refused(visitState(plan, [...off, ...pulled]), torque)).toBeNull();
    expect(refused(visitState(plan, off), item('filter-cover-c', 'bolt', { round: 0, bolt: 3 }))).toMatch(
      /has 3 bolts/
    );
  });
});

describe('what is not there', () => {
  it('does not let a plug be ticked shut, nor the last drain left out', () => {
    expect(refused(opened, item('drain-plug-d', 'shut'))).toMatch(/torque/);
    expect(refused(opened, step('drain-d', 'left out', { reason: 'x' }))).toMatch(/cannot be left out/);
  });
  it('knows its own steps, items and things', () => {
    expect(refused(opened, step('nothing'))).toMatch(/no such step/);
    expect(refused(opened, item('nothing', 'off'))).toMatch(/Nothing of that name/);
    expect(refused(opened, visitEntry('thing in', { of: 'x' }))).toMatch(/counted out/);
    expect(refused(opened, step('source'))).toMatch(/not called for/);
  });
});

describe('what is tight for now and waits for its torque', () => {
  const put = (usable: boolean) =>
    item('drain-plug-d', 'deferred', {
      reason: 'the small wrench is lent',
      waitsFor: 'a tool to arrive',
      part: 'small wrench',
      usable,
      seal: 'new'
    });
  const before = whole(plan).filter(
    (e) =>
      !['drain-plug-d', 'filler-cap-f'].includes(e.itemKey ?? '') &&
      !['pour', 'run', 'level', 'leaks'].includes(e.stepKey ?? '')
  );
  it('where it may be ridden so, lets the oil be poured, run and levelled', () => {
    const entries = [...before, put(true)];
    for (const e of [
      step('pour', 'done', { ml: 1100 }),
      item('filler-cap-f', 'shut', { seal: 'new' }),
      step('run'),
      step('level', 'done', { level: { method: 'sight glass', position: 0.5 }, remark: 'now' })
    ]) {
      expect([e.stepKey, refused(visitState(plan, entries), e)]).toEqual([e.stepKey, null]);
      entries.push(e);
    }
  });
  it('where it may not, it does not', () => {
    expect(refused(visitState(plan, [...before, put(false)]), step('pour', 'done', { ml: 1100 }))).toMatch(
      /drain plug is deferred/
    );
  });
});

describe('what is read and seen after the oil is in and the engine has run', () => {
  const dry = whole(plan).filter((e) => !['pour', 'run', 'level', 'leaks'].includes(e.stepKey ?? ''));
  const guard = item('guard-g', 'by feel', { reason: 'no torque noted' });
  const withoutGuard = dry.filter((e) => e.itemKey !== 'guard-g');
  const level = step('level', 'done', { level: { method: 'sight glass', position: 0.5 }, remark: 'x' });
  it('is not written before that', () => {
    expect(refused(visitState(plan, dry), level)).toBe(
      'Not yet: first “Pour the engine oil”, then “Run the engine briefly”.'
    );
    expect(refused(visitState(plan, dry), step('leaks'))).toMatch(/^Not yet: first “Pour the engine oil”/);
    expect(refused(visitState(plan, withoutGuard), guard)).toMatch(/“Look for leaks”/);
    const poured = [...withoutGuard, step('pour', 'done', { ml: 1100 })];
    expect(refused(visitState(plan, poured), level)).toBe('Not yet: first “Run the engine briefly”.');
  });
  it('is, where somebody said why it was left out', () => {
    const poured = [
      ...withoutGuard,
      step('pour', 'done', { ml: 1100 }),
      step('run', 'left out', { reason: 'battery is out' })
    ];
    expect(refused(visitState(plan, poured), level)).toBeNull();
    // Given up before the oil was in, the guard goes on all the same.
    const givenUp = [...withoutGuard, step('leaks', 'left out', { reason: 'given up' })];
    expect(refused(visitState(plan, givenUp), guard)).toBeNull();
  });
});
