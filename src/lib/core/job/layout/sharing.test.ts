import { describe, expect, it } from 'vitest';
import { laidOut } from '../../../../../tests/core/bench';
import { DEFAULT_RULES } from '../../rules/rules';
import { BUILT_IN } from '../built-in/jobs';
import { BEGIN, step, written } from '../built-in/steps';
import { orderPlan } from '../order/order';
import { plainTemplate } from '../plain';
import type { TemplateStep } from '../template';
import type { JobInput, LayoutInput } from './context';

const own = (key: string, steps: TemplateStep[]): JobInput => ({
  template: { key, version: 1, title: key, circuits: [], steps: [...BEGIN, ...steps] },
  taskId: null
});
const ours = (key: string): JobInput => ({ template: BUILT_IN.find((t) => t.key === key)!, taskId: null });
const order = (jobs: JobInput[], engine: 'cold' | 'warm' = 'cold', more: Partial<LayoutInput> = {}) =>
  orderPlan(laidOut([], { jobs, ...more }), engine);
const keysOf = (o: ReturnType<typeof order>) => o.plan.steps.map((s) => s.key);
/** How often something comes off. */
const times = (o: ReturnType<typeof order>, item: string) =>
  o.plan.steps.filter((s) => s.input.type === 'open' && s.input.items.includes(item)).length;

/** The top of the engine looked into on a cold engine, by a job of the team's own. */
const LOOK = own('look-in', [
  step({
    key: 'lid-off',
    title: 'Valve cover off, coil out',
    kind: 'open',
    things: ['Valve cover', 'Coil'],
    minutes: 20,
    needs: ['stand'],
    lines: ['Mind the hoses.'],
    caution: 'Cold hands.'
  }),
  step({ key: 'look', title: 'Look at the cams', kind: 'tick', minutes: 5, needs: ['lid-off'] }),
  step({
    key: 'lid-on',
    title: 'Cover and coil on',
    kind: 'close',
    things: ['Valve cover', 'Coil'],
    minutes: 15,
    needs: ['look']
  }),
  written(['lid-on'])
]);
/** A compression test: warm, with the plug out. */
const COMPRESSION = own('compression', [
  step({
    key: 'plug-out',
    title: 'Plug out, gauge in',
    kind: 'open',
    things: ['Spark plug'],
    minutes: 3,
    engine: 'warm',
    needs: ['stand']
  }),
  step({ key: 'read', title: 'Read it', kind: 'tick', minutes: 5, engine: 'warm', needs: ['plug-out'] }),
  step({
    key: 'plug-in',
    title: 'Plug in',
    kind: 'close',
    things: ['Spark plug'],
    minutes: 3,
    needs: ['read']
  }),
  written(['plug-in'])
]);

describe('jobs that open the same thing', () => {
  it('share it, whichever brings it: off once, both do their work, on once', () => {
    for (const jobs of [
      [LOOK, ours('valve-check')],
      [ours('valve-check'), LOOK]
    ]) {
      const o = order(jobs);
      expect(times(o, 'thing-valve-cover')).toBe(1);
      const keys = keysOf(o);
      const [off, on] = [keys.indexOf('cover-off'), keys.indexOf('cover-on')];
      for (const k of ['look-in.look', 'measure']) {
        expect(keys.indexOf(k)).toBeGreaterThan(off);
        expect(keys.indexOf(k)).toBeLessThan(on);
      }
      const opened = o.plan.steps[off]!;
      // Neither opens all that the other does: both are said, and their minutes come together.
      expect(opened.input).toMatchObject({
        items: expect.arrayContaining(['thing-valve-cover', 'thing-spark-plug', 'thing-coil']) as unknown
      });
      expect(opened.jobs.sort()).toEqual(['look-in', 'valve-check']);
      expect(opened.minutes).toBe(12 + 20);
      expect([opened.title, ...opened.lines].join(' ')).toContain('coil out');
      expect(opened.lines).toContain('Mind the hoses.');
      expect(opened.caution).toContain('Fuel lines');
      expect(opened.caution).toContain('Cold hands.');
      // Cold for the valves is cold for both.
      expect(opened.engine).toBe('cold');
    }
  });
  it('a plug that is out for the valves is changed while it is out', () => {
    const o = order([ours('engine-oil'), ours('valve-check'), ours('spark-plug')]);
    const keys = keysOf(o);
    expect(times(o, 'thing-spark-plug')).toBe(1);
    expect(keys).not.toContain('spark-plug.plug-out');
    for (const k of ['spark-plug.look-plug', 'spark-plug.gap'])
      expect(keys.indexOf(k)).toBeLessThan(keys.indexOf('cover-on'));
    expect(keys.indexOf('cover-on')).toBeLessThan(keys.indexOf('warm'));
  });
  it('so is that of a task that has no steps of its own', () => {
    const task = { template: plainTemplate({ id: 'abcdef12-0', name: 'Spark plug, main' }), taskId: 'p' };
    const o = order([ours('valve-check'), task]);
    expect(times(o, 'thing-spark-plug')).toBe(1);
    expect(keysOf(o)).toContain('task-abcdef12.do');
  });
  it('work on a warm engine does not share with work on a cold one: it is shut in between', () => {
    for (const engine of ['cold', 'warm'] as const) {
      const o = order([ours('valve-check'), COMPRESSION], engine);
      const keys = keysOf(o);
      expect(times(o, 'thing-spark-plug')).toBe(2);
      // Read warm: what warms it is there though the job forgot it, unless it came in warm.
      expect(keys.includes('warm')).toBe(engine === 'cold');
      const [cold, shut] = [keys.indexOf('cover-off'), keys.indexOf('cover-on')];
      const [warm, again] = [keys.indexOf('compression.plug-out'), keys.indexOf('compression.plug-in')];
      expect(shut < warm || again < cold).toBe(true);
      // Came in cold, the valves first; came in warm, the gauge first, and overnight for the valves.
      expect(cold < warm).toBe(engine === 'cold');
      expect(o.elapsed).toBe(o.bound);
    }
  });
  it('what hangs on two different answers stays two', () => {
    const hung = (key: string, is: 'yes' | 'no') =>
      own(key, [
        step({ key: 'q', title: 'Does it?', kind: 'choice', minutes: 1, needs: ['stand'] }),
        step({
          key: 'off',
          title: 'Off',
          kind: 'open',
          things: ['Lid'],
          minutes: 1,
          needs: ['q'],
          gate: { step: 'q', is }
        }),
        step({
          key: 'on',
          title: 'On',
          kind: 'close',
          things: ['Lid'],
          minutes: 1,
          needs: ['off'],
          gate: { step: 'q', is }
        })
      ]);
    expect(times(order([hung('a', 'yes'), hung('b', 'no')]), 'thing-lid')).toBe(2);
    expect(times(order([hung('a', 'yes'), hung('b', 'yes')]), 'thing-lid')).toBe(1);
  });
});

describe('what the engine is warmed for', () => {
  it('an engine that came in warm is drained at once, and its valves are read when it is cold', () => {
    const o = order([ours('engine-oil'), ours('valve-check')], 'warm');
    const keys = keysOf(o);
    expect(keys.indexOf('drain-d')).toBeLessThan(keys.indexOf('cover-off'));
    expect(keys.indexOf('cover-on')).toBeLessThan(keys.indexOf('run'));
    // By hand: 16 to the drain, 2 for it, 480 to cool, 39 at the valves, 16 from the start to the last.
    expect(o.elapsed / 60).toBe(16 + 2 + 480 + 39 + 16);
    expect(o.bound).toBe(o.elapsed);
  });
  it('a plug is not turned out of the hot head it came in with', () => {
    const o = order([ours('spark-plug')], 'warm');
    const out = o.times.find((t) => t.key === 'spark-plug.plug-out')!;
    expect(out.start / 60).toBe(60);
    expect(
      order([ours('spark-plug')], 'cold').times.find((t) => t.key === 'spark-plug.plug-out')!.start
    ).toBe(8 * 60);
  });
  it('a step of the team’s own that wants it warm has something that warms it', () => {
    const o = order([COMPRESSION]);
    expect(keysOf(o).indexOf('warm')).toBeLessThan(keysOf(o).indexOf('compression.plug-out'));
    expect(keysOf(order([COMPRESSION], 'cold', { kind: 'electric' }))).not.toContain('warm');
  });
  it('warm, cold and warm again: the last is warmed for once more', () => {
    const turns = own('turns', [
      step({ key: 'hot', title: 'Read it hot', kind: 'tick', minutes: 5, engine: 'warm', needs: ['stand'] }),
      step({ key: 'cold', title: 'Read it cold', kind: 'tick', minutes: 5, engine: 'cold', needs: ['hot'] }),
      step({
        key: 'hot-2',
        title: 'Read it hot again',
        kind: 'tick',
        minutes: 5,
        engine: 'warm',
        needs: ['cold']
      })
    ]);
    expect(keysOf(order([turns])).filter((k) => /warm|turns/.test(k))).toEqual([
      'warm',
      'turns.hot',
      'turns.cold',
      'warm-again1',
      'turns.hot-2'
    ]);
    // Came in warm, the first need not be.
    expect(keysOf(order([turns], 'warm')).filter((k) => /warm|turns/.test(k))).toEqual([
      'turns.hot',
      'turns.cold',
      'warm-again1',
      'turns.hot-2'
    ]);
    // And with the product's own beside it: one warm-up for both where one does.
    const both = order([turns, ours('engine-oil')]);
    expect(keysOf(both).filter((k) => k.startsWith('warm'))).toEqual(['warm', 'warm-again1']);
    expect(both.bound).toBe(both.elapsed);
  });
  it('drained cold by house rule, what else wants it warm is still warmed for', () => {
    const rules = { ...DEFAULT_RULES, warmUp: 'drain cold' as const };
    const o = order([ours('engine-oil'), COMPRESSION], 'cold', { rules });
    const keys = keysOf(o);
    expect(o.plan.steps.find((s) => s.key === 'warm')).toMatchObject({ heats: true });
    expect(o.plan.steps.find((s) => s.key === 'drain-d')!.engine).toBe('any');
    expect(keys.indexOf('warm')).toBeLessThan(keys.indexOf('compression.plug-out'));
  });
});
