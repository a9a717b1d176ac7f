import { errorsByField } from '$lib/core/forms';
import { raceDaySchema, readingSchema, type ReadingInput } from '$lib/core/hours/form';
import { command } from '$lib/server/command';
import { logReading, logReadings, type Logged } from '$lib/server/readings';
import { Refusal } from '$lib/server/refusal';
import type { RequestHandler } from './$types';

type RowAnswer =
  | { ok: true; data: Logged | null }
  | { ok: false; errors: Record<string, string>; more: Record<string, unknown> };

/**
 * Each row by itself: the good ones are kept, the others come back with what is odd about them. `?quiet` is for what is
 * pasted: the machines are worked out once each, and no row says what has become due.
 */
export const POST: RequestHandler = (event) =>
  command(event, raceDaySchema, async ({ rows }, { sql, team, personId, now }) => {
    const answers: RowAnswer[] = [];
    const good: { at: number; input: ReadingInput }[] = [];
    for (const [at, row] of rows.entries()) {
      const parsed = readingSchema.safeParse(row);
      if (parsed.success) good.push({ at, input: parsed.data });
      else answers[at] = { ok: false, errors: errorsByField(parsed.error), more: {} };
    }
    if (event.url.searchParams.has('quiet')) {
      const inputs = good.map((g) => g.input);
      const taken = await logReadings(sql, team, personId, inputs, now);
      for (const [i, t] of taken.entries()) answers[good[i]!.at] = t.ok ? { ok: true, data: null } : t;
      return answers;
    }
    for (const { at, input } of good) {
      try {
        answers[at] = { ok: true, data: await logReading(sql, team, personId, input, now) };
      } catch (e) {
        if (!(e instanceof Refusal)) throw e;
        answers[at] = { ok: false, errors: e.errors, more: e.more };
      }
    }
    return answers;
  });
