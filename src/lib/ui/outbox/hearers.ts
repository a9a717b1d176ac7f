import type { Sent } from '../base/wire';
import type { Kept } from '../offline/store';

/** A page that shows what waits at a place. */
export interface Listener {
  /**
   * Is told what became of a command.
   * @returns whether it has taken care of a refusal: it is dropped then, and not kept for somebody to look at
   */
  became: (kept: Kept, sent: Sent<unknown>) => boolean;
  /** Reads what the book has of it now, before what was taken is dropped: nothing is missing in between. */
  taken?: () => Promise<void>;
}

/** Who wants to hear what becomes of what is sent: pages by place, and forms that wait for the answer to one command. */
export class Hearers {
  #listeners = new Map<string, Set<Listener>>();
  #forms = new Map<string, Set<(sent: Sent<unknown>) => void>>();

  /** @returns ends it */
  listen(place: string, listener: Listener): () => void {
    const there = this.#listeners.get(place) ?? new Set();
    this.#listeners.set(place, there.add(listener));
    return () => {
      there.delete(listener);
      if (there.size === 0) this.#listeners.delete(place);
    };
  }
  /** A form waits, while `run` runs, for what becomes of one. @returns null where nothing did */
  async await(id: string, run: () => Promise<void>): Promise<Sent<unknown> | null> {
    let answer: Sent<unknown> | null = null;
    const hear = (sent: Sent<unknown>) => (answer = sent);
    // The same, pressed twice, is one command that two wait for.
    const there = this.#forms.get(id) ?? new Set();
    this.#forms.set(id, there.add(hear));
    try {
      await run();
    } finally {
      there.delete(hear);
      if (there.size === 0) this.#forms.delete(id);
    }
    return answer;
  }
  isAwaited(id: string): boolean {
    return this.#forms.has(id);
  }
  hears({ id, place }: Kept): boolean {
    return this.#forms.has(id) || this.#listeners.has(place);
  }

  /** @returns whether somebody has taken care of it where it was refused */
  tell(kept: Kept, sent: Sent<unknown>): boolean {
    const forms = this.#forms.get(kept.id);
    for (const hear of forms ?? []) hear(sent);
    let seen = forms !== undefined;
    for (const listener of this.#listeners.get(kept.place) ?? []) seen = listener.became(kept, sent) || seen;
    return seen;
  }
  /** Once for each place, however much of it was taken. */
  async taken(list: readonly Kept[]): Promise<void> {
    for (const place of new Set(list.map((k) => k.place)))
      for (const listener of this.#listeners.get(place) ?? []) await listener.taken?.();
  }
}
