import {
  error,
  json,
  type Handle,
  type RequestEvent,
  type HandleServerError,
  type ServerInit
} from '@sveltejs/kit';
import { building, dev } from '$app/environment';
import { mayOpen } from '$lib/core/access/places';
import { letIn, whoAsks } from '$lib/server/access/gate';
import { db } from '$lib/server/base/db';
import { holderOf } from '$lib/server/api/tokens';
import { isLoopback, isLoopbackAddress, isOurHost } from '$lib/server/base/host';
import { asRequest, log, logFault, shortId } from '$lib/server/base/log';
import { awayWords, isAway } from '$lib/server/base/problems';
import { refreshMissing } from '$lib/server/book/standing';

/** Behind somebody’s proxy every request comes from this machine: none of them is taken for a person who sits at it. */
const PROXIED = Boolean(process.env.ADDRESS_HEADER);

export const init: ServerInit = async () => {
  if (building) return;
  // Whoever starts the server by other means than ours may have migrated a book without working out its standings.
  const made = await refreshMissing(db()).catch((e: unknown) => log.error({ err: e }, 'standings not made'));
  if (made) log.info({ made }, 'standings made anew');
  if (dev) return;
  // Started by a command that holds the other end: when that is killed, nobody is left to stop us.
  if (process.env.HOUR_TRAIL_STARTED === 'yes') {
    process.stdin.resume();
    process.stdin.on('close', () => process.exit(0));
  }
};

/** @throws HttpError where it names another server, or is a write that a page of somebody else sent */
function refuseStrangers({ request }: RequestEvent): void {
  // A page elsewhere may point a name of its own at this machine; it is not let in under that name. The address the server
  // was set up with says nothing of that: only the Host header does.
  const host = request.headers.get('host');
  if (!isOurHost(host, process.env.HOUR_TRAIL_HOSTS ?? ''))
    error(421, 'This server answers to other names. HOUR_TRAIL_HOSTS lists them.');
  if (request.method === 'GET' || request.method === 'HEAD') return;
  // What changes something comes from our own pages, or from no page at all.
  const origin = request.headers.get('origin');
  const site = request.headers.get('sec-fetch-site');
  const from = origin !== null && URL.canParse(origin) ? new URL(origin).host : null;
  if ((origin !== null && from !== host) || (site !== null && site !== 'same-origin' && site !== 'none'))
    error(403, 'That was sent by a page of somebody else.');
}

/** What depends on what was asked; what every answer says is said where it is served. */
function seal(event: RequestEvent, response: Response): Response {
  // Whether this server answers at all may be asked by the page that comes before it, which has no TLS.
  if (event.route.id === '/health') response.headers.set('Cross-Origin-Resource-Policy', 'cross-origin');
  // What a book says is for who asked, and for now. What names its own keeping (photos, which never change) keeps it.
  if (!response.headers.has('cache-control')) response.headers.set('Cache-Control', 'no-store');
  // Somebody else’s TLS; where it is ours, whatever serves it says so.
  if (PROXIED && event.url.protocol === 'https:')
    response.headers.set('Strict-Transport-Security', 'max-age=31536000');
  return response;
}

/** Every request has a name: on its answer, and on all that is logged while it is answered. */
export const handle: Handle = (given) => {
  const id = shortId();
  const began = performance.now();
  const { route, locals, request } = given.event;
  const note = (status: unknown) =>
    log.info(
      {
        method: request.method,
        route: route.id,
        status,
        ms: Math.round(performance.now() - began),
        team: locals.team?.id,
        person: locals.person?.id
      },
      'answered'
    );
  return asRequest(id, async () => {
    try {
      const response = await answer(given);
      response.headers.set('X-Request-Id', id);
      note(response.status);
      return response;
    } catch (e) {
      // Sent away at the door: to sign in, or for good.
      note((e as { status?: unknown }).status);
      throw e;
    }
  });
};

const answer: Handle = async ({ event, resolve }) => {
  refuseStrangers(event);
  const { cookies, locals } = event;
  const theme = cookies.get('ht_theme');
  locals.theme = theme === 'dark' || theme === 'light' ? theme : 'auto';
  locals.units = cookies.get('ht_units') === 'imperial' ? 'imperial' : 'metric';
  locals.away = false;
  locals.local =
    !PROXIED && isLoopback(event.request.headers.get('host')) && isLoopbackAddress(event.getClientAddress());

  const bearer = event.request.headers.get('authorization');
  if (bearer !== null && event.url.pathname.startsWith('/api/v1/')) return asProgram(event, resolve, bearer);
  try {
    await whoAsks(event);
    await letIn(event);
  } catch (e) {
    if (isAway(e)) error(503, awayWords(e));
    throw e;
  }

  const response = seal(
    event,
    await resolve(event, { transformPageChunk: ({ html }) => html.replace('%theme%', locals.theme) })
  );
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
    if (isAway(e)) error(503, awayWords(e));
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
  Object.assign(event.locals, holder, { teamAssumed: false, session: null });
  if (event.route.id !== null && mayOpen(holder.person.role, event.route.id) !== true)
    return json({ ok: false, errors: { '': 'That is for others in the team.' } }, { status: 403 });
  return seal(event, await resolve(event));
};

export const handleError: HandleServerError = ({ error: cause, event, status, message }) => {
  if (status === 404) return { message: 'Nothing is kept at this address.' };
  if (status < 500) return { message };
  event.locals.away = isAway(cause);
  // The address of a calendar or an invitation is a key: it is not written down.
  const id = logFault(
    cause,
    event.route.id?.match(/\[(secret|code)\]/) ? event.route.id : event.url.pathname
  );
  return {
    id,
    message: event.locals.away
      ? awayWords(cause)
      : 'Something went wrong on our side. Nothing was half written.'
  };
};
