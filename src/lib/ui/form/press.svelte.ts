import type { Answer, Body, Kind } from '$lib/core/command/commands';
import { say, WAITS } from '../base/page.svelte';
import { send, type Typed } from './send';

/** A command that one press sends, without a form around it: whether it is on its way, and what came back, by field. */
export class Press {
  busy = $state(false);
  errors = $state<Record<string, string>>({});
  more = $state<Record<string, unknown>>({});

  /** Sends once at a time. Answers with what the server said, or null when it was not taken. */
  async send<K extends Kind>(kind: K, body: Typed<Body<K>>): Promise<{ data: Answer<K> } | null> {
    if (this.busy) return null;
    this.busy = true;
    const sent = await send(kind, body);
    this.busy = false;
    // Kept on this device it is no error: the hand goes on.
    const kept = !sent.ok && sent.more.kept === true;
    if (kept) say(sent.errors['']!, WAITS);
    this.errors = sent.ok || kept ? {} : sent.errors;
    this.more = sent.ok || kept ? {} : sent.more;
    return sent.ok ? { data: sent.data } : null;
  }
}
