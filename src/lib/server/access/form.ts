import { fail, type ActionFailure, type RequestEvent } from '@sveltejs/kit';
import type { z } from 'zod';
import { unkeepable } from '../../core/command/text';
import { errorsByField } from '../../core/forms';
import { readFields } from '../base/body';
import { refusalOf } from '../base/problems';
import { countTries } from './limits';

/** What a page shows again of a form with secrets: everything but those, and which of its forms it was. */
export interface NotIn {
  of: string;
  errors: Record<string, string>;
  typed: Record<string, string>;
  more: Record<string, unknown>;
}
const SECRETS = new Set(['passphrase', 'pin', 'current']);

/**
 * Takes a form with secrets. It is no command: commands are kept word for word.
 * @param run what is done with it; whatever it refuses comes back at its field
 * @returns what it came to, or why not
 */
export async function takeForm<S extends z.ZodType, R>(
  event: RequestEvent,
  schema: S,
  run: (input: z.output<S>) => Promise<R>
): Promise<{ done: R } | ActionFailure<NotIn>> {
  await countTries(event);
  const of = [...event.url.searchParams.keys()].find((k) => k.startsWith('/'))?.slice(1) ?? '';
  const fields = await readFields(event.request);
  const typed = Object.fromEntries(Object.entries(fields).filter(([name]) => !SECRETS.has(name)));
  const no = (errors: Record<string, string>, more: Record<string, unknown> = {}) =>
    fail(422, { of, errors, typed, more });
  const odd = unkeepable(fields);
  if (Object.keys(odd).length > 0) return no(odd);
  const parsed = schema.safeParse(fields);
  if (!parsed.success) return no(errorsByField(parsed.error));
  try {
    return { done: await run(parsed.data) };
  } catch (e) {
    const refusal = refusalOf(e);
    if (!refusal) throw e;
    return no(refusal.errors, refusal.more);
  }
}
