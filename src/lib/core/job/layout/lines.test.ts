import { describe, expect, it } from 'vitest';
import { fastener, figure, inputFor, SHEET } from '../../../../../tests/core/bench';
import { quantity } from '../../quantity/quantity';
import { DEFAULT_RULES } from '../../rules/rules';
import { BUILT_IN } from '../built-in/jobs';
import type { LayoutInput } from './context';
import { thingsOf } from './items';
import { layOut } from './layout';
import { fill, fillTitle, TDC_UNKNOWN, type LineContext } from './lines';

const input: LayoutInput = {
  kind: 'four-stroke enduro',
  sheet: SHEET,
  rules: DEFAULT_RULES,
  jobs: [{ template: BUILT_IN.find((t) => t.key === 'engine-oil')!, taskId: null }],
  history: {},
  sealUses: {},
  found: {},
  last: {}
};
const of = (id: string | null, more: Partial<LineContext> = {}): LineContext => ({
  input,
  circuit: 'engine',
  fastener: SHEET.fasteners.find((f) => f.id === id) ?? null,
  all: SHEET.fasteners.filter((f) => f.role === 'drain plug'),
  ...more
});

describe('what a line of a job comes to', () => {
  it('takes the machine’s own words, and is dropped where it has none', () => {
    expect(fill('{place}', of('d'))).toEqual(['underneath']);
    expect(fill('{fastener}', of('d'))).toEqual(['17 mm hex · crush washer · magnet']);
    expect(fill('{fastener}', of('c'))).toEqual(['3 bolts']);
    expect(fill('{fastener}', of('x'))).toEqual([]);
    expect(fill('{note}', of('d'))).toEqual([]);
    expect(fill('Mind: {note}', of('d'))).toEqual([]);
    expect(fill('Open {name} at last', of('d'))).toEqual(['Open engine drain plug at last']);
  });
  it('leaves braces alone that it does not know', () => {
    expect(fill('Set {this} aside', of('d'))).toEqual(['Set {this} aside']);
    expect(fill('{this}', of('d'))).toEqual(['{this}']);
  });
  it('lists everything that is opened, each with its circuit', () => {
    expect(fill('{items}', of(null))).toEqual([
      'Engine drain plug: underneath',
      'Gearbox drain plug (gearbox): underneath'
    ]);
  });
  it('says how the level is read, and what is not on the sheet', () => {
    expect(fill('{protocol}', of(null))).toEqual(['sight glass', 'settle 3 min']);
    const bare = { ...input, sheet: { fasteners: [], figures: [] } };
    expect(fill('{protocol}', of(null, { input: bare }))[0]).toContain('does not say how');
    expect(fill('{oil}', of(null, { input: bare }))[0]).toContain('is not on the sheet');
    expect(fill('{drained}', of(null))).toEqual(['What went in last time is not known.']);
  });
  it('says at the start what shows that the pump works, and what the glass shows before it', () => {
    const start = (more: Partial<LayoutInput> = {}, token = 'glass') =>
      fill(`{${token}}`, of(null, { input: { ...input, ...more } }));
    expect(start()).toEqual([
      'Look in the glass before the first start: it looks too full until the filter and passages have filled.'
    ]);
    const first = { ...SHEET.figures[0]!, key: 'oil level aim before the first run' as const, band: null };
    const aimed = { ...SHEET, figures: [...SHEET.figures, { ...first, text: 'at the high mark' }] };
    expect(start({ sheet: aimed })[0]).toContain('Before the first run it should stand: at the high mark.');
    const cranked = { ...DEFAULT_RULES, cranking: 'both' as const };
    expect(start({ rules: cranked })[0]).toBe(
      'House rule: cranked with ignition off first, until the oil is round.'
    );
    expect(start({ rules: cranked }, 'cranking')).toHaveLength(1);
    expect(start({ rules: { ...cranked, cranking: 'before the first start' } }, 'cranking')).toEqual([]);
    expect(start({}, 'pressure')).toEqual([
      'Right after the start the glass empties: the pump works.',
      'No sign of oil pressure: stop it at once, and find out why.'
    ]);
    const bare = { fasteners: [], figures: [] };
    expect(start({ sheet: bare })).toEqual([]);
    expect(start({ sheet: bare }, 'pressure')[0]).toContain('as the manual has it');
    // No pump to speak of: a two-stroke’s gearbox splashes.
    const gearbox = [{ template: BUILT_IN.find((t) => t.key === 'gearbox-two-stroke')!, taskId: null }];
    expect(start({ kind: 'two-stroke motocross', jobs: gearbox }, 'pressure')).toEqual([]);
    expect(start({ rules: cranked, jobs: gearbox })).not.toContain(
      'House rule: cranked with ignition off first, until the oil is round.'
    );
  });
  it('goes by the house rules', () => {
    const rules = {
      ...DEFAULT_RULES,
      fillFilterFirst: true,
      filter: 'washable',
      screens: 'replace',
      sideForFilter: true
    } as const;
    const other = of('c', { input: { ...input, rules } });
    expect(fill('{fill}', other)[0]).toContain('clean oil first');
    expect(fill('{side}', other)[0]).toContain('on its side');
    expect(fill('{screens}', other)[0]).toContain('new screen');
    expect(fillTitle('{filter} in', other)).toBe('Washed filter in');
    expect(fill('{fill}', of('c'))).toEqual([]);
    expect(fillTitle('{filter} in', of('c'))).toBe('New filter in');
  });
  it('names the order of bolts only where there are some', () => {
    expect(fill('{pattern}', of('c'))).toEqual(['3 bolts, criss-cross, in two rounds.']);
    expect(fill('{pattern}', of('d'))).toEqual([]);
  });
  it('never leaves a title empty', () => {
    expect(fillTitle('{note}', of('d'))).toBe('');
    expect(fillTitle('Look at {note}', of('d'))).toBe('Look at');
    expect(fillTitle('{magnet}', of('d'))).toBe('Read the magnet of engine drain plug');
    expect(fillTitle('{magnet}', of('x'))).toBe('Look at gearbox drain plug and the oil');
  });
});

describe('what stands on the sheet is used at its step', () => {
  const named = [
    fastener('cc', 'other', 'Cam cap bolts', { circuit: null, quantity: 8, pattern: 'from the middle out' }),
    fastener('vc', 'cover', 'Valve cover bolts', { circuit: null, quantity: 4 }),
    fastener('ec', 'clamp', 'Eccentric carrier bolts', { circuit: null, quantity: 2 }),
    fastener('sc', 'sprocket bolts', 'Sprocket carrier bolts', { circuit: null, quantity: 4 })
  ];
  const sheet = {
    fasteners: [...SHEET.fasteners, ...named],
    figures: [
      ...SHEET.figures,
      figure('torque', quantity(10, 'N·m'), { id: 'tcc', fastenerId: 'cc' }),
      figure('torque', quantity(45, 'N·m'), { id: 'tec', fastenerId: 'ec' }),
      figure('top dead centre', null, { text: 'T mark through the upper hole' })
    ]
  };
  const at = (token: string, more: Partial<LayoutInput> = {}) =>
    fill(`{${token}}`, { input: inputFor([], { sheet, ...more }), circuit: null, fastener: null, all: [] });

  it('cam caps, cover and carrier with their torque and pattern; nothing where the sheet has none', () => {
    expect(at('camcaps')).toEqual(['Cam cap bolts, 8: 10 N·m; from the middle out']);
    expect(at('valvecover')).toEqual(['Valve cover bolts, 4: torque not on the sheet']);
    // Only where the axle sits in one; a sprocket's carrier is another.
    expect(at('carrier')).toEqual([]);
    expect(at('camcaps', { sheet: SHEET })).toEqual([]);
  });
  it('top dead centre as a note of the sheet says it, as well as with the head', () => {
    expect(at('tdc')).toEqual(['T mark through the upper hole']);
    const head = { valves: [], guide: ['Turn clockwise'], limits: [], out: null };
    expect(at('tdc', { head })).toEqual(['Turn clockwise', 'T mark through the upper hole']);
    expect(at('tdc', { sheet: SHEET })).toEqual([TDC_UNKNOWN]);
  });
  it('an eccentric carrier has no lock-nuts, and rockers no buckets', () => {
    const chain = {
      wanted: null,
      at: 0.5,
      attitude: 'rider on',
      finger: 16,
      shift: null,
      dressing: 'lube',
      adjuster: 'eccentric carrier'
    } as const;
    expect(at('carrier', { chain })).toEqual(['Eccentric carrier bolts, 2: 45 N·m']);
    expect(at('adjusters', { chain })).toEqual(['and the bolts that hold its carrier']);
    expect(at('locked', { chain })[0]).not.toContain('lock-nut');
    expect(at('locked')).toEqual(['Adjuster lock-nuts tight']);
    const head = (...buckets: boolean[]) => ({
      valves: buckets.map((bucket, i) => ({ name: `V${i}`, shimmed: true, bucket })),
      guide: [],
      limits: [],
      out: null
    });
    expect(at('buckets', { head: head(true, true) })).toEqual(['Buckets and shims']);
    expect(at('buckets', { head: head(false, false) })).toEqual(['Rockers aside, shims']);
    expect(at('buckets', { head: head(true, false) })).toEqual(['Buckets, rockers and shims']);
    expect(thingsOf(['Bucket and shim, {valve}'], inputFor([], { head: head(true, false) }))).toEqual([
      'Bucket and shim, v0',
      'Shim, v1'
    ]);
  });
  it('a start counts what the machine has', () => {
    expect(at('ready')).toEqual([
      'oil in, coolant in, where it has any, plugs torqued, neutral, tools and rags counted in'
    ]);
    const cooled = { ...sheet, figures: [...sheet.figures, figure('coolant', quantity(1, 'L'))] };
    expect(at('ready', { sheet: cooled })[0]).toContain('oil in, coolant in, plugs torqued');
    expect(at('ready', { kind: 'electric' })[0]).not.toMatch(/coolant|neutral/);
  });
  it('a screen of a gearbox comes out with its oil, and nobody is asked for one', () => {
    const screen = fastener('gs', 'screen cap', 'Gearbox screen', { circuit: 'gearbox' });
    const keys = (fasteners: typeof SHEET.fasteners) =>
      layOut(inputFor(['gearbox-check-screw'], { sheet: { ...SHEET, fasteners } })).steps.map((s) => s.key);
    expect(keys([...SHEET.fasteners, screen]).filter((k) => k.startsWith('screen'))).toHaveLength(4);
    expect(keys(SHEET.fasteners).filter((k) => k.startsWith('screen'))).toEqual([]);
  });
});
