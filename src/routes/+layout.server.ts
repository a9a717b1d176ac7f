import { redirect } from '@sveltejs/kit';
import { dayOf } from '$lib/core/time/day';
import { db } from '$lib/server/db';
import { listPeople } from '$lib/server/teams';
import type { LayoutServerLoad } from './$types';

export const load: LayoutServerLoad = async ({ locals, url }) => {
  const { team, teamAssumed, theme, units } = locals;
  if (!team && url.pathname !== '/welcome') redirect(303, '/welcome');
  const people = team ? await listPeople(db(), team.id) : [];
  return {
    team,
    teamAssumed,
    people,
    personId: locals.person?.id ?? null,
    theme,
    units,
    today: dayOf(new Date(), team?.timeZone ?? 'UTC')
  };
};
