import { isInTheWay, isNested } from '../layout/in-the-way';
import type { LaidOut } from '../layout/layout';
import type { Step, VisitPlan } from '../plan';
import { orderWork, type Bench, type Schedule } from '../../ordering/order';
import { reason } from './reasons';
import { apartOf, keepChosen, openingsOf, spanOf } from './spans';

const seconds = (minutes: number) => Math.round(minutes * 60);

/** A plan in its order, with when each step begins if nothing goes wrong. */
export interface Ordered {
  plan: VisitPlan;
  /** By step: seconds from the beginning, to the end of the work, to the end of its wait. */
  times: { key: string; start: number; end: number; over: number }[];
  /** No order takes less than this, seconds. */
  bound: number;
  elapsed: number;
  attended: number;
}

interface Pair {
  off: Step;
  on: Step;
}
/** Covers of a plan: the step that takes it off and the one that puts it on. One behind another comes off once, as any work does. */
function pairs(plan: LaidOut): Pair[] {
  return plan.items
    .filter((i) => isInTheWay(i.role))
    .flatMap((i) => {
      const off = plan.steps.find((s) => s.input.type === 'open' && s.input.items.includes(i.key));
      const on = plan.steps.find((s) => s.input.type === 'close' && s.input.items.includes(i.key));
      return off && on && !isNested(plan, off) ? [{ off, on }] : [];
    });
}

/** Everything that has to be over before a step, by whatever way. */
function ancestors(plan: LaidOut, of: readonly Step[]): Set<string> {
  const byKey = new Map(plan.steps.map((s) => [s.key, s]));
  const found = new Set<string>();
  const stack = of.flatMap((s) => [...s.needs, ...s.during]);
  while (stack.length > 0) {
    const key = stack.pop()!;
    if (found.has(key)) continue;
    found.add(key);
    const s = byKey.get(key);
    if (s) stack.push(...s.needs, ...s.during);
  }
  return found;
}

/**
 * Warmth fades: what is drained warm is drained at once, and other work goes into the drain's waiting time, not before it
 * (handbook, section 4). So whatever is not needed for it, nor asks for a cold engine, comes after the plug is out.
 * @returns by step, the warm work that comes first
 */
function afterTheWarmWork(plan: LaidOut, covers: ReadonlySet<string>): Map<string, string[]> {
  const cold = plan.steps.filter((s) => s.engine === 'cold' || s.engine === 'cool');
  // What is warmed once more after cold work is another matter: nothing waits for that.
  const warm = plan.steps.filter(
    (s) =>
      s.engine === 'warm' && s.input.type === 'open' && !cold.some((c) => ancestors(plan, [s]).has(c.key))
  );
  const before = ancestors(plan, [
    ...warm,
    ...cold,
    ...plan.steps.filter((s) => s.heats && s.input.type === 'tick')
  ]);
  const free = (s: Step) =>
    s.engine === 'any' &&
    !s.heats &&
    !before.has(s.key) &&
    !covers.has(s.key) &&
    !s.needs.some((n) => covers.has(n)) &&
    !cold.some((c) => ancestors(plan, [s]).has(c.key));
  return new Map(plan.steps.filter(free).map((s) => [s.key, warm.map((w) => w.key)]));
}

/** A laid-out visit as the ordering sees it. A step behind a gate takes no time until its gate opens. */
export function benchOf(plan: LaidOut, engine: 'cold' | 'warm'): Bench {
  const found = pairs(plan);
  const named = new Map<string, string>();
  for (const { off, on } of found) {
    named.set(off.key, `open:${off.key}`);
    named.set(on.key, `close:${off.key}`);
  }
  const names = (keys: readonly string[]) => keys.map((k) => named.get(k) ?? k);
  const offs = new Set(found.map((p) => p.off.key));
  const warmFirst = afterTheWarmWork(plan, new Set(found.flatMap((p) => [p.off.key, p.on.key])));
  return {
    ops: plan.steps
      .filter((s) => !named.has(s.key))
      .map((s) => ({
        id: s.key,
        jobs: s.jobs,
        work: s.gate ? 0 : seconds(s.minutes),
        wait: s.gate ? 0 : seconds(s.wait),
        needs: [...names(s.needs), ...(s.gate?.steps ?? [])],
        during: [...names(s.during), ...(warmFirst.get(s.key) ?? [])],
        engine: s.engine === 'cool' ? ('cold' as const) : s.engine,
        cools: s.coolFor === null ? undefined : seconds(s.coolFor),
        heats: s.heats,
        behind: s.needs.filter((n) => offs.has(n)),
        covered: s.covered
      })),
    covers: found.map(({ off, on }) => ({
      id: off.key,
      open: seconds(off.minutes),
      close: seconds(on.minutes),
      openNeeds: off.needs.filter((n) => !named.has(n)),
      closeNeeds: on.needs.filter((n) => !named.has(n))
    })),
    apart: apartOf(plan, openingsOf(plan, offs)).map(([a, b]) => [spanOf(a), spanOf(b)]),
    engine,
    cool: seconds(plan.coolsIn)
  };
}

/**
 * Puts a laid-out visit in order. A cover that has to come off twice has its steps twice.
 * @param engine as it comes to the bench
 * @throws LoopError where the steps wait for one another in a circle
 */
export function orderPlan(plan: LaidOut, engine: 'cold' | 'warm'): Ordered {
  const bench = benchOf(plan, engine);
  return drawUp(plan, orderWork(bench), engine);
}

function drawUp(plan: LaidOut, schedule: Schedule, engine: 'cold' | 'warm'): Ordered {
  const byKey = new Map(plan.steps.map((s) => [s.key, s]));
  const onOf = new Map(pairs(plan).map((p) => [p.off.key, p.on]));
  const last = new Map<string, string>();
  for (const p of schedule.placed) {
    const m = /^close:(.*?)(#\d+)?$/.exec(p.id);
    if (m) last.set(m[1]!, p.id);
  }
  const steps = schedule.placed.map((p): Step => {
    const m = /^(open|close):(.*?)(?:#(\d+))?$/.exec(p.id);
    if (!m) return byKey.get(p.id)!;
    const [, what, key, again] = m;
    if (what === 'open') {
      const off = byKey.get(key!)!;
      return again
        ? { ...off, key: `${key}-again${again}`, title: `${off.title}, again`, needs: [], during: [] }
        : off;
    }
    const on = onOf.get(key!)!;
    return last.get(key!) === p.id
      ? on
      : {
          ...on,
          key: `${on.key}-between${again ?? ''}`,
          title: `${on.title}, for the ride`,
          needs: [],
          during: [],
          after: []
        };
  });
  // An engine that came in warm needs no warming; what was left out stays readable as a step that says so.
  const dropped = plan.steps.filter(
    (s) => !steps.some((x) => x.key === s.key || x.key.startsWith(`${s.key}-`))
  );
  const whole = [...dropped.filter((s) => !onlyWarms(s, engine)), ...steps].map((s) => ({ ...s }));
  const gone = new Set(plan.steps.filter((s) => !whole.some((x) => x.key === s.key)).map((s) => s.key));
  for (const s of whole) {
    s.needs = s.needs.filter((n) => !gone.has(n));
    s.during = s.during.filter((n) => !gone.has(n));
  }
  const order = new Map(steps.map((s, i) => [s.key, i]));
  const own = { ...plan, steps: whole };
  const once = new Set(pairs(own).map((p) => p.off.key));
  keepChosen(apartOf(own, openingsOf(own, once)), (key) => order.get(key) ?? -1);
  const times = schedule.placed.map((p, i) => ({
    key: steps[i]!.key,
    start: p.start,
    end: p.end,
    over: p.over
  }));
  const ordered: Ordered = {
    plan: {
      ...plan,
      steps: whole,
      estimate: { attended: schedule.attended / 60, elapsed: schedule.elapsed / 60 }
    },
    times,
    bound: schedule.bound,
    elapsed: schedule.elapsed,
    attended: schedule.attended
  };
  for (const [i, s] of whole.entries()) s.why = reason(s, whole.slice(0, i), times, whole, engine);
  return ordered;
}
const onlyWarms = (s: Step, engine: 'cold' | 'warm') =>
  engine === 'warm' && s.heats && s.input.type === 'tick';
