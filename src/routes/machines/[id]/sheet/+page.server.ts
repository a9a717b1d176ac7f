import { error } from '@sveltejs/kit';
import { db } from '$lib/server/db';
import { getMachine } from '$lib/server/machines';
import { listFasteners, listFigures } from '$lib/server/specs';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, params }) => {
  const sql = db();
  const machine = /^[0-9a-f-]{36}$/.test(params.id)
    ? await getMachine(sql, locals.team!.id, params.id)
    : null;
  if (!machine) error(404, 'No such machine in this team.');
  const [figures, fasteners] = await Promise.all([
    listFigures(sql, locals.team!.id, machine.id),
    listFasteners(sql, locals.team!.id, machine.id)
  ]);
  return { machine, figures, fasteners };
};
