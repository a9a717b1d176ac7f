import { error } from '@sveltejs/kit';
import { dayOf } from '$lib/core/time/day';
import { isValveTask } from '$lib/core/valve/task';
import { db } from '$lib/server/base/db';
import { engineIn } from '$lib/server/valve/heads';
import { getMachine } from '$lib/server/machine/machines';
import { photosOfMarks } from '$lib/server/photo/photos';
import { listSources, readSheet } from '$lib/server/specs/sheet';
import { readStandings } from '$lib/server/trail/lanes';
import { valveSheetIn } from '$lib/server/valve/sheet';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, params, depends }) => {
  depends('app:valves');
  const sql = db();
  const team = locals.team!;
  const machine = await getMachine(sql, team.id, params.id);
  if (!machine) error(404, 'No such machine in this team.');
  const [sheet, engine, sources, [standing], specs] = await Promise.all([
    valveSheetIn(sql, team, machine.id),
    engineIn(sql, team.id, machine.id),
    listSources(sql, team.id),
    readStandings(sql, team, [machine.id]),
    readSheet(sql, team.id, machine.id)
  ]);
  return {
    machine,
    sheet,
    engine,
    sources,
    visitId: standing!.visitId,
    marks: sheet ? await photosOfMarks(sql, team.id, sheet.head) : [],
    tasks: standing!.tasks
      .filter((t) => isValveTask(t) && (t.part === null || t.part.id === engine?.id))
      .map(({ id, name }) => ({ id, name })),
    printedGuide: specs.figures.find((f) => f.key === 'top dead centre')?.text ?? null,
    today: dayOf(new Date(), team.timeZone)
  };
};
