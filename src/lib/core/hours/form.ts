import { z } from 'zod';
import {
  countTypedOrNone,
  day,
  distanceTypedOrNone,
  hoursTyped,
  hoursTypedOrNone,
  id,
  name,
  remark,
  rowOf,
  someOf
} from '../forms';
import { CLUTCH_USES, CONDITIONS, OUTING_KINDS, SYMPTOMS } from '../outing/outing';

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

/** What was typed for the hours of a reading. */
export type TypedHours =
  | { as: 'meter'; value: number }
  | { as: 'ridden'; value: number }
  /** The machine's own usual hours are taken. */
  | { as: 'estimate' }
  | { as: 'nothing' };

/**
 * Hours in one field: what the meter shows (`38.4`), the time ridden where nobody read it (`+2h30`), the machine's own
 * estimate (`~`), or nothing. On a machine without a working meter a bare figure is time ridden; the server knows which.
 */
export const hoursOrRidden = z
  .string()
  .max(200, 'At most 200 characters.')
  .default('')
  .transform((text, ctx): TypedHours => {
    const t = text.trim();
    if (t === '') return { as: 'nothing' };
    if (t === '~') return { as: 'estimate' };
    const ridden = t.startsWith('+');
    const parsed = hoursTyped.safeParse(ridden ? t.slice(1).replace(/^[+-]/, '?') : t);
    if (!parsed.success) {
      ctx.addIssue({ code: 'custom', message: parsed.error.issues[0]!.message });
      return z.NEVER;
    }
    return { as: ridden ? 'ridden' : 'meter', value: parsed.data };
  });

/** One reading, or one outing with or without a reading. */
export const readingSchema = z
  .object({
    id,
    machineId: id,
    typed: hoursOrRidden,
    /** What the meter showed before the outing, where somebody looked. */
    before: hoursTypedOrNone,
    day,
    remark,
    /** That the hours were read off by itself; empty: they were typed. */
    instrument: z.string().trim().max(60).default(''),
    riderId: id.nullable().default(null),
    /** Null for a mere reading; else it closes an outing of this kind. */
    outing: z
      .enum(OUTING_KINDS, { error: `One of: ${OUTING_KINDS.join(', ')}.` })
      .nullable()
      .default(null),
    /** The planned event it was ridden at; null: none of them; left out: the one its day and machine belong to. */
    eventId: id.nullable().optional(),
    distance: distanceTypedOrNone,
    conditions: someOf(CONDITIONS),
    crossings: countTypedOrNone(500),
    clutch: z.enum(CLUTCH_USES).default('usual'),
    symptoms: someOf(SYMPTOMS),
    /** Set once a distance that does not fit the hours has been looked at again. */
    sure: z.boolean().default(false),
    settlement: settlementSchema.nullable().default(null)
  })
  .superRefine((r, ctx) => {
    if (r.typed.as === 'nothing' && r.outing === null)
      ctx.addIssue({ code: 'custom', path: ['typed'], message: 'Write the hours, such as 38.4.' });
    if (
      r.typed.as === 'nothing' &&
      r.outing !== null &&
      r.distance === null &&
      r.symptoms.length === 0 &&
      r.remark === ''
    )
      ctx.addIssue({
        code: 'custom',
        path: ['typed'],
        message:
          'Write the meter, +time ridden, or ~ for its usual hours. With none of them, a distance or a word.'
      });
    if (r.before !== null && r.typed.as === 'meter' && r.before > r.typed.value)
      ctx.addIssue({
        code: 'custom',
        path: ['before'],
        message: 'Before the outing it cannot have shown more than after.'
      });
  });
export type ReadingInput = z.infer<typeof readingSchema>;
export type ReadingForm = z.input<typeof readingSchema>;

/** A whole race day: each row is taken or refused by itself. */
export const raceDaySchema = z.object({
  rows: z.array(rowOf(readingSchema)).min(1, 'Nothing written yet.').max(500, 'At most 500 rows at once.')
});

/** An odometer read. */
export const odometerSchema = z.object({
  id,
  machineId: id,
  typed: distanceTypedOrNone.refine((d) => d !== null, 'Write what the odometer shows, such as 1240 km.'),
  day,
  remark
});
export type OdometerInput = z.infer<typeof odometerSchema>;

export const strikeSchema = z.object({ readingId: id, reason: name('why it is struck out', 10_000) });
export type StrikeInput = z.infer<typeof strikeSchema>;

/** What may happen to a meter. */
export const METER_CHANGES = [
  'replaced',
  'reset',
  'removed',
  'dead',
  'works again',
  'odometer added'
] as const;
/** What a dead meter did while nobody could read it. */
export const MEANWHILE = ['stood still', 'went on counting'] as const;
export const meterChangeSchema = z.object({
  id,
  machineId: id,
  change: z.enum(METER_CHANGES, { error: 'Pick what happened to it.' }),
  counts: z.enum(['hours', 'distance']).default('hours'),
  day,
  /** What the old one showed at the end (empty: nobody could read it), and the new one or the reset one at the start. */
  lastValue: z.string().max(200, 'At most 200 characters.').default(''),
  firstValue: z.string().max(200, 'At most 200 characters.').default(''),
  /** `works again`: what it did while it was dark; empty is stood still, unless what it shows says otherwise. */
  meanwhile: z.enum(['', ...MEANWHILE], { error: 'Pick what it did.' }).default(''),
  reason: remark
});
export type MeterChangeInput = z.infer<typeof meterChangeSchema>;

export const estimateSchema = z.object({ outingId: id });

/** What is sent, by the kind of its command: the form and the server check alike. */
export const bodies = {
  'reading.log': readingSchema,
  'reading.paste': raceDaySchema,
  'reading.strike': strikeSchema,
  'odometer.log': odometerSchema,
  'meter.change': meterChangeSchema,
  'outing.estimate': estimateSchema
};
