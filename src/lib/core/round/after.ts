import type { Kind } from '../machine/machine';
import { outlineOf } from '../machine/places';
import type { FastenerRole } from '../specs/sheet';
import type { ItemState } from '../visit/items';
import { isTight } from '../visit/items';
import type { StepState } from '../visit/state';
import type { Held } from './check';
import { JUDGED_BY } from '../judged/by';

/** Something to be looked at again after the next outing, because of what happened (handbook, section 3: after-events). */
export interface After {
  words: string;
  /** It is done when this fastener is tried again, or this check answered again. */
  fastenerId: string | null;
  check: string | null;
}

/** What beds in under the first ride: wheels and axles, and what carries them. */
const BEDS_IN: ReadonlySet<FastenerRole> = new Set<FastenerRole>(['axle nut', 'pivot', 'clamp']);

const again = (name: string): string => `${name}: try it again after the first ride`.slice(0, 200);

/**
 * What a closed visit asks for after the next outing: wheel and axle nuts that were off, and the level of oil that was changed.
 *
 * @param levelAgain by house rule: the level of an engine's new oil is read again
 */
export function afterVisit(
  state: { items: readonly ItemState[]; steps: readonly StepState[] },
  levelAgain: boolean
): After[] {
  const tried = state.items.flatMap((i): After[] =>
    i.item.role !== null && BEDS_IN.has(i.item.role) && i.item.fastenerId && isTight(i)
      ? [{ words: again(i.item.name), fastenerId: i.item.fastenerId, check: null }]
      : []
  );
  const poured = state.steps.some(
    (s) => s.called && s.done && s.step.input.type === 'pour' && s.step.input.circuit === 'engine'
  );
  return poured && levelAgain
    ? [
        ...tried,
        {
          words: 'Engine oil level: read it again after the first ride',
          fastenerId: null,
          check: 'engine-oil'
        }
      ]
    : tried;
}

/**
 * A wheel that was put on, or spoked anew, lately: spokes and nuts bed in under the first ride.
 *
 * @param daysAgo when that was
 * @param place where on the machine; other than `rear` it is at the front
 */
export function afterWheel(kind: Kind, place: string, daysAgo: number): After[] {
  if (daysAgo > JUDGED_BY.work.beddingDays.is) return [];
  const end = place === 'rear' ? 'rear' : 'front';
  const Name = end === 'rear' ? 'Rear' : 'Front';
  return outlineOf(kind) === 'quad'
    ? [
        {
          words: `${Name} wheels: nuts and rims again after the first ride`,
          fastenerId: null,
          check: `${end}-wheels`
        }
      ]
    : [
        {
          words: `${Name} wheel: spokes and axle nut again after the first ride`,
          fastenerId: null,
          check: `${end}-wheel`
        }
      ];
}

/** What was not at its number in a torque round is tried again once it was ridden. */
export const afterHeld = (title: string, fastenerId: string, held: Held): After[] =>
  held === 'moved' || held === 'loose' ? [{ words: again(title), fastenerId, check: null }] : [];
