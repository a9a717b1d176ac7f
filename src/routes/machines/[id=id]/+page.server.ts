import { error } from '@sveltejs/kit';
import { gravestFirst } from '$lib/core/finding/finding';
import { nearestFirst, tasksDue } from '$lib/core/schedule/due';
import { taskRow } from '$lib/core/schedule/row';
import { sectionsOf } from '$lib/core/specs/starter';
import { dayOf } from '$lib/core/time/day';
import { laneOf, machineNow } from '$lib/core/trail/lane';
import { isOpen, listCalls } from '$lib/server/schedule/calls';
import { listComponents } from '$lib/server/component/pages';
import { likelyOfChain } from '$lib/core/chain/likely';
import { chainSheet } from '$lib/server/chain/sheet';
import { db } from '$lib/server/base/db';
import { listFindings } from '$lib/server/finding/findings';
import { beforeOf } from '$lib/server/finding/fleet';
import { getMachine } from '$lib/server/machine/machines';
import { listReadings } from '$lib/server/hours/meters';
import { outingsWithoutHours } from '$lib/server/hours/outings';
import { photosOfFindings } from '$lib/server/photo/photos';
import { listProposals } from '$lib/server/schedule/proposals';
import { listRecords } from '$lib/server/record/records';
import { readCalendar, readStandings } from '$lib/server/trail/lanes';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, params }) => {
  const sql = db();
  const team = locals.team!;
  const machine = await getMachine(sql, team.id, params.id);
  if (!machine) error(404, 'No such machine in this team.');
  const today = dayOf(new Date(), team.timeZone);
  const [[standing], calendar, readings, records, components, calls, findings, unknown] = await Promise.all([
    readStandings(sql, team, [machine.id]),
    readCalendar(sql, team.id, today),
    listReadings(sql, team.id, machine.id, null, 6),
    listRecords(sql, team.id, machine.id, null, 8),
    listComponents(sql, team.id, machine.id),
    listCalls(sql, team.id, machine.id),
    listFindings(sql, team.id, { machineId: machine.id }),
    outingsWithoutHours(sql, team.id, machine.id)
  ]);
  const chain = sectionsOf(machine.kind).includes('Chain and final drive')
    ? await chainSheet(sql, team, machine.id)
    : null;
  const open = standing!.findings.map((f) => f.id);
  const [before, photos] = await Promise.all([
    beforeOf(sql, team.id, open),
    photosOfFindings(sql, team.id, open)
  ]);
  const planned = calendar.of(machine.id);
  const now = machineNow(standing!, planned, today);
  const dues = tasksDue(standing!.tasks, now).sort(nearestFirst);
  return {
    machine,
    lane: laneOf(standing!, planned, today, dues),
    distance: standing!.distance,
    rows: dues.map((d) => taskRow(d, now, standing!.estimated)),
    proposals: await listProposals(
      sql,
      team.id,
      standing!.tasks.map((t) => t.id)
    ),
    readings,
    records,
    components,
    findings: [...standing!.findings].sort(gravestFirst).map((f) => ({
      ...f,
      part: f.part?.name ?? null,
      before: before.get(f.id) ?? [],
      photos: photos.get(f.id) ?? []
    })),
    reminders: standing!.reminders,
    closed: findings.filter((f) => f.closed !== null),
    calls: calls.filter(isOpen),
    unknown,
    likely: chain ? likelyOfChain(chain) : [],
    valves: sectionsOf(machine.kind).includes('Valves'),
    chain: chain !== null
  };
};
