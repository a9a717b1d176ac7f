import type { Cookies } from '@sveltejs/kit';

const YEAR = 31_536_000;
/** Read by the page too: the theme is there before any script. */
const KEPT = { path: '/', maxAge: YEAR, sameSite: 'lax', httpOnly: false, secure: false } as const;

/** From now on this device works in a team, and as a person of it where one is named. */
export function workIn(cookies: Cookies, team: { id: string; personId?: string }): void {
  cookies.set('ht_team', team.id, KEPT);
  if (team.personId) cookies.set('ht_who', team.personId, KEPT);
}
