import { dayOf } from '$lib/core/time/day';
import { db } from '$lib/server/base/db';
import { listEvents } from '$lib/server/outing/events';
import { listMachines } from '$lib/server/machine/machines';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals }) => {
  const sql = db();
  const team = locals.team!;
  const today = dayOf(new Date(), team.timeZone);
  const [machines, ahead, past] = await Promise.all([
    listMachines(sql, team.id),
    listEvents(sql, team.id, today, 'ahead', 3),
    listEvents(sql, team.id, today, 'past', 5)
  ]);
  // An event that is on today, or the latest that was.
  return { machines, events: [...ahead.filter((e) => e.firstDay <= today), ...past] };
};
