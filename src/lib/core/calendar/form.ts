import { z } from 'zod';
import { id } from '../forms';

/** A calendar to subscribe to: of the team, of one machine, or of what one person rides. Asked for again, it gets another address. */
export const feedSchema = z
  .object({ id, machineId: id.nullable().default(null), personId: id.nullable().default(null) })
  .refine((f) => f.machineId === null || f.personId === null, {
    path: ['personId'],
    message: 'Of a machine or of a person, not of both.'
  });
export type FeedInput = z.output<typeof feedSchema>;
/** Its address reads nothing any more. */
export const feedWithdrawSchema = z.object({ feedId: id });

/** What is sent, by the kind of its command: the form and the server check alike. */
export const bodies = {
  'calendar.keep': feedSchema,
  'calendar.withdraw': feedWithdrawSchema
};
