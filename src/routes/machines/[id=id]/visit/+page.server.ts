import { error, redirect } from '@sveltejs/kit';
import { db } from '$lib/server/db';
import { getMachine } from '$lib/server/machines';
import { readStandings } from '$lib/server/trail';
import { visitBefore } from '$lib/server/visit-before';
import type { PageServerLoad } from './$types';

/** What the visit will be, before it is begun. */
export const load: PageServerLoad = async ({ locals, params, url }) => {
  const sql = db();
  const team = locals.team!;
  const machine = await getMachine(sql, team.id, params.id);
  if (!machine) error(404, 'No such machine in this team.');
  const [standing] = await readStandings(sql, team, [machine.id]);
  if (standing!.visitId) redirect(303, `/visits/${standing!.visitId}`);
  const asked = url.searchParams.getAll('task');
  const finding = url.searchParams.get('finding');
  // A job card was printed of these and no others.
  const only = url.searchParams.has('only');
  const before = await visitBefore(sql, team, machine, standing!, asked, finding, new Date(), only);
  if (asked.some((t) => !before.jobs.some((j) => j.taskId === t)))
    error(404, 'That task is not one of this machine.');
  if (finding && !before.findings.some((f) => f.id === finding))
    redirect(303, `/machines/${machine.id}#findings`);
  return before;
};
