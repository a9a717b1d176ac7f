import { error } from '@sveltejs/kit';
import { shimCard } from '$lib/core/paper/shim-card';
import { dayOf, showDay } from '$lib/core/time/day';
import { db } from '$lib/server/base/db';
import { getMachine } from '$lib/server/machine/machines';
import { paperResponse, printing } from '$lib/server/pdf/respond';
import { valveSheetIn } from '$lib/server/valve/sheet';
import type { RequestHandler } from './$types';

/** The valves of the engine that is in this machine, to measure with a pencil. */
export const GET: RequestHandler = printing(async ({ locals, params, url }) => {
  const sql = db();
  const team = locals.team;
  const machine = team && (await getMachine(sql, team.id, params.id));
  if (!machine) error(404, 'No such machine in this team.');
  const sheet = await valveSheetIn(sql, team, machine.id);
  if (!sheet) error(404, 'The head of this machine is not laid out yet.');
  const today = dayOf(new Date(), team.timeZone);
  const paper = shimCard({
    machine,
    under: [`${team.name} · ${showDay(today, today)}`],
    opens: `/machines/${machine.id}/valves`,
    sheet,
    unit: locals.units === 'imperial' ? 'in' : 'mm'
  });
  return paperResponse(paper, url);
});
