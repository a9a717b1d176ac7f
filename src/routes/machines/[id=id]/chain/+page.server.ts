import { error } from '@sveltejs/kit';
import { isChainTask } from '$lib/core/chain/sheet';
import { dayOf } from '$lib/core/time/day';
import { chainSheet } from '$lib/server/chain/sheet';
import { partsOf } from '$lib/server/chain/checks';
import { db } from '$lib/server/base/db';
import { getMachine } from '$lib/server/machine/machines';
import { listSources } from '$lib/server/specs/sheet';
import { readStandings } from '$lib/server/trail/lanes';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, params, depends }) => {
  depends('app:chain');
  const sql = db();
  const team = locals.team!;
  const machine = await getMachine(sql, team.id, params.id);
  if (!machine) error(404, 'No such machine in this team.');
  const [sheet, sources, [standing]] = await Promise.all([
    chainSheet(sql, team, machine.id),
    listSources(sql, team.id),
    readStandings(sql, team, [machine.id])
  ]);
  const parts = partsOf(sheet);
  return {
    machine,
    sheet,
    sources,
    visitId: standing!.visitId,
    tasks: standing!.tasks
      .filter((t) => isChainTask(t) && (t.part === null || parts.includes(t.part.id)))
      // What is about the slack stands first: it is what was just done.
      .sort((a, b) => Number(/slack|adjust/i.test(b.name)) - Number(/slack|adjust/i.test(a.name)))
      .map(({ id, name }) => ({ id, name })),
    today: dayOf(new Date(), team.timeZone)
  };
};
