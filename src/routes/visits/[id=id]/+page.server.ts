import { error, redirect } from '@sveltejs/kit';
import { readsChain, readsValves } from '$lib/core/job/plan';
import { dayOf } from '$lib/core/time/day';
import { benchAround } from '$lib/server/visit/around';
import { listTimers } from '$lib/server/visit/lists';
import { db } from '$lib/server/base/db';
import { getMachine } from '$lib/server/machine/machines';
import { listPhotos } from '$lib/server/photo/photos';
import { getVisit } from '$lib/server/visit/visits';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, params, depends }) => {
  depends('app:valves');
  const sql = db();
  const team = locals.team!;
  const visit = await getVisit(sql, team.id, params.id);
  if (!visit) error(404, 'No such visit in this team.');
  // Begun apart, it went into one that stood.
  if (visit.id !== params.id) redirect(303, `/visits/${visit.id}`);
  const machine = await getMachine(sql, team.id, visit.machineId);
  const wants = { valves: readsValves(visit.plan), chain: readsChain(visit.plan) };
  const today = dayOf(new Date(), team.timeZone);
  return {
    visit,
    timers: await listTimers(sql, team.id),
    around: {
      ...(await benchAround(sql, team, machine!, visit.id, visit.rules, wants, today)),
      photos: await listPhotos(sql, team.id, visit.id)
    }
  };
};
