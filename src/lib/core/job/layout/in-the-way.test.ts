import { describe, expect, it } from 'vitest';
import { fastener, figure, inputFor, laidOut, planOf, SHEET } from '../../../../../tests/core/bench';
import { quantity } from '../../quantity/quantity';
import type { Fastener } from '../../specs/sheet';
import { BUILT_IN } from '../built-in/jobs';
import { step } from '../built-in/steps';
import { behind } from './in-the-way';
import { notNamed } from './layout';

const withMore = (...more: Fastener[]) => ({ sheet: { ...SHEET, fasteners: [...SHEET.fasteners, ...more] } });
const PANEL = fastener('p', 'bodywork', 'Left side panel', { circuit: null, covers: ['c'] });
const SEAT = fastener('t', 'bodywork', 'Seat', { circuit: null, covers: ['p'] });
const COVER = fastener('k', 'cover', 'Filter access cover', { covers: ['c'], seal: 'O-ring', quantity: 2 });
const place = (plan: { steps: { key: string }[] }, key: string) => {
  const at = plan.steps.findIndex((s) => s.key === key);
  expect(at, key).toBeGreaterThanOrEqual(0);
  return at;
};
const inOrder = (plan: { steps: { key: string }[] }, ...keys: string[]) =>
  expect(keys.map((k) => place(plan, k))).toEqual(keys.map((k) => place(plan, k)).sort((a, b) => a - b));

describe('bodywork in the way', () => {
  it('comes off before what it hides and goes on after the leak look and the level, like a guard', () => {
    const plan = planOf(['engine-oil'], withMore(PANEL));
    inOrder(plan, 'stand', 'bodywork-off-p', 'filter-out-c', 'filter-cover-c', 'run', 'bodywork-on-p');
    inOrder(plan, 'leaks', 'bodywork-on-p', 'write');
    inOrder(plan, 'level', 'bodywork-on-p');
    const step = (key: string) => plan.steps.find((s) => s.key === key)!;
    expect(step('bodywork-off-p').title).toBe('Take off left side panel');
    expect(step('bodywork-on-p').title).toBe('Left side panel back on');
    // The engine runs without it.
    expect(step('run').after).not.toContain('bodywork-p');
    expect(step('bodywork-on-p').after).toEqual(['filter-cover-c', 'filter-cover-part-c']);
  });
  it('stays on where nothing behind it is opened, or nobody noted what is', () => {
    const keys = (jobs: string[], f: Fastener) => laidOut(jobs, withMore(f)).steps.map((s) => s.key);
    expect(keys(['gearbox-check-screw'], PANEL)).not.toContain('bodywork-off-p');
    expect(keys(['engine-oil'], { ...PANEL, covers: [] })).not.toContain('bodywork-off-p');
    expect(keys(['engine-oil'], { ...PANEL, covers: ['gone'] })).not.toContain('bodywork-off-p');
  });
  it('a seat over a panel over the filter: both, the seat first off and last on', () => {
    const plan = planOf(['engine-oil'], withMore(SEAT, PANEL));
    inOrder(plan, 'bodywork-off-t', 'bodywork-off-p', 'filter-out-c', 'bodywork-on-p', 'bodywork-on-t');
  });
  it('two that are said to hide each other are taken off one after the other', () => {
    const plan = planOf(['engine-oil'], withMore(SEAT, { ...PANEL, covers: ['c', 't'] }));
    inOrder(plan, 'bodywork-off-t', 'bodywork-off-p', 'filter-out-c', 'bodywork-on-p', 'bodywork-on-t');
  });
  it('is on while the machine is ridden warm, the seat and what is under it', () => {
    const fasteners = [
      fastener('x', 'drain plug', 'Gearbox drain plug', { circuit: 'gearbox' }),
      fastener('z', 'filler cap', 'Gearbox filler', { circuit: 'gearbox' }),
      { ...PANEL, covers: ['z'] },
      SEAT
    ];
    const more = { kind: 'two-stroke enduro' as const, sheet: { ...SHEET, fasteners } };
    const plan = planOf(['gearbox-two-stroke'], more);
    // Whatever the order: what is under the seat comes off after the ride, and the seat is on for it.
    const laid = laidOut(['gearbox-two-stroke'], more).steps;
    expect(laid.find((s) => s.key === 'warm')!.covered).toContain('bodywork-off-t');
    expect(plan.steps.find((s) => s.key === 'warm')!.title).toMatch(/Ride it/);
    inOrder(plan, 'warm', 'bodywork-off-p', 'bodywork-on-p', 'bodywork-on-t');
    // The seat is off once: there is nothing to take it off for before the ride.
    inOrder(plan, 'warm', 'bodywork-off-t', 'bodywork-off-p');
  });
  it('asked for by a job of the team’s own is laid out by that, wherever it belongs', () => {
    const job = (each: 'bodywork' | 'cover') => ({
      ...BUILT_IN.find((t) => t.key === 'engine-oil')!,
      key: 'look-under',
      steps: [
        step({ key: 'off', title: 'Take {name} off', kind: 'open', each, minutes: 1 }),
        step({ key: 'on', title: '{name} on', kind: 'close', each, minutes: 1, needs: ['off'] })
      ]
    });
    const jobs = [{ template: job('bodywork'), taskId: null }];
    const laid = laidOut([], { jobs, ...withMore({ ...PANEL, covers: [] }) });
    expect(laid.steps.map((s) => s.title)).toEqual(['Take left side panel off', 'Left side panel on']);
    expect(notNamed({ ...inputFor([]), jobs })).toEqual([]);
  });
  it('asks for no torque the sheet does not have, and for the one it has', () => {
    const item = (plan: ReturnType<typeof planOf>) => plan.items.find((i) => i.key === 'bodywork-p')!;
    expect(item(planOf(['engine-oil'], withMore(PANEL)))).toMatchObject({ kind: 'cap', torque: null });
    const { sheet } = withMore(PANEL);
    const figures = [...sheet.figures, { ...figure('torque', quantity(5, 'N·m')), fastenerId: 'p' }];
    expect(item(planOf(['engine-oil'], { sheet: { ...sheet, figures } }))).toMatchObject({
      kind: 'fastener'
    });
  });
  it('is asked for only when the filter is, where that is a choice', () => {
    const plan = planOf(['engine-oil-only'], withMore(PANEL));
    const gate = { steps: ['filter-choice'], is: 'yes' };
    for (const key of ['bodywork-off-p', 'bodywork-on-p'])
      expect(plan.steps.find((s) => s.key === key)!.gate).toEqual(gate);
  });
});

describe('a cover in the way', () => {
  it('is on again before the engine starts, with its seal', () => {
    const plan = planOf(['engine-oil'], withMore(COVER));
    inOrder(plan, 'cover-off-k', 'filter-out-c', 'filter-cover-c', 'cover-on-k', 'run');
    expect(plan.steps.find((s) => s.key === 'run')!.after).toContain('cover-k');
    expect(plan.steps.find((s) => s.key === 'cover-on-k')!.lines.join(' ')).toMatch(/O-ring|ring/);
    expect(plan.steps.find((s) => s.key === 'cover-on-k')!.title).toBe(
      'Refit and torque filter access cover'
    );
  });
  it('behind a panel is shut whenever the engine runs, warm-up and all', () => {
    const over = { ...PANEL, covers: ['k'] };
    const plan = planOf(['engine-oil'], withMore(COVER, over));
    inOrder(
      plan,
      'warm',
      'cover-off-k',
      'filter-out-c',
      'filter-cover-c',
      'cover-on-k',
      'run',
      'bodywork-on-p'
    );
    inOrder(plan, 'bodywork-off-p', 'cover-off-k');
  });
});

describe('a guard', () => {
  it('of which only what is gone was noted covers all that lies underneath', () => {
    const g = SHEET.fasteners.find((f) => f.id === 'g')!;
    const all = behind(g, SHEET);
    expect(all).toContain('d');
    expect(behind({ ...g, covers: ['gone'] }, SHEET)).toEqual(all);
    expect(behind({ ...g, covers: ['d', 'gone'] }, SHEET)).toEqual(['d']);
  });
});
