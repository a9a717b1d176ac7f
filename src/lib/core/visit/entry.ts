import { z } from 'zod';
import { GRADES, MATERIALS } from '../debris/debris';
import { UNITS, type UnitName } from '../quantity/units';

/**
 * One thing done in a visit. Entries are only ever added; undoing is another entry. The same shapes are checked in the form
 * and on the server.
 */
const REMARK_MAX = 10_000;
const reason = z
  .string()
  .trim()
  .min(1, 'Say why in a few words.')
  .max(REMARK_MAX, 'At most 10,000 characters.');

/** Millilitres; more than 20 litres is no engine of ours. */
const ml = z
  .number({ error: 'Write an amount such as 950 ml or 1.15 qt.' })
  .min(0, 'Not below zero.')
  .max(20_000, 'At most 20 L: is it the right unit?');

const marked = z.enum(['sight glass', 'dipstick resting on the thread', 'dipstick screwed in']);
export const levelSchema = z.union([
  z.object({ method: marked, position: z.number().min(-0.5).max(1.5) }),
  z.object({ method: z.literal('check screw'), flow: z.enum(['nothing', 'weeps', 'runs']) }),
  z.object({ method: z.literal('measured quantity only') })
]);

const torqueUnits = (Object.keys(UNITS) as UnitName[]).filter((u) => UNITS[u].dimension === 'torque') as [
  UnitName,
  ...UnitName[]
];

const step = { stepKey: z.string().min(1).max(60), itemKey: z.null().default(null) };
const item = { itemKey: z.string().min(1).max(60), stepKey: z.null().default(null) };

export const doneSchema = z.object({
  remark: z.string().trim().max(REMARK_MAX, 'At most 10,000 characters.').optional(),
  /** Drained, or one pour. */
  ml: ml.optional(),
  /** As it was written: "1.15 US qt". */
  asWritten: z.string().max(60).optional(),
  grade: z.enum(GRADES).optional(),
  materials: z.array(z.enum(MATERIALS)).max(MATERIALS.length).optional(),
  level: levelSchema.optional(),
  toppedUpMl: ml.optional()
});
export type DoneContent = z.infer<typeof doneSchema>;

export const torquedSchema = z.object({
  value: z.number().positive('A torque is more than nothing.').max(2000, 'Is it the right unit?'),
  unit: z.enum(torqueUnits),
  /** Needed where the value is not the sheet's. */
  reason: z.string().trim().max(REMARK_MAX).optional()
});

const base = { id: z.uuid() };
export const entrySchema = z.discriminatedUnion('action', [
  z.object({ ...base, ...step, action: z.literal('done'), content: doneSchema }),
  z.object({ ...base, ...step, action: z.literal('undone'), content: z.object({}) }),
  z.object({ ...base, ...step, action: z.literal('left out'), content: z.object({ reason }) }),
  z.object({ ...base, ...item, action: z.literal('off'), content: z.object({}) }),
  z.object({ ...base, ...item, action: z.literal('by hand'), content: z.object({}) }),
  z.object({ ...base, ...item, action: z.literal('torqued'), content: torquedSchema }),
  z.object({ ...base, ...item, action: z.literal('by feel'), content: z.object({ reason }) }),
  z.object({ ...base, ...item, action: z.literal('shut'), content: z.object({}) })
]);
/** An entry as a device sends it. */
export type NewEntry = z.infer<typeof entrySchema>;

/** An entry in the book: numbered in the order the server took it, stamped with who and when. */
export type Entry = NewEntry & { seq: number; at: string; by: string };
