import type { Quantity } from '$lib/core/quantity/quantity';
import { show } from '$lib/core/quantity/quantity';
import type { FigureKey } from '$lib/core/specs/kinds';
import type { Figure } from '$lib/core/specs/sheet';
import { send } from '../form/send';
import { bothUnits } from './figure';
import { sitting } from './sitting.svelte';

/** What is asked back about a figure: to name its source, which unit was meant, or to look again at what seems a slip. */
export interface Asked {
  words: string;
  /** The manual has to be named first. */
  source: boolean;
  /** What it may have meant. */
  choices: string[];
  sure: boolean;
}

/**
 * One figure being put on a sheet, wherever that is done: typed as the manual prints it, sent when the hand goes on, with the source
 * of the sitting. What was typed stays until it is taken.
 */
export class FigureEntry {
  /** As typed; null: as it stands on the sheet. */
  #typed = $state<string | null>(null);
  #page = $state<string | null>(null);
  variant = $state('');
  asked = $state<Asked | null>(null);
  busy = $state(false);
  /** One id a figure typed: sent twice it is one. */
  #id = crypto.randomUUID();

  constructor(
    readonly machineId: string,
    readonly key: FigureKey,
    /** The fastener it hangs on; asked when it is sent. */
    readonly fastenerId: () => string | null,
    /** As it stands on the sheet; null: unknown. */
    readonly now: () => Figure | null,
    /** Once it is on the sheet. */
    readonly after: () => Promise<void>,
    /** What has to be on the sheet first: the fastener it hangs on. @returns whether it is */
    readonly before: () => Promise<boolean> = async () => true
  ) {}

  get typed(): string {
    const now = this.now();
    return this.#typed ?? (now ? bothUnits(now).main : '');
  }
  set typed(text: string) {
    this.#typed = text;
    this.asked = null;
  }
  get page(): string {
    return this.#page ?? this.now()?.page ?? '';
  }
  set page(text: string) {
    this.#page = text;
  }
  /** Something was typed that is not on the sheet yet. */
  get fresh(): boolean {
    const now = this.now();
    const text = (this.#typed ?? '').trim();
    const other = text !== '' && text !== (now ? bothUnits(now).main : '');
    return other || (this.#page !== null && now !== null && this.#page !== now.page);
  }
  /** Copied from a sister and not looked up yet. */
  get unconfirmed(): boolean {
    return this.now()?.confidence === 'unconfirmed';
  }

  /** Drops what was typed. */
  leave(): void {
    this.#typed = null;
    this.#page = null;
    this.asked = null;
  }

  /** Sends what was typed, where something was. @returns whether the hand may go on */
  async save(sure = false): Promise<boolean> {
    if (!this.fresh) {
      // Emptied is no figure: what stands on the sheet stays.
      this.leave();
      return true;
    }
    return this.#send('figure.add', sure);
  }

  /** It was looked up for this machine and is the same. */
  async confirm(): Promise<boolean> {
    if (this.fresh || !this.unconfirmed) return this.save();
    return this.#send('figure.confirm', true);
  }

  async #send(kind: 'figure.add' | 'figure.confirm', sure: boolean): Promise<boolean> {
    if (this.busy) return false;
    const { source, edition, confidence } = sitting;
    if (source.trim() === '') {
      this.asked = { words: 'Which manual, or who said so?', source: true, choices: [], sure: false };
      return false;
    }
    this.busy = true;
    if (!(await this.before())) {
      this.busy = false;
      return false;
    }
    // A page is a page of its own manual.
    const same = this.now()?.source.startsWith(source) ?? false;
    const page = this.#page ?? (same ? this.now()!.page : '');
    const from = { id: this.#id, source, edition, confidence, page };
    const sent =
      kind === 'figure.confirm'
        ? await send(kind, { ...from, figureId: this.now()!.id })
        : await send(kind, {
            ...from,
            machineId: this.machineId,
            key: this.key,
            fastenerId: this.fastenerId(),
            typed: this.typed,
            variant: this.variant || (this.now()?.variant ?? ''),
            sure
          });
    if (sent.ok) {
      this.#id = crypto.randomUUID();
      await this.after();
      this.leave();
    } else {
      // Corrected, it is another figure.
      if (!sent.more.retry) this.#id = crypto.randomUUID();
      this.asked = {
        words: sent.errors.typed ?? Object.values(sent.errors)[0] ?? 'Not taken.',
        source: 'source' in sent.errors || 'edition' in sent.errors,
        choices: ((sent.more.choices as Quantity[] | undefined) ?? []).map((q) => show(q)),
        sure: sent.more.askSure === true
      };
    }
    this.busy = false;
    return sent.ok;
  }
}
