import { json } from '@sveltejs/kit';
import { errorsByField } from '../../core/forms';
import type { z } from 'zod';
import { refusalOf } from './problems';

/** What a refused read or upload answers; the page shows it where it was asked. */
export function refused(
  errors: Record<string, string>,
  more: Record<string, unknown> = {},
  status = 422
): Response {
  return json({ ok: false, errors, more }, { status });
}

/** Answers with what `run` finds, or with why it was refused, by field. */
export async function answer(run: () => Promise<unknown>): Promise<Response> {
  try {
    return json({ ok: true, data: (await run()) ?? null });
  } catch (e) {
    const refusal = refusalOf(e);
    if (!refusal) throw e;
    return refused(refusal.errors, refusal.more);
  }
}

/** Answers with what `run` makes of a question that its schema takes. */
export async function answerTo<S extends z.ZodType>(
  schema: S,
  asked: unknown,
  run: (input: z.output<S>) => Promise<unknown>
): Promise<Response> {
  const parsed = schema.safeParse(asked);
  return parsed.success ? answer(() => run(parsed.data)) : refused(errorsByField(parsed.error));
}
