import type { VisitPlan } from '../plan';

/** What the rules of a visit look at and change: the steps of all its jobs, before they are put in order. */
export type Steps = Pick<VisitPlan, 'jobs' | 'steps' | 'items'>;

/** Whether one step already waits for another, by whatever way. */
export function waitsFor(plan: Steps, key: string, other: string): boolean {
  const byKey = new Map(plan.steps.map((s) => [s.key, s]));
  const seen = new Set<string>();
  const stack = [key];
  while (stack.length > 0) {
    const k = stack.pop()!;
    if (k === other) return true;
    if (seen.has(k)) continue;
    seen.add(k);
    const s = byKey.get(k);
    if (s) stack.push(...s.needs, ...s.during);
  }
  return false;
}
