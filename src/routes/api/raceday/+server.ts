import { errorsByField } from '$lib/core/forms';
import { raceDaySchema, readingSchema } from '$lib/core/hours/form';
import { command } from '$lib/server/command';
import { logReading, type Logged } from '$lib/server/readings';
import { Refusal } from '$lib/server/refusal';
import type { RequestHandler } from './$types';

type RowAnswer =
  { ok: true; data: Logged } | { ok: false; errors: Record<string, string>; more: Record<string, unknown> };

/** Each row by itself: the good ones are kept, the others come back with what is odd about them. */
export const POST: RequestHandler = (event) =>
  command(event, raceDaySchema, async ({ rows }, { sql, team, personId, now }) => {
    const answers: RowAnswer[] = [];
    for (const row of rows) {
      const parsed = readingSchema.safeParse(row);
      if (!parsed.success) {
        answers.push({ ok: false, errors: errorsByField(parsed.error), more: {} });
        continue;
      }
      try {
        answers.push({ ok: true, data: await logReading(sql, team, personId, parsed.data, now) });
      } catch (e) {
        if (!(e instanceof Refusal)) throw e;
        answers.push({ ok: false, errors: e.errors, more: e.more });
      }
    }
    return answers;
  });
