import { error } from '@sveltejs/kit';
import { id } from '$lib/core/forms';
import { KINDS } from '$lib/core/machine/machine';
import { db } from '$lib/server/base/db';
import { fitsMachine } from '$lib/core/job/fits';
import { listMachines } from '$lib/server/machine/machines';
import { readSheet } from '$lib/server/specs/sheet';
import { listTasksOf } from '$lib/server/schedule/task-pages';
import { readTemplates } from '$lib/server/job/templates';
import type { PageServerLoad } from './$types';

/** With `?like=`, what a sister machine has that a new one may have too. */
export const load: PageServerLoad = async ({ locals, url }) => {
  const sql = db();
  const team = locals.team!;
  const machines = await listMachines(sql, team.id);
  const asked = url.searchParams.get('like');
  const sister = asked && id.safeParse(asked).success ? machines.find((m) => m.id === asked) : null;
  if (asked && !sister) error(404, 'No such machine in this team.');
  const sheet = sister ? await readSheet(sql, team.id, sister.id) : null;
  return {
    machines: machines.map((m) => ({ id: m.id, plate: m.plate, name: m.name })),
    jobs: (await readTemplates(sql, team.id)).map((t) => ({
      key: t.key,
      title: t.title,
      kinds: KINDS.filter((kind) => fitsMachine(t, kind, null))
    })),
    like:
      sister && sheet
        ? {
            id: sister.id,
            plate: sister.plate,
            name: sister.name,
            maker: sister.maker,
            kind: sister.kind,
            meter: sister.meter ?? 'hour meter',
            figures: sheet.figures.length,
            fasteners: sheet.fasteners.length,
            tasks: await listTasksOf(sql, team.id, sister.id)
          }
        : null
  };
};
