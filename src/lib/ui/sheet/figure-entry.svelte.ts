import type { Quantity } from '$lib/core/quantity/quantity';
import { show } from '$lib/core/quantity/quantity';
import type { FigureKey } from '$lib/core/specs/kinds';
import { sureOf, type Figure } from '$lib/core/specs/sheet';
import { forget, keep, kept } from '../base/kept';
import { send } from '../form/send';
import { bothUnits } from './figure';
import { sitting, type Sitting } from './sitting.svelte';

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
    readonly before: () => Promise<boolean> = async () => true,
    /** What the field is called where its text is kept until it is taken; null: it hangs on nothing that has a name yet. */
    readonly keptAs: string | null = `${machineId} ${key}`
  ) {
    // A reload in the middle of it loses nothing.
    const was = keptAs === null ? null : kept('window', keptAs);
    if (typeof was === 'string') this.#typed = was;
  }

  get typed(): string {
    const now = this.now();
    return this.#typed ?? (now ? bothUnits(now).main : '');
  }
  set typed(text: string) {
    this.#typed = text;
    this.asked = null;
    if (this.keptAs !== null) keep('window', this.keptAs, text);
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
    if (this.keptAs !== null) forget('window', this.keptAs);
  }

  /** Sends what was typed, where something was. @returns whether the hand may go on */
  save(sure = false): Promise<boolean> {
    return this.#next(async () => {
      if (this.fresh) return this.#send('figure.add', sure);
      // Emptied is no figure: what stands on the sheet stays.
      this.leave();
      return true;
    });
  }

  /** It was looked up for this machine and is the same. */
  confirm(): Promise<boolean> {
    if (this.fresh || !this.unconfirmed) return this.save();
    return this.#next(() => this.#send('figure.confirm', true));
  }

  /** One after the other: what is corrected while it is on its way is looked at when its turn comes. */
  #next(work: () => Promise<boolean>): Promise<boolean> {
    const mine = this.#last.then(work);
    this.#last = mine;
    return mine;
  }
  #last: Promise<unknown> = Promise.resolve();

  async #send(kind: 'figure.add' | 'figure.confirm', sure: boolean): Promise<boolean> {
    const { source, edition, confidence } = sitting;
    if (source.trim() === '') {
      this.asked = { words: 'Which manual, or who said so?', source: true, choices: [], sure: false };
      return false;
    }
    const now = this.now();
    // Confirmed by another meanwhile: there is nothing left to confirm.
    if (kind === 'figure.confirm' && !this.unconfirmed) return true;
    this.busy = true;
    const [typed, typedPage] = [this.#typed, this.#page];
    const ok = (await this.before()) && (await this.#sent(kind, now, { source, edition, confidence }, sure));
    if (ok) {
      await this.after();
      // What was typed meanwhile is not dropped with what was sent.
      if (this.#typed === typed && this.#page === typedPage) this.leave();
      this.variant = '';
    }
    this.busy = false;
    return ok;
  }

  async #sent(
    kind: 'figure.add' | 'figure.confirm',
    now: Figure | null,
    from: Sitting,
    sure: boolean
  ): Promise<boolean> {
    // A page is a page of its own manual.
    const same = now?.source === (from.edition ? `${from.source}, ${from.edition}` : from.source);
    const page = this.#page ?? (same ? now!.page : '');
    const sent =
      kind === 'figure.confirm'
        ? await send(kind, { ...from, id: this.#id, page, figureId: now!.id })
        : await send(kind, {
            ...from,
            id: this.#id,
            page,
            machineId: this.machineId,
            key: this.key,
            fastenerId: this.fastenerId(),
            typed: this.typed,
            variant: this.variant || (now?.variant ?? ''),
            confidence: sureOf(this.key, this.typed, page, from.confidence),
            sure
          });
    // Corrected, it is another figure.
    if (sent.ok || !sent.more.retry) this.#id = crypto.randomUUID();
    if (!sent.ok)
      this.asked = {
        words: sent.errors.typed ?? Object.values(sent.errors)[0] ?? 'Not taken.',
        source: 'source' in sent.errors || 'edition' in sent.errors,
        choices: ((sent.more.choices as Quantity[] | undefined) ?? []).map((q) => show(q)),
        sure: sent.more.askSure === true
      };
    return sent.ok;
  }
}
