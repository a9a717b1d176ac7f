import { describe, expect, it } from 'vitest';
import { fastener, figure, inputFor, laidOut, planOf, SHEET, whole } from '../../../../../tests/core/bench';
import { DEFAULT_RULES } from '../../rules/rules';
import { quantity } from '../../quantity/quantity';
import { BUILT_IN } from '../built-in/jobs';
import { closeProblems } from '../../visit/close';
import { visitState } from '../../visit/state';
import { plainTemplate } from '../plain';
import type { Sheet } from '../../specs/sheet';
import { layOut, notNamed } from './layout';
import { orderPlan } from '../order/order';

const keys = (plan: { steps: { key: string }[] }) => plan.steps.map((s) => s.key);
const place = (plan: { steps: { key: string }[] }, key: string) => {
  const at = keys(plan).indexOf(key);
  expect(at, key).toBeGreaterThanOrEqual(0);
  return at;
};

describe('one job', () => {
  const plan = planOf(['engine-oil']);
  it('works while the oil drains, and measures when it has', () => {
    expect(place(plan, 'drain-d')).toBeLessThan(place(plan, 'screen-out-s'));
    expect(place(plan, 'screen-in-s')).toBeLessThan(place(plan, 'drained'));
    expect(plan.steps.find((s) => s.key === 'screen-out-s')!.why).toBe('While the oil drains, 10 min.');
  });
  it('warms before it drains, shuts everything before it pours, looks for leaks before the guard goes on', () => {
    for (const [a, b] of [
      ['guard-off-g', 'warm'],
      ['warm', 'drain-d'],
      ['filler-out-f', 'drain-d'],
      ['drain-in-d', 'pour'],
      ['filter-cover-c', 'pour'],
      ['pour', 'filler-in-f'],
      ['filler-in-f', 'run'],
      ['run', 'leaks'],
      ['run', 'level'],
      ['leaks', 'guard-on-g'],
      ['level', 'guard-on-g']
    ] as const)
      expect(place(plan, a), `${a} before ${b}`).toBeLessThan(place(plan, b));
  });
  it('takes the leak look while the oil settles', () => {
    expect(place(plan, 'leaks')).toBeLessThan(place(plan, 'level'));
  });
  it('leaves the gearbox’s plug alone', () =>
    expect(plan.items.map((i) => i.name)).not.toContain('Gearbox drain plug'));
  it('takes the guard off when the house says', () => {
    const after = planOf(['engine-oil'], { rules: { ...DEFAULT_RULES, guardOff: 'after the warm-up' } });
    expect(place(after, 'guard-off-g')).toBeGreaterThan(place(after, 'warm'));
  });
  it('drains cold where the house says, without warming anything', () => {
    const cold = planOf(['engine-oil'], { rules: { ...DEFAULT_RULES, warmUp: 'drain cold' } });
    expect(cold.steps.find((s) => s.key === 'warm')!.title).toBe('Drain it cold');
    expect(cold.steps.some((s) => s.engine === 'warm')).toBe(false);
  });
  it('holds back from the pour, and takes torques from the sheet', () => {
    expect(plan.steps.find((s) => s.key === 'pour')!.input).toMatchObject({
      fill: { firstMl: 1010, heldBackMl: 90 }
    });
    expect(plan.items.find((i) => i.name === 'Engine drain plug')!.torque).toMatchObject({
      band: { from: { value: 20 }, to: { value: 20 } },
      source: 'Manual · p. 12 · printed',
      unsure: false
    });
    expect(plan.items.find((i) => i.name === 'Screen cap')!.torque!.band).toBeNull();
  });
  it('invents nothing for a machine without a sheet', () => {
    const bare = planOf(['engine-oil'], { sheet: { fasteners: [], figures: [] } });
    expect(bare.items.map((i) => [i.name, i.fastenerId, i.torque?.band ?? null])).toEqual([
      ['Oil filler cap', null, null],
      ['Engine drain plug', null, null]
    ]);
    expect(bare.steps.find((s) => s.key === 'pour')!.input).toMatchObject({ fill: { quantityMl: null } });
    expect(bare.steps.find((s) => s.key === 'pour')!.lines.join()).toContain('is not on the sheet');
  });
  it('asks at the bench whether the filter comes out, and knows both fills', () => {
    const ask = planOf(['engine-oil-only']);
    expect(ask.steps.find((s) => s.key === 'pour')!.input).toMatchObject({
      fill: { quantityMl: 1100 },
      without: { step: 'filter-choice', fill: { quantityMl: 1000 } }
    });
    expect(ask.steps.find((s) => s.key === 'filter-out-c')!.gate).toEqual({
      steps: ['filter-choice'],
      is: 'yes'
    });
  });
});

describe('several jobs', () => {
  const both = planOf(['engine-oil', 'gearbox-check-screw']);
  it('share what they share: one guard, one warm-up, one leak look', () => {
    for (const key of ['gather', 'guard-off-g', 'warm', 'leaks', 'write'])
      expect(both.steps.find((s) => s.key === key)!.jobs).toEqual(['engine-oil', 'gearbox-check-screw']);
    expect(keys(both).filter((k) => k.startsWith('guard-off'))).toHaveLength(1);
  });
  it('start the engine only when both have their oil', () => {
    expect(place(both, 'pour@gearbox')).toBeLessThan(place(both, 'run'));
    expect(both.steps.find((s) => s.key === 'run')!.after).toContain('drain-plug-x');
  });
  it('take less time together than one after the other', () => {
    const apart =
      planOf(['engine-oil']).estimate!.elapsed + planOf(['gearbox-check-screw']).estimate!.elapsed;
    expect(both.estimate!.elapsed).toBeLessThan(apart - 15);
  });
  it('tell twin plugs apart by the map, and by the role where there is none', () => {
    const twins = (at: { x: number; y: number } | null) => {
      const fasteners = SHEET.fasteners.map((f) => (f.id === 'x' ? { ...f, at } : f));
      const plan = planOf(['engine-oil'], { sheet: { ...SHEET, fasteners } });
      const input = plan.steps.find((s) => s.key === 'drain-d')!.input;
      return input.type === 'open' ? input.twins.map((t) => t.name) : null;
    };
    expect(twins({ x: 0.55, y: 0.52 })).toEqual(['Gearbox drain plug']);
    expect(twins(null)).toEqual(['Gearbox drain plug']);
    expect(twins({ x: 0.5, y: 0.95 })).toEqual([]);
  });
  it('do cold work first', () => {
    const jobs = [
      { template: BUILT_IN.find((t) => t.key === 'engine-oil')!, taskId: 'a' },
      { template: plainTemplate({ id: 'abcdef12-0000', name: 'Valve clearances' }), taskId: 'b' }
    ];
    const laid = layOut({
      kind: 'four-stroke enduro',
      sheet: SHEET,
      rules: DEFAULT_RULES,
      jobs,
      history: {},
      sealUses: {},
      found: {},
      last: {}
    });
    const plan = orderPlan(laid, 'cold').plan;
    expect(place(plan, 'task-abcdef12.do')).toBeLessThan(place(plan, 'warm'));
    expect(plan.steps.find((s) => s.key === 'task-abcdef12.do')!.why).toContain('Stone cold');
    // It came in warm and nothing cold is wanted: it need not be warmed.
    expect(keys(orderPlan(laidOut(['engine-oil']), 'warm').plan)).not.toContain('warm');
  });
});

describe('by riding', () => {
  const sheet = { ...SHEET, fasteners: SHEET.fasteners.filter((f) => f.circuit !== 'engine') };
  const plan = planOf(['gearbox-two-stroke'], { kind: 'two-stroke enduro', sheet });
  it('it is stood level when it is back from the ride', () => {
    const plan = planOf(['gearbox-two-stroke'], { kind: 'two-stroke enduro' });
    expect(place(plan, 'warm')).toBeLessThan(place(plan, 'stand'));
    expect(place(plan, 'stand')).toBeLessThan(keys(plan).findIndex((k) => k.startsWith('drain-x')));
  });
  it('a two-stroke’s gearbox is warmed with everything shut', () => {
    expect(plan.steps.find((s) => s.key === 'warm')!.title).toMatch(/Ride it/);
    expect(place(plan, 'warm')).toBeLessThan(place(plan, 'guard-off-g'));
  });
});

describe('what the sheet notes', () => {
  it('a guard covers only what it is said to cover', () => {
    const fasteners = SHEET.fasteners.map((f) => (f.id === 'g' ? { ...f, covers: ['d'] } : f));
    const plan = laidOut(['engine-oil'], { sheet: { ...SHEET, fasteners } });
    expect(plan.steps.find((s) => s.key === 'screen-out-s')!.needs).not.toContain('guard-off-g');
    expect(plan.steps.find((s) => s.key === 'guard-on-g')!.after).toEqual(['drain-plug-d']);
  });
  it('uses of the washer that is in it, what was found there, what was written last time', () => {
    const plan = laidOut(['engine-oil'], {
      rules: { ...DEFAULT_RULES, washers: 're-use after a look', washerUses: 3 },
      sealUses: { d: 2 },
      found: { d: [{ how: 'loose', words: 'Found loose, 3 May' }] },
      last: { 'drain-in-d': { day: '2026-05-03', remark: 'long reach', photoId: null } }
    });
    const plug = plan.items.find((i) => i.key === 'drain-plug-d')!;
    expect([plug.sealUses, plug.sealMost, plug.found]).toEqual([
      2,
      3,
      [{ how: 'loose', words: 'Found loose, 3 May' }]
    ]);
    expect(plan.steps.find((s) => s.key === 'drain-in-d')!.last!.remark).toBe('long reach');
  });
  it('lays out each differential by itself', () => {
    const sheet = {
      fasteners: [
        fastener('fd', 'drain plug', 'Front drain', { circuit: 'front differential' }),
        fastener('rd', 'drain plug', 'Rear drain', { circuit: 'rear differential' })
      ],
      figures: [figure('rear differential oil', quantity(300, 'ml'))]
    };
    const plan = planOf(['differentials'], { kind: 'utility quad', sheet });
    const fills = plan.steps.flatMap((s) =>
      s.input.type === 'pour' ? [[s.input.circuit, s.input.fill.quantityMl]] : []
    );
    expect(fills).toEqual(
      expect.arrayContaining([
        ['front differential', null],
        ['rear differential', 300]
      ])
    );
    expect(plan.steps.some((s) => s.key === 'warm')).toBe(false);
  });
});

describe('what the sheet does not name', () => {
  const drains = (...names: string[]): Sheet => ({
    ...SHEET,
    fasteners: [
      ...SHEET.fasteners.filter((f) => f.role !== 'drain plug' || f.circuit !== 'engine'),
      ...names.map((name, i) => fastener(`d${i}`, 'drain plug', name))
    ]
  });
  it('is asked for where a job expects two and finds one: the drain left shut is why too little comes out', () => {
    const missing = (...names: string[]) =>
      notNamed(inputFor(['engine-oil-frame'], { sheet: drains(...names) })).map((u) => [u.name, u.leftOut]);
    expect(missing('Engine drain plug')).toEqual([['Frame drain plug', true]]);
    expect(missing('Drain in the frame')).toEqual([['Sump drain plug', true]]);
    expect(missing('Frame drain plug', 'Sump drain plug')).toEqual([]);
    expect(missing()).toEqual([['Engine drain plug', false]]);
    // An engine with one drain is not asked for another.
    expect(notNamed(inputFor(['engine-oil'], { sheet: drains('Engine drain plug') }))).toEqual([]);
  });
  it('is not asked for again, once somebody said that it has none', () => {
    const without = { ...SHEET, fasteners: SHEET.fasteners.filter((f) => f.role !== 'filter cover') };
    const lacks = [{ role: 'filter cover' as const, circuit: 'engine' as const, name: 'Oil filter cover' }];
    const names = (sheet: Sheet, job = 'engine-oil') =>
      notNamed(inputFor([job], { sheet })).map((u) => u.name);
    expect([names(without), names({ ...without, lacks })]).toEqual([['Oil filter cover'], []]);
    // What every engine has is asked for all the same: a drain that was taken off was another's, or wrong.
    const drain = [{ role: 'drain plug' as const, circuit: 'engine' as const, name: 'Engine drain plug' }];
    expect(names({ ...drains(), lacks: drain })).toEqual(['Engine drain plug']);
    // Of two drains it is the one of that name.
    const frame = [{ ...drain[0]!, name: 'Frame drain plug' }];
    const one = drains('Engine drain plug');
    expect([
      names({ ...one, lacks: drain }, 'engine-oil-frame'),
      names({ ...one, lacks: frame }, 'engine-oil-frame')
    ]).toEqual([['Frame drain plug'], []]);
  });
  it('is said, where its steps are left out for it', () => {
    const sheet = { ...SHEET, fasteners: SHEET.fasteners.filter((f) => f.role !== 'filter cover') };
    expect(notNamed(inputFor(['engine-oil']))).toEqual([]);
    expect(notNamed(inputFor(['engine-oil'], { sheet }))).toEqual([
      { role: 'filter cover', circuit: 'engine', name: 'Oil filter cover', leftOut: true }
    ]);
    // What every engine has is laid out nameless, and may be named.
    expect(
      notNamed(inputFor(['gearbox-check-screw'], { sheet: { fasteners: [], figures: [] } })).map((u) => [
        u.name,
        u.leftOut
      ])
    ).toEqual([
      ['Gearbox filler cap', false],
      ['Gearbox drain plug', false],
      ['Gearbox check screw', true]
    ]);
  });
});

describe('a warm-up', () => {
  it('is stood by to its end, in a job of the team’s own too', () => {
    const template = BUILT_IN.find((t) => t.key === 'engine-oil')!;
    const old = template.steps.map((s) =>
      s.key === 'warm'
        ? { ...s, minutes: 1, wait: 5 }
        : s.key === 'clean-round'
          ? { ...s, during: ['warm'] }
          : s
    );
    const plan = planOf([], { jobs: [{ template: { ...template, steps: old }, taskId: 't' }] });
    expect(plan.steps.find((s) => s.key === 'warm')).toMatchObject({ minutes: 6, wait: 0 });
    const at = (key: string) => plan.steps.findIndex((s) => s.key === key);
    expect(at('clean-round')).toBeGreaterThan(at('warm'));
  });
  it('goes round in no circle where a job has the guard the other way round than the house', () => {
    const template = BUILT_IN.find((t) => t.key === 'engine-oil')!;
    const guardAfter = template.steps.map((s) => (s.key === 'guard-off' ? { ...s, needs: ['warm'] } : s));
    const guardFirst = template.steps.map((s) => (s.key === 'warm' ? { ...s, needs: ['guard-off'] } : s));
    for (const guardOff of ['before the warm-up', 'after the warm-up'] as const)
      for (const steps of [guardAfter, guardFirst]) {
        const plan = planOf([], {
          rules: { ...DEFAULT_RULES, guardOff },
          jobs: [{ template: { ...template, steps }, taskId: 't' }]
        });
        expect(plan.steps.map((s) => s.key)).toEqual(expect.arrayContaining(['warm', 'drain-d']));
      }
  });
});

describe('what comes out with a fastener', () => {
  const sheet = {
    ...SHEET,
    fasteners: SHEET.fasteners.map((f) =>
      f.id === 'c' ? { ...f, comesWith: 'spring, small ring', lengths: 'top 25 mm, others 16 mm' } : f
    )
  };
  const plan = planOf(['engine-oil'], { sheet });
  const loose = 'filter-cover-loose-c';
  it('is counted out with it, and in before it', () => {
    expect(plan.items.find((i) => i.key === loose)).toMatchObject({
      kind: 'part',
      name: 'Spring, small ring, with filter cover',
      torque: null
    });
    const items = (key: string) => {
      const { input } = plan.steps.find((s) => s.key === key)!;
      return input.type === 'open' || input.type === 'close' ? input.items : [];
    };
    expect(items('filter-out-c')).toContain(loose);
    expect(items('filter-cover-c')).toEqual([loose, 'filter-cover-c']);
    // The filter itself goes in by a step of its own.
    expect(items('filter-in-c')).not.toContain(loose);
    expect(planOf(['engine-oil']).items.some((i) => i.key === loose)).toBe(false);
  });
  it('left out, nothing is poured, started or closed', () => {
    for (const type of ['pour', 'start'])
      expect(plan.steps.find((s) => s.input.type === type)!.after).toContain(loose);
    const without = whole(plan).filter((e) => e.itemKey !== loose);
    expect(closeProblems(plan, visitState(plan, without)).map((p) => p.key)).toContain(loose);
    expect(closeProblems(plan, visitState(plan, whole(plan)))).toEqual([]);
  });
  it('bolts of different lengths are told apart where they come out and where they go in', () => {
    const lines = (key: string) => plan.steps.find((s) => s.key === key)!.lines.join(' | ');
    expect(lines('filter-out-c')).toContain(
      '3 bolts · top 25 mm, others 16 mm · comes out with it: spring, small ring'
    );
    expect(lines('filter-out-c')).not.toContain('Count out');
    expect(lines('screen-out-s')).toContain('Count out what comes with it');
    expect(lines('filter-cover-c')).toContain('Each where it was: top 25 mm, others 16 mm.');
  });
  it('a drain plug that carries the screen is one point: opened, read and shut once', () => {
    const fasteners = SHEET.fasteners
      .filter((f) => f.role !== 'screen cap')
      .map((f) => (f.id === 'd' ? { ...f, comesWith: 'screen, spring' } : f));
    const one = inputFor(['engine-oil'], { sheet: { ...SHEET, fasteners } });
    expect(notNamed(one).map((u) => u.role)).not.toContain('screen cap');
    expect(
      notNamed({
        ...one,
        sheet: { ...SHEET, fasteners: fasteners.map((f) => ({ ...f, comesWith: '' })) }
      }).map((u) => u.role)
    ).toContain('screen cap');
    const plan = orderPlan(layOut(one), 'cold').plan;
    const magnet = plan.steps.find((s) => s.key === 'magnet-d')!;
    expect(magnet.title).toBe('Read the magnet and the screen of engine drain plug');
    expect(magnet.lines).toContain('Clean it and look through it at the light: torn is a finding.');
    expect(plan.steps.filter((s) => s.points.includes('d')).map((s) => s.input.type)).toEqual([
      'open',
      'debris',
      'close'
    ]);
    expect(plan.items.map((i) => i.name)).toContain('Screen, spring, with engine drain plug');
  });
});
