import { error } from '@sveltejs/kit';
import { gravestFirst } from '$lib/core/finding/finding';
import { nearestFirst, tasksDue } from '$lib/core/schedule/due';
import { taskRow } from '$lib/core/schedule/row';
import { dayOf } from '$lib/core/time/day';
import { machineNow } from '$lib/core/trail/lane';
import { componentHistory, getComponent, listComponents, rebuildTasks } from '$lib/server/component/pages';
import { db } from '$lib/server/base/db';
import { listFindings } from '$lib/server/finding/findings';
import { listMachines } from '$lib/server/machine/machines';
import { readCalendar, readStandings } from '$lib/server/trail/lanes';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, params }) => {
  const sql = db();
  const team = locals.team!;
  const component = await getComponent(sql, team.id, params.id);
  if (!component) error(404, 'No such component in this team.');
  const today = dayOf(new Date(), team.timeZone);
  const [history, machines, components, restarts, findings] = await Promise.all([
    componentHistory(sql, team.id, component.id),
    listMachines(sql, team.id),
    listComponents(sql, team.id),
    rebuildTasks(sql, team.id, component.id),
    listFindings(sql, team.id, { componentId: component.id })
  ]);
  const [standing] = component.machineId ? await readStandings(sql, team, [component.machineId]) : [];
  const now = standing
    ? machineNow(standing, (await readCalendar(sql, team.id, today)).of(standing.id), today)
    : { today, total: null, rate: null, planned: [], speed: null, perOuting: null };
  const dues = tasksDue(standing ? standing.tasks : history.tasks, now).filter(
    (d) => d.task.part?.id === component.id
  );
  return {
    component,
    fittings: history.fittings.map((f) => ({
      ...f,
      from: dayOf(f.fittedAt, team.timeZone),
      to: f.removedAt && dayOf(f.removedAt, team.timeZone)
    })),
    rebuilds: history.rebuilds,
    rows: dues.sort(nearestFirst).map((d) => taskRow(d, now, standing?.estimated ?? false)),
    visitId: standing?.visitId ?? null,
    machines: machines.map((m) => ({
      id: m.id,
      plate: m.plate,
      name: m.name,
      total: m.total,
      meter: m.meter
    })),
    others: components.filter(
      (c) => c.kind === component.kind && c.id !== component.id && c.machineId !== null && c.scrapped === null
    ),
    engines: components.filter((c) => c.kind === 'engine' && c.scrapped === null && c.id !== component.id),
    restarts,
    findings: findings.filter((f) => f.closed === null).sort(gravestFirst),
    closed: findings.filter((f) => f.closed !== null)
  };
};
