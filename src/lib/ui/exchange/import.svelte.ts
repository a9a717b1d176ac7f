import Papa from 'papaparse';
import { guarded } from '$lib/core/exchange/csv';
import {
  detectDates,
  detectDecimal,
  type DateOrder,
  type Decimal,
  type Detected
} from '$lib/core/exchange/import/dialect';
import { matchHeads } from '$lib/core/exchange/import/field';
import { guessList, IMPORT_LISTS, type ImportKey } from '$lib/core/exchange/import/lists';
import type { Draft, ImportList, Verdict } from '$lib/core/exchange/import/model';
import type { What } from '$lib/core/exchange/import/what';
import { MOST_BYTES, TOO_LARGE } from '$lib/core/exchange/import/decode';
import type { ImportAnswer, ImportRequest, ReadTable } from '$lib/workers/import.worker';
import { ask, send, sendAll, type Item } from '../form/send';

/** Rows sent at once: a second's work for the server, so that stopping is heeded soon. */
const ROWS_AT_ONCE = 250;
const COMMANDS_AT_ONCE = 40;
/** Enough of a column to tell how it writes its numbers and days. */
const SAMPLE = 2000;

/** A verdict on its way into the book. */
export interface Line extends Verdict {
  /** What came of it once it was sent. */
  sent: 'no' | 'taken' | 'refused';
}

/** A file on its way into the book: read by a worker, looked through by the server, sent in batches, to be stopped at any time. */
export class Import {
  step = $state<'empty' | 'reading' | 'looking' | 'looked' | 'sending' | 'done'>('empty');
  name = $state('');
  table = $state.raw<ReadTable | null>(null);
  list = $state<ImportKey>('outings');
  columns = $state<(string | null)[]>([]);
  decimal = $state<Decimal>('.');
  dates = $state<DateOrder>('day first');
  /** Its hours are what a meter shows: somebody said so. */
  shown = $state(false);
  detected = $state.raw<{ decimal: Detected<Decimal>; dates: Detected<DateOrder> } | null>(null);
  lines = $state.raw<Line[]>([]);
  /** Doubtful ones that somebody has looked at and takes as they stand, by their first line. */
  sure = $state.raw<readonly number[]>([]);
  progress = $state({ done: 0, of: 0 });
  problem = $state('');
  stopped = $state(false);
  #importId = '';
  #turn = 0;
  #worker: Worker | null = null;

  constructor(
    /** The only list it may be; null: whichever it looks like. */
    readonly only: ImportKey | null,
    readonly usual: () => { day: string; kind: string } | null
  ) {}

  async file(f: File): Promise<void> {
    this.name = f.name;
    if (f.size > MOST_BYTES) return this.#fail(TOO_LARGE);
    this.#read({ bytes: await f.arrayBuffer() });
  }
  text(text: string): void {
    this.name = 'what was pasted';
    this.#read({ text });
  }
  #read(what: { bytes: ArrayBuffer } | { text: string }): void {
    this.problem = '';
    this.step = 'reading';
    this.#importId = crypto.randomUUID();
    this.#worker ??= this.#start();
    this.#worker.postMessage(
      { turn: ++this.#turn, ...what } satisfies ImportRequest,
      'bytes' in what ? [what.bytes] : []
    );
  }
  #start(): Worker {
    // eslint-disable-next-line svelte/prefer-svelte-reactivity -- an address, not a state
    const worker = new Worker(new URL('../../workers/import.worker.ts', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data }: MessageEvent<ImportAnswer>) => {
      if (data.turn !== this.#turn) return;
      if ('failed' in data) return this.#fail(data.failed);
      this.table = data.table;
      this.as(this.only ?? guessList(data.table.heads) ?? this.list);
    };
    worker.onerror = () => this.#fail('It could not be read. Is it a spreadsheet saved as CSV?');
    return worker;
  }
  #fail(message: string): void {
    this.problem = message;
    this.step = 'empty';
  }

  /** Takes it for a list: its columns by their headings, its numbers and days as they look. */
  as(list: ImportKey): void {
    this.list = list;
    this.shown = false;
    this.columns = matchHeads(this.table!.heads, this.fields);
    this.#detect();
    this.decimal = this.detected!.decimal.is;
    this.dates = this.detected!.dates.is;
    void this.look();
  }
  get fields(): ImportList['fields'] {
    return (IMPORT_LISTS[this.list] as ImportList).fields;
  }
  get missing(): string[] {
    return this.fields.filter((f) => f.needed && !this.columns.includes(f.key)).map((f) => f.key);
  }
  /** Whether its hours may be what a meter shows or time ridden, and nobody has said which. */
  get asks(): boolean {
    return this.lines.some((l) => l.asks);
  }
  /** Says which they are, for all of it. */
  hoursAre(what: 'shown' | 'ridden'): void {
    this.shown = what === 'shown';
    const [from, to] = this.shown ? ['ridden', 'hours'] : ['hours', 'ridden'];
    if (!this.columns.includes(to)) this.columns = this.columns.map((c) => (c === from ? to : c));
    void this.look();
  }
  #detect(): void {
    const of = (...kinds: string[]) => {
      const at = this.fields
        .flatMap((f) => (kinds.includes(f.kind) ? [this.columns.indexOf(f.key)] : []))
        .filter((i) => i >= 0);
      return this.table!.rows.slice(0, SAMPLE)
        .flatMap((r) => at.map((i) => (r.cells[i] ?? '').trim()))
        .filter(Boolean);
    };
    this.detected = {
      decimal: detectDecimal(of('hours', 'ridden', 'distance', 'number', 'amount')),
      dates: detectDates(of('day'))
    };
  }
  /** Asks what taking it would do, as columns, numbers and days are understood now. */
  async look(): Promise<void> {
    this.#detect();
    this.sure = [];
    this.stopped = false;
    this.problem = '';
    if (this.missing.length > 0) {
      this.lines = [];
      this.step = 'looked';
      return;
    }
    const turn = ++this.#turn;
    this.step = 'looking';
    const answer = await ask<Verdict[]>('/api/exchange', {
      importId: this.#importId,
      list: this.list,
      heads: this.table!.heads,
      columns: this.columns,
      decimal: this.decimal,
      dates: this.dates,
      shown: this.shown,
      usual: this.list === 'outings' ? this.usual() : null,
      rows: this.table!.rows
    });
    if (turn !== this.#turn) return;
    if (!answer.ok) this.problem = Object.values(answer.errors)[0] ?? 'It could not be looked through.';
    this.lines = answer.ok ? answer.data.map((v) => ({ ...v, sent: 'no' })) : [];
    this.step = 'looked';
  }

  of(what: What): Line[] {
    return this.lines.filter((l) => l.what === what && l.sent === 'no');
  }
  count(list: readonly Line[]): number {
    return list.reduce((n, l) => n + l.lines.length, 0);
  }
  get written(): number {
    return this.count(this.lines.filter((l) => l.sent === 'taken'));
  }
  /** What is taken when it is said so. */
  get chosen(): Line[] {
    return this.lines.filter(
      (l) =>
        l.sent === 'no' &&
        (l.what === 'new' ||
          l.what === 'changed' ||
          (l.what === 'doubtful' && this.sure.includes(l.lines[0]!)))
    );
  }
  trust(lines: readonly Line[], yes: boolean): void {
    const said = lines.map((l) => l.lines[0]!);
    this.sure = [...this.sure.filter((n) => !said.includes(n)), ...(yes ? said : [])];
  }

  /** Sends what is chosen. What the server refuses joins the refused; what it took stays taken when it is stopped. */
  async take(): Promise<void> {
    this.step = 'sending';
    this.stopped = false;
    this.problem = '';
    const rest = this.chosen;
    this.progress = { done: 0, of: rest.length };
    while (rest.length > 0 && !this.stopped) {
      const readings = rest[0]!.drafts[0]!.kind === 'reading.log';
      const batch = rest.slice(0, readings ? ROWS_AT_ONCE : COMMANDS_AT_ONCE);
      const answers = readings ? await this.#paste(batch) : await this.#commands(batch);
      if (!answers) break;
      rest.splice(0, batch.length);
      const came = Object.fromEntries(batch.map((l, i) => [l.lines[0]!, answers[i]!]));
      this.lines = this.lines.map((l): Line => {
        const why = came[l.lines[0]!];
        if (why === undefined) return l;
        return why === '' ? { ...l, sent: 'taken' } : { ...l, what: 'refused', sent: 'no', why };
      });
      this.progress = { done: this.progress.of - rest.length, of: this.progress.of };
    }
    this.step = this.chosen.length > 0 ? 'looked' : 'done';
  }
  /** Readings go many at once. @returns why each was refused, empty where it was taken; null: nothing of it is known */
  async #paste(batch: readonly Line[]): Promise<string[] | null> {
    const sent = await send('reading.paste', { rows: batch.map((l) => l.drafts[0]!.body) });
    if (!sent.ok) {
      this.problem = Object.values(sent.errors)[0] ?? 'Not sent.';
      return null;
    }
    return sent.data.map((a) => (a.ok ? '' : Object.values(a.errors).join(' ')));
  }
  async #commands(batch: readonly Line[]): Promise<string[] | null> {
    const drafts = batch.flatMap((l) => l.drafts as Draft[]);
    const sent = await sendAll(
      drafts.map(({ id, kind, body, after }) => ({ id, kind, body, after })) as unknown as Item[]
    );
    const lost = sent.find((s) => !s.ok && s.more['retry']);
    if (lost && !lost.ok) {
      this.problem = Object.values(lost.errors)[0] ?? 'Not sent.';
      return null;
    }
    const by = Object.fromEntries(sent.map((s) => [s.id, s]));
    return batch.map((l) => {
      const no = l.drafts.map((d) => by[d.id]!).find((s) => !s.ok);
      return no && !no.ok ? Object.values(no.errors).join(' ') : '';
    });
  }
  /** Stops sending. Rows already written stay. */
  stop(): void {
    this.stopped = true;
  }
  /** What was not taken, as a file, with why: to be put right in the spreadsheet and taken in again. */
  restFile(): string {
    const why: Record<number, string> = Object.fromEntries(
      this.lines
        .filter((l) => l.sent !== 'taken' && l.what !== 'same')
        .flatMap((l) => l.lines.map((n) => [n, l.why || 'not taken yet']))
    );
    const { heads, rows } = this.table!;
    return Papa.unparse(
      [
        [...heads, 'why not'],
        ...rows
          .filter((r) => r.line in why)
          .map((r) => [...heads.map((_, i) => r.cells[i] ?? ''), why[r.line]!])
      ].map((row) => row.map(guarded)),
      { newline: '\r\n' }
    );
  }
  again(): void {
    this.table = null;
    this.lines = [];
    this.problem = '';
    this.step = 'empty';
  }
  leave(): void {
    this.#worker?.terminate();
    this.#worker = null;
  }
}
