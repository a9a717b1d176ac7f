import { z } from 'zod';
import { id } from '../forms';
import { MOST_STEPS } from '../job/plan';

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
