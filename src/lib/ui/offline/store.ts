import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { Kind } from '$lib/core/command/commands';
import type { Entry } from '$lib/core/visit/entry';

/** A command on this device that the server has not answered, or has refused. */
export interface Kept {
  /** The command's: under it it is carried out once, however often it is sent. */
  id: string;
  kind: Kind;
  body: unknown;
  /** When it was written, by this device's clock. */
  at: string;
  /** Its number among those of this device: they go in this order. */
  n: number;
  /** What it belongs with, as {@link placeOf} has it; '' where it stands by itself. */
  place: string;
  /** Who wrote it: nobody else sends it. '': nobody had said who is working. */
  who: string;
  /** How often the server failed over it. */
  failed: number;
  /** It was sent once and no answer came: whoever wrote it may have gone on. */
  waited: boolean;
  refused: Refused | null;
}
export interface Refused {
  errors: Record<string, string>;
  more: Record<string, unknown>;
}

/** What a command goes by: an id of its own, and when it was written. */
export const knownNow = (id: string = crypto.randomUUID()): Pick<Kept, 'id' | 'at'> => ({
  id,
  at: new Date().toISOString()
});

/** An entry of a visit that this device wrote, with the stamp the server gave it. */
export interface Taken {
  id: string;
  visitId: string;
  entry: Entry;
}

interface Device extends DBSchema {
  commands: { key: string; value: Kept };
  /** Pixels of photos that the server does not have yet. */
  photos: { key: string; value: { id: string; pixels: Blob } };
  /** Entries of visits that the server has taken, until its page of the visit has them too. */
  taken: { key: string; value: Taken; indexes: { visit: string } };
  /** Entries of visits, as an earlier release kept them. */
  waiting: { key: string; value: EarlierEntry };
}
export interface EarlierEntry {
  entry: { id: string };
  at: string;
  n: number;
  failed: number;
  visitId: string;
}

/** Opens what this device keeps. @param letGo it was closed: by the browser, or to make room for a later release in another window */
export function open(name: string, letGo: () => void = () => {}): Promise<IDBPDatabase<Device>> {
  return openDB<Device>(name, 3, {
    async upgrade(db, from, _, tx) {
      db.createObjectStore('taken', { keyPath: 'id' }).createIndex('visit', 'visitId');
      if (from >= 2) return;
      db.createObjectStore('commands', { keyPath: 'id' });
      db.createObjectStore('photos', { keyPath: 'id' });
      if (from === 0) return;
      const earlier = await tx.objectStore('waiting').getAll();
      for (const w of earlier) await tx.objectStore('commands').put(fromEarlier(w));
      db.deleteObjectStore('waiting');
    },
    // Cleared by the browser or its owner: the next write opens it again.
    terminated: letGo,
    blocking: (_, __, e) => {
      letGo();
      (e.target as IDBDatabase).close();
    }
  });
}
let opened: Promise<IDBPDatabase<Device>> | null = null;
function device(): Promise<IDBPDatabase<Device>> {
  const letGo = () => (opened = null);
  opened ??= open('hour-trail', letGo).catch((e: unknown) => {
    letGo();
    throw e;
  });
  return opened;
}

const fromEarlier = ({ entry, at, n, failed, visitId }: EarlierEntry): Kept => ({
  id: entry.id,
  kind: 'visit.enter',
  body: { visitId, entry },
  at,
  n,
  place: `visit ${visitId}`,
  who: '',
  failed,
  waited: true,
  refused: null
});

/**
 * What waits, kept on this device over a reload and beyond: each under its own id, so that two windows never write over each other’s.
 * Every one of these throws a DOMException where the browser keeps nothing: its storage is full, or shut off.
 */
export const store = {
  async all(): Promise<Kept[]> {
    return (await device()).getAll('commands');
  },
  async put(kept: Kept): Promise<void> {
    await (await device()).put('commands', kept);
  },
  /** A command and the pixels it speaks of, both or neither. */
  async putWithPixels(kept: Kept, photoId: string, pixels: Blob): Promise<void> {
    const tx = (await device()).transaction(['commands', 'photos'], 'readwrite');
    await Promise.all([
      tx.objectStore('commands').put(kept),
      tx.objectStore('photos').put({ id: photoId, pixels }),
      tx.done
    ]);
  },
  async pixels(photoId: string): Promise<Blob | null> {
    return (await (await device()).get('photos', photoId))?.pixels ?? null;
  },
  async dropPixels(photoId: string): Promise<void> {
    await (await device()).delete('photos', photoId);
  },
  async drop(id: string): Promise<void> {
    await (await device()).delete('commands', id);
  },
  async keepTaken(list: readonly Taken[]): Promise<void> {
    const tx = (await device()).transaction('taken', 'readwrite');
    await Promise.all([...list.map((t) => tx.store.put(t)), tx.done]);
  },
  async takenAt(visitId: string): Promise<Taken[]> {
    return (await device()).getAllFromIndex('taken', 'visit', visitId);
  },
  async clearTaken(): Promise<void> {
    await (await device()).clear('taken');
  },
  async dropTaken(ids: readonly string[]): Promise<void> {
    const tx = (await device()).transaction('taken', 'readwrite');
    await Promise.all([...ids.map((id) => tx.store.delete(id)), tx.done]);
  }
};
