import { json, type RequestEvent } from '@sveltejs/kit';
import type { z } from 'zod';
import { errorsByField, id } from '../core/forms';
import type { Team } from '../core/team/team';
import { db, type Sql } from './db';
import { Refusal } from './refusal';

/** The longest form, a race day pasted in; photos come another way. */
const MOST_BYTES = 2_000_000;

export interface Who {
  sql: Sql;
  team: Team;
  personId: string;
  now: Date;
}

/**
 * A write: JSON in, checked by the form's own schema, carried out for the team and person of this device. Bad input and
 * states that do not allow it answer 422 with the errors by field; the form keeps what was typed.
 */
export async function command<S extends z.ZodType>(
  event: RequestEvent,
  schema: S,
  run: (input: z.infer<S>, who: Who) => Promise<unknown>
): Promise<Response> {
  const input = await readBody(event, schema);
  if (input instanceof Response) return input;
  return commandWith(event, (who) => run(input.data, who));
}

/** The same for a write whose body is not a form. */
export async function commandWith(
  event: RequestEvent,
  run: (who: Who) => Promise<unknown>
): Promise<Response> {
  const { team } = event.locals;
  if (!team) return refused({ '': 'Set up a team first.' });
  const sql = db();
  const [person] = event.locals.personId
    ? await sql`select id from person where team_id = ${team.id} and id = ${event.locals.personId}`
    : [];
  if (!person)
    return refused({ '': 'Say who is working first: the list at the top of the page.' }, { needsWho: true });
  return answer(async () => run({ sql, team, personId: person.id, now: new Date() }));
}

/** The id in the address of a write. Refused where it is none. */
export function idOf(event: RequestEvent): string {
  const parsed = id.safeParse(event.params.id);
  if (!parsed.success) throw new Refusal({ '': 'Nothing is kept under that address.' });
  return parsed.data;
}

/** Reads and checks a body; what is wrong with it is already the answer. */
export async function readBody<S extends z.ZodType>(
  event: RequestEvent,
  schema: S
): Promise<{ data: z.infer<S> } | Response> {
  // Only JSON: another site's form cannot send it without asking first.
  if (!event.request.headers.get('content-type')?.startsWith('application/json'))
    return refused({ '': 'Send JSON.' }, {}, 415);
  if (Number(event.request.headers.get('content-length') ?? 0) > MOST_BYTES)
    return refused({ '': 'That is too much for one form.' }, {}, 413);
  let body: unknown;
  try {
    body = await event.request.json();
  } catch {
    return refused({ '': 'That is not JSON.' }, {}, 400);
  }
  const parsed = schema.safeParse(body);
  return parsed.success ? { data: parsed.data } : refused(errorsByField(parsed.error));
}

export async function answer(run: () => Promise<unknown>): Promise<Response> {
  try {
    return json({ ok: true, data: (await run()) ?? null });
  } catch (e) {
    if (e instanceof Refusal) return refused(e.errors, e.more);
    throw e;
  }
}

function refused(errors: Record<string, string>, more: Record<string, unknown> = {}, status = 422): Response {
  return json({ ok: false, errors, more }, { status });
}
