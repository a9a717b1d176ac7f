import { redirect } from '@sveltejs/kit';
import { db } from '$lib/server/db';
import { workIn } from '$lib/server/device';
import { getDemoTeam } from '$lib/server/teams';
import type { Actions, PageServerLoad } from './$types';

/** First run: look round with the demo, or set up your own. */
export const load: PageServerLoad = async () => ({ demo: (await getDemoTeam(db())) !== null });

export const actions: Actions = {
  /** This device looks round with the demo. Looking at the page alone changes nothing. */
  stay: async ({ cookies }) => {
    const demo = await getDemoTeam(db());
    if (demo) workIn(cookies, { id: demo.id });
    redirect(303, '/');
  }
};
