import { error } from '@sveltejs/kit';
import { id } from '$lib/core/forms';
import { fitsMachine } from '$lib/core/job/fits';
import { tasksDue } from '$lib/core/schedule/due';
import { whyDue } from '$lib/core/schedule/why';
import { dayOf } from '$lib/core/time/day';
import { laneOf, machineNow } from '$lib/core/trail/lane';
import { getComponent } from '$lib/server/component/pages';
import { db } from '$lib/server/base/db';
import { getMachine } from '$lib/server/machine/machines';
import { listProposals } from '$lib/server/schedule/proposals';
import { readRules } from '$lib/server/rules/rules';
import { readSheet } from '$lib/server/specs/sheet';
import { readTemplates } from '$lib/server/job/templates';
import { getTask, listTaskChanges } from '$lib/server/schedule/task-pages';
import { readCalendar, readStandings } from '$lib/server/trail/lanes';
import type { PageServerLoad } from './$types';

const isId = (text: string) => id.safeParse(text).success;

export const load: PageServerLoad = async ({ locals, params, url }) => {
  const sql = db();
  const team = locals.team!;
  const fresh = params.id === 'new';
  const task = !fresh && isId(params.id) ? await getTask(sql, team.id, params.id) : null;
  if (!fresh && !task) error(404, 'No such task in this team.');
  const partId = task?.componentId ?? url.searchParams.get('part');
  const component = partId && isId(partId) ? await getComponent(sql, team.id, partId) : null;
  const machineId = component ? component.machineId : (task?.machineId ?? url.searchParams.get('machine'));
  const machine = machineId && isId(machineId) ? await getMachine(sql, team.id, machineId) : null;
  if (!component && !machine) error(404, 'No such machine in this team.');
  const today = dayOf(new Date(), team.timeZone);
  const [standing] = machine ? await readStandings(sql, team, [machine.id]) : [];
  const planned = machine ? (await readCalendar(sql, team.id, today)).of(machine.id) : [];
  const now = standing ? machineNow(standing, planned, today) : null;
  const due = now && standing ? tasksDue(standing.tasks, now).find((d) => d.task.id === task?.id) : undefined;
  const sheet = machine ? await readSheet(sql, team.id, machine.id) : null;
  return {
    task,
    machine: machine && { id: machine.id, plate: machine.plate, name: machine.name },
    component: component && { id: component.id, name: component.name },
    others: (standing?.tasks ?? [])
      .filter((t) => t.id !== task?.id)
      .map((t) => ({ id: t.id, name: t.part ? `${t.name} (${t.part.name})` : t.name })),
    lane: standing ? laneOf(standing, planned, today) : null,
    why: due && now ? whyDue(due, now, standing!.estimated) : [],
    rules: await readRules(sql, team.id),
    // On a component that may go to another machine, any.
    jobs: (await readTemplates(sql, team.id))
      .filter(
        (t) => t.key === task?.job || component !== null || !machine || fitsMachine(t, machine.kind, sheet)
      )
      .map(({ key, title }) => ({ key, title })),
    changes: task ? await listTaskChanges(sql, team.id, task.id) : [],
    proposals: task ? await listProposals(sql, team.id, [task.id]) : []
  };
};
