import { z } from 'zod';
import { id } from '../forms';
import { MOST_STEPS } from '../job/plan';
import { entrySchema } from './entry';

/** A visit as it is begun: one machine, the jobs picked, what was found and is put right, the order somebody settled on. */
export const startSchema = z
  .object({
    id,
    machineId: id,
    jobs: z
      .array(
        z.object({
          taskId: id,
          /** Another job than the task's own; null: its own. */
          template: z.string().max(60).nullable().default(null),
          /** That job is the task's own from now on. */
          keep: z.boolean().default(false)
        })
      )
      .max(25, 'At most 25 jobs in one visit.')
      .refine((list) => new Set(list.map((j) => j.taskId)).size === list.length, 'Each job once.')
      .default([]),
    /** Open findings that are put right in it. */
    findings: z
      .array(id)
      .max(25, 'At most 25 findings in one visit.')
      .refine((list) => new Set(list).size === list.length, 'Each finding once.')
      .default([]),
    engine: z.enum(['cold', 'warm']).default('cold'),
    /** Step keys in the order they were settled on; null: as it is worked out. */
    order: z.array(z.string().max(160)).max(MOST_STEPS).nullable().default(null)
  })
  .refine((v) => v.jobs.length + v.findings.length > 0, {
    path: ['jobs'],
    message: 'Pick at least one job.'
  });
export type StartInput = z.infer<typeof startSchema>;

export const enterSchema = z.object({ visitId: id, entry: entrySchema });

export const visitCloseSchema = z.object({ visitId: id });

export const giveUpSchema = z.object({
  visitId: id,
  reason: z.string().trim().min(1, 'Say why, in a few words.').max(10_000, 'At most 10,000 characters.')
});

export const photoSchema = z.object({ photoId: id, visitId: id, stepKey: z.string().min(1).max(160) });

/** What is sent, by the kind of its command: the form and the server check alike. */
export const bodies = {
  'visit.start': startSchema,
  'visit.enter': enterSchema,
  'visit.close': visitCloseSchema,
  'visit.give-up': giveUpSchema,
  'photo.attach': photoSchema
};
