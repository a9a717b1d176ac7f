import type { LaidOut } from '../../src/lib/core/job/layout/layout';
import type { Step } from '../../src/lib/core/job/plan';

/**
 * A visit done in an order by chance, as a mechanic would who only looks at the machine: what is open, whether it is warm, what has
 * to be over first. Shares nothing with the ordering it is held against, which knows covers, turns and spans.
 */
export function anyOrder(
  plan: LaidOut,
  engine: 'cold' | 'warm',
  chance: () => number
): { elapsed: number; order: string[] } | null {
  const role = new Map(plan.items.map((i) => [i.key, i.role]));
  const outside = (key: string) => role.get(key) === 'guard' || role.get(key) === 'bodywork';
  const done = new Map<string, { end: number; over: number }>();
  const open = new Set<string>();
  const order: string[] = [];
  const byKey = new Map(plan.steps.map((s) => [s.key, s]));
  const weight = new Map(plan.steps.map((s) => [s.key, chance()]));
  // Some steps are put off for as long as there is anything else.
  const lazy = new Set(plan.steps.filter(() => chance() < 0.15).map((s) => s.key));
  const drains = plan.steps.filter((s) => s.engine === 'warm' && s.input.type === 'open');
  let [t, elapsed, warm, hot] = [0, 0, engine === 'warm', engine === 'warm' ? 0 : -Infinity];

  /** The soonest a step can begin; null: not before something else is done. */
  const soonest = (s: Step): number | null => {
    let from = t;
    for (const k of [...s.needs, ...(s.gate?.steps ?? [])])
      if (byKey.has(k)) {
        if (!done.has(k)) return null;
        from = Math.max(from, done.get(k)!.over);
      }
    for (const k of s.during) {
      if (!byKey.has(k)) continue;
      if (!done.has(k)) return null;
    }
    if (s.input.type === 'open' && s.input.items.some((k) => open.has(k))) return null;
    // Ridden, it has everything on; idling, it is without its guards at most.
    if (s.heats && [...open].some((k) => !outside(k) || s.covered.length > 0)) return null;
    if (s.engine === 'warm' && !warm) return null;
    if (s.engine === 'cold') from = Math.max(from, hot + plan.coolsIn);
    if (s.engine === 'cool') from = Math.max(from, hot + s.coolFor!);
    return from;
  };
  while (done.size < plan.steps.length) {
    const can = plan.steps.flatMap((s) => {
      if (done.has(s.key)) return [];
      const from = soonest(s);
      return from === null ? [] : [{ s, from }];
    });
    if (can.length === 0) return null;
    const eager = can.some((c) => !lazy.has(c.s.key)) ? can.filter((c) => !lazy.has(c.s.key)) : can;
    const first = Math.min(...eager.map((c) => c.from));
    const { s, from } = eager
      .filter((c) => c.from === first)
      .reduce((a, b) => (weight.get(b.s.key)! > weight.get(a.s.key)! ? b : a));
    // It came in warm: it need not be warmed.
    const left = s.heats && s.input.type === 'tick' && warm;
    const [work, wait] = s.gate || left ? [0, 0] : [s.minutes, s.wait];
    if (s.engine === 'cold' || s.engine === 'cool') warm = false;
    const end = from + work;
    if (s.heats) warm = true;
    if ((s.heats && !left) || s.engine === 'warm') hot = end;
    if (s.input.type === 'open') for (const k of s.input.items) open.add(k);
    if (s.input.type === 'close') for (const k of s.input.items) open.delete(k);
    done.set(s.key, { end, over: end + wait });
    order.push(s.key);
    t = end;
    elapsed = Math.max(elapsed, end + wait);
  }
  // Warmth fades: what is drained warm is drained within a quarter of an hour of the warm-up.
  const warmed = Math.max(
    0,
    ...plan.steps.flatMap((s) => (s.heats && s.input.type === 'tick' ? done.get(s.key)!.end : []))
  );
  const late = drains.some((d) => done.get(d.key)!.end - d.minutes - warmed > 15);
  return late ? null : { elapsed, order };
}
