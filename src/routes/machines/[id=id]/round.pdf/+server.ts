import { error } from '@sveltejs/kit';
import { LIST_WORDS, LISTS } from '$lib/core/round/check';
import { showHours } from '$lib/core/hours/hours';
import { roundPaper } from '$lib/core/paper/rounds';
import { dayOf, showDay } from '$lib/core/time/day';
import { db } from '$lib/server/base/db';
import { getMachine } from '$lib/server/machine/machines';
import { paperResponse, printing } from '$lib/server/pdf/respond';
import { roundSheet } from '$lib/server/round/sheet';
import { readStandings } from '$lib/server/trail/lanes';
import type { RequestHandler } from './$types';

/** A round on paper: the ready round, after washing, or every torque. */
export const GET: RequestHandler = printing(async ({ locals, params, url }) => {
  const sql = db();
  const team = locals.team;
  const machine = team && (await getMachine(sql, team.id, params.id));
  if (!machine) error(404, 'No such machine in this team.');
  const list = LISTS.find((l) => l === url.searchParams.get('list')) ?? 'ready';
  const [sheet, [standing]] = await Promise.all([
    roundSheet(sql, team.id, machine, list),
    readStandings(sql, team, [machine.id])
  ]);
  const today = dayOf(new Date(), team.timeZone);
  const paper = roundPaper({
    title: LIST_WORDS[list],
    machine,
    under: [
      `${standing!.total === null ? 'Hours not known' : `${showHours(standing!.total)} running hours`} · ${team.name} · ${showDay(today, today)}`
    ],
    opens: `/machines/${machine.id}/round?list=${list}`,
    checks: sheet.checks,
    bands: sheet.bands,
    missing: sheet.torque?.missing ?? []
  });
  return paperResponse(paper, url);
});
