import { error } from '@sveltejs/kit';
import { duesOf, laneOf } from '$lib/core/trail/lane';
import { dayOf } from '$lib/core/time/day';
import { db } from '$lib/server/db';
import { getMachine } from '$lib/server/machines';
import { listReadings } from '$lib/server/readings';
import { listRecords } from '$lib/server/records';
import { readCalendar, readStandings } from '$lib/server/trail';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, params, url }) => {
  const sql = db();
  const team = locals.team!;
  const machine = /^[0-9a-f-]{36}$/.test(params.id) ? await getMachine(sql, team.id, params.id) : null;
  if (!machine) error(404, 'No such machine in this team.');
  const today = dayOf(new Date(), team.timeZone);
  const before = url.searchParams.get('readings-before');
  const cursor = before && !Number.isNaN(Date.parse(before)) ? new Date(before) : null;
  const [[standing], calendar, readings, records] = await Promise.all([
    readStandings(sql, team, [machine.id]),
    readCalendar(sql, team.id, today),
    listReadings(sql, team.id, machine.id, cursor),
    listRecords(sql, team.id, machine.id)
  ]);
  const mine = calendar.of(machine.id);
  const dues = duesOf(standing!, mine, today);
  return {
    machine,
    lane: laneOf(standing!, mine, today, dues),
    dues: dues.map((d) => ({
      taskId: d.task.id,
      name: d.task.name,
      job: d.task.job,
      state: d.state,
      likely: d.likely,
      inside: d.inside,
      counted: d.task.counted,
      triggers: d.triggers.map((t) => ({
        measure: t.trigger.measure,
        interval: t.interval,
        limitAt: t.limitAt,
        dueAt: t.dueAt,
        left: t.left,
        limit: t.trigger.limit
      }))
    })),
    readings,
    older: readings.length === 12 ? readings.at(-1)!.at.toISOString() : null,
    newest: cursor === null,
    records
  };
};
