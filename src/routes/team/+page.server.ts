import { redirect } from '@sveltejs/kit';
import { listDevices } from '$lib/server/access/devices';
import { listInvitations } from '$lib/server/access/invitations';
import { listSessions, waysIn } from '$lib/server/access/sessions';
import { readFields } from '$lib/server/base/body';
import { carryOutForm } from '$lib/server/commands/form';
import { db } from '$lib/server/base/db';
import { listLeft } from '$lib/server/team/teams';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, url }) => {
  const { team, person, session } = locals;
  const sql = db();
  // Who can come in, and where from, is the chief mechanic's to see.
  const chief = team !== null && session !== null && person?.role === 'chief mechanic';
  const [left, sessions, devices, invitations, ways] = await Promise.all([
    team ? listLeft(sql, team.id) : [],
    chief ? listSessions(sql, team.id, null, new Date()) : [],
    chief ? listDevices(sql, team.id) : [],
    chief ? listInvitations(sql, team.id) : [],
    chief ? waysIn(sql, team.id) : new Map<string, string>()
  ]);
  return {
    left,
    chief,
    sessions: sessions.map((s) => ({ ...s, here: s.id === session?.id })),
    devices,
    invitations,
    ways,
    /** Before a code: in the tent, the page that says how to trust this server. */
    before: process.env.HOUR_TRAIL_JOIN ? `${process.env.HOUR_TRAIL_JOIN}/#` : `${url.origin}/join/`,
    freshId: crypto.randomUUID()
  };
};

export const actions: Actions = {
  /** Without JavaScript; with it, the page sends the same command. */
  add: async (event) => {
    const typed = await readFields(event.request);
    const { id, name, role } = typed;
    return (await carryOutForm(event, 'person.add', { id, name, role }, typed)) ?? redirect(303, '/team');
  }
};
