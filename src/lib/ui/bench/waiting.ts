import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
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

/** In the order they were written. */
export const byWriting = (a: Waiting, b: Waiting): number => (a.at < b.at ? -1 : a.at > b.at ? 1 : a.n - b.n);

/** How often the server may fail over one entry before it is set aside for somebody to look at. */
export const MOST_FAILURES = 3;

interface Device extends DBSchema {
  /** Entries of visits that the server does not have yet. */
  waiting: { key: string; value: Waiting & { visitId: string }; indexes: { visit: string } };
}
let opened: Promise<IDBPDatabase<Device>> | null = null;
function device(): Promise<IDBPDatabase<Device>> {
  opened ??= openDB<Device>('hour-trail', 1, {
    upgrade: (db) =>
      void db.createObjectStore('waiting', { keyPath: 'entry.id' }).createIndex('visit', 'visitId'),
    // Cleared by the browser or its owner: the next write opens it again.
    terminated: () => (opened = null)
  }).catch((e: unknown) => {
    opened = null;
    throw e;
  });
  return opened;
}

/**
 * What a visit still has to send, kept on this device over a reload. Each entry has a place of its own, so that two tabs of
 * one visit never write over each other's.
 */
export class Outbox {
  constructor(readonly visitId: string) {}

  /** @throws DOMException where the browser keeps nothing: its storage is full, or shut off */
  async keep(w: Waiting): Promise<void> {
    await (await device()).put('waiting', { ...w, visitId: this.visitId });
  }
  async drop(id: string): Promise<void> {
    await (await device()).delete('waiting', id);
  }
  /** Everything that any tab has kept and nobody has sent, in the order it was written. */
  async all(): Promise<Waiting[]> {
    const db = await device();
    await takeOver(db, this.visitId);
    const kept = await db.getAllFromIndex('waiting', 'visit', this.visitId);
    return kept.map(({ entry, at, n, failed }) => ({ entry, at, n, failed })).sort(byWriting);
  }
}

/** What an earlier release kept in the browser's local storage and could not send. Rubbish is passed over. */
async function takeOver(db: IDBPDatabase<Device>, visitId: string): Promise<void> {
  const prefix = `ht_visit_${visitId}_`;
  const keys = Array.from({ length: localStorage.length }, (_, i) => localStorage.key(i));
  for (const key of keys) {
    if (!key?.startsWith(prefix)) continue;
    try {
      const w = JSON.parse(localStorage.getItem(key) ?? '') as Waiting;
      if (w.entry?.id && w.at) await db.put('waiting', { ...w, visitId });
    } catch (e) {
      if (!(e instanceof SyntaxError)) throw e;
    }
    localStorage.removeItem(key);
  }
}
