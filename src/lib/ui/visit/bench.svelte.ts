import type { Entry, NewEntry } from '$lib/core/visit/entry';
import { closeProblems } from '$lib/core/visit/close';
import type { VisitPlan } from '$lib/core/job/plan';
import { asksWhy, inWords, type EntryProblem } from '$lib/core/visit/problems';
import { refuseEntry } from '$lib/core/visit/refuse';
import { lastSeen } from '$lib/core/visit/in-turn';
import { visitState } from '$lib/core/visit/state';
import { overtaken } from '$lib/core/visit/timers';
import { NO_TOOLS, type Toolbox } from '$lib/core/stores/toolbox';
import { visitPlace } from '$lib/core/command-rule';
import type { Sent } from '../base/wire';
import { outbox, type Kept } from '../outbox/outbox.svelte';
import { knownNow } from '../offline/store';
import { takenSince } from '../outbox/taken';
import { shell } from '../base/page.svelte';
import type { Photo } from '$lib/core/visit/page';

/** An entry before it has its id. What it says is checked by the core here, and by the schema on the server. */
export interface Write {
  stepKey?: string;
  itemKey?: string;
  action: NewEntry['action'];
  content: object;
}

/** Why the last entry was not taken, and whether it is with a reason. */
export interface Problem {
  words: string;
  asksWhy: boolean;
}

/** The same moment by another clock. @param aheadMs how far that one is ahead */
const shifted = (at: string, aheadMs: number): string => new Date(Date.parse(at) + aheadMs).toISOString();

/**
 * A visit on this screen. A tick shows at once; it waits in the outbox of the device until the server has it, so that a lost signal
 * or a reload loses nothing. What other devices write is asked for when it is told that they did.
 */
export class BenchVisit {
  #taken = $state<Entry[]>([]);
  /** The number up to which everything in the book is known here. */
  #cursor: number;
  /** How far the server's clock is ahead of this device's, ms, as an answer to an entry showed it. */
  #shown: number | null = null;
  /** The same, or as any answer showed it before; null: none ever did. */
  get #ahead(): number | null {
    return this.#shown ?? (shell.clockAheadMs === null ? null : -shell.clockAheadMs);
  }
  problem = $state<Problem | null>(null);
  /** Which step or item the problem belongs to. */
  problemAt = $state<string | null>(null);
  closedRecord = $state<string | null>(null);
  /** It was begun here, and the server has taken it since: under which id. */
  inBook = $state<string | null>(null);

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
  }

  /** What of this visit waits on this device, refused or not. */
  #here = $derived.by(() => outbox.at(visitPlace(this.id)));
  /** Entries as this screen sees them: what the server took, then what is still on its way. */
  entries = $derived.by((): Entry[] => {
    const known = this.#taken.map((e) => e.id);
    const last = this.#taken.at(-1)?.seq ?? 0;
    const mine = this.#here
      .filter((k) => k.kind === 'visit.enter' && k.refused === null && !known.includes(entryOf(k).id))
      .map((k, i) => ({ ...entryOf(k), seq: last + 1 + i, at: this.#byServer(k.at), by: 'you' }) as Entry);
    return [...this.#taken, ...mine];
  });
  state = $derived.by(() => visitState(this.plan, this.entries));
  problems = $derived.by(() => closeProblems(this.plan, this.state));
  /** A moment of this device as the server would name it: empty while its clock is not known. */
  #byServer = (at: string): string => (this.#ahead === null ? '' : shifted(at, this.#ahead));
  get waiting(): number {
    return this.#here.filter((k) => k.refused === null).length;
  }
  /** Why what waits does not go; null where nothing does, or it is on its way. */
  get stuck(): string | null {
    return this.waiting > 0 ? outbox.stuck : null;
  }
  get unkept(): boolean {
    return outbox.unkept;
  }
  /** It was closed here, and the server does not know: the command's id. */
  get closes(): string | null {
    return this.#here.find((k) => k.kind === 'visit.close' && k.refused === null)?.id ?? null;
  }
  /** It was begun here, and the server does not know. */
  get begins(): boolean {
    return this.#here.some((k) => k.kind === 'visit.start' && k.refused === null);
  }
  /** What the server refused, or failed over time and again: it waits for somebody to look at it. */
  get aside(): { kept: Kept; what: string; why: string }[] {
    return this.#here.flatMap((k) =>
      k.refused === null
        ? []
        : [{ kept: k, what: this.#nameOf(k), why: Object.values(k.refused.errors)[0] ?? 'Not taken.' }]
    );
  }
  #nameOf(k: Kept): string {
    if (k.kind === 'visit.start') return 'Begin the visit';
    if (k.kind === 'visit.close') return 'Close the visit';
    if (k.kind !== 'visit.enter') return 'A photo';
    const e = entryOf(k);
    const step = this.plan.steps.find((s) => s.key === e.stepKey)?.title;
    const item = this.plan.items.find((i) => i.key === e.itemKey)?.name;
    return `${step ?? item ?? 'this visit'}: ${e.action}`;
  }

  /** Takes up what an earlier page or another window of this device could not send, and hears what becomes of it. @returns ends it */
  resume(): () => void {
    const end = outbox.listen(visitPlace(this.id), {
      became: (kept, sent) => this.#became(kept, sent)
    });
    // Of a page as it was some time ago what was written since is missing.
    const has = this.#taken.map((e) => e.id);
    void takenSince(this.id, has).then((entries) => this.#merge(entries));
    void outbox.load().then(() => outbox.flush());
    return end;
  }

  /** Writes one entry. False when it cannot be taken as it is; `problem` then says why. */
  write(entry: Write): boolean {
    const seen = lastSeen(this.state, entry);
    const after = this.entries.at(-1)?.id ?? null;
    const full = { id: crypto.randomUUID(), seen, after, stepKey: null, itemKey: null, ...entry } as NewEntry;
    const now = this.#ahead === null ? null : Date.now() + this.#ahead;
    const refused = refuseEntry(this.state, full, this.tools, now);
    this.problem = refused && { words: inWords(refused), asksWhy: asksWhy(refused) };
    this.problemAt = refused ? (full.stepKey ?? full.itemKey) : null;
    if (refused) return false;
    outbox.add('visit.enter', { visitId: this.id, entry: full }, knownNow(full.id));
    this.#time(full);
    void outbox.flush();
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

  /** Tries once more what was set aside; or takes a close back. */
  tryAside(id: string): void {
    void outbox.again(id);
  }
  takeBack(id: string): void {
    outbox.drop(id);
  }

  /** @returns whether it has been said here why it was refused */
  #became(kept: Kept, sent: Sent<unknown>): boolean {
    if (kept.kind === 'visit.start') {
      if (sent.ok) this.inBook = sent.data as string;
      return false;
    }
    if (kept.kind === 'visit.close') {
      if (sent.ok) this.closedRecord = sent.data as string;
      return false;
    }
    if (kept.kind !== 'visit.enter') return false;
    const entry = entryOf(kept);
    if (sent.ok) {
      const stamp = sent.data as Pick<Entry, 'seq' | 'at' | 'by'>;
      this.#shown = Date.parse(stamp.at) - Date.parse(kept.at);
      this.#merge([{ ...entry, ...stamp } as Entry]);
      return true;
    }
    // Just written, it is taken back off the screen, and said. What had to wait is long out of mind: it stays, to be looked at.
    if (kept.waited || sent.more.fault) return false;
    this.#say(sent, entry);
    return true;
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
    await outbox.flush();
    if (this.waiting > 0) return;
    try {
      const r = await fetch(`/api/visits/${this.id}/entries?after=${this.#cursor}`);
      if (!r.ok) return;
      const { data } = await r.json();
      this.#merge(data.entries);
      this.#cursor = data.entries.at(-1)?.seq ?? this.#cursor;
      this.closedRecord = data.recordId;
      if (data.photos.length !== this.photos.length) this.photos = data.photos;
    } catch {
      // The line of the page says that the server is away.
    }
  }
}
const entryOf = (k: Kept): NewEntry => (k.body as { entry: NewEntry }).entry;
