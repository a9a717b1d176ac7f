import { error, redirect, type RequestEvent } from '@sveltejs/kit';
import { HOME, isCrew, mayOpen, placeOf } from '../../core/access/places';
import { db } from '../base/db';
import { InRounds } from '../base/in-rounds';
import { demoWorkplace, hasTeams } from '../team/teams';
import { looksRound, readKeys, renewKey } from './cookies';
import { isOwn, machineOfPlace } from './own';
import { sessionOf, type Entered } from './sessions';

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/;
/** Many requests of one page ask at once; the database is asked once for all of them. */
const sessions = new InRounds<Entered | null>();
const demos = new InRounds<Awaited<ReturnType<typeof demoWorkplace>>>();

/** Says in `locals` who asks: from their session, and from nothing else. The demo alone, on this machine alone, asks for none. */
export async function whoAsks(event: RequestEvent): Promise<void> {
  const { cookies, locals } = event;
  const secure = event.url.protocol === 'https:';
  const keys = readKeys(cookies, secure);
  const sql = db();
  const now = new Date();
  const entered = keys.session
    ? await sessions.of(keys.session, () => sessionOf(sql, keys.session, now))
    : null;
  if (entered) {
    const { team, person, session, renewed } = entered;
    if (renewed) renewKey(cookies, secure, renewed, session.deviceId !== null);
    Object.assign(locals, { team, person, session, token: null, teamAssumed: false });
    return;
  }
  Object.assign(locals, {
    team: null,
    person: null,
    session: null,
    token: null,
    teamAssumed: false
  });
  if (!locals.local) return;
  const chosen = looksRound(cookies);
  if (!chosen && (await hasTeams(sql))) return;
  const who = cookies.get('ht_who');
  const person = who && UUID.test(who) ? who : null;
  const demo = await demos.of(person ?? '', () => demoWorkplace(sql, person));
  if (demo) Object.assign(locals, demo, { teamAssumed: !chosen });
}

const asksForPage = ({ request, route }: RequestEvent): boolean =>
  (request.headers.get('accept') ?? '').includes('text/html') && !route.id?.startsWith('/api/');

/**
 * Lets a request in where its asker may open what it asks for.
 * @throws Redirect to the sign-in, or HttpError 401, 403 or 404
 */
export async function letIn(event: RequestEvent): Promise<void> {
  const { locals, route, params, url } = event;
  if (route.id === null) return;
  if (placeOf(route.id).to === 'anyone') return;
  if (!locals.team) {
    if (asksForPage(event) || event.isDataRequest)
      redirect(303, `/sign-in?to=${encodeURIComponent(url.pathname + url.search)}`);
    error(401, 'Sign in first.');
  }
  // In the demo nobody has to say who is working until something is written.
  const { person } = locals;
  if (!person) return;
  const may = mayOpen(person.role, route.id);
  if (may === true) return;
  if (may === false) {
    // Plates lead to their machine from pages that everybody has.
    if (
      !isCrew(person.role) &&
      (route.id === '/' || route.id.startsWith('/machines/[id=id]')) &&
      asksForPage(event)
    )
      redirect(303, HOME[person.role]);
    error(403, 'That is for others in the team.');
  }
  const machine = await machineOfPlace(db(), locals.team.id, route.id, params['id']);
  // What is not theirs is not there for them: nothing is said of what others have.
  if (machine === null || !(await isOwn(db(), locals.team.id, person, machine)))
    error(404, 'Nothing is kept at this address.');
}
