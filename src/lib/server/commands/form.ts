import { fail, type ActionFailure, type RequestEvent } from '@sveltejs/kit';
import { v5 } from 'uuid';
import type { Kind } from '../../core/command/commands';
import { db } from '../base/db';
import { logFault } from '../base/log';
import { Refusal } from '../base/refusal';
import { senderOf } from './sender-of';
import { runCommands } from './run';

/** What a page shows again of a form that was not taken. */
export interface NotTaken {
  errors: Record<string, string>;
  typed: Record<string, string>;
}

/** A name space of our own: a form sent twice as it was is one command. */
const FORMS = 'c0a6c1f3-7d5e-4c0a-9f0e-2a1f6f3f8b51';
/** The command id of a form, by what stands in it: reloading the page that answered it writes nothing twice. */
export const formId = (kind: string, body: unknown): string => v5(`${kind} ${JSON.stringify(body)}`, FORMS);

/**
 * Carries out a command that came as a plain form: the way of pages that work without JavaScript too. The same handlers, the
 * same schema, the same table.
 * @returns null where it was taken
 */
export async function carryOutForm(
  event: RequestEvent,
  kind: Kind,
  body: unknown,
  typed: Record<string, string>
): Promise<ActionFailure<NotTaken> | null> {
  try {
    const from = senderOf(event, 'a page without scripts');
    const command = { id: formId(kind, body), kind, at: new Date().toISOString(), body, after: null };
    const [outcome] = await runCommands(
      db(),
      from,
      [command],
      () => new Date(),
      (e) => logFault(e, kind)
    );
    return outcome!.ok ? null : fail(422, { errors: outcome!.errors, typed });
  } catch (e) {
    if (e instanceof Refusal) return fail(422, { errors: e.errors, typed });
    throw e;
  }
}
