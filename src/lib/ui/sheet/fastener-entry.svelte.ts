import type { Fastener } from '$lib/core/specs/sheet';
import { forget, keep, kept, texts } from '../base/kept';
import { send } from '../form/send';

/** What of a fastener stands in fields. */
export type FastenerFields = Omit<Fastener, 'id' | 'at' | 'covers' | 'quantity'> & { quantity: string };
type Field = keyof FastenerFields;

/** One fastener of a sheet being filled in or corrected: each field is sent by itself as the hand goes on. */
export class FastenerEntry {
  /** What was typed and is not on the sheet yet. */
  #typed = $state<Partial<FastenerFields>>({});
  errors = $state<Record<string, string>>({});
  busy = $state(false);

  constructor(
    readonly machineId: string,
    readonly id: string,
    /** As it stands on the sheet; null: it is not on it yet. */
    readonly now: () => Fastener | null,
    /** What it begins with while it is not on the sheet. */
    readonly start: () => FastenerFields,
    readonly after: () => Promise<void>
  ) {
    // A reload in the middle of a field loses nothing; what is only offered has no name yet to keep it under.
    if (now()) this.#typed = texts(kept('window', this.#keptAs)) as Partial<FastenerFields>;
  }
  get #keptAs(): string {
    return `fastener ${this.id}`;
  }
  #type(typed: Partial<FastenerFields>): void {
    this.#typed = typed;
    if (Object.keys(typed).length === 0) forget('window', this.#keptAs);
    else if (this.now()) keep('window', this.#keptAs, typed);
  }

  /** As this screen put it on the sheet; what the page brings back since then takes its place. */
  #added: FastenerFields | null = null;

  /** As it stands on the sheet; null: it does not. */
  #there(): FastenerFields | null {
    const now = this.now();
    return now ? { ...now, quantity: String(now.quantity) } : this.#added;
  }
  get fields(): FastenerFields {
    return { ...(this.#there() ?? this.start()), ...this.#typed };
  }
  set<K extends Field>(field: K, value: FastenerFields[K]): void {
    this.#type({ ...this.#typed, [field]: value });
    this.errors = {};
  }

  /** It is on this machine: a row that was only offered goes onto the sheet, once. */
  add(): Promise<boolean> {
    return this.#next(async () => {
      if (this.#there()) return true;
      const f = this.fields;
      const ok = await this.#send(() =>
        send('fastener.add', { ...f, id: this.id, machineId: this.machineId })
      );
      if (ok) this.#added = f;
      return ok;
    });
  }

  /** Sends what was typed: the whole row where it is new, else what differs. A new row without a name waits for one. */
  async save(): Promise<boolean> {
    if (!this.#there()) {
      if (this.fields.name.trim() === '') return false;
      if (!(await this.add())) return false;
    }
    return this.#next(async () => {
      const there = this.#there()!;
      const changed = Object.fromEntries(
        Object.entries(this.#typed).filter(([k, v]) => v !== there[k as keyof typeof there])
      );
      if (Object.keys(changed).length === 0) return true;
      return this.#send(() => send('fastener.change', { fastenerId: this.id, ...changed }));
    });
  }

  /** Off the sheet, because the machine has no such thing. */
  remove(): Promise<boolean> {
    return this.#next(() =>
      this.#send(() => send('fastener.remove', { fastenerId: this.id, removed: true }))
    );
  }

  /** One after the other: what is left while another is on its way is looked at when its turn comes. */
  #next(work: () => Promise<boolean>): Promise<boolean> {
    const mine = this.#last.then(work);
    this.#last = mine;
    return mine;
  }
  #last: Promise<unknown> = Promise.resolve();

  async #send(write: () => ReturnType<typeof send>): Promise<boolean> {
    this.busy = true;
    const before = this.#typed;
    const sent = await write();
    this.errors = sent.ok ? {} : sent.errors;
    if (sent.ok) {
      await this.after();
      // What was typed meanwhile is not dropped with what was sent.
      this.#type(
        Object.fromEntries(
          Object.entries(this.#typed).filter(([k, v]) => before[k as Field] !== v)
        ) as Partial<FastenerFields>
      );
    }
    this.busy = false;
    return sent.ok;
  }
}
