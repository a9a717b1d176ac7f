import { error } from '@sveltejs/kit';
import { day } from '$lib/core/forms';
import { db } from '$lib/server/base/db';
import { getMachine } from '$lib/server/machine/machines';
import { ownerSheetOf } from '$lib/server/owner/sheet';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, params, url }) => {
  const sql = db();
  const team = locals.team!;
  const machine = await getMachine(sql, team.id, params.id);
  if (!machine) error(404, 'No such machine in this team.');
  const asked = day.safeParse(url.searchParams.get('since'));
  return {
    machine,
    sheet: await ownerSheetOf(sql, team, machine, asked.success ? asked.data : null, new Date())
  };
};
