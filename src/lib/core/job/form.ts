import { z } from 'zod';
import { remark } from '../forms';
import { templateSchema } from './template';

/** A job saved as its next version, or, without content, put away. */
export const jobSchema = z
  .object({
    key: z.string().max(40),
    /** The version it was changed from; 0: a new job. */
    from: z.number().int().min(0).max(1_000_000),
    content: templateSchema.nullable(),
    word: remark
  })
  .refine((j) => j.content === null || j.content.key === j.key, {
    path: ['content', 'key'],
    message: 'A job keeps its key.'
  });

/** What is sent, by the kind of its command: the form and the server check alike. */
export const bodies = {
  'job.save': jobSchema
};
