import { error } from '@sveltejs/kit';
import { LISTS } from '$lib/core/round/check';
import { dayOf } from '$lib/core/time/day';
import { db } from '$lib/server/db';
import { getMachine } from '$lib/server/machines';
import { roundSheet } from '$lib/server/round-sheet';
import { boardPage } from '$lib/server/board';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, params, url, depends }) => {
  depends('app:round');
  const sql = db();
  const team = locals.team!;
  const machine = await getMachine(sql, team.id, params.id);
  if (!machine) error(404, 'No such machine in this team.');
  const now = new Date();
  const list = LISTS.find((l) => l === url.searchParams.get('list')) ?? 'ready';
  const [sheet, board] = await Promise.all([
    roundSheet(sql, team.id, machine, list),
    boardPage(sql, team, null, now, machine.id)
  ]);
  return {
    machine,
    sheet,
    readiness: board.rows[0]?.readiness ?? null,
    // Of the others nothing holds until it is ridden: the day decides.
    holds:
      list === 'ready'
        ? board.rows[0]?.round.state === 'done'
        : sheet.round?.doneAt != null && now.getTime() - sheet.round.doneAt.getTime() < 12 * 3_600_000,
    today: dayOf(now, team.timeZone),
    timeZone: team.timeZone
  };
};
