import { error, redirect } from '@sveltejs/kit';
import { duesOf } from '$lib/core/trail/lane';
import { dayOf } from '$lib/core/time/day';
import { ENGINE_OIL, planEngineOil } from '$lib/core/visit/jobs/engine-oil';
import { RULE_REASONS } from '$lib/core/rules/rules';
import { db } from '$lib/server/db';
import { getMachine } from '$lib/server/machines';
import { readRules } from '$lib/server/rules';
import { readSheet } from '$lib/server/specs';
import { readCalendar, readStandings } from '$lib/server/trail';
import type { PageServerLoad } from './$types';

/** What the visit will be, before it is begun: nothing is written by looking. */
export const load: PageServerLoad = async ({ locals, params, url }) => {
  const sql = db();
  const team = locals.team!;
  const machine = /^[0-9a-f-]{36}$/.test(params.id) ? await getMachine(sql, team.id, params.id) : null;
  if (!machine) error(404, 'No such machine in this team.');
  const [standing] = await readStandings(sql, team, [machine.id]);
  const today = dayOf(new Date(), team.timeZone);
  const calendar = await readCalendar(sql, team.id, today);
  const due = duesOf(standing!, calendar.of(machine.id), today).find(
    (d) => d.task.id === url.searchParams.get('task')
  );
  if (!due || due.task.job !== ENGINE_OIL.job) error(404, 'That task has no steps for the bench.');
  if (standing!.visitId) redirect(303, `/visits/${standing!.visitId}`);
  const rules = await readRules(sql, team.id);
  const plan = planEngineOil({
    sheet: await readSheet(sql, team.id, machine.id),
    rules,
    pouredLastTimeMl: null,
    debrisBefore: {},
    breakIn: false
  });
  const unknown = [
    ...plan.items
      .filter((i) => i.kind === 'fastener' && !i.torque?.quantity)
      .map((i) => `torque of ${i.name}`),
    ...(plan.steps.some((s) => s.input.type === 'pour' && s.input.quantityMl === null)
      ? ['how much oil goes in']
      : []),
    ...(plan.steps.some((s) => s.input.type === 'level' && s.input.method === null)
      ? ['how the level is read']
      : [])
  ];
  return {
    machine,
    task: { id: due.task.id, name: due.task.name, state: due.state },
    gather: plan.steps[0]!.lines,
    steps: plan.steps.map((s) => s.title),
    unknown,
    rules,
    reasons: RULE_REASONS
  };
};
