import { isCrew } from '../access/places';
import { LISTS } from '../round/check';
import type { Role } from '../team/team';

/** A page that is taken along on a device, for when there is no signal. */
export interface Along {
  /** Its address, with its search; or that of what pages ask for by themselves. */
  path: string;
  /** The machine or visit it is of: read anew when something was written there; null: whenever anything was. */
  of: string | null;
}

/** More machines than anybody brings to a weekend; the others are on the device once they were looked at. */
export const MOST_MACHINES = 40;

/** What the forms pick a machine from. */
const MACHINES = '/api/machines';
/** Of each machine: what somebody at it looks up or writes at. */
const OF_A_MACHINE = ['', '/sheet', '/visit', '/chain', '/valves', '/meters', '/underside'];
const OF_THE_CREW = ['/due', '/bench', '/outings', '/findings', '/stores', '/jobs', '/rounds', '/rules'];

/**
 * What a person takes along: the pages they may open and will want in the paddock.
 * @param machines the ones that go out next first
 * @param visits those that are open
 */
export function takenAlong(role: Role, machines: readonly string[], visits: readonly string[]): Along[] {
  const all = (path: string): Along => ({ path, of: null });
  if (!isCrew(role))
    return [
      ...(role === 'screen' ? [] : ['/own']),
      ...(role === 'owner' ? [] : ['/board']),
      ...(role === 'rider' ? [MACHINES] : [])
    ].map(all);
  return [
    ...[MACHINES, '/api/timers', '/', '/board', ...OF_THE_CREW].map(all),
    ...visits.map((id) => ({ path: `/visits/${id}`, of: id })),
    ...machines.slice(0, MOST_MACHINES).flatMap((id) =>
      [
        ...OF_A_MACHINE.map((page) => `/machines/${id}${page}`),
        // The first of them is the one that stands at the address without a word.
        ...LISTS.map((list, i) => `/machines/${id}/round${i === 0 ? '' : `?list=${list}`}`)
      ].map((path) => ({ path, of: id }))
    )
  ];
}
