import { untrack } from 'svelte';
import { readAgain } from '../base/again';
import { outbox } from './outbox.svelte';
import type { Kept } from '../offline/store';

/** Fields of a page whose content had to wait on this device: as it was typed, until it is in the book. */
export class LateFields {
  /**
   * @param place where they are written
   * @param fieldsOf what was typed, by field, of a command of that place
   */
  constructor(
    readonly place: () => string,
    readonly fieldsOf: (kept: Kept) => Record<string, string>
  ) {}

  /** What is merely on its way is the field's own. */
  get commands(): Kept[] {
    return outbox.at(this.place()).filter((k) => k.waited && k.refused === null);
  }
  /** What waits, by field: the last of it, where there is more. */
  get texts(): Record<string, string> {
    return Object.assign({}, ...this.commands.map(this.fieldsOf)) as Record<string, string>;
  }

  /** Puts it into the fields again, after a reload. @param put is told what waits, and runs whenever that changes */
  restore(put: (commands: Kept[], texts: Record<string, string>) => void): void {
    const { commands, texts } = this;
    untrack(() => put(commands, texts));
  }

  /**
   * Once it is in the book the page is read anew, and then it is no longer held in its fields. What was refused after it waited stays
   * where it can be looked at.
   * @param settle with the fields of one that is in the book
   * @returns ends it
   */
  follow(settle: (fields: string[]) => void): () => void {
    const late: Kept[] = [];
    return outbox.listen(this.place(), {
      became: (kept, sent) => {
        if (sent.ok && kept.waited) late.push(kept);
        return false;
      },
      taken: async () => {
        if (late.length === 0) return;
        await readAgain();
        for (const kept of late.splice(0)) settle(Object.keys(this.fieldsOf(kept)));
      }
    });
  }
}
