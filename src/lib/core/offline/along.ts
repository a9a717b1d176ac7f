import { isCrew } from '../access/places';
import type { Told } from '../live/told';
import { LISTS } from '../round/check';
import type { Role } from '../team/team';

/** A job changes only by its own command. */
const JOBS = 'jobs';
const CHANGES_JOBS = 'job.save';

/** A page that is taken along on a device, for when there is no signal. */
export interface Along {
  /** Its address, with its search; or that of what pages ask for by themselves. */
  path: string;
  /** The machine or visit it is of: read anew when something was written there; null: whenever anything was. */
  of: string | typeof JOBS | null;
}

/** More machines than anybody brings to a weekend; the others are on the device once they were looked at. */
export const MOST_MACHINES = 40;

/** What the forms pick a machine from. */
const MACHINES = '/api/machines';
/** Of each machine: what somebody at it looks up or writes at. */
const OF_A_MACHINE = ['', '/sheet', '/chain', '/valves', '/visit'];
const OF_THE_CREW = ['/due', '/bench', '/outings', '/findings', '/stores', '/jobs', '/rounds', '/rules'];

/**
 * What a person takes along: the pages they may open and will want in the paddock.
 * @param machines the ones that go out next first
 * @param visits those that are open
 * @param jobs by their keys
 */
export function takenAlong(
  role: Role,
  machines: readonly string[],
  visits: readonly string[],
  jobs: readonly string[]
): Along[] {
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
    ...jobs.map((key) => ({ path: `/jobs/${key}`, of: JOBS })),
    ...machines.slice(0, MOST_MACHINES).flatMap((id) =>
      [
        ...OF_A_MACHINE.map((page) => `/machines/${id}${page}`),
        // The first of them is the one that stands at the address without a word.
        ...LISTS.map((list, i) => `/machines/${id}/round${i === 0 ? '' : `?list=${list}`}`)
      ].map((path) => ({ path, of: id }))
    )
  ];
}

/**
 * Which of them are read now.
 * @param told what was written since; null: nobody knows, and all are
 * @param here whether one is on the device, or was found not to be one, already
 */
export function toTake(along: readonly Along[], told: Told | null, here: (path: string) => boolean): Along[] {
  if (told === null || told.all) return [...along];
  return along.filter(({ path, of }) => {
    if (!here(path) || of === null) return true;
    return of === JOBS ? told.kinds.includes(CHANGES_JOBS) : told.places.includes(of);
  });
}
