import { z } from 'zod';
import { day, hoursTyped, hoursTypedOrNone, id, remark } from '../forms';

/** How a questioned reading was settled, with what the settlement needs to be carried out. */
export const settlementSchema = z.object({
  as: z.enum(['reading is right', 'earlier one was wrong', 'meter was replaced']),
  reason: z
    .string()
    .trim()
    .min(1, 'Say what happened, in a few words.')
    .max(10_000, 'At most 10,000 characters.'),
  /** `meter was replaced`: what the old one showed at the end (empty: could not be read) and the new one at the start. */
  oldFinal: hoursTypedOrNone,
  newStart: hoursTypedOrNone
});

/** One reading. On a machine without a working meter, `typed` is the time ridden. */
export const readingSchema = z.object({
  id,
  machineId: id,
  typed: hoursTyped,
  day,
  remark,
  riderId: id.nullable().default(null),
  /** Null for a mere reading; else it closes an outing of this kind. */
  outing: z.enum(['ride', 'practice', 'race', 'day out']).nullable().default(null),
  eventId: id.nullable().default(null),
  settlement: settlementSchema.nullable().default(null)
});
export type ReadingInput = z.infer<typeof readingSchema>;
export type ReadingForm = z.input<typeof readingSchema>;

/** A whole race day: each row is taken or refused by itself. */
export const raceDaySchema = z.object({
  rows: z.array(z.unknown()).min(1, 'Nothing written yet.').max(200, 'At most 200 machines at once.')
});
