import { error } from '@sveltejs/kit';
import { z } from 'zod';
import { estimateHours } from '$lib/core/hours/learned';
import { isRace } from '$lib/core/outing/outing';
import { dayOf } from '$lib/core/time/day';
import { db } from '$lib/server/base/db';
import { getMachine } from '$lib/server/machine/machines';
import { listMeters, listReadings, runningHistory } from '$lib/server/hours/meters';
import { outingsWithoutHours } from '$lib/server/hours/outings';
import { learnedOf, readStandings } from '$lib/server/trail/lanes';
import type { PageServerLoad } from './$types';

const PAGE = 30;

export const load: PageServerLoad = async ({ locals, params, url }) => {
  const sql = db();
  const team = locals.team!;
  const machine = await getMachine(sql, team.id, params.id);
  if (!machine) error(404, 'No such machine in this team.');
  const before = url.searchParams.get('before');
  // A moment as this page writes it; years beyond those are none of a reading's.
  const cursor = before && z.iso.datetime().safeParse(before).success ? new Date(before) : null;
  const [meters, readings, history, [standing], learned, unknown] = await Promise.all([
    listMeters(sql, team.id, machine.id),
    listReadings(sql, team.id, machine.id, cursor, PAGE),
    runningHistory(sql, team.id, machine.id),
    readStandings(sql, team, [machine.id]),
    learnedOf(sql, team.id, machine.id),
    outingsWithoutHours(sql, team.id, machine.id)
  ]);
  return {
    machine,
    meters,
    readings,
    history,
    total: standing!.total,
    estimated: standing!.estimated,
    learned,
    unknown: unknown.map((o) => ({
      ...o,
      estimate: estimateHours({ distance: o.distance, race: isRace(o.kind) }, learned)
    })),
    today: dayOf(new Date(), team.timeZone),
    older: readings.length === PAGE ? readings.at(-1)!.at.toISOString() : null,
    newest: cursor === null
  };
};
