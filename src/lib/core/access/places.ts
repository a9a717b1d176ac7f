import { CHIEF, CREW, RIDERS, type Role } from '../team/team';

/**
 * What each role may open, by the address of a page or of what answers there. What is not named here is the crew’s: a new page is
 * shut to riders, owners and screens until somebody says otherwise.
 */
const EVERYONE: readonly Role[] = [...RIDERS, 'owner', 'screen'];

export type Place =
  /** Without signing in. */
  | { to: 'anyone' }
  /** `own`: to them only where it is of a machine that they ride or own. */
  | { to: readonly Role[]; own?: readonly Role[] };

const of = (to: readonly Role[], own?: readonly Role[]): Place => (own ? { to, own } : { to });
const ANYONE: Place = { to: 'anyone' };

export const PLACES: Readonly<Record<string, Place>> = {
  '/sign-in': ANYONE,
  '/join/[code]': ANYONE,
  '/welcome': ANYONE,
  '/health': ANYONE,
  // Says nothing: the frame alone.
  '/shell': ANYONE,
  // Its secret is the key.
  '/calendar/[secret].ics': ANYONE,
  // What is published.
  '/exchange/team.schema.json': ANYONE,
  '/api/v1/openapi.json': ANYONE,
  // Its own rule: from this machine, or by a chief mechanic.
  '/api/team': ANYONE,

  '/you': of(EVERYONE),
  '/you/data.json': of(EVERYONE),
  '/waiting': of(EVERYONE),
  '/api/along': of(EVERYONE),
  '/api/commands': of(EVERYONE),
  '/api/live': of(EVERYONE),
  '/api/v1/commands': of(EVERYONE),
  // By an id that nobody guesses; of the same team always.
  '/api/photos/[id=id]': of([...RIDERS, 'owner']),
  '/api/photos': of(RIDERS),
  '/api/machines': of(RIDERS),
  '/s/[letter]/[id=id]': of(RIDERS),
  '/own': of([...RIDERS, 'owner']),
  '/board': of([...RIDERS, 'screen']),
  '/board.pdf': of(RIDERS),
  '/machines/[id=id]/owner': of([...CREW, 'owner'], ['owner']),
  '/machines/[id=id]/owner.pdf': of([...CREW, 'owner'], ['owner']),
  '/records/[id=id]': of([...CREW, 'owner'], ['owner']),
  '/records/[id=id]/record.pdf': of([...CREW, 'owner'], ['owner']),

  '/exchange/team.zip': of(CHIEF),
  '/server': of(CHIEF)
};

export const placeOf = (routeId: string): Place => PLACES[routeId] ?? of(CREW);

/** Whether a role may open a place: always, never, or where it is of a machine of their own. */
export function mayOpen(role: Role, routeId: string): boolean | 'own' {
  const place = placeOf(routeId);
  if (place.to === 'anyone') return true;
  if (!place.to.includes(role)) return false;
  return place.own?.includes(role) ? 'own' : true;
}

/** Where each begins. */
export const HOME: Readonly<Record<Role, string>> = {
  'chief mechanic': '/',
  mechanic: '/',
  rider: '/own',
  owner: '/own',
  screen: '/board'
};
export const isCrew = (role: Role | null | undefined): boolean => role != null && CREW.includes(role);

/**
 * An address of ours to go on to after signing in, else home: what stands in a link may be anybody’s.
 * @param to as it stands in the address
 */
export function goOnTo(to: string | null, role: Role): string {
  const ours =
    to !== null && /^\/(?![/\\])[^\\\p{Cc}]*$/u.test(to) && !/^\/(sign-in|join|welcome)\b/.test(to);
  // What is shut to the others sends them home by itself; a sticker's code opens for a rider too.
  return ours && (isCrew(role) || to.startsWith('/s/')) ? to : HOME[role];
}
