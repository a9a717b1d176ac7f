import { z } from 'zod';
import { hoursTypedOrNone, id, name } from '../forms';
import { firstTaskSchema } from '../schedule/form';
import { KINDS } from './machine';

export const machineSchema = z.object({
  id,
  plate: name('its number or letters', 8),
  name: name('what you call it', 60),
  maker: z.string().trim().max(60, 'At most 60 characters.').default(''),
  kind: z.enum(KINDS, { error: 'Pick what it is.' }),
  riderId: id.nullable().default(null),
  meter: z.enum(['hour meter', 'reckoned']),
  /** What its meter shows, or what it has run without one; null: nobody has said. */
  reading: hoursTypedOrNone,
  tasks: z
    .array(firstTaskSchema)
    .max(40, 'At most 40 to begin with.')
    .superRefine((list, ctx) => {
      const seen = new Set<string>();
      for (const [i, { name }] of list.entries()) {
        if (seen.has(name.toLowerCase()))
          ctx.addIssue({ code: 'custom', path: [i, 'name'], message: 'It is listed above already.' });
        seen.add(name.toLowerCase());
      }
    })
});
export type MachineInput = z.infer<typeof machineSchema>;

/** What is written otherwise about a machine that is in the book. What it is, and how its hours are counted, stays. */
export const machineChangeSchema = z.object({
  machineId: id,
  name: name('what you call it', 60).optional(),
  maker: z.string().trim().max(60, 'At most 60 characters.').optional(),
  riderId: id.nullable().optional(),
  /** Whose it is: they read what was done to it. */
  ownerId: id.nullable().optional()
});
export type MachineChange = z.infer<typeof machineChangeSchema>;

/** What is sent, by the kind of its command: the form and the server check alike. */
export const bodies = {
  'machine.add': machineSchema,
  'machine.change': machineChangeSchema
};
