import { error, redirect } from '@sveltejs/kit';
import { claimSchema, pinInSchema, signInSchema } from '$lib/core/access/form';
import { goOnTo } from '$lib/core/access/places';
import { claimTeam } from '$lib/server/access/claim';
import { leaveDemo, lookRound, readKeys, takeKeys } from '$lib/server/access/cookies';
import { devicesOf, pinnedOn } from '$lib/server/access/devices';
import { enterByPassphrase, enterByPin, type In } from '$lib/server/access/enter';
import { takeForm } from '$lib/server/access/form';
import { signOut } from '$lib/server/access/sessions';
import { db } from '$lib/server/base/db';
import { getDemoTeam, hasTeams, listPeople, unclaimedTeams } from '$lib/server/team/teams';
import type { Actions, PageServerLoad, RequestEvent } from './$types';

const secure = (event: { url: URL }) => event.url.protocol === 'https:';

export const load: PageServerLoad = async (event) => {
  const { locals, url, cookies } = event;
  const sql = db();
  if (locals.local && !(await hasTeams(sql)) && locals.team === null) redirect(303, '/welcome');
  const { device } = readKeys(cookies, secure(event));
  const [pinned, devices, demo, unclaimed] = await Promise.all([
    pinnedOn(sql, device),
    devicesOf(sql, device),
    locals.local ? getDemoTeam(sql) : null,
    // Whoever sits at the server says who they are in a team that nobody can come into.
    locals.local ? unclaimedTeams(sql) : []
  ]);
  return {
    to: url.searchParams.get('to') ?? '',
    /** The team that somebody has just brought in. */
    broughtIn: url.searchParams.get('team'),
    /** Whose PIN is asked for; whether somebody wants in by name. In the address, so that both work before any script. */
    who: url.searchParams.get('who'),
    byName: url.searchParams.get('by') === 'name',
    pinned,
    trusted: devices.length > 0,
    demo: demo !== null,
    local: locals.local,
    unclaimed: await Promise.all(
      unclaimed.map(async ({ id, name }) => ({ id, name, people: await listPeople(sql, id) }))
    )
  };
};

async function goIn(event: RequestEvent, come: In): Promise<never> {
  // Whoever worked here before does so no more.
  const { team, person, session } = event.locals;
  if (team && person && session) await signOut(db(), team.id, session.id, person.id, new Date());
  takeKeys(event.cookies, secure(event), come);
  leaveDemo(event.cookies);
  redirect(303, goOnTo(event.url.searchParams.get('to'), come.role));
}

export const actions: Actions = {
  passphrase: async (event) => {
    const { device } = readKeys(event.cookies, secure(event));
    const taken = await takeForm(event, signInSchema, (input) =>
      enterByPassphrase(db(), input, device, new Date())
    );
    return 'done' in taken ? goIn(event, taken.done) : taken;
  },
  pin: async (event) => {
    const { device } = readKeys(event.cookies, secure(event));
    const taken = await takeForm(event, pinInSchema, (input) => enterByPin(db(), input, device));
    return 'done' in taken ? goIn(event, taken.done) : taken;
  },
  /** Into a team that nobody can come into yet: from the machine it is kept on, and from nowhere else. */
  claim: async (event) => {
    if (!event.locals.local) error(403, 'Only on the machine that the server runs on.');
    const taken = await takeForm(event, claimSchema, (input) => claimTeam(db(), input));
    return 'done' in taken ? goIn(event, taken.done) : taken;
  },
  demo: async ({ locals, cookies }) => {
    if (!locals.local || !(await getDemoTeam(db()))) error(403, 'The demo is open on its own machine only.');
    lookRound(cookies);
    redirect(303, '/');
  }
};
