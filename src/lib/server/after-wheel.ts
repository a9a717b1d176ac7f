import type { Kind } from '../core/machine/machine';
import { afterWheel } from '../core/round/after';
import { dayNumber, dayOf } from '../core/time/day';
import { raiseAfter } from './reminders';
import type { Write } from './write';

/** What was put on longer ago has been ridden in, or was looked at. */
const LATELY_DAYS = 7;

/** A wheel was put on a machine, or spoked anew on it: after the first ride it is looked at again. */
export async function afterNewWheel(
  w: Write,
  c: { kind: string; machineId: string | null; place: string; day: string }
): Promise<void> {
  const { tx, team, now } = w;
  if (c.kind !== 'wheel' || c.machineId === null) return;
  if (dayNumber(dayOf(now, team.timeZone)) - dayNumber(c.day) > LATELY_DAYS) return;
  const [m] = await tx`select kind from machine where team_id = ${team.id} and id = ${c.machineId}`;
  if (m) await raiseAfter(w, c.machineId, afterWheel(m.kind as Kind, c.place));
}
