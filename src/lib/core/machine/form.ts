import { z } from 'zod';
import { day, hoursTyped, hoursTypedOrNone, id, name } from '../forms';
import { firstTaskSchema } from '../schedule/form';
import { ROLES } from '../team/team';
import { isTimeZone } from '../time/day';
import { KINDS } from './machine';

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

const eventHours = hoursTyped.refine((c) => c <= 100_000, 'At most 1000 h.');
export const eventSchema = z
  .object({
    id,
    name: name('what it is called', 60),
    kind: z.enum(['race', 'practice', 'day out']),
    firstDay: day,
    lastDay: day,
    hoursEach: eventHours,
    wholeFleet: z.boolean(),
    machineIds: z.array(id).max(2000).default([]),
    /** When the team leaves; null: on the first day. */
    leavesOn: day.nullable().default(null),
    /** Machines that ride more there, or less. */
    otherHours: z
      .array(z.object({ machineId: id, hours: eventHours }))
      .max(2000)
      .default([])
  })
  .superRefine((e, ctx) => {
    const early = e.leavesOn === null ? 0 : Date.parse(e.firstDay) - Date.parse(e.leavesOn);
    if (early < 0)
      ctx.addIssue({
        code: 'custom',
        path: ['leavesOn'],
        message: 'It has begun by then: the first day or before.'
      });
    else if (early > 30 * 86_400_000)
      ctx.addIssue({ code: 'custom', path: ['leavesOn'], message: 'At most 30 days before it begins.' });
    if (e.lastDay < e.firstDay)
      ctx.addIssue({ code: 'custom', path: ['lastDay'], message: 'It ends before it begins.' });
    else if (Date.parse(e.lastDay) - Date.parse(e.firstDay) > 30 * 86_400_000)
      ctx.addIssue({
        code: 'custom',
        path: ['lastDay'],
        message: 'At most 31 days; put longer ones in by parts.'
      });
    if (!e.wholeFleet && e.machineIds.length === 0)
      ctx.addIssue({
        code: 'custom',
        path: ['machineIds'],
        message: 'Pick at least one machine, or the whole fleet.'
      });
  });
export type EventInput = z.infer<typeof eventSchema>;
