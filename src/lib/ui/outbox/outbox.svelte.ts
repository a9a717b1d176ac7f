import type { Kind } from '$lib/core/command/commands';
import { begunBy, endsItsPlace, placeOf, restsOn } from '$lib/core/command/waits';
import { dropBegun } from '../offline/begun';
import { askToStay } from '../offline/storage.svelte';
import { NO_SERVER, sendAll, type Item, type Sent } from '../base/wire';
import { Hearers, type Listener } from './hearers';
import { photoOf, sendPixels } from './photos';
import { Shelf } from './shelf';
import { store, type Kept } from '../offline/store';
import { keepTaken } from './taken';

export type { Kept } from '../offline/store';

/** Sent at once: what a lost signal has piled up goes in a few requests. */
const BATCH = 40;
/** How often the server may fail over one command before it is set aside for somebody to look at. */
export const MOST_FAILURES = 3;
/** After so long without an answer there is none, ms: what is written is kept in any case. */
const PATIENCE = 20_000;
/** Between tries while something waits, ms. */
const AGAIN_AFTER = 2000;
const NAME = 'hour-trail outbox';

/** What is said of a command that had no answer. */
export const KEPT = 'Kept on this device. It goes by itself once the server answers.';
/** The same where this device cannot keep it. */
export const IN_PAGE = 'It waits in this page, and goes by itself once the server answers.';
/** Said once, in the head of every page, where the device is full, or its browser stores nothing. */
export const UNKEPT =
  'This device cannot store what you write: it is full, or its browser stores nothing. Leave this page open until all is sent.';

/**
 * What this device has written and the server has not answered: kept here first, then sent, in the order it was written, each once.
 * What the server refuses stays, with why and with what was typed, until somebody has looked at it. One for all of the app; windows of
 * one browser share what it keeps, and take turns at sending.
 */
export class Outbox {
  items = $state.raw<Kept[]>([]);
  /** Who is working here: what others wrote on this device waits for them. */
  who = $state('');
  /** Why the last try came to nothing; null where it did not. */
  stuck = $state<string | null>(null);
  /** This device keeps nothing: what the server does not have yet is lost with this page. */
  unkept = $state(false);

  #hearers = new Hearers();
  #shelf = new Shelf((works) => {
    this.unkept = !works;
    this.#others?.postMessage(null);
  });
  #sending: Promise<void> | null = null;
  /** Other windows; only where this one is watched, for a server has none. */
  #others: BroadcastChannel | null = null;

  /** What goes by itself as soon as it can. */
  waiting = $derived(this.items.filter((k) => k.refused === null));
  /** What whoever is in wrote, and the server refused. */
  refused = $derived(this.items.filter((k) => k.refused !== null && this.isMine(k)));
  /** Whoever is in wrote it, or nobody had said who is working. */
  isMine(k: Kept): boolean {
    return k.who === '' || k.who === this.who;
  }

  /** What waits at one place, in its order; refused or not. */
  at(place: string): Kept[] {
    return this.items.filter((k) => k.place === place);
  }

  /** The same command, where it waits here already. */
  same(kind: Kind, body: unknown): Kept | null {
    const text = JSON.stringify(body);
    return this.waiting.find((k) => k.kind === kind && JSON.stringify(k.body) === text) ?? null;
  }

  /** Takes up what an earlier page, or another window, has kept; leaves alone what another window has sent. */
  async load(): Promise<void> {
    const there = await store.all().catch(() => null);
    // Whoever waits for an answer, or shows what becomes of it, sends it again: it is carried out once.
    const own = this.#shelf.again();
    const stays = (k: Kept) => this.#hearers.hears(k);
    const stored = there ?? this.items;
    const more = own.filter((k) => !stored.some((s) => s.id === k.id));
    if (there || more.length > 0) this.items = this.#shelf.merge(this.items, [...stored, ...more], stays);
  }

  /** Keeps a command; it goes with the next {@link flush}. The same id again is the same command. */
  add(kind: Kind, body: unknown, known: { id: string; at: string }, pixels?: Blob): Kept {
    const there = this.items.find((k) => k.id === known.id);
    if (there) return there;
    const kept: Kept = {
      ...known,
      kind,
      // What a rune wraps cannot be cloned into the device's store, and may change meanwhile.
      body: JSON.parse(JSON.stringify(body)) as unknown,
      // By the clock, so that what another window or an earlier page kept, and this one has not read yet, stands before it.
      n: Math.max(Date.now(), (this.items.at(-1)?.n ?? 0) + 1),
      place: placeOf(kind, body),
      who: this.who,
      failed: 0,
      waited: false,
      refused: null
    };
    this.items = [...this.items, kept];
    this.#shelf.put(kept, pixels);
    return kept;
  }

  /**
   * Keeps a command, sends it, and waits for what becomes of it.
   * @returns as {@link sendAll} does; kept on this device for want of an answer, with `more.kept`
   */
  async send(
    kind: Kind,
    body: unknown,
    known: { id: string; at: string },
    pixels?: Blob
  ): Promise<Sent<unknown>> {
    this.add(kind, body, known, pixels);
    const answer = await this.#hearers.await(known.id, () => this.flush());
    // Why it is not stored stands in the head of the page.
    const said = this.unkept ? IN_PAGE : KEPT;
    const none: Sent<unknown> = {
      ok: false,
      errors: { '': this.stuck && this.stuck !== NO_ANSWER ? `${this.stuck} ${said}` : said },
      more: { retry: true, kept: true }
    };
    return answer ?? none;
  }

  /** Is told what becomes of what is written at a place. @returns ends it */
  listen(place: string, listener: Listener): () => void {
    return this.#hearers.listen(place, listener);
  }

  /** Tries once more what was refused; or drops it. */
  again(id: string): Promise<void> {
    this.#change(id, { refused: null, failed: 0 });
    return this.flush();
  }
  /** Puts right what was refused, and sends it. */
  correct(id: string, body: unknown): Promise<void> {
    this.#change(id, { body: JSON.parse(JSON.stringify(body)) as unknown, refused: null, failed: 0 });
    return this.flush();
  }
  drop(id: string): void {
    const kept = this.items.find((k) => k.id === id);
    this.items = this.items.filter((k) => k.id !== id);
    if (kept) this.#shelf.drop(kept);
  }
  /** What rests on the beginning of a visit, and goes and stays with it. */
  restsOn(kept: Kept): Kept[] {
    return this.items.filter((k) => restsOn(k, kept));
  }
  /** Lets one go, and what rests on it: the server would refuse it in any case. */
  letGo(id: string): void {
    const kept = this.items.find((k) => k.id === id);
    if (!kept) return;
    for (const k of [...this.restsOn(kept), kept]) this.drop(k.id);
    const visit = begunBy(kept.kind, kept.body);
    if (visit !== '') void dropBegun(visit);
  }
  #change(id: string, as: Partial<Kept>): void {
    this.items = this.items.map((k) => (k.id === id ? { ...k, ...as } : k));
    const kept = this.items.find((k) => k.id === id);
    if (kept) this.#shelf.put(kept);
  }

  /** Follows what other windows keep, and tries again by itself while something waits. @returns ends it */
  watch(): () => void {
    const look = () => void this.load();
    const go = () => void this.load().then(() => this.flush());
    this.#others = new BroadcastChannel(NAME);
    this.#others.onmessage = look;
    window.addEventListener('online', go);
    // What only this page has goes with it: the browser asks before it does.
    const stay = (e: BeforeUnloadEvent) => {
      if (this.unkept && this.items.length > 0) e.preventDefault();
    };
    window.addEventListener('beforeunload', stay);
    const timer = setInterval(() => {
      if (this.#due().length > 0) void this.flush();
    }, AGAIN_AFTER);
    go();
    return () => {
      this.#others?.close();
      this.#others = null;
      window.removeEventListener('online', go);
      window.removeEventListener('beforeunload', stay);
      clearInterval(timer);
    };
  }

  /**
   * What is kept back by what cannot go before it. What ends a visit is while something of that visit was refused: it would shut it out
   * for good. What is written in a visit that was begun here is while its beginning cannot go, and so is what comes after it there.
   */
  held = $derived.by((): readonly Kept[] => {
    const held: Kept[] = [];
    const after = (k: Kept, b: Kept) => k.place !== '' && k.place === b.place;
    for (const [i, k] of this.items.entries())
      if (
        this.items
          .slice(0, i)
          .some(
            (b) =>
              (restsOn(k, b) && !this.#mayGo(b)) ||
              (after(k, b) && (held.includes(b) || (endsItsPlace(k.kind) && b.refused !== null)))
          )
      )
        held.push(k);
    return held;
  });
  #mayGo(k: Kept): boolean {
    return k.refused === null && this.isMine(k);
  }
  /** What can go now. */
  #due(): Kept[] {
    return this.items.filter((k) => this.#mayGo(k) && !this.held.includes(k));
  }

  /** Sends what waits, until nothing does or it is of no use. Whoever asks meanwhile waits for the same. */
  flush(): Promise<void> {
    if (this.#due().length === 0) return Promise.resolve();
    if (this.#sending) return this.#sending;
    const mine = this.#inTurn(() => this.#sendOn()).finally(() => {
      // Another one may be on its way by now.
      if (this.#sending === mine) this.#sending = null;
    });
    this.#sending = mine;
    return mine;
  }
  /** One window sends at a time: two would send the same. */
  async #inTurn(work: () => Promise<void>): Promise<void> {
    if (typeof navigator === 'undefined' || !navigator.locks) return work();
    await navigator.locks.request(NAME, async () => {
      // What another window sent while this one waited for its turn.
      await this.load();
      await work();
    });
  }
  async #sendOn(): Promise<void> {
    let size = BATCH;
    // The look whether there is more and the word that nothing is on its way are of one moment: nothing is written in between.
    while (this.#due().length > 0) {
      const next = await this.#sendBatch(size);
      if (next === null) break;
      size = next;
    }
    this.#sending = null;
  }

  /** The next of them: photos go one by one, their pixels before the word where they belong. */
  #next(size: number): Kept[] {
    const due = this.#due();
    const photo = due.findIndex((k) => photoOf(k) !== null);
    return photo === 0 ? due.slice(0, 1) : due.slice(0, photo === -1 ? size : Math.min(size, photo));
  }

  /** @returns how many go at once next; null: there is no use in going on */
  async #sendBatch(size: number): Promise<number | null> {
    const batch = this.#next(size);
    const pixels = batch.length === 1 ? await sendPixels(batch[0]!) : null;
    const sent =
      pixels ??
      (await sendAll(
        batch.map((k, i) => {
          // Of one place each rests on the one before it, and the first of them on the beginning of its visit.
          const earlier = batch.slice(0, i);
          const before =
            (k.place === '' ? undefined : earlier.findLast((b) => b.place === k.place)) ??
            earlier.find((b) => restsOn(k, b));
          return {
            kind: k.kind,
            id: k.id,
            at: k.at,
            body: k.body,
            ...(before && { after: before.id })
          } as Item;
        }),
        PATIENCE
      ));
    // The list as a whole was not to be read: one of them is to blame, and is found by sending each by itself.
    const [first] = sent;
    if (!first!.ok && first!.more.none && !first!.more.retry && !first!.more.needsWho && batch.length > 1)
      return 1;
    const taken: { kept: Kept; sent: Sent<unknown> }[] = [];
    let went = false;
    let none = false;
    for (const [i, s] of sent.entries()) {
      const kept = batch[i]!;
      if (s.ok) {
        this.stuck = null;
        taken.push({ kept, sent: s });
        this.#hearers.tell(kept, s);
      } else if (s.more.waits) continue;
      else if (this.#noneYet(kept, s.more)) {
        this.#noAnswer(s, batch.slice(i));
        none = true;
        break;
      } else {
        // Refused is answered.
        this.stuck = null;
        this.#refusedBy(kept, s);
      }
      went = true;
    }
    await keepTaken(taken);
    await this.#hearers.taken(taken.map(({ kept }) => kept));
    for (const { kept } of taken) this.drop(kept.id);
    return went && !none ? size : null;
  }

  /** It was neither taken nor refused: the server is away, or wants to know who is working, which a form asks by itself. */
  #noneYet({ id }: Kept, { retry, fault, needsWho }: Record<string, unknown>): boolean {
    return needsWho ? !this.#hearers.isAwaited(id) : Boolean(retry) && !fault;
  }
  #noAnswer({ errors }: Extract<Sent<unknown>, { ok: false }>, list: readonly Kept[]): void {
    const why = errors[''] ?? NO_SERVER;
    this.stuck = why === NO_SERVER ? NO_ANSWER : why;
    for (const { id, waited } of list) if (!waited) this.#change(id, { waited: true });
    // From here on this device has what nobody else has.
    if (typeof navigator !== 'undefined') void askToStay();
  }

  #refusedBy(kept: Kept, sent: Extract<Sent<unknown>, { ok: false }>): void {
    if (this.#hearers.tell(kept, sent)) {
      this.drop(kept.id);
      return;
    }
    const refused = { errors: sent.errors, more: sent.more };
    if (!sent.more.fault) this.#change(kept.id, { refused });
    else {
      // Not refused for what it says: after a few tries it is set aside, so that it holds nothing else up.
      const failed = kept.failed + 1;
      this.#change(kept.id, { failed, ...(failed >= MOST_FAILURES && { refused }) });
    }
  }
}
const NO_ANSWER = 'No answer from the server.';

export const outbox = new Outbox();
