import type { Answer, Body, Kind } from '$lib/core/command/commands';
import { mayWait } from '$lib/core/command/waits';
import { outbox } from '../outbox/outbox.svelte';
import { knownNow } from '../offline/store';
import { sendAll, type Item, type Sent, type Typed } from '../base/wire';

export { ask, sendAll, type Item, type Sent, type Typed } from '../base/wire';

/** Ids by what is sent: the same again goes under the same ones, changed it is another command. */
const steady = new Map<string, string[]>();
/** As many ids as a list of commands needs, for as long as its content stays what it is. */
export function idsFor(content: unknown, count: number): string[] {
  const key = JSON.stringify(content);
  const ids = steady.get(key) ?? Array.from({ length: count }, () => crypto.randomUUID());
  steady.set(key, ids);
  return ids;
}

/** Ids of commands that no answer came for, by what was sent: sent again, they go under the same one. */
const unanswered = new Map<string, { id: string; at: string }>();

/**
 * Sends a command. Sent again after a lost answer it is carried out once; changed in between, it is another command.
 * @returns what became of it. What may wait and had no answer is kept on this device, and goes by itself: `more.kept`
 */
export async function send<K extends Kind>(kind: K, body: Typed<Body<K>>): Promise<Sent<Answer<K>>> {
  if (mayWait(kind))
    return (await outbox.send(kind, body, outbox.same(kind, body) ?? knownNow())) as Sent<Answer<K>>;
  return sendNow(kind, body);
}

/** Sends a command, and keeps nothing where no answer comes: it is for now, or not at all. */
export async function sendNow<K extends Kind>(kind: K, body: Typed<Body<K>>): Promise<Sent<Answer<K>>> {
  const fresh = knownNow();
  const key = `${kind} ${JSON.stringify(body)}`;
  const known = unanswered.get(key) ?? fresh;
  unanswered.set(key, known);
  const [sent] = await sendAll([{ kind, body, ...known } as Item]);
  if (sent!.ok || !sent!.more.retry) unanswered.delete(key);
  return sent as Sent<Answer<K>>;
}
