import {
  error,
  json,
  type Handle,
  type RequestEvent,
  type HandleServerError,
  type ServerInit
} from '@sveltejs/kit';
import { building, dev } from '$app/environment';
import { db } from '$lib/server/db';
import { holderOf } from '$lib/server/api/tokens';
import { isLoopback } from '$lib/server/host';
import { log, logFault } from '$lib/server/log';
import { AWAY_WORDS, isAway } from '$lib/server/problems';
import { refreshMissing } from '$lib/server/standing';
import { InRounds } from '$lib/server/in-rounds';
import { workplaceOf } from '$lib/server/teams';

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/;
/** Many phones of a team ask at once; the database is asked once for all of them. */
const workplaces = new InRounds<Awaited<ReturnType<typeof workplaceOf>>>();
const LOOPBACK = new Set(['127.0.0.1', 'localhost', '::1']);

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
  // Started by a command that holds the other end: when that is killed, nobody is left to stop us.
  if (process.env.HOUR_TRAIL_STARTED === 'yes') {
    process.stdin.resume();
    process.stdin.on('close', () => process.exit(0));
  }
};

export const handle: Handle = async ({ event, resolve }) => {
  // A page elsewhere may point a name of its own at this machine; it is not let in under that name. The address the server
  // was set up with says nothing of that: only the Host header does.
  if (!isLoopback(event.request.headers.get('host'))) error(421, 'This server answers on this machine only.');
  // What changes something comes from our own pages, or from no page at all.
  const origin = event.request.headers.get('origin');
  if (event.request.method !== 'GET' && event.request.method !== 'HEAD' && origin !== null) {
    const from = URL.canParse(origin) ? new URL(origin).host : null;
    if (from !== event.request.headers.get('host')) error(403, 'That was sent by a page of somebody else.');
  }
  const { cookies, locals } = event;
  const theme = cookies.get('ht_theme');
  locals.theme = theme === 'dark' || theme === 'light' ? theme : 'auto';
  locals.units = cookies.get('ht_units') === 'imperial' ? 'imperial' : 'metric';
  const chosen = cookies.get('ht_team');
  const who = cookies.get('ht_who');
  locals.away = false;

  const sql = db();
  const bearer = event.request.headers.get('authorization');
  if (bearer !== null && event.url.pathname.startsWith('/api/v1/')) return asProgram(event, resolve, bearer);
  try {
    const person = who && UUID.test(who) ? who : null;
    const of = (team: string | null) =>
      workplaces.of(`${team} ${person}`, () => workplaceOf(sql, team, person));
    const own = chosen && UUID.test(chosen) ? await of(chosen) : null;
    const at = own ?? (await of(null)) ?? { team: null, person: null };
    Object.assign(locals, { ...at, teamAssumed: own === null });
  } catch (e) {
    if (isAway(e)) error(503, AWAY_WORDS);
    throw e;
  }

  const response = await resolve(event, {
    transformPageChunk: ({ html }) => html.replace('%theme%', locals.theme)
  });
  response.headers.set('X-Content-Type-Options', 'nosniff');
  response.headers.set('Referrer-Policy', 'same-origin');
  // Lost in the middle of it: not our mistake, and worth asking again.
  return locals.away && response.status === 500
    ? new Response(response.body, { status: 503, headers: response.headers })
    : response;
};

/** A program with a key: whose it is says team and person, and no cookie does. */
const asProgram = async (
  event: RequestEvent,
  resolve: Parameters<Handle>[0]['resolve'],
  authorization: string
): Promise<Response> => {
  let holder: Awaited<ReturnType<typeof holderOf>>;
  try {
    holder = await holderOf(db(), /^Bearer (\S+)$/i.exec(authorization)?.[1] ?? '');
  } catch (e) {
    if (isAway(e)) error(503, AWAY_WORDS);
    throw e;
  }
  if (!holder)
    return json(
      {
        ok: false,
        errors: { '': 'This key opens nothing: it is none, was withdrawn, or its person has left.' }
      },
      { status: 401, headers: { 'www-authenticate': 'Bearer' } }
    );
  Object.assign(event.locals, holder, { teamAssumed: false });
  const response = await resolve(event);
  response.headers.set('X-Content-Type-Options', 'nosniff');
  return response;
};

export const handleError: HandleServerError = ({ error: cause, event, status, message }) => {
  if (status === 404) return { message: 'Nothing is kept at this address.' };
  if (status < 500) return { message };
  event.locals.away = isAway(cause);
  // The address of a calendar is a key: it is not written down.
  const id = logFault(cause, event.params['secret'] ? event.route.id! : event.url.pathname);
  return {
    id,
    message: event.locals.away ? AWAY_WORDS : 'Something went wrong on our side. Nothing was half written.'
  };
};
