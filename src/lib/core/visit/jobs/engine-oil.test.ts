import { describe, expect, it } from 'vitest';
import { quantity } from '../../quantity/quantity';
import { DEFAULT_RULES } from '../../rules/rules';
import type { Fastener, Figure } from '../../specs/sheet';
import { planEngineOil } from './engine-oil';
import { levelMethod, lower, numberOf, partsLine, sealLine } from './words';

const fastener = (id: string, role: Fastener['role'], more: Partial<Fastener> = {}): Fastener => ({
  id,
  role,
  circuit: role === 'guard' ? null : 'engine',
  name: `The ${id}`,
  place: 'underneath',
  quantity: 1,
  magnet: false,
  seal: 'none',
  head: '',
  thread: '',
  pattern: '',
  note: '',
  ...more
});
const figure = (key: Figure['key'], more: Partial<Figure>): Figure => ({
  id: `${key}${more.fastenerId ?? ''}`,
  key,
  fastenerId: null,
  quantity: null,
  to: null,
  text: null,
  source: 'Manual',
  page: '7',
  confidence: 'printed',
  variant: '',
  ...more
});
const plan = (fasteners: Fastener[], figures: Figure[] = [], rules = DEFAULT_RULES) =>
  planEngineOil({
    sheet: { fasteners, figures },
    rules,
    pouredLastTimeMl: null,
    debrisBefore: { 'The left': ['none', 'none', 'fine glitter', 'chunks'] },
    breakIn: true
  });
const keys = (p: ReturnType<typeof plan>) => p.steps.map((s) => s.key);

describe('a machine with oil in the frame', () => {
  const p = plan([
    fastener('left', 'drain plug'),
    fastener('frame', 'drain plug', { note: 'starts at an angle' })
  ]);
  it('opens and shuts both drains, and none of them may be forgotten', () => {
    expect(keys(p)).toEqual(
      expect.arrayContaining(['drain-left', 'drain-frame', 'drain-in-left', 'drain-in-frame'])
    );
    const pour = p.steps.find((s) => s.key === 'pour')!;
    expect(pour.after).toEqual(['drain-plug-left', 'drain-plug-frame']);
  });
  it('shows a fastener’s own note at its step', () =>
    expect(p.steps.find((s) => s.key === 'drain-frame')!.lines).toContain('starts at an angle'));
  it('has no filter or screen steps where there are none', () =>
    expect(keys(p).some((k) => /filter-|screen-/.test(k))).toBe(false));
  it('shows the last three findings of the same place', () => {
    expect(p.steps.find((s) => s.key === 'magnet-left')!.input).toMatchObject({
      before: ['none', 'none', 'fine glitter'],
      breakIn: true
    });
    expect(p.steps.find((s) => s.key === 'magnet-frame')!.input).toMatchObject({ before: [] });
  });
});

describe('the quantity depends on what is changed', () => {
  const figures = [
    figure('engine oil with filter', { quantity: quantity(1000, 'ml') }),
    figure('engine oil without filter', { quantity: quantity(900, 'ml') })
  ];
  const pour = (fasteners: Fastener[], rules = DEFAULT_RULES) =>
    plan(fasteners, figures, rules).steps.find((s) => s.key === 'pour')!.input;
  it('with the filter, without it', () => {
    expect(pour([fastener('c', 'filter cover')])).toMatchObject({ quantityMl: 1000, firstMl: 920 });
    expect(pour([])).toMatchObject({ quantityMl: 900, firstMl: 830 });
  });
  it('and the first pour on the house rule', () =>
    expect(pour([], { ...DEFAULT_RULES, holdBackPercent: 0 })).toMatchObject({
      firstMl: 900,
      heldBackMl: 0
    }));
  it('a figure for the other case is not borrowed', () => {
    const only = plan([fastener('c', 'filter cover')], [figures[1]!]).steps.find((s) => s.key === 'pour')!;
    expect(only.input).toMatchObject({ quantityMl: null });
    expect(only.number).toMatchObject({ quantity: null, source: null });
  });
});

describe('what opens is shut again, on any sheet', () => {
  const roles = ['drain plug', 'screen cap', 'filter cover', 'filler cap', 'guard'] as const;
  const sets = Array.from({ length: 2 ** roles.length }, (_, n) => roles.filter((_, i) => n & (1 << i)));
  it.each(sets.map((s) => [s.join(', ') || 'an empty sheet', s] as const))('%s', (_, set) => {
    const p = plan(set.map((role, i) => fastener(`f${i}`, role)));
    const opened = p.steps.flatMap((s) => (s.input.type === 'open' ? s.input.items : []));
    const shut = p.steps.flatMap((s) => (s.input.type === 'close' ? s.input.items : []));
    expect([...shut].sort()).toEqual([...opened].sort());
    expect([...opened].sort()).toEqual(p.items.map((i) => i.key).sort());
    expect(new Set(keys(p)).size).toBe(p.steps.length);
    // Nothing is shut before it is opened, and a cover goes on after what it covers.
    for (const key of opened) {
      const at = (type: 'open' | 'close') =>
        p.steps.findIndex((s) => s.input.type === type && s.input.items.includes(key));
      expect(at('open')).toBeLessThan(at('close'));
    }
    for (const s of p.steps) for (const key of s.after) expect(p.items.some((i) => i.key === key)).toBe(true);
    expect(keys(p).indexOf('leaks')).toBeGreaterThan(keys(p).indexOf('run'));
    if (set.includes('guard')) expect(keys(p).indexOf('guard-on')).toBeGreaterThan(keys(p).indexOf('leaks'));
  });
  it('every step that can hurt says so', () => {
    const p = plan(roles.map((role, i) => fastener(`f${i}`, role)));
    for (const key of ['stand', 'warm', 'drain-f0', 'screen-out-f1', 'screen-in-f1', 'run', 'leaks'])
      expect(p.steps.find((s) => s.key === key)!.caution).toMatch(/\w/);
  });
});

describe('words', () => {
  it('say the source of a number, and whether to trust it', () => {
    expect(
      numberOf('Torque', figure('torque', { quantity: quantity(20, 'N·m'), confidence: 'told', page: '' }))
    ).toMatchObject({ source: 'Manual · told', unsure: true });
    expect(numberOf('Torque', null)).toEqual({
      label: 'Torque',
      quantity: null,
      source: null,
      unsure: false
    });
  });
  it('list a part with its torque and seal, unknown as unknown', () => {
    const plug = fastener('plug', 'drain plug', { seal: 'crush washer', quantity: 2 });
    expect(partsLine(plug, { fasteners: [], figures: [] }, DEFAULT_RULES)).toBe(
      'The plug × 2: torque unknown, 1 new crush washer'
    );
    const known = {
      fasteners: [],
      figures: [figure('torque', { fastenerId: 'plug', quantity: quantity(95, 'lbf·in') })]
    };
    expect(partsLine({ ...plug, quantity: 1, seal: 'O-ring' }, known, DEFAULT_RULES)).toBe(
      'The plug: 95 lbf·in, spare O-ring'
    );
    expect(sealLine(plug, { ...DEFAULT_RULES, washers: 're-use after a look' })[0]).toMatch(/^Look/);
    expect(sealLine({ ...plug, seal: 'none' }, DEFAULT_RULES)).toEqual([]);
  });
  it('know a level method or none', () => {
    expect(levelMethod('sight glass')).toBe('sight glass');
    expect(levelMethod('by eye')).toBeNull();
    expect(levelMethod(null)).toBeNull();
    expect(lower('Oil filter')).toBe('oil filter');
  });
});
