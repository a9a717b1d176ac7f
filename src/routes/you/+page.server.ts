import { redirect } from '@sveltejs/kit';
import { ownPassphraseSchema, ownPinSchema } from '$lib/core/access/form';
import { dropSession, leaveDemo, readKeys, takeKeys } from '$lib/server/access/cookies';
import { devicesOf, listDevices, pinnedOn } from '$lib/server/access/devices';
import { changePassphrase, hasPassphrase, pinHere } from '$lib/server/access/own-secrets';
import { listAccess } from '$lib/server/access/events';
import { takeForm } from '$lib/server/access/form';
import { listSessions, signOut } from '$lib/server/access/sessions';
import { db } from '$lib/server/base/db';
import { refuse } from '$lib/server/base/refusal';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, cookies, url }) => {
  const { team, person, session } = locals;
  if (!team || !person || !session) redirect(303, '/sign-in');
  const sql = db();
  const { device } = readKeys(cookies, url.protocol === 'https:');
  const [sessions, pinned, here, devices, words, events] = await Promise.all([
    listSessions(sql, team.id, person.id, new Date()),
    pinnedOn(sql, device),
    devicesOf(sql, device),
    listDevices(sql, team.id),
    hasPassphrase(sql, team.id, person.id),
    listAccess(sql, team.id, person.id)
  ]);
  return {
    sessions: sessions.map((s) => ({ ...s, here: s.id === session.id })),
    /** Whether one comes in here by PIN; null: the device is not trusted. */
    pin: here.some((d) => d.teamId === team.id)
      ? pinned.some((p) => p.teamId === team.id && p.personId === person.id)
      : null,
    others: pinned.some((p) => p.personId !== person.id),
    deviceName: devices.find((d) => d.id === session.deviceId)?.name ?? null,
    words,
    events
  };
};

export const actions: Actions = {
  out: async ({ locals, cookies, url }) => {
    const { team, person, session } = locals;
    if (team && person && session) await signOut(db(), team.id, session.id, person.id, new Date());
    dropSession(cookies, url.protocol === 'https:');
    leaveDemo(cookies);
    redirect(303, '/sign-in');
  },
  passphrase: (event) => {
    const { device } = readKeys(event.cookies, event.url.protocol === 'https:');
    return takeForm(event, ownPassphraseSchema, (input) => {
      const { team, person, session } = event.locals;
      return team && person && session
        ? changePassphrase(
            db(),
            team,
            { ...person, name: person.name ?? '' },
            session.id,
            input,
            device,
            new Date()
          )
        : refuse('', 'Sign in first.');
    });
  },
  pin: async (event) => {
    const secure = event.url.protocol === 'https:';
    const { device } = readKeys(event.cookies, secure);
    const taken = await takeForm(event, ownPinSchema, (input) => {
      const { team, person, session } = event.locals;
      return team && person && session
        ? pinHere(db(), team.id, person.id, session.id, input, device, new Date())
        : refuse('', 'Sign in first.');
    });
    if (!('done' in taken)) return taken;
    takeKeys(event.cookies, secure, taken.done);
    return { done: 'pin' };
  }
};
