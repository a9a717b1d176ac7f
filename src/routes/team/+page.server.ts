import { redirect } from '@sveltejs/kit';
import { readFields } from '$lib/server/body';
import { carryOutForm } from '$lib/server/commands/form';
import { db } from '$lib/server/db';
import { listLeft, listTeams } from '$lib/server/teams';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals }) => ({
  teams: await listTeams(db()),
  left: locals.team ? await listLeft(db(), locals.team.id) : [],
  freshId: crypto.randomUUID()
});

export const actions: Actions = {
  /** Without JavaScript; with it, the page sends the same command. */
  add: async (event) => {
    const typed = await readFields(event.request);
    const { id, name, role } = typed;
    return (await carryOutForm(event, 'person.add', { id, name, role }, typed)) ?? redirect(303, '/team');
  }
};
