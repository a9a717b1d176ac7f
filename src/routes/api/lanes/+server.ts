import { z } from 'zod';
import { id } from '$lib/core/forms';
import { readJson } from '$lib/server/base/body';
import { db } from '$lib/server/base/db';
import { answerTo } from '$lib/server/base/answer';
import { lanesOf } from '$lib/server/trail/lanes';
import type { RequestHandler } from './$types';

const schema = z.object({ ids: z.array(id).max(200) });

/** The lanes of some machines: more of them than an address holds, so they are asked for in a body. */
export const POST: RequestHandler = async ({ request, locals }) =>
  answerTo(schema, await readJson(request), async ({ ids }) =>
    locals.team ? lanesOf(db(), locals.team, ids, new Date()) : []
  );
