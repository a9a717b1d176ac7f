import type { Entry, NewEntry } from '$lib/core/visit/entry';
import { closeProblems } from '$lib/core/visit/close';
import type { VisitPlan } from '$lib/core/job/plan';
import { asksWhy, inWords, type EntryProblem } from '$lib/core/visit/problems';
import { refuseEntry } from '$lib/core/visit/refuse';
import { visitState } from '$lib/core/visit/state';
import { overtaken } from '$lib/core/visit/timers';
import { NO_TOOLS, type Toolbox } from '$lib/core/stores/toolbox';
import { sendAll, type Sent } from '../form/send';
import type { Photo } from './visit';
import { byWriting, MOST_FAILURES, Outbox, shifted, waitingNow, type Waiting } from './waiting';

/** An entry before it has its id. What it says is checked by the core here, and by the schema on the server. */
export interface Write {
  stepKey?: string;
  itemKey?: string;
  action: NewEntry['action'];
  content: object;
}

/** Sent at once: what a lost signal has piled up goes in a few requests. */
const BATCH = 40;

/** Why the last entry was not taken, and whether it is with a reason. */
export interface Problem {
  words: string;
  asksWhy: boolean;
}

/**
 * A visit on this screen. A tick shows at once; it is kept on the device until the server has it, in order, so that a lost
 * signal or a reload loses nothing. What other devices write is asked for every second and a half.
 */
export class BenchVisit {
  #taken = $state<Entry[]>([]);
  #waiting = $state<Waiting[]>([]);
  /** What is being sent; null while nothing is. */
  #sending: Promise<void> | null = null;
  #outbox: Outbox;
  /** The number up to which everything in the book is known here. */
  #cursor: number;
  #count = 0;
  /** How far the server's clock is ahead of this device's, ms; null until an answer showed it. */
  #ahead: number | null = null;
  problem = $state<Problem | null>(null);
  /** Which step or item the problem belongs to. */
  problemAt = $state<string | null>(null);
  stuck = $state(false);
  /** This device keeps nothing: what the server does not have yet is lost with this page. */
  unkept = $state(false);
  closedRecord = $state<string | null>(null);

  /** Photos of this visit, as far as the server told. */
  photos = $state<Photo[]>([]);

  readonly id: string;
  /** As it was laid out, with what the sheet has answered since. */
  plan = $state.raw<VisitPlan>(null!);
  readonly tools: Toolbox;

  constructor(
    id: string,
    plan: VisitPlan,
    entries: Entry[],
    tools: Toolbox = NO_TOOLS,
    photos: Photo[] = []
  ) {
    this.id = id;
    this.plan = plan;
    this.tools = tools;
    this.photos = photos;
    this.#taken = entries;
    this.#cursor = entries.at(-1)?.seq ?? 0;
    this.#outbox = new Outbox(id);
  }

  /** Entries as this screen sees them: what the server took, then what is still on its way. */
  entries = $derived.by((): Entry[] => {
    const known = this.#taken.map((e) => e.id);
    const last = this.#taken.at(-1)?.seq ?? 0;
    const mine = this.#sendable
      .filter((w) => !known.includes(w.entry.id))
      .map((w, i) => ({ ...w.entry, seq: last + 1 + i, at: this.#byServer(w.at), by: 'you' }) as Entry);
    return [...this.#taken, ...mine];
  });
  state = $derived.by(() => visitState(this.plan, this.entries));
  problems = $derived.by(() => closeProblems(this.plan, this.state));
  /** A moment of this device as the server would name it: empty while its clock is not known. */
  #byServer = (at: string): string => (this.#ahead === null ? '' : shifted(at, this.#ahead));
  get #sendable(): Waiting[] {
    return this.#waiting.filter((w) => w.failed < MOST_FAILURES);
  }
  get waiting(): number {
    return this.#sendable.length;
  }
  /** What the server failed over time and again: it holds nothing else up, and waits for somebody to look at it. */
  get aside(): { id: string; what: string }[] {
    return this.#waiting
      .filter((w) => w.failed >= MOST_FAILURES)
      .map(({ entry }) => ({ id: entry.id, what: this.#nameOf(entry) }));
  }
  #nameOf(e: NewEntry): string {
    const step = this.plan.steps.find((s) => s.key === e.stepKey)?.title;
    const item = this.plan.items.find((i) => i.key === e.itemKey)?.name;
    return `${step ?? item ?? 'this visit'}: ${e.action}`;
  }

  /** Takes up what an earlier page or another tab of this device could not send. */
  async resume(): Promise<void> {
    let kept: Waiting[] = [];
    await this.#keeping(async () => {
      kept = await this.#outbox.all();
    });
    // What was sent while the device was asked is not sent again.
    const known = [...this.#waiting.map((w) => w.entry.id), ...this.#taken.map((e) => e.id)];
    const fresh = kept.filter((w) => !known.includes(w.entry.id));
    this.#waiting = [...this.#waiting, ...fresh].sort(byWriting);
    await this.#flush();
  }

  #keep(waiting: Waiting): void {
    // What a rune wraps cannot be cloned into the device's store.
    const plain = $state.snapshot(waiting) as Waiting;
    void this.#keeping(() => this.#outbox.keep(plain));
  }
  /** Something done with what this device keeps; where it keeps nothing, that is said. */
  async #keeping(work: () => Promise<void>): Promise<void> {
    try {
      await work();
      this.unkept = false;
    } catch {
      this.unkept = true;
    }
  }

  /** Writes one entry. False when it cannot be taken as it is; `problem` then says why. */
  write(entry: Write): boolean {
    const full = { id: crypto.randomUUID(), stepKey: null, itemKey: null, ...entry } as NewEntry;
    const now = this.#ahead === null ? null : Date.now() + this.#ahead;
    const refused = refuseEntry(this.state, full, this.tools, now);
    this.problem = refused && { words: inWords(refused), asksWhy: asksWhy(refused) };
    this.problemAt = refused ? (full.stepKey ?? full.itemKey) : null;
    if (refused) return false;
    this.#count += 1;
    const waiting = waitingNow(full, this.#count);
    this.#waiting = [...this.#waiting, waiting];
    this.#keep(waiting);
    this.#time(full);
    void this.#flush();
    return true;
  }

  /** What goes by itself after a step is timed from when the step is done, and no longer than there is something to time. */
  #time(entry: NewEntry): void {
    if (entry.itemKey !== null) {
      for (const { id, stepKey } of overtaken(this.state))
        this.write({ stepKey, action: 'timer off', content: { of: id } });
      return;
    }
    const step = this.plan.steps.find((s) => s.key === entry.stepKey);
    if (entry.action !== 'done' || !step || step.wait === 0 || entry.content.afterwards) return;
    if (this.state.timers.some((t) => t.stepKey === step.key)) return;
    const label = step.waitFor || step.title.slice(0, 80);
    this.write({
      stepKey: step.key,
      action: 'timer',
      content: { label, seconds: Math.round(step.wait * 60) }
    });
  }

  /** Tries once more what was set aside, or lets it go. */
  tryAside(id: string): void {
    this.#waiting = this.#waiting.map((w) => (w.entry.id === id ? { ...w, failed: 0 } : w));
    void this.#flush();
  }
  dropAside(id: string): void {
    this.#drop(id);
  }

  #drop(id: string): void {
    this.#waiting = this.#waiting.filter((w) => w.entry.id !== id);
    void this.#keeping(() => this.#outbox.drop(id));
  }

  /** Sends what waits, until nothing does or it is of no use. Whoever asks meanwhile waits for the same. */
  #flush(): Promise<void> {
    if (this.#sendable.length === 0) return Promise.resolve();
    this.#sending ??= this.#sendOn();
    return this.#sending;
  }
  async #sendOn(): Promise<void> {
    // The look whether there is more and the word that nothing is on its way are of one moment: nothing is written in between.
    while (this.#sendable.length > 0 && (await this.#sendBatch()));
    this.#sending = null;
  }

  /** Sends what waits, each entry resting on the one before it. @returns whether there is any use in going on */
  async #sendBatch(): Promise<boolean> {
    const batch = this.#sendable.slice(0, BATCH);
    const sent = await sendAll(
      batch.map(({ entry, at }, i) => ({
        kind: 'visit.enter',
        id: entry.id,
        at,
        body: { visitId: this.id, entry },
        ...(i > 0 && { after: batch[i - 1]!.entry.id })
      }))
    );
    let went = false;
    for (const [i, s] of sent.entries()) {
      const { entry, at } = batch[i]!;
      if (s.ok) {
        const stamp = s.data as Pick<Entry, 'seq' | 'at' | 'by'>;
        this.#ahead = Date.parse(stamp.at) - Date.parse(at);
        this.#merge([{ ...entry, ...stamp } as Entry]);
        this.#drop(entry.id);
        if (this.stuck) this.problem = null;
        this.stuck = false;
        went = true;
      } else if (s.more.waits) continue;
      else if (s.more.fault) {
        // Not refused for what it says, and nothing is wrong with the rest: after a few tries it is set aside.
        this.#waiting = this.#waiting.map((w) => {
          if (w.entry.id !== entry.id) return w;
          const failed = { ...w, failed: w.failed + 1 };
          this.#keep(failed);
          return failed;
        });
        went = true;
      } else if (s.more.retry || s.more.needsWho) {
        // It is kept until the server is well, or someone has said who is working.
        this.stuck = true;
        this.#say(s, entry);
        return false;
      } else {
        // The server knows better: what it refuses is taken back off the screen, and said.
        this.#drop(entry.id);
        this.#say(s, entry);
        went = true;
      }
    }
    return went;
  }
  #say({ errors, more }: Extract<Sent<unknown>, { ok: false }>, entry: NewEntry): void {
    const problem = (more.problem as EntryProblem | undefined) ?? null;
    this.problem = { words: Object.values(errors)[0] ?? 'Not taken.', asksWhy: asksWhy(problem) };
    this.problemAt = entry.stepKey ?? entry.itemKey;
  }

  #merge(entries: readonly Entry[]): void {
    const known = this.#taken.map((e) => e.id);
    const fresh = entries.filter((e) => !known.includes(e.id));
    if (fresh.length > 0) this.#taken = [...this.#taken, ...fresh].sort((a, b) => a.seq - b.seq);
  }

  /** Tries again what is waiting, and asks what others wrote. */
  async refresh(): Promise<void> {
    if (this.#sendable.length > 0) await this.#flush();
    if (this.#sendable.length > 0) return;
    try {
      const r = await fetch(`/api/visits/${this.id}/entries?after=${this.#cursor}`);
      if (!r.ok) return;
      const { data } = await r.json();
      this.#merge(data.entries);
      this.#cursor = data.entries.at(-1)?.seq ?? this.#cursor;
      this.closedRecord = data.recordId;
      if (data.photos.length !== this.photos.length) this.photos = data.photos;
      this.stuck = false;
    } catch {
      this.stuck = true;
    }
  }
}
