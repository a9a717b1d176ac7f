import type { NewEntry } from '$lib/core/visit/entry';

/** An entry on its way, with when it was written and how often the server failed over it. */
export interface Waiting {
  entry: NewEntry;
  at: string;
  /** Order among those written in one instant. */
  n: number;
  failed: number;
}

/** A new one, as of now. */
export const waitingNow = (entry: NewEntry, n: number): Waiting => ({
  entry,
  at: new Date().toISOString(),
  n,
  failed: 0
});

/** The same moment by another clock. @param aheadMs how far that one is ahead */
export const shifted = (at: string, aheadMs: number): string =>
  new Date(Date.parse(at) + aheadMs).toISOString();

/** How often the server may fail over one entry before it is set aside for somebody to look at. */
export const MOST_FAILURES = 3;

/**
 * What a visit still has to send, kept on this device over a reload. Each entry has a place of its own, so that two tabs of
 * one visit never write over each other's.
 */
export class Outbox {
  readonly #prefix: string;
  constructor(visitId: string) {
    this.#prefix = `ht_visit_${visitId}_`;
  }

  keep(w: Waiting): void {
    localStorage.setItem(this.#prefix + w.entry.id, JSON.stringify(w));
  }
  drop(id: string): void {
    localStorage.removeItem(this.#prefix + id);
  }
  /** Everything that any tab has kept and nobody has sent, in the order it was written. Rubbish is passed over. */
  all(): Waiting[] {
    const kept: Waiting[] = [];
    for (let i = 0; i < localStorage.length; i++) {
      const key = localStorage.key(i);
      if (!key?.startsWith(this.#prefix)) continue;
      try {
        const w = JSON.parse(localStorage.getItem(key) ?? '') as Waiting;
        if (w.entry?.id && w.at) kept.push(w);
      } catch {
        localStorage.removeItem(key);
      }
    }
    return kept.sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : a.n - b.n));
  }
}
