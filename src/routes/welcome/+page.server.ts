import { redirect } from '@sveltejs/kit';
import { db } from '$lib/server/db';
import { getDemoTeam } from '$lib/server/teams';
import type { PageServerLoad } from './$types';

const YEAR = 31_536_000;

/** First run: look round with the demo, or set up your own. */
export const load: PageServerLoad = async ({ url, cookies }) => {
  const demo = await getDemoTeam(db());
  if (url.searchParams.has('stay') && demo) {
    cookies.set('ht_team', demo.id, {
      path: '/',
      maxAge: YEAR,
      sameSite: 'lax',
      httpOnly: false,
      secure: false
    });
    redirect(303, '/');
  }
  return { demo: demo !== null };
};
