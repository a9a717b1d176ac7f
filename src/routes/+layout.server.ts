import { isCrew } from '$lib/core/access/places';
import type { Person } from '$lib/core/team/team';
import { dayOf } from '$lib/core/time/day';
import { db } from '$lib/server/base/db';
import { listPeople } from '$lib/server/team/teams';
import type { LayoutServerLoad } from './$types';

export const load: LayoutServerLoad = async ({ locals }) => {
  const { team, teamAssumed, theme, units, person, session } = locals;
  // A rider writes as themselves; who else is of the team is the crew's to know. In the demo anybody is picked from the list.
  const people: Person[] = !team
    ? []
    : !person || session === null || isCrew(person.role)
      ? await listPeople(db(), team.id)
      : [{ id: person.id, name: person.name ?? '', role: person.role }];
  return {
    /** Who asks, where that is known. */
    you: person && { id: person.id, role: person.role, name: person.name ?? '' },
    signedIn: session !== null,
    /** Several people work on this device: it is handed on by a name and a PIN. */
    shared: session?.shared ?? false,
    team,
    teamAssumed,
    people,
    personId: locals.person?.id ?? null,
    theme,
    units,
    today: dayOf(new Date(), team?.timeZone ?? 'UTC')
  };
};
