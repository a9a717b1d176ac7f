import { randomUUID } from 'node:crypto';
import { error, type Handle, type HandleServerError, type ServerInit } from '@sveltejs/kit';
import { building, dev } from '$app/environment';
import pino from 'pino';
import { db } from '$lib/server/db';
import { refreshMissing } from '$lib/server/standing';
import { getDemoTeam, getTeam } from '$lib/server/teams';

const log = pino({ level: process.env.LOG_LEVEL ?? 'warn' });
const LOOPBACK = new Set(['127.0.0.1', 'localhost', '::1', '[::1]']);
const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/;

export const init: ServerInit = async () => {
  if (building) return;
  // Whoever starts the server by other means than ours may have migrated a book without working out its standings.
  const made = await refreshMissing(db()).catch((e: unknown) => log.error({ err: e }, 'standings not made'));
  if (made) log.info({ made }, 'standings made anew');
  if (dev) return;
  // Without HOST the adapter would listen on every address of the machine.
  if (!LOOPBACK.has(process.env.HOST ?? '')) {
    console.error(
      `\n  HOST=${process.env.HOST ?? '(not set)'} is refused: there is no sign-in yet, so anyone who reached the server could change the book. Use HOST=127.0.0.1, or npm start.\n`
    );
    process.exit(1);
  }
};

export const handle: Handle = async ({ event, resolve }) => {
  // A page elsewhere may point a name of its own at this machine; it is not let in under that name.
  if (!LOOPBACK.has(event.url.hostname)) error(421, 'This server answers on this machine only.');
  const { cookies, locals } = event;
  const theme = cookies.get('ht_theme');
  locals.theme = theme === 'dark' || theme === 'light' ? theme : 'auto';
  locals.units = cookies.get('ht_units') === 'imperial' ? 'imperial' : 'metric';

  const chosen = cookies.get('ht_team');
  const sql = db();
  locals.team = chosen && UUID.test(chosen) ? await getTeam(sql, chosen) : null;
  locals.teamAssumed = locals.team === null;
  locals.team ??= await getDemoTeam(sql);
  const who = cookies.get('ht_who');
  locals.personId = who && UUID.test(who) ? who : null;

  const response = await resolve(event, {
    transformPageChunk: ({ html }) => html.replace('%theme%', locals.theme)
  });
  response.headers.set('X-Content-Type-Options', 'nosniff');
  response.headers.set('Referrer-Policy', 'same-origin');
  return response;
};

export const handleError: HandleServerError = ({ error: cause, event, status, message }) => {
  if (status === 404) return { message: 'Nothing is kept at this address.' };
  if (status < 500) return { message };
  const id = randomUUID().slice(0, 8);
  const lost = [
    'ECONNREFUSED',
    'CONNECTION_CLOSED',
    'CONNECTION_ENDED',
    'CONNECTION_DESTROYED',
    '57P01',
    '57P03'
  ].includes((cause as { code?: string })?.code ?? '');
  log.error({ id, path: event.url.pathname, err: cause }, 'request failed');
  return {
    id,
    message: lost
      ? 'The database does not answer. Nothing was written; try again in a moment.'
      : 'Something went wrong on our side. Nothing was half written.'
  };
};
