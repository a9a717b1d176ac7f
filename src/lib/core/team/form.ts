import { z } from 'zod';
import { id, name } from '../forms';
import { isTimeZone } from '../time/day';
import { ROLES } from './team';

/** Somebody left, or is back. */
export const personLeaveSchema = z.object({ personId: id, left: z.boolean() });

export const personSchema = z.object({
  id,
  name: name('a name', 80),
  role: z.enum(ROLES, { error: 'Pick what they do.' })
});

export const teamSchema = z.object({
  id,
  name: name('what the team is called', 80),
  timeZone: z.string().refine(isTimeZone, 'Pick a time zone from the list.'),
  you: personSchema
});

/** What is sent, by the kind of its command: the form and the server check alike. */
export const bodies = {
  'team.found': teamSchema,
  'person.add': personSchema
};
