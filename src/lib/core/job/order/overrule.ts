import type { VisitPlan } from '../plan';

/** What an order of somebody's own breaks, in the order it is met. */
export interface Broken {
  key: string;
  message: string;
}

/**
 * Looks at an order somebody made: what stands before what it should follow, what is cold when the engine is warm. Nothing is
 * forbidden; the reasons are said.
 * @param order step keys; those of the plan that it does not name come last, as the plan has them
 */
export function broken(plan: Pick<VisitPlan, 'steps' | 'coolsIn'>, order: readonly string[]): Broken[] {
  const steps = inOrder(plan.steps, order);
  const place = new Map(steps.map((s, i) => [s.key, i]));
  const title = new Map(steps.map((s) => [s.key, s.title]));
  const found: Broken[] = [];
  let hot: string | null = null;
  for (const [i, s] of steps.entries()) {
    for (const n of [...s.needs, ...s.during, ...(s.gate?.steps ?? [])])
      if ((place.get(n) ?? -1) > i)
        found.push({
          key: s.key,
          message: `“${s.title}” stands before “${title.get(n)}”${s.spills || byKey(steps, n)?.spills ? ', which spills oil: the level will be short' : ''}.`
        });
    if (s.engine === 'cold' && hot)
      found.push({
        key: s.key,
        message: `“${s.title}” wants a stone-cold engine, and “${hot}” warms it: about ${plan.coolsIn / 60} h to cool.`
      });
    if (s.engine === 'cool' && hot)
      found.push({
        key: s.key,
        message: `“${s.title}” wants an engine that is not hot, and “${hot}” heats it: about ${s.coolFor ?? 0} min to cool.`
      });
    if (s.engine === 'warm' && !hot && steps.some((x) => x.heats && x.input.type !== 'start'))
      found.push({ key: s.key, message: `“${s.title}” comes before the engine is warm: old oil stays in.` });
    if (s.heats) hot = s.title;
  }
  return found;
}
const byKey = <T extends { key: string }>(list: readonly T[], key: string) => list.find((x) => x.key === key);

/** Steps in an order somebody made; those it does not name come last. */
export function inOrder<T extends { key: string }>(steps: readonly T[], order: readonly string[]): T[] {
  const named = order.flatMap((k) => steps.find((s) => s.key === k) ?? []);
  return [...named, ...steps.filter((s) => !order.includes(s.key))];
}

/** How long an order takes, waits and all, minutes; steps behind gates take none. */
export function durationOf(
  plan: Pick<VisitPlan, 'steps' | 'coolsIn'>,
  order: readonly string[]
): { attended: number; elapsed: number } {
  const over = new Map<string, { end: number; over: number }>();
  let t = 0;
  let elapsed = 0;
  let attended = 0;
  let hotUntil: number | null = null;
  for (const s of inOrder(plan.steps, order)) {
    if (s.gate) continue;
    for (const n of s.needs) t = Math.max(t, over.get(n)?.over ?? 0);
    const cools = s.engine === 'cold' ? plan.coolsIn : s.coolFor;
    if (cools !== null && hotUntil !== null) t = Math.max(t, hotUntil + cools);
    const end = t + s.minutes;
    over.set(s.key, { end, over: end + s.wait });
    if (s.heats || (s.engine === 'warm' && hotUntil !== null)) hotUntil = end;
    attended += s.minutes;
    elapsed = Math.max(elapsed, end + s.wait);
    t = end;
  }
  return { attended, elapsed };
}

/**
 * A step put off until after the next thing that can be done without it. What waits for it goes with it, in its order: a drain
 * that is opened later is judged later.
 *
 * @param steps in the order in force
 * @param key the step that is put off
 * @param left keys of the steps that are still to be done
 * @returns the new order, and what is done now instead; null where everything that is left waits for it
 */
export function putOff(
  steps: readonly Pick<VisitPlan['steps'][number], 'key' | 'needs' | 'during' | 'gate' | 'after'>[],
  key: string,
  left: readonly string[]
): { order: string[]; instead: string } | null {
  const with_ = new Set([key]);
  for (const s of steps)
    if ([...s.needs, ...s.during, ...(s.gate?.steps ?? [])].some((n) => with_.has(n))) with_.add(s.key);
  const at = steps.findIndex((s) => s.key === key);
  const instead = steps.slice(at + 1).find((s) => !with_.has(s.key) && left.includes(s.key));
  if (!instead) return null;
  const order = steps.map((s) => s.key);
  const until = order.indexOf(instead.key);
  const moved = order.slice(at, until).filter((k) => with_.has(k));
  const stay = order.filter((k) => !moved.includes(k));
  stay.splice(stay.indexOf(instead.key) + 1, 0, ...moved);
  return { order: stay, instead: instead.key };
}
