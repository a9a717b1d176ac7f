import { describe, expect, it } from 'vitest';
import { planOf, SHEET, GOOD_OIL, WRENCH } from '../../../../../tests/core/bench';
import { DEFAULT_RULES } from '../../rules/rules';
import { NO_TOOLS, type Toolbox } from '../../stores/toolbox';
import { bestOil, gather, sizesIn } from './gather';

const tools: Toolbox = {
  wrenches: [{ ...WRENCH, calibratedUntil: '2026-01-01' }],
  adapters: [],
  oils: [
    { ...GOOD_OIL, stockMl: 1300 },
    {
      id: 'b',
      name: 'Burnt',
      kind: 'two-stroke oil, burnt with the fuel',
      grade: 'SAE 30',
      ratings: [],
      additives: [],
      bottleMl: 1000,
      stockMl: 9000
    }
  ]
};
const list = (lines: { text: string }[]) => lines.map((l) => l.text).join('\n');

describe('before the valves are measured', () => {
  it('names blades, and what is wanted only if one is out: the cams are off by then', () => {
    const lines = (job: string) => {
      const g = gather(planOf([job]), tools, DEFAULT_RULES, '2026-06-01', null);
      return [list(g.tools), list(g.parts)];
    };
    expect(lines('valve-check')[0]).toContain('Feeler blades');
    expect(lines('valve-check')[0]).toContain('only if a valve is out: micrometer');
    expect(lines('valve-check')[1]).toContain('Gasket of the valve cover');
    expect(lines('valve-reshim')[0]).toContain('Micrometer, magnet');
    expect(lines('valve-screws')[0]).not.toContain('icrometer');
    expect(lines('engine-oil')[0]).not.toContain('Feeler');
  });
});

describe('before anything is opened', () => {
  const plan = planOf(['engine-oil', 'gearbox-check-screw']);
  const g = gather(plan, tools, DEFAULT_RULES, '2026-06-01', null);
  it('names the wrench for each value, with a word on its calibration', () => {
    expect(list(g.tools)).toContain('Small (calibration ran out on 1 Jan): Engine drain plug 20 N·m');
  });
  it('names each value by the scale of its wrench, with the sheet’s beside it', () => {
    const feet = { ...tools, wrenches: tools.wrenches.map((w) => ({ ...w, unit: 'lbf·ft' as const })) };
    expect(list(gather(plan, feet, DEFAULT_RULES, '2026-06-01', null).tools)).toContain(
      'Engine drain plug 14.8 lbf·ft (20 N·m)'
    );
  });
  it('says what is unknown rather than leave it out', () => {
    expect(g.lacks).toContain('Screen cap: its torque is not on the sheet.');
    expect(list(g.tools)).toContain('Size not noted');
  });
  it('counts washers, rings and the filter', () => {
    expect(list(g.parts)).toContain('1 new crush washer: Engine drain plug');
    expect(list(g.parts)).toContain('1 new oil filter');
  });
  it('picks the oil that suits, and the bottles to open', () => {
    expect(g.fluids.map((f) => [f.circuit, f.oil?.name, f.bottles])).toEqual([
      ['engine', 'Good', { open: 1, leftMl: 200, shortMl: 0 }],
      // Nobody knows which oil it wants: none is laid out in its place.
      ['gearbox', undefined, null]
    ]);
    expect(g.lacks).toContain('Gearbox oil: which it wants is not on the sheet.');
  });
  it('counts no bottle twice: what visits at the bench take is not there, nor what its other circuit takes', () => {
    // 1.3 L there, 1.1 L for the engine; 27 at the bench takes 0.95 L of the same.
    const claims = [{ oilId: GOOD_OIL.id, ml: 950, by: ['27'] }];
    const beside = gather(plan, { ...tools, claims }, DEFAULT_RULES, '2026-06-01', null);
    expect(beside.fluids[0]).toMatchObject({ bottles: { shortMl: 750 }, claimed: { ml: 950, by: ['27'] } });
    expect(beside.toGet).toContain('Engine oil: 750 ml short of Good, with what 27 at the bench takes.');
    // A gearbox that takes 0.7 L of the same oil finds 0.2 L left.
    const engine = plan.steps.flatMap((s) =>
      s.input.type === 'oil' && s.input.circuit === 'engine' ? [s.input] : []
    )[0]!;
    const both = plan.steps.map((s) =>
      s.input.type === 'oil' && s.input.circuit === 'gearbox'
        ? { ...s, input: { ...s.input, want: engine.want } }
        : s
    );
    const one = gather({ ...plan, steps: both }, tools, DEFAULT_RULES, '2026-06-01', null);
    expect(one.fluids.map((f) => f.bottles!.shortMl)).toEqual([0, 500]);
  });
  it('tells what has to be got from what has to be looked up', () => {
    expect(g.toGet).toEqual(['Small: calibration ran out on 1 Jan.']);
    expect(g.lacks).toContain('Screen cap: its torque is not on the sheet.');
  });
  it('says what is short, and what nothing suits', () => {
    const little = { ...tools, oils: [{ ...tools.oils[0]!, stockMl: 300 }] };
    expect(gather(plan, little, DEFAULT_RULES, '2026-06-01', null).lacks).toContain(
      'Engine oil: 800 ml short of Good.'
    );
    const wrong = gather(plan, { ...tools, oils: [tools.oils[1]!] }, DEFAULT_RULES, '2026-06-01', null);
    expect(wrong.lacks.join()).toContain('Engine oil: nothing in the stores suits it (10W-50)');
    expect(gather(plan, NO_TOOLS, DEFAULT_RULES, '2026-06-01', null).lacks.join()).toContain(
      'No torque wrench in the box'
    );
  });
  it('asks about two sizes on record for one fastener, and for an adapter that is not there', () => {
    const fasteners = SHEET.fasteners.map((f) =>
      f.id === 'd' ? { ...f, note: '19 mm on the later ones', adapter: true } : f
    );
    const odd = gather(
      planOf(['engine-oil'], { sheet: { ...SHEET, fasteners } }),
      tools,
      DEFAULT_RULES,
      '2026-06-01',
      null
    );
    expect(odd.lacks.join('\n')).toContain('two sizes on record, 17 and 19 mm');
    expect(odd.lacks.join('\n')).toContain('takes an adapter, and there is none');
    expect(sizesIn('8 mm hex, 8mm socket')).toEqual(['8']);
  });
  it('lays out first what was forgotten at these jobs last time', () => {
    const last = [
      { job: 'engine-oil', day: '2026-05-02', what: ['long 8 mm socket'] },
      { job: 'differentials', day: '2026-05-03', what: ['axle stands'] }
    ];
    const { forgotten } = gather(plan, tools, DEFAULT_RULES, '2026-06-01', null, last);
    expect(forgotten).toEqual([{ what: 'long 8 mm socket', day: '2026-05-02' }]);
    expect(gather(plan, tools, DEFAULT_RULES, '2026-06-01', null).forgotten).toEqual([]);
  });
  it('never picks what is stopped', () => {
    const input = plan.steps.find((s) => s.key === 'oil')!.input;
    expect(input.type === 'oil' && bestOil(input.want, [tools.oils[1]!], null)).toBeNull();
  });
});
