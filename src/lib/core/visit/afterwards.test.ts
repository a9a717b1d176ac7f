import { describe, expect, it } from 'vitest';
import { GOOD_OIL as OIL, item, planOf, SHEET as SHORT, step, WRENCH } from '../../../../tests/core/bench';
import { drawUpRecord } from '../record/record';
import { DEFAULT_RULES } from '../rules/rules';
import type { Sheet } from '../specs/sheet';
import { NOT_MEASURED, asOnTheSheet, sealKey, toSay, writtenAfterwards, type Afterwards } from './afterwards';
import { closeProblems } from './close';
import type { Entry, NewEntry } from './entry';
import { refuseEntry } from './refuse';
import { VisitFold, visitState } from './state';

/** As the book names things: what is written is checked by its schema, ids and all. */
const uuid = (id: string) => `00000000-0000-4000-8000-${id.charCodeAt(0).toString(16).padStart(12, '0')}`;
const GOOD_OIL = { ...OIL, id: uuid('o') };
const SHEET: Sheet = {
  fasteners: SHORT.fasteners.map((f) => ({ ...f, id: uuid(f.id) })),
  figures: SHORT.figures.map((f) => ({ ...f, fastenerId: f.fastenerId && uuid(f.fastenerId) }))
};
const tools = { wrenches: [WRENCH], oils: [GOOD_OIL], adapters: [] };
const plan = planOf(['engine-oil'], { sheet: SHEET });
const fresh = () => visitState(plan, []);
const EMPTY: Afterwards = {
  said: {},
  closed: {},
  why: {},
  materials: {},
  oilLook: {},
  leftOut: {},
  remark: '',
  units: 'metric'
};

/** As somebody fills it in: 1,000 ml out, 1,100 in, half-way, paste, all closed as on the sheet. */
function filled(p = plan, entries: Entry[] = [], more: Partial<Afterwards> = {}): Afterwards {
  const form = toSay(visitState(p, entries));
  const said: Record<string, string> = {};
  for (const s of form.asked) {
    const { key, input } = s.step;
    if (input.type === 'drained') said[key] = '1000';
    if (input.type === 'pour') said[key] = '1.1 L';
    if (input.type === 'oil') said[key] = GOOD_OIL.id;
    if (input.type === 'debris') said[key] = 'grey paste or fuzz';
    if (input.type === 'level') said[key] = 'Half-way';
    if (input.type === 'choice') said[key] = 'no';
  }
  const closed = Object.fromEntries(form.closed.map((i) => [i.item.key, true]));
  // The screen cap and the guard of this sheet have no torque noted.
  const why = Object.fromEntries(
    form.closed
      .filter((i) => i.item.kind === 'fastener' && !asOnTheSheet(i))
      .map((i) => [i.item.key, 'as always'])
  );
  return { ...EMPTY, said, closed, why, ...more };
}

/** Writes all of it, a moment after the other, as the server would judge it. */
function write(p: typeof plan, a: Afterwards, before: Entry[] = []) {
  const fold = new VisitFold(p);
  before.forEach((e) => fold.add(e));
  const { lines, wanted } = writtenAfterwards(visitState(p, before), a, { tools });
  const entries: Entry[] = [];
  for (const [n, { key, entry }] of lines.entries()) {
    const full = {
      id: crypto.randomUUID(),
      stepKey: null,
      itemKey: null,
      ...entry,
      seq: (before.at(-1)?.seq ?? 0) + 1 + n,
      at: '2026-06-10T18:00:00Z',
      by: 'p'
    } as unknown as Entry;
    const problem = refuseEntry(fold.state(), full as NewEntry, tools, Date.parse('2026-06-10T18:00:00Z'));
    if (problem) return { wanted, refused: { key, problem }, entries };
    entries.push(full);
    fold.add(full);
  }
  return { wanted, refused: null, entries };
}

describe('a visit written down afterwards', () => {
  it('asks for what was measured and seen, and for each opened point; the rest was done', () => {
    const form = toSay(fresh());
    expect(form.asked.map((s) => s.step.input.type).sort()).toEqual(
      ['oil', 'debris', 'debris', 'debris', 'drained', 'pour', 'level'].sort()
    );
    expect(form.closed.map((i) => i.item.name).sort()).toEqual(
      [
        'Engine drain plug',
        'Filler cap',
        'Filter cover',
        'Oil filter',
        'Screen behind screen cap',
        'Screen cap',
        'Skid plate'
      ].sort()
    );
    const { wanted } = writtenAfterwards(fresh(), EMPTY, { tools });
    // Each of them is wanted, and nothing else.
    expect(Object.keys(wanted)).toHaveLength(14);
    const words = Object.values(wanted).map((w) => w.words);
    expect(words).toContain('Is Engine drain plug closed?');
    expect(words).toContain('How much?');
  });
  it('comes to the same entries, refuses nothing by the clock, and leaves nothing open', () => {
    const { wanted, refused, entries } = write(plan, filled(plan, [], { remark: 'washer was flat' }));
    expect([wanted, refused]).toEqual([{}, null]);
    const state = visitState(plan, entries);
    expect(closeProblems(plan, state)).toEqual([]);
    const record = drawUpRecord(plan, state, DEFAULT_RULES, 1);
    expect(record).toMatchObject({
      afterwards: true,
      circuits: [{ drainedMl: 1000, pouredMl: 1100, oil: { name: 'Good' }, level: { position: 0.5 } }],
      remarks: [{ remark: 'washer was flat' }]
    });
    expect(record.fasteners.find((f) => f.name === 'Engine drain plug')).toMatchObject({
      stand: 'torqued',
      torque: { value: 20, unit: 'N·m' },
      wrenchId: null
    });
    expect(record.fasteners.find((f) => f.name === 'Screen cap')).toMatchObject({
      stand: 'by feel',
      reason: 'as always'
    });
  });
  it('is refused what is refused at the bench, until somebody says why', () => {
    const short = filled();
    const pour = plan.steps.find((s) => s.input.type === 'pour')!.key;
    // 700 of the 1,010 that go in before it runs.
    const little = { ...short, said: { ...short.said, [pour]: '700' } };
    expect(write(plan, little).wanted[pour]).toMatchObject({ asksWhy: true });
    // Said once, it is not asked again at the run.
    expect(
      write(plan, { ...little, why: { ...little.why, [pour]: 'the rest after the run' } }).refused
    ).toBeNull();
    const drain = plan.items.find((i) => i.name === 'Engine drain plug')!.key;
    const other = { ...short, said: { ...short.said, [drain]: '28 N·m' } };
    expect(write(plan, other).refused).toMatchObject({ key: drain, problem: { kind: 'not the sheet’s' } });
    expect(write(plan, { ...other, why: { ...other.why, [drain]: 'thread repaired' } }).refused).toBeNull();
  });
  it('goes on from where a visit stands, and says what was not done', () => {
    const before = [step('gather'), item(plan.items.find((i) => i.role === 'guard')!.key, 'off')];
    const leaks = plan.steps.find((s) => s.key === 'leaks')!.key;
    const { refused, entries } = write(
      plan,
      filled(plan, before, { leftOut: { [leaks]: 'it rained' } }),
      before
    );
    expect(refused).toBeNull();
    expect(entries.some((e) => e.stepKey === 'gather')).toBe(false);
    const state = visitState(plan, [...before, ...entries]);
    expect(closeProblems(plan, state)).toEqual([]);
    expect(drawUpRecord(plan, state, DEFAULT_RULES, 1).leftOut).toEqual([
      { title: 'Look for leaks', reason: 'it rained' }
    ]);
  });
  it('what came out need not have been measured: that is said, and no amount is asked', () => {
    const drained = plan.steps.find((s) => s.input.type === 'drained')!.key;
    const { said, ...rest } = filled(plan, []);
    const form = { ...rest, said: { ...said, [drained]: '' }, leftOut: { [drained]: NOT_MEASURED } };
    const { refused, entries } = write(plan, form, []);
    expect(refused).toBeNull();
    const record = drawUpRecord(plan, visitState(plan, entries), DEFAULT_RULES, 1);
    expect(record.leftOut).toEqual([
      { title: expect.stringContaining('measure what came out'), reason: 'not measured' }
    ]);
    expect(record.circuits[0]).toMatchObject({ drainedMl: null, used: null });
  });
  it('points at the plug that the step is about, where two look alike', () => {
    const both = planOf(['engine-oil', 'gearbox-check-screw'], { sheet: SHEET });
    const twin = both.steps.find((s) => s.input.type === 'open' && s.input.twins.length > 0)!;
    const { lines } = writtenAfterwards(visitState(both, []), filled(both), { tools });
    expect(lines.find((l) => l.key === twin.key)!.entry.content).toMatchObject({
      pointedAt: twin.points[0]
    });
  });
  it('reads amounts by the units of the hand, and asks again about what is none', () => {
    const drained = plan.steps.find((s) => s.input.type === 'drained')!.key;
    const say = (text: string, units: Afterwards['units']) =>
      writtenAfterwards(
        fresh(),
        { ...filled(), units, said: { ...filled().said, [drained]: text } },
        { tools }
      );
    expect(say('1', 'imperial').lines.find((l) => l.key === drained)!.entry.content).toMatchObject({
      ml: 946.4,
      asWritten: '1 US qt'
    });
    expect(say('a cupful', 'metric').wanted[drained]!.words).toMatch(/Write a figure|unit/);
  });
  it('takes an oil that is not in the stores as the can says it, and a level whose method nobody noted', () => {
    const bare = planOf(['gearbox-two-stroke'], { sheet: { fasteners: [], figures: [] } });
    const level = bare.steps.find((s) => s.input.type === 'level')!.key;
    const oil = bare.steps.find((s) => s.input.type === 'oil')!.key;
    const a = filled(bare);
    expect(
      writtenAfterwards(visitState(bare, []), { ...a, said: { ...a.said, [level]: '' } }, { tools }).wanted
    ).toMatchObject({ [level]: { words: 'How is it read?', asksWhy: false } });
    const b = {
      ...a,
      said: {
        ...a.said,
        [oil]: 'Hollin Gear 75W-80 JASO MA2',
        [`${level} method`]: 'check screw',
        [level]: 'weeps'
      }
    };
    const { lines } = writtenAfterwards(visitState(bare, []), b, { tools });
    expect(lines.find((l) => l.key === oil)!.entry.content).toMatchObject({
      oilId: null,
      oil: 'Hollin Gear 75W-80 JASO MA2',
      oilGrade: '75W-80'
    });
    expect(lines.find((l) => l.key === level)!.entry.content).toMatchObject({
      level: { method: 'check screw', flow: 'weeps' }
    });
  });
  it('says at its field what no bench would take: too much, too long', () => {
    const drained = plan.steps.find((s) => s.input.type === 'drained')!.key;
    const a = filled();
    const wanted = (said: object, more: Partial<Afterwards> = {}) =>
      writtenAfterwards(fresh(), { ...a, said: { ...a.said, ...said }, ...more }, { tools }).wanted;
    expect(wanted({ [drained]: '25 L' })).toEqual({
      [drained]: { words: 'At most 20 L: is it the right unit?', asksWhy: false }
    });
    const drain = plan.items.find((i) => i.name === 'Engine drain plug')!.key;
    expect(wanted({ [drain]: '5000 N·m' })).toMatchObject({ [drain]: { words: 'Is it the right unit?' } });
    expect(wanted({}, { leftOut: { leaks: 'x'.repeat(10_001) } })).toMatchObject({
      leaks: { words: 'At most 10,000 characters.' }
    });
  });
  it('keeps a remark with whatever is left to keep it with, and says so where nothing is', () => {
    const ticks = toSay(fresh()).done.map((s) => s.step.key);
    const leftOut = Object.fromEntries(ticks.map((k) => [k, 'not this time']));
    const { lines } = writtenAfterwards(fresh(), filled(plan, [], { leftOut, remark: 'a weep' }), { tools });
    expect(lines.filter((l) => JSON.stringify(l.entry).includes('a weep'))).toHaveLength(1);
    // Only a cap is left to shut.
    const cap = plan.items.find((i) => i.role === 'filler cap')!.key;
    const before = write(plan, filled()).entries.filter((e) => e.itemKey !== cap);
    const rest = visitState(plan, before);
    const { wanted } = writtenAfterwards(
      rest,
      { ...EMPTY, closed: { [cap]: true }, remark: 'a weep' },
      { tools }
    );
    expect(Object.keys(wanted)).toEqual(['remark']);
  });
  it('tells of what the metal was, and how the oil looked', () => {
    const look = plan.steps.find((s) => s.input.type === 'debris')!.key;
    const a = filled();
    const { lines } = writtenAfterwards(
      fresh(),
      {
        ...a,
        said: { ...a.said, [look]: 'fine glitter' },
        materials: { [look]: ['bronze (gold)'] },
        oilLook: { [look]: 'milky: water' }
      },
      { tools }
    );
    expect(lines.find((l) => l.key === look)!.entry.content).toMatchObject({
      grade: 'fine glitter',
      materials: ['bronze (gold)'],
      oilLook: 'milky: water'
    });
  });
  it('is by feel without a word where the house allows it', () => {
    const a = { ...filled(), why: {} };
    const cap = plan.items.find((i) => i.name === 'Screen cap')!.key;
    expect(writtenAfterwards(fresh(), a, { tools }).wanted[cap]).toMatchObject({ asksWhy: true });
    expect(writtenAfterwards(fresh(), a, { tools, byFeel: true }).wanted).toEqual({});
  });
});

describe('the washer that went in', () => {
  it('is the one that was said; the house rule’s stands in the form', () => {
    const plug = plan.items.find((i) => i.name === 'Engine drain plug')!;
    const of = (more: Record<string, string>) => {
      const a = filled();
      const { lines } = writtenAfterwards(fresh(), { ...a, said: { ...a.said, ...more } }, { tools });
      return lines.find((l) => l.key === plug.key)!.entry.content;
    };
    expect(of({})).toMatchObject({ seal: 'new' });
    expect(of({ [sealKey(plug.key)]: 'again' })).toMatchObject({ seal: 'again' });
  });
});

describe('a pour that is not what the sheet says', () => {
  it('asks why at its field, and keeps the reason', () => {
    const pour = plan.steps.find((s) => s.input.type === 'pour')!.key;
    // 1,100 ml with the filter; a tenth less is 990.
    const of = (typed: string, why?: string) => {
      const a = filled();
      const said = { ...a.said, [pour]: typed };
      return writtenAfterwards(
        fresh(),
        { ...a, said, why: { ...a.why, ...(why && { [pour]: why }) } },
        { tools }
      );
    };
    expect(of('1000').wanted[pour]).toBeUndefined();
    expect(of('900').wanted[pour]).toMatchObject({
      asksWhy: true,
      words: expect.stringMatching(/^900 ml of the 1100 ml/)
    });
    const kept = of('900', 'frame not drained').lines.find((l) => l.entry.action === 'fill accepted');
    expect(kept?.entry.content).toEqual({ circuit: 'engine', inMl: 900, reason: 'frame not drained' });
  });
});
