import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { item, planOf, step, whole } from '../../../../tests/core/bench';
import { closeProblems } from './close';
import { NOTHING_SEEN, type Entry } from './entry';
import { lastSeen, VisitInTurn } from './in-turn';
import { standInWords } from './items';
import { inTurn } from './moments';
import { refuseEntry } from './refuse';
import { visitState } from './state';

const plan = planOf(['engine-oil']);
const PLUG = 'drain-plug-d';
const OUT = 'drain-d';
/** Written at so many minutes past ten, and come in in the order they are made. */
const at = (minutes: number, e: Entry, more: Partial<Entry> = {}): Entry =>
  ({ ...e, at: new Date(Date.UTC(2026, 5, 10, 10, minutes)).toISOString(), ...more }) as Entry;
const torqued = () => item(PLUG, 'torqued', { value: 20, unit: 'N·m', seal: 'new' });
const plug = (entries: Entry[]) => visitState(plan, entries).items.find((i) => i.item.key === PLUG)!;
const stand = (entries: Entry[]) => plug(entries).stand;

describe('later is later', () => {
  it('a torque that comes in late does not shut a plug that was taken off after it', () => {
    const out = at(0, step(OUT));
    const again = at(10, item(PLUG, 'off'));
    const late = at(5, torqued());
    expect(stand([out, again, late])).toBe('off');
    expect(closeProblems(plan, visitState(plan, [...whole(plan), again, late]))[0]!.key).toBe(PLUG);
    const before = visitState(plan, [
      ...whole(plan).slice(0, 40),
      at(10, item(PLUG, 'off')),
      at(5, torqued())
    ]);
    const run = plan.steps.find((s) => s.input.type === 'start')!.key;
    expect(refuseEntry(before, step(run))).toMatchObject({ kind: 'open before it' });
  });
  it('a step that was done late is judged by how the visit stood then', () => {
    const entries = [...whole(plan)].slice(
      0,
      whole(plan).findIndex((e) => e.stepKey?.startsWith('run'))
    );
    const turn = new VisitInTurn(plan, [...entries, at(30, item(PLUG, 'off'))]);
    const run = plan.steps.find((s) => s.input.type === 'start')!.key;
    expect(refuseEntry(turn.before(at(20, step(run))), at(20, step(run)))).toBeNull();
    expect(refuseEntry(turn.before(at(40, step(run))), at(40, step(run)))).toMatchObject({
      kind: 'open before it'
    });
    turn.add(at(20, step(run)));
    expect(turn.before(at(50, step(run))).open.map((i) => i.item.key)).toContain(PLUG);
  });
  it('what a device wrote upon something it knew comes after it, however its clock runs', () => {
    const out = at(0, step(OUT));
    const tight = at(10, torqued(), { seen: out.id });
    // Its clock was a minute ahead when it sent the torque, and is right now.
    const off = at(9, item(PLUG, 'off'), { seen: tight.id });
    expect(inTurn([out, tight, off]).map((e) => e.id)).toEqual([out.id, tight.id, off.id]);
    expect(stand([out, tight, off])).toBe('off');
  });
  it('a slow line does not put what a device did next before what it did first', () => {
    const pour = at(2, step('pour', 'done', { ml: 1010 }));
    // Its request took two minutes; what was written a minute on came in just after it.
    const run = at(1, step('run'), { after: pour.id });
    const entries = whole(plan).slice(
      0,
      whole(plan).findIndex((e) => e.stepKey === 'pour')
    );
    const turn = new VisitInTurn(plan, [...entries, pour]);
    expect(inTurn([pour, run]).map((e) => e.id)).toEqual([pour.id, run.id]);
    const state = turn.before(run);
    expect(state.steps.find((s) => s.step.key === 'pour')!.done).toBe(true);
  });
  it('read anew in whatever order they come in, it is the same visit', () => {
    const entries = whole(plan).map((e, i) => at(i, e));
    fc.assert(
      fc.property(fc.shuffledSubarray(entries, { minLength: entries.length }), (mixed) => {
        const came = mixed.map((e, seq) => ({ ...e, seq }));
        expect(closeProblems(plan, visitState(plan, came))).toEqual([]);
        const turn = new VisitInTurn(plan, []);
        for (const e of came) turn.add(e);
        const end = at(59 * 24, step('write'));
        expect(turn.before(end).items.map((i) => i.stand)).toEqual(
          visitState(plan, entries).items.map((i) => i.stand)
        );
      }),
      { numRuns: 20 }
    );
  });
});

describe('two devices that contradict each other', () => {
  const out = at(0, step(OUT));
  const first = at(3, torqued(), { seen: out.id });
  const again = at(5, item(PLUG, 'off'), { seen: first.id, by: 'Ada' } as Partial<Entry>);
  it('the open state wins, and somebody is asked', () => {
    const blind = at(6, torqued(), { seen: out.id, by: 'Ben' } as Partial<Entry>);
    const i = plug([out, first, again, blind]);
    expect(i.stand).toBe('off');
    expect(standInWords(i)).toBe(
      'off; Ben wrote it down as torqued on a device that did not know it had come off: look, and write it again'
    );
    // Whatever comes in first.
    expect(stand([out, first, { ...blind, seq: 3 }, { ...again, seq: 4 }])).toBe('off');
    // Nor does one that knew of nothing shut it.
    expect(stand([out, at(6, torqued(), { seen: NOTHING_SEEN })])).toBe('off');
  });
  it('who has looked and writes it again shuts it', () => {
    const blind = at(6, torqued(), { seen: out.id });
    const looked = at(8, torqued(), { seen: blind.id });
    expect(plug([out, first, again, blind, looked])).toMatchObject({ stand: 'torqued', asked: null });
  });
  it('what does not say what it knew is believed', () => {
    expect(stand([out, first, again, at(6, torqued())])).toBe('torqued');
    expect(stand([out, first, again, at(6, torqued(), { seen: null })])).toBe('torqued');
  });
  it('a device says what it knew: of a fastener the last word, of what opens several the last of any', () => {
    const state = visitState(plan, [out, first]);
    expect(lastSeen(state, { itemKey: PLUG })).toBe(first.id);
    expect(lastSeen(state, { stepKey: OUT })).toBe(first.id);
    expect(lastSeen(state, { stepKey: 'stand' })).toBe(NOTHING_SEEN);
    expect(lastSeen(state, { itemKey: 'filler-cap-f' })).toBe(NOTHING_SEEN);
  });
});
