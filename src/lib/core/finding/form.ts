import { z } from 'zod';
import { day, id, name, remark } from '../forms';
import { CLOSINGS, SEVERITIES } from './finding';
import { WAITS_FOR } from './reminder';

/** A finding as somebody writes it down, on a machine or on a component of it. */
export const findingSchema = z.object({
  id,
  machineId: id,
  /** The component it is on; null: the machine itself. */
  componentId: id.nullable().default(null),
  what: name('what is wrong', 200),
  place: z.string().trim().max(120, 'At most 120 characters.').default(''),
  note: remark,
  severity: z.enum(SEVERITIES, { error: 'Fix now, watch, tell the owner, or park the machine?' }),
  /** Left out: today. */
  foundOn: day.optional()
});
export type FindingInput = z.infer<typeof findingSchema>;

/** A finding closed: with what was done. */
export const closeFindingSchema = z.object({
  findingId: id,
  how: z.enum(CLOSINGS).default('done'),
  word: name('what was done, or what it turned out to be', 10_000),
  /** Left out: today. */
  closedOn: day.optional()
});
export type CloseFindingInput = z.output<typeof closeFindingSchema>;

/** A finding judged otherwise than before. */
export const regradeSchema = z.object({
  id,
  findingId: id,
  severity: z.enum(SEVERITIES, { error: 'Fix now, watch, tell the owner, or park the machine?' }),
  word: name('why', 10_000)
});
export type RegradeInput = z.infer<typeof regradeSchema>;

/** What closing a finding waits for: a part that is ordered, a tool, somebody to help. */
export const findingWaitSchema = z
  .object({
    /** Of the reminder it gets. */
    id,
    findingId: id,
    waitsFor: z.enum(WAITS_FOR, { error: 'Pick what it waits for.' }),
    part: z.string().trim().max(120, 'At most 120 characters.').default(''),
    /** When that is expected; null: nobody knows. */
    expectedOn: day.nullable().default(null)
  })
  .refine((r) => r.waitsFor !== 'a part to arrive' || r.part !== '', {
    path: ['part'],
    message: 'Which part?'
  });
export type FindingWaitInput = z.output<typeof findingWaitSchema>;

export const reminderSchema = z
  .object({
    id,
    machineId: id,
    words: name('what is to be done then', 200),
    waitsFor: z.enum(WAITS_FOR, { error: 'Pick what it waits for.' }),
    part: z.string().trim().max(120, 'At most 120 characters.').default(''),
    /** When that is expected; null: nobody knows. */
    expectedOn: day.nullable().default(null)
  })
  .refine((r) => r.waitsFor !== 'a part to arrive' || r.part !== '', {
    path: ['part'],
    message: 'Which part?'
  });
export type ReminderInput = z.infer<typeof reminderSchema>;

/** The event of a reminder has come, or what it reminded of is done. */
export const reminderNoteSchema = z.object({ reminderId: id, now: z.enum(['come', 'done']), word: remark });
export type ReminderNoteInput = z.infer<typeof reminderNoteSchema>;

export const findingPhotoSchema = z.object({ photoId: id, findingId: id });

/** What is sent, by the kind of its command: the form and the server check alike. */
export const bodies = {
  'finding.add': findingSchema,
  'finding.close': closeFindingSchema,
  'finding.regrade': regradeSchema,
  'finding.wait': findingWaitSchema,
  'finding.photo': findingPhotoSchema,
  'reminder.add': reminderSchema,
  'reminder.note': reminderNoteSchema
};
