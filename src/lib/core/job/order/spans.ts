import type { Span } from '../../ordering/order';
import { isOutside } from '../layout/in-the-way';
import { closingsOf, common, itemsOf } from '../layout/openings';
import type { Steps } from '../layout/waits';
import type { Step } from '../plan';

/** Something opened in a visit: the step that opens it, and those that shut it again. */
export interface Opening {
  off: Step;
  on: Step[];
}

/**
 * Everything that a visit opens, each time it is opened. Opened twice, each closing belongs to the opening before it.
 * @param but openings that are looked after otherwise: covers that come off as often as they have to
 */
export function openingsOf(plan: Steps, but: ReadonlySet<string> = new Set()): Opening[] {
  return plan.steps
    .filter((s) => s.input.type === 'open' && !but.has(s.key))
    .map((off): Opening => ({ off, on: closingsOf(plan, off) }))
    .filter((o) => o.on.length > 0);
}

/**
 * What must not overlap. The engine never runs with something open that was shut before it (handbook, section 4), whichever of the
 * two comes first; it runs without a guard, and is ridden with everything on. What two jobs open and could not share is shut by
 * the one before the other opens it.
 */
export function apartOf(plan: Steps, openings: readonly Opening[]): [Opening, Opening][] {
  const role = new Map(plan.items.map((i) => [i.key, i.role]));
  const outside = (o: Opening) => itemsOf(o.off).every((k) => isOutside(role.get(k) ?? null));
  const heats = plan.steps.filter((s) => s.heats).map((s): Opening => ({ off: s, on: [s] }));
  const ridden = (h: Opening) => h.off.input.type !== 'start' && h.off.covered.length > 0;
  return [
    ...openings.flatMap((o) =>
      heats.filter((h) => !outside(o) || ridden(h)).map((h): [Opening, Opening] => [o, h])
    ),
    ...openings.flatMap((a, i) =>
      openings
        .slice(i + 1)
        .filter((b) => common(a.off, b.off))
        .map((b): [Opening, Opening] => [a, b])
    )
  ];
}

export const spanOf = ({ off, on }: Opening): Span => ({ first: off.key, last: on.map((s) => s.key) });

/**
 * What the order chose is kept in the steps: the engine is warmed or started after what was shut before it, and what is opened warm
 * waits for the warm-up. So a visit whose steps are put off or moved still knows it.
 * @param place where each step came to stand
 */
export function keepChosen(pairs: readonly [Opening, Opening][], place: (key: string) => number): void {
  for (const [o, h] of pairs) {
    const [off, heats] = [o.off, h.off];
    if (!heats.heats) continue;
    const on = o.on.map((s) => s.key);
    if (place(heats.key) < 0 || place(off.key) < 0) continue;
    if (place(off.key) < place(heats.key)) heats.during = [...new Set([...heats.during, ...on])];
    else if (heats.input.type === 'tick') off.during = [...new Set([...off.during, heats.key])];
  }
}
