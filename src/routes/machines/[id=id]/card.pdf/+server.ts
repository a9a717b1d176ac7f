import { error, redirect } from '@sveltejs/kit';
import { layOut } from '$lib/core/job/layout/layout';
import { orderPlan } from '$lib/core/job/order/order';
import { jobCard } from '$lib/core/paper/job-card';
import { showDay } from '$lib/core/time/day';
import { db } from '$lib/server/base/db';
import { getMachine } from '$lib/server/machine/machines';
import { paperResponse, printing } from '$lib/server/pdf/respond';
import { readStandings } from '$lib/server/trail/lanes';
import { visitBefore } from '$lib/server/visit/before';
import type { RequestHandler } from './$types';

/** The card of a visit that is not begun: of the tasks and findings that are named. Its code opens the same, to be begun and written down. */
export const GET: RequestHandler = printing(async ({ locals, params, url }) => {
  const sql = db();
  const team = locals.team;
  const machine = team && (await getMachine(sql, team.id, params.id));
  if (!machine) error(404, 'No such machine in this team.');
  const [standing] = await readStandings(sql, team, [machine.id]);
  if (standing!.visitId) redirect(303, `/visits/${standing!.visitId}/card.pdf${url.search}`);
  const now = new Date();
  const tasks = url.searchParams.getAll('task');
  const findings = url.searchParams.getAll('finding');
  const before = await visitBefore(sql, team, machine, standing!, now);
  const jobs = [
    ...before.jobs
      .filter((j) => tasks.includes(j.taskId))
      .map((j) => ({ taskId: j.taskId, template: j.template })),
    ...before.findings.filter((f) => findings.includes(f.id)).map((f) => f.job)
  ];
  if (jobs.length === 0) error(404, 'Nothing is picked: a card is of at least one job.');
  const engine = url.searchParams.get('engine') === 'warm' ? 'warm' : 'cold';
  const { plan } = orderPlan(layOut({ ...before.input, jobs }), engine);
  const asked = new URLSearchParams([
    ...tasks.map((t) => ['task', t]),
    ...findings.map((f) => ['finding', f]),
    ['only', '']
  ]);
  const card = jobCard({
    machine,
    plan,
    done: new Set(),
    hours: standing!.total,
    team: team.name,
    day: showDay(before.today, before.today),
    opens: `/machines/${machine.id}/visit?${asked}#written`
  });
  return paperResponse(card, url);
});
