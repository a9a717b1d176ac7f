import { error } from '@sveltejs/kit';
import { AIR_DAYS } from '$lib/core/fluids/air';
import { stationAir } from '$lib/core/fluids/station';
import { dayOf } from '$lib/core/time/day';
import { forgottenLast } from '$lib/server/bench-history';
import { chainSheet } from '$lib/server/chain-sheet';
import { outlineOf } from '$lib/core/machine/places';
import { db } from '$lib/server/db';
import { getMachine } from '$lib/server/machines';
import { listPhotos } from '$lib/server/photos';
import { listFasteners, listSources } from '$lib/server/specs';
import { readToolbox } from '$lib/server/stores';
import { listPeople } from '$lib/server/teams';
import { getVisit } from '$lib/server/visits';
import { valveSheetIn } from '$lib/server/valve-sheet';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, params, depends }) => {
  depends('app:valves');
  const sql = db();
  const team = locals.team!;
  const visit = await getVisit(sql, team.id, params.id);
  if (!visit) error(404, 'No such visit in this team.');
  const today = dayOf(new Date(), team.timeZone);
  const machine = await getMachine(sql, team.id, visit.machineId);
  return {
    visit,
    around: {
      forgotten: await forgottenLast(sql, team, visit.machineId, visit.id),
      tools: await readToolbox(sql, team.id),
      byFeel: visit.rules.torque === 'by feel where the house allows',
      fasteners: await listFasteners(sql, team.id, visit.machineId),
      outline: outlineOf(machine!.kind),
      photos: await listPhotos(sql, team.id, visit.id),
      sources: await listSources(sql, team.id),
      people: await listPeople(sql, team.id),
      today,
      valves: visit.plan.steps.some((s) => s.input.type === 'clearances')
        ? { sheet: await valveSheetIn(sql, team, visit.machineId) }
        : null,
      chain: visit.plan.steps.some((s) => s.input.type === 'slack')
        ? await chainSheet(sql, team, visit.machineId)
        : null,
      // A stand-in for the weather advises the demo alone.
      air: team.isDemo ? stationAir(today, AIR_DAYS) : null
    }
  };
};
