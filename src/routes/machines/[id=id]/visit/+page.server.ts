import { error, redirect } from '@sveltejs/kit';
import { sectionsOf } from '$lib/core/specs/starter';
import { askedBy } from '$lib/core/visit/pick';
import { benchAround } from '$lib/server/visit/around';
import { db } from '$lib/server/base/db';
import { getMachine } from '$lib/server/machine/machines';
import { readStandings } from '$lib/server/trail/lanes';
import { visitBefore } from '$lib/server/visit/before';
import type { PageServerLoad } from './$types';

/** What the visit will be, before it is begun. */
export const load: PageServerLoad = async ({ locals, params, url }) => {
  const sql = db();
  const team = locals.team!;
  const machine = await getMachine(sql, team.id, params.id);
  if (!machine) error(404, 'No such machine in this team.');
  const [standing] = await readStandings(sql, team, [machine.id]);
  if (standing!.visitId) redirect(303, `/visits/${standing!.visitId}`);
  const before = await visitBefore(sql, team, machine, standing!, new Date());
  const { tasks, findings } = askedBy(url.searchParams);
  if (tasks.some((t) => !before.jobs.some((j) => j.taskId === t)))
    error(404, 'That task is not one of this machine.');
  if (findings.some((id) => !before.findings.some((f) => f.id === id)))
    redirect(303, `/machines/${machine.id}#findings`);
  const sections = sectionsOf(machine.kind);
  const wants = { valves: sections.includes('Valves'), chain: sections.includes('Chain and final drive') };
  return {
    ...before,
    /** What it has at hand once it is begun: it may be begun where there is no server to ask. */
    around: await benchAround(sql, team, machine, null, before.input.rules, wants, before.today)
  };
};
