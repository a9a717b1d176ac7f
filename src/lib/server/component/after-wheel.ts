import type { Kind } from '../../core/machine/machine';
import { afterWheel } from '../../core/round/after';
import { dayNumber, dayOf } from '../../core/time/day';
import { raiseAfter } from '../finding/reminders';
import type { Write } from '../book/under-way';

/** A wheel was put on a machine, or spoked anew on it: after the first ride it is looked at again. */
export async function afterNewWheel(
  w: Write,
  c: { kind: string; machineId: string | null; place: string; day: string }
): Promise<void> {
  const { tx, team, now } = w;
  if (c.kind !== 'wheel' || c.machineId === null) return;
  const [m] = await tx`select kind from machine where team_id = ${team.id} and id = ${c.machineId}`;
  const ago = dayNumber(dayOf(now, team.timeZone)) - dayNumber(c.day);
  if (m) await raiseAfter(w, c.machineId, afterWheel(m.kind as Kind, c.place, ago));
}
