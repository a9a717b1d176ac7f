import { orderWork } from '../ordering/order';
import { layOut, type LaidOut, type LayoutInput } from './layout/layout';
import { benchOf, orderPlan, type Ordered } from './order/order';
import type { Step } from './plan';

/** How long something takes, minutes: from the first to the last with its waits, and of that with hands on it. */
export interface Minutes {
  elapsed: number;
  attended: number;
}

/** How long a visit takes. */
export interface VisitMinutes extends Minutes {
  /** What is measured may bring work with it: how long it then takes; null: nothing can. */
  grown: (Minutes & { when: string }) | null;
}

const whole = (s: { elapsed: number; attended: number }): Minutes => ({
  elapsed: Math.round(s.elapsed / 60),
  attended: Math.round(s.attended / 60)
});

/** Lays out a visit, puts it in order, and says how long it takes: the one sum of its minutes, on every screen. */
export function workOut(
  input: LayoutInput,
  engine: 'cold' | 'warm'
): { ordered: Ordered; minutes: VisitMinutes } {
  const plan = layOut(input);
  const ordered = orderPlan(plan, engine);
  return { ordered, minutes: { ...whole(ordered), grown: grownOf(plan, input, engine) } };
}

/** The steps that a measurement outside its limits opens, counted as if it were. */
function grownOf(plan: LaidOut, input: LayoutInput, engine: 'cold' | 'warm'): VisitMinutes['grown'] {
  const opens = plan.steps.filter((s) => s.gate?.is === 'outside');
  if (opens.length === 0) return null;
  const open = (s: Step): Step =>
    s.gate?.is === 'outside' ? { ...s, gate: null, needs: [...s.needs, ...s.gate.steps] } : s;
  const schedule = orderWork(benchOf({ ...plan, steps: plan.steps.map(open) }, engine));
  const measured = new Set(opens.flatMap((s) => s.gate!.steps));
  return {
    ...whole(schedule),
    when: whenOut(
      plan.steps.filter((s) => measured.has(s.key)),
      input
    )
  };
}

/** What has to be out of its limits, in words, and how likely that is where wear tells. */
function whenOut(measured: readonly Step[], { head }: LayoutInput): string {
  const words = measured.map((s) => {
    if (s.input.type === 'slack') return 'the slack is out';
    if (s.input.type !== 'clearances') return `“${s.title}” is out`;
    const what = head?.valves.some((v) => v.shimmed) ? 'shims are needed' : 'a valve is out';
    return head?.out ? `${what} (${head.out}, by its wear)` : what;
  });
  return [...new Set(words)].join(' and ');
}

/** `51 min, 45 with hands on it`. */
export const minutesOfVisit = (m: Minutes): string =>
  `${Math.round(m.elapsed)} min, ${Math.round(m.attended)} with hands on it`;

/** `112 min if shims are needed (one in three, by its wear)`; empty: it grows by nothing. */
export const grownInWords = ({ elapsed, grown }: VisitMinutes): string =>
  grown && grown.elapsed > elapsed ? `${grown.elapsed} min if ${grown.when}` : '';
