import { z } from 'zod';
import { day, hoursTyped, id, name } from '../forms';

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

export const callOffSchema = z.object({ eventId: id, off: z.boolean() });

/** What is sent, by the kind of its command: the form and the server check alike. */
export const bodies = {
  'event.plan': eventSchema,
  'event.change': eventSchema,
  'event.call-off': callOffSchema
};
