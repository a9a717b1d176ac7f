import type { Entry, NewEntry } from '$lib/core/visit/entry';
import { closeProblems } from '$lib/core/visit/close';
import type { VisitPlan } from '$lib/core/visit/plan';
import { refuseEntry } from '$lib/core/visit/refuse';
import { visitState } from '$lib/core/visit/state';
import { NO_TOOLS, type Toolbox } from '$lib/core/visit/toolbox';
import { send } from '../form/send';
import type { Photo } from './visit';

/** An entry before it has its id. What it says is checked by the core here, and by the schema on the server. */
export interface Write {
  stepKey?: string;
  itemKey?: string;
  action: NewEntry['action'];
  content: object;
}

/**
 * A visit on this screen. A tick shows at once; it is kept on the device until the server has it, in order, so that a lost
 * signal or a reload loses nothing. What other devices write is asked for every second and a half.
 */
export class BenchVisit {
  #taken = $state<Entry[]>([]);
  #waiting = $state<NewEntry[]>([]);
  #sending = false;
  #key: string;
  problem = $state<string | null>(null);
  /** Which step or item the problem belongs to. */
  problemAt = $state<string | null>(null);
  stuck = $state(false);
  closedRecord = $state<string | null>(null);

  /** Photos of this visit, as far as the server told. */
  photos = $state<Photo[]>([]);

  readonly id: string;
  readonly plan: VisitPlan;
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
    this.#key = `ht_visit_${id}`;
  }

  /** Entries as this screen sees them: what the server took, then what is still on its way. */
  entries = $derived.by((): Entry[] => {
    const known = this.#taken.map((e) => e.id);
    const last = this.#taken.at(-1)?.seq ?? 0;
    const mine = this.#waiting
      .filter((w) => !known.includes(w.id))
      .map((w, i) => ({ ...w, seq: last + 1 + i, at: '', by: 'you' }) as Entry);
    return [...this.#taken, ...mine];
  });
  state = $derived.by(() => visitState(this.plan, this.entries));
  problems = $derived.by(() => closeProblems(this.plan, this.state));
  get waiting(): number {
    return this.#waiting.length;
  }

  /** Takes up what an earlier page of this device could not send. */
  resume(): void {
    try {
      this.#waiting = JSON.parse(localStorage.getItem(this.#key) ?? '[]');
    } catch {
      this.#waiting = [];
    }
    void this.#flush();
  }

  /** Writes one entry. False when it cannot be taken as it is; `problem` then says why. */
  write(entry: Write): boolean {
    const full = { id: crypto.randomUUID(), stepKey: null, itemKey: null, ...entry } as NewEntry;
    const refused = refuseEntry(this.state, full, this.tools);
    this.problem = refused;
    this.problemAt = refused ? (full.stepKey ?? full.itemKey) : null;
    if (refused) return false;
    this.#waiting = [...this.#waiting, full];
    this.#keep();
    void this.#flush();
    return true;
  }

  #keep(): void {
    if (this.#waiting.length > 0) localStorage.setItem(this.#key, JSON.stringify(this.#waiting));
    else localStorage.removeItem(this.#key);
  }

  async #flush(): Promise<void> {
    if (this.#sending) return;
    this.#sending = true;
    while (this.#waiting.length > 0) {
      const first = this.#waiting[0]!;
      const sent = await send<Entry[]>(`/api/visits/${this.id}/entries`, first);
      if (sent.ok) {
        this.#take(sent.data);
        if (this.stuck) this.problem = null;
        this.stuck = false;
      } else if (sent.more.retry || sent.more.needsWho) {
        // Not refused for what it says: it is kept until the server is well, or someone has said who is working.
        this.stuck = true;
        this.problem = Object.values(sent.errors)[0] ?? null;
        this.problemAt = first.stepKey ?? first.itemKey;
        break;
      } else {
        // The server knows better: what it refuses is taken back off the screen, and said.
        this.problem = Object.values(sent.errors)[0] ?? 'Not taken.';
        this.problemAt = first.stepKey ?? first.itemKey;
      }
      this.#waiting = this.#waiting.slice(1);
      this.#keep();
    }
    this.#sending = false;
  }

  #take(entries: Entry[]): void {
    if (entries.length >= this.#taken.length) this.#taken = entries;
  }

  /** Tries again what is waiting, and asks what others wrote. */
  async refresh(): Promise<void> {
    if (this.#waiting.length > 0) return this.#flush();
    try {
      const r = await fetch(`/api/visits/${this.id}/entries`);
      if (!r.ok) return;
      const { data } = await r.json();
      this.#take(data.entries);
      this.closedRecord = data.recordId;
      if (data.photos.length !== this.photos.length) this.photos = data.photos;
      this.stuck = false;
    } catch {
      this.stuck = true;
    }
  }
}
