import { fail, redirect } from '@sveltejs/kit';
import { readFields } from '$lib/server/body';
import { formId } from '$lib/server/commands/form';
import { foundByCommand } from '$lib/server/commands/found';
import { db } from '$lib/server/db';
import { workIn } from '$lib/server/device';
import { getDemoTeam } from '$lib/server/teams';
import type { Actions, PageServerLoad } from './$types';

/** First run: look round with the demo, or set up your own. */
export const load: PageServerLoad = async () => ({
  demo: (await getDemoTeam(db())) !== null,
  freshIds: { team: crypto.randomUUID(), person: crypto.randomUUID() }
});

export const actions: Actions = {
  /** This device looks round with the demo. Looking at the page alone changes nothing. */
  stay: async ({ cookies }) => {
    const demo = await getDemoTeam(db());
    if (demo) workIn(cookies, { id: demo.id });
    redirect(303, '/');
  },
  /** Without JavaScript; with it, the page sends the same command. */
  found: async (event) => {
    const typed = await readFields(event.request);
    const { id, personId, name, timeZone, you, role } = typed;
    const body = { id, name, timeZone, you: { id: personId, name: you, role } };
    const at = new Date().toISOString();
    const command = { id: formId('team.found', body), kind: 'team.found' as const, at, body, after: null };
    const { outcome, team } = await foundByCommand(db(), command, 'a page without scripts');
    if (!outcome.ok) return fail(422, { errors: outcome.errors, typed });
    if (team) workIn(event.cookies, team);
    redirect(303, '/');
  }
};
