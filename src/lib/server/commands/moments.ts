import type { Kind } from '../../core/command/commands';
import { doneAt } from '../../core/command/envelope';
import { mayWait } from '../../core/command/waits';

/**
 * The moment a command is written by. What may wait on a device says what happened, and happened when it was written there: a finding
 * of Saturday is Saturday’s, though it comes in on Monday. All else is carried out as of now.
 * @param at when it was done, by the server's clock
 * @param now by the server's clock
 */
export function momentsOf(kind: Kind, at: string, now: Date): { now: Date; at: Date } {
  const done = doneAt(at, undefined, now);
  return { now: mayWait(kind) ? done : now, at: done };
}
