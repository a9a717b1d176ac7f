import Papa from 'papaparse';
import type { PasteContext, PasteField } from '$lib/core/outing/paste';
import type { BadRow, GoodRow, PasteAnswer, PasteRequest } from '$lib/workers/paste.worker';
import { send } from '../form/send';

/** Rows sent at once: a second's work for the server, so that cancelling is heeded soon. */
const BATCH = 250;

/** A spreadsheet on its way into the book: read and checked by a worker, sent in batches, to be stopped at any time. */
export class Paste {
  step = $state<'empty' | 'reading' | 'matching' | 'checking' | 'checked' | 'sending' | 'done'>('empty');
  heads = $state.raw<string[]>([]);
  columns = $state<(PasteField | null)[]>([]);
  sample = $state.raw<string[][]>([]);
  rows = $state(0);
  progress = $state({ done: 0, of: 0 });
  good = $state.raw<GoodRow[]>([]);
  bad = $state.raw<BadRow[]>([]);
  written = $state(0);
  problem = $state('');
  cancelled = $state(false);
  #worker: Worker | null = null;

  #ask(request: PasteRequest): void {
    this.#worker ??= this.#start();
    this.#worker.postMessage(request);
  }
  #start(): Worker {
    // eslint-disable-next-line svelte/prefer-svelte-reactivity -- an address, not a state
    const worker = new Worker(new URL('../../workers/paste.worker.ts', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data }: MessageEvent<PasteAnswer>) => this.#take(data);
    worker.onerror = () => this.#fail('It could not be read. Is it a spreadsheet saved as CSV?');
    return worker;
  }
  #take(answer: PasteAnswer): void {
    if (answer.type === 'failed') return this.#fail(answer.message);
    if (answer.type === 'progress') {
      this.progress = { done: answer.done, of: answer.of };
      return;
    }
    if (answer.type === 'read') {
      const { heads, columns, sample, rows } = answer;
      Object.assign(this, { heads, columns, sample, rows, step: 'matching' });
    } else Object.assign(this, { good: answer.good, bad: answer.bad, step: 'checked' });
  }
  #fail(message: string): void {
    this.problem = message;
    this.step = 'empty';
  }

  read(text: string): void {
    this.problem = '';
    this.step = 'reading';
    this.#ask({ type: 'read', text });
  }
  check(context: PasteContext): void {
    this.step = 'checking';
    this.progress = { done: 0, of: this.rows };
    this.#ask({ type: 'check', columns: [...this.columns], context });
  }

  /** Sends what is good. What the server refuses joins the bad rows; what it took stays taken when it is stopped. */
  async send(): Promise<void> {
    this.step = 'sending';
    this.cancelled = false;
    this.problem = '';
    const rest = [...this.good];
    const refused: BadRow[] = [];
    this.progress = { done: 0, of: rest.length };
    while (rest.length > 0 && !this.cancelled) {
      const batch = rest.slice(0, BATCH);
      const sent = await send('reading.paste', { rows: batch.map((r) => r.body) });
      if (!sent.ok) {
        this.problem = Object.values(sent.errors)[0] ?? 'Not sent.';
        break;
      }
      rest.splice(0, batch.length);
      for (const [i, answer] of sent.data.entries()) {
        const { line, cells } = batch[i]!;
        if (answer.ok) this.written += 1;
        else refused.push({ line, cells, problem: Object.values(answer.errors).join(' ') });
      }
      this.progress = { done: this.progress.of - rest.length, of: this.progress.of };
    }
    this.good = rest;
    this.bad = [...this.bad, ...refused].sort((a, b) => a.line - b.line);
    this.step = rest.length > 0 ? 'checked' : 'done';
  }
  /** Stops reading, checking or sending. Rows already written stay. */
  cancel(): void {
    if (this.step === 'sending') this.cancelled = true;
    else {
      this.#worker?.terminate();
      this.#worker = null;
      this.step = 'empty';
    }
  }
  /** The bad rows as a file, with why: to be put right in the spreadsheet and pasted again. */
  badFile(): string {
    return Papa.unparse([
      [...this.heads, 'why not'],
      ...this.bad.map((b) => [...this.heads.map((_, i) => b.cells[i] ?? ''), b.problem])
    ]);
  }
  leave(): void {
    this.#worker?.terminate();
    this.#worker = null;
  }
}
