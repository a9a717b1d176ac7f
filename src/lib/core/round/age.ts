import type { RoundFact } from '../readiness/readiness';
import type { List } from './check';

const HOUR_MS = 3_600_000;
/** Begun so long ago, nobody is walking it any more: whoever comes is asked whether to begin anew. Ours, like the next. */
const LEFT_AFTER_MS = 24 * HOUR_MS;
/** A list that nothing else ends is walked anew after half a day. */
const STANDS_MS = 12 * HOUR_MS;

const HOLDS_TODAY: ReadonlySet<RoundFact['state']> = new Set(['done', 'too old then', 'ridden before']);

export interface Dated {
  begunAt: Date;
  doneAt: Date | null;
}
/** A round that was begun and left. */
export const isLeft = (round: Dated | null, now: Date): boolean =>
  round !== null && round.doneAt === null && now.getTime() - round.begunAt.getTime() > LEFT_AFTER_MS;

/**
 * Whether a round that is done is still the one to look at. A ready round is, as long as it makes its machine ready; the others
 * for half a day.
 *
 * @param fact what the last ready round says of the machine; one that will be over when an outing begins still stands today
 */
export function stillStands(list: List, round: Dated | null, fact: RoundFact, now: Date): boolean {
  if (list === 'ready' && fact.state !== 'not asked') return HOLDS_TODAY.has(fact.state);
  return round?.doneAt != null && now.getTime() - round.doneAt.getTime() < STANDS_MS;
}
