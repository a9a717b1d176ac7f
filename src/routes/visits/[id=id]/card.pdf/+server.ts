import { error } from '@sveltejs/kit';
import { jobCard } from '$lib/core/paper/job-card';
import { dayOf, showDay } from '$lib/core/time/day';
import { visitState } from '$lib/core/visit/state';
import { db } from '$lib/server/base/db';
import { getMachine } from '$lib/server/machine/machines';
import { paperResponse, printing } from '$lib/server/pdf/respond';
import { readStandings } from '$lib/server/trail/lanes';
import { getVisit } from '$lib/server/visit/visits';
import type { RequestHandler } from './$types';

/** The card of a visit that stands open: what is done already is ticked. */
export const GET: RequestHandler = printing(async ({ locals, params, url }) => {
  const sql = db();
  const team = locals.team;
  const visit = team && (await getVisit(sql, team.id, params.id));
  if (!visit) error(404, 'No such visit in this team.');
  const machine = (await getMachine(sql, team.id, visit.machineId))!;
  const [standing] = await readStandings(sql, team, [machine.id]);
  const today = dayOf(new Date(), team.timeZone);
  const state = visitState(visit.plan, visit.entries);
  const card = jobCard({
    machine,
    plan: visit.plan,
    done: new Set(state.steps.filter((s) => s.done).map((s) => s.step.key)),
    hours: standing!.total,
    team: team.name,
    day: showDay(today, today),
    opens: `/visits/${visit.id}#written`
  });
  return paperResponse(card, url);
});
