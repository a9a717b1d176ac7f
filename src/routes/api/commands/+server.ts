import { json } from '@sveltejs/kit';
import { doneAt, listSchema, type Outcome } from '$lib/core/command/envelope';
import { unkeepable } from '$lib/core/command/text';
import { errorsByField } from '$lib/core/forms';
import { readJson } from '$lib/server/base/body';
import { runCommands } from '$lib/server/commands/run';
import { db } from '$lib/server/base/db';
import { logFault } from '$lib/server/base/log';
import { Refusal } from '$lib/server/base/refusal';
import { senderOf } from '$lib/server/commands/sender-of';
import type { RequestHandler } from './$types';

/** As many seconds as an integer of the database holds: no clock is further out. */
const MOST = 2 ** 31 - 1;
const aheadOf = (sent: string, received: Date): number =>
  Math.max(-MOST, Math.min(MOST, Math.round((Date.parse(sent) - received.getTime()) / 1000)));

/**
 * Every write: a list of commands, each carried out once and by itself. Answers 200 with what became of each, in their order;
 * 422 where none could be tried.
 */
export const POST: RequestHandler = async (event) => {
  const body = await readJson(event.request);
  const parsed = listSchema.safeParse(body);
  const odd = parsed.success ? unkeepable(parsed.data.device, 'device') : {};
  if (!parsed.success || Object.keys(odd).length > 0)
    return json(
      { ok: false, errors: parsed.success ? odd : errorsByField(parsed.error), more: {} },
      { status: 422 }
    );
  const { device, sent } = parsed.data;
  const received = new Date();
  const commands = parsed.data.commands.map((c) => ({
    ...c,
    at: doneAt(c.at, sent, received).toISOString()
  }));
  let outcomes: Outcome[];
  try {
    const from = { ...senderOf(event, device), clockAheadS: sent ? aheadOf(sent, received) : null };
    outcomes = await runCommands(
      db(),
      from,
      commands,
      () => new Date(),
      (e) => logFault(e, 'commands')
    );
  } catch (e) {
    if (!(e instanceof Refusal)) throw e;
    return json({ ok: false, errors: e.errors, more: e.more }, { status: 422 });
  }
  return json({ ok: true, outcomes });
};
