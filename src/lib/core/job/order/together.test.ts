import { describe, expect, it } from 'vitest';
import { anyOrder } from '../../../../../tests/core/any-order';
import { laidOut, SHEET } from '../../../../../tests/core/bench';
import { chance } from '../../../../../tests/core/every-order';
import { BUILT_IN } from '../built-in/jobs';
import { freshItem, isShut, takeOff } from '../../visit/items';
import { fitsMachine } from '../fits';
import type { LaidOut } from '../layout/layout';
import { orderPlan, type Ordered } from './order';

const KINDS = ['four-stroke enduro', 'two-stroke enduro', 'utility quad'] as const;
const ENGINES = ['cold', 'warm'] as const;

/** Every two and every three of the product's own jobs that a machine of a kind can have. */
const together = (kind: (typeof KINDS)[number]): string[][] => {
  const keys = BUILT_IN.filter((t) => fitsMachine(t, kind, null)).map((t) => t.key);
  return keys.flatMap((a, i) =>
    keys.slice(i + 1).flatMap((b, j) => [[a, b], ...keys.slice(i + j + 2).map((c) => [a, b, c])])
  );
};
interface Visit {
  name: string;
  laid: LaidOut;
  engine: (typeof ENGINES)[number];
  ordered: Ordered;
}
const visits: Visit[] = KINDS.flatMap((kind) =>
  together(kind).flatMap((jobs) => {
    const laid = laidOut(jobs, { kind, sheet: SHEET });
    return ENGINES.map((engine) => ({
      name: `${kind}, ${jobs.join(' + ')}, comes in ${engine}`,
      laid,
      engine,
      ordered: orderPlan(laid, engine)
    }));
  })
);

describe('all pairs and triples of the jobs that come with the product', () => {
  it('open everything once', () => {
    const twice = visits.flatMap(({ name, ordered }) => {
      const opened = ordered.plan.steps.flatMap((s) => (s.input.type === 'open' ? s.input.items : []));
      const more = opened.filter((k, i) => opened.indexOf(k) !== i);
      return more.length > 0 ? [[name, more]] : [];
    });
    expect(twice).toEqual([]);
  });
  it('find top dead centre once, and read the valves before the chain tensioner is touched', () => {
    for (const { name, ordered } of visits) {
      const keys = ordered.plan.steps.map((s) => s.key);
      expect([name, keys.filter((k) => k.endsWith('tdc')).length]).toEqual([
        name,
        keys.includes('cover-off') ? 1 : 0
      ]);
      const [found, off] = [keys.indexOf('measure'), keys.indexOf('tensioner-off')];
      if (found >= 0 && off >= 0) expect([name, found < off]).toEqual([name, true]);
    }
  });
  it('have the spark plug out and in before anything heats the engine', () => {
    for (const { name, ordered } of visits) {
      const keys = ordered.plan.steps.map((s) => s.key);
      const plug = keys.findIndex((k) => k.endsWith('look-plug'));
      const hot = ordered.plan.steps.findIndex((s) => s.heats);
      if (plug >= 0 && hot >= 0) expect([name, plug < hot]).toEqual([name, true]);
    }
  });
  it('do nothing while it runs, and start it with nothing out but a guard', () => {
    for (const { name, ordered } of visits) {
      const { steps, items } = ordered.plan;
      const stand = new Map(items.map((i) => [i.key, freshItem(i)]));
      const at = new Map(ordered.times.map((t) => [t.key, t]));
      for (const s of steps) {
        const mine = at.get(s.key);
        const runs = s.heats && mine;
        if (runs) {
          const out = [...stand.values()].filter((i) => !isShut(i) && i.item.role !== 'guard');
          expect([name, s.key, out.map((i) => i.item.name)]).toEqual([name, s.key, []]);
          const meanwhile = ordered.times.filter(
            (t) => t.key !== s.key && t.start < mine.end && t.end > mine.start
          );
          expect([name, s.key, meanwhile.map((t) => t.key)]).toEqual([name, s.key, []]);
        }
        const { input } = s;
        if (input.type === 'open')
          for (const key of input.items) takeOff(stand.get(key)!, { by: 'p', at: '' }, { id: '', n: 0 });
        if (input.type === 'close') for (const key of input.items) stand.get(key)!.stand = 'shut';
      }
    }
  });
  it('drain what is drained warm within a quarter of an hour', () => {
    const late = visits.flatMap(({ name, ordered }) => {
      const at = new Map(ordered.times.map((t) => [t.key, t]));
      const warmed = ordered.plan.steps.filter((s) => s.heats && s.input.type === 'tick' && s.minutes > 0);
      const from = Math.max(0, ...warmed.flatMap((s) => at.get(s.key)?.over ?? []));
      // One that came in warm has first to be stood up, its meter read and its tools laid out.
      const most = warmed.length > 0 ? 15 : 30;
      return ordered.plan.steps
        .filter((s) => s.engine === 'warm')
        .map((d) => [name, d.key, (at.get(d.key)!.start - from) / 60] as const)
        .filter(([, , minutes]) => minutes > most);
    });
    expect(late).toEqual([]);
  });
  it('are proven, and no order found by chance is shorter', () => {
    const next = chance(20261201);
    let held = 0;
    const wrong = visits.flatMap(({ name, laid, engine, ordered }) => {
      const unproven = ordered.bound < ordered.elapsed ? [[name, 'not proven']] : [];
      const shorter = Array.from({ length: 6 }, () => anyOrder(laid, engine, next)).flatMap((o) => {
        if (o) held++;
        return o && Math.round(o.elapsed * 60) < ordered.elapsed ? [[name, ordered.elapsed / 60, o]] : [];
      });
      return [...unproven, ...shorter.slice(0, 1)];
    });
    expect(wrong).toEqual([]);
    expect(held).toBeGreaterThan(visits.length);
  });
});
