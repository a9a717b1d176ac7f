import { z } from 'zod';
import { id } from '../../forms';
import { teamSchema } from '../../team/form';

/** How a team's file is taken in: as the team it was, or as a copy of it under a name of its own. */
export const teamCopySchema = z
  .object({ copy: id.optional(), name: teamSchema.shape.name.optional() })
  .refine((c) => (c.copy === undefined) === (c.name === undefined), {
    path: ['name'],
    message: 'Say what the copy is called.'
  });
