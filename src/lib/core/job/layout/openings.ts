import type { Step } from '../plan';
import { waitsFor, type Steps } from './waits';

/** What a step opens or shuts. */
export const itemsOf = (s: Step): readonly string[] =>
  s.input.type === 'open' || s.input.type === 'close' ? s.input.items : [];
/** Whether two steps are about the same thing. */
export const common = (a: Step, b: Step): boolean => itemsOf(a).some((k) => itemsOf(b).includes(k));

/** The steps that shut again what a step opened, before it is opened once more. */
export function closingsOf(plan: Steps, off: Step): Step[] {
  const again = plan.steps.filter(
    (s) => s !== off && s.input.type === 'open' && common(s, off) && waitsFor(plan, s.key, off.key)
  );
  return plan.steps.filter(
    (s) =>
      s.input.type === 'close' &&
      common(s, off) &&
      waitsFor(plan, s.key, off.key) &&
      !again.some((o) => waitsFor(plan, s.key, o.key))
  );
}

/** What more than one step opens, by its name: it comes off as often. */
export function openedAgain({ steps, items }: Pick<Steps, 'steps' | 'items'>): string[] {
  const opened = steps.filter((s) => s.input.type === 'open').flatMap(itemsOf);
  return items.filter((i) => opened.filter((k) => k === i.key).length > 1).map((i) => i.name);
}
