import { error, redirect } from '@sveltejs/kit';
import { founderSchema } from '$lib/core/access/form';
import { leaveDemo, lookRound, takeKeys } from '$lib/server/access/cookies';
import { foundWithPassphrase, mayFound } from '$lib/server/founding/form';
import { takeForm } from '$lib/server/access/form';
import { db } from '$lib/server/base/db';
import { getDemoTeam } from '$lib/server/team/teams';
import type { Actions, PageServerLoad } from './$types';

/** First run: look round with the demo, or set up your own. */
export const load: PageServerLoad = async (event) => ({
  demo: event.locals.local && (await getDemoTeam(db())) !== null,
  local: event.locals.local,
  mayFound: await mayFound(event),
  setup: event.url.searchParams.get('setup') ?? '',
  freshIds: { team: crypto.randomUUID(), person: crypto.randomUUID() }
});

export const actions: Actions = {
  /** This device looks round with the demo. Looking at the page alone changes nothing. */
  stay: async ({ cookies, locals }) => {
    if (!locals.local || !(await getDemoTeam(db()))) error(403, 'The demo is open on its own machine only.');
    lookRound(cookies);
    redirect(303, '/');
  },
  /** A new team, with the account of its first chief mechanic. */
  found: async (event) => {
    if (!(await mayFound(event))) error(403, 'A team is set up on the machine that the server runs on.');
    const taken = await takeForm(event, founderSchema, (input) => foundWithPassphrase(db(), input));
    if (!('done' in taken)) return taken;
    takeKeys(event.cookies, event.url.protocol === 'https:', { session: taken.done, device: null });
    leaveDemo(event.cookies);
    redirect(303, '/');
  }
};
