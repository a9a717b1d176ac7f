import { forgetHere, holdPixels, photoOf } from './photos';
import { store, type Kept } from '../offline/store';
import { tab } from './tab';

const inOrder = (a: Kept, b: Kept): number => a.n - b.n || (a.at < b.at ? -1 : a.at > b.at ? 1 : 0);

/** Keeps the store of this device as the outbox has it, and knows what is not, or not yet, so. */
export class Shelf {
  #unstored = new Set<string>();
  /** Dropped here, and perhaps still found there. */
  #dropped = new Set<string>();
  constructor(
    /** Something was stored; or nothing can be, and is lost with the page. */
    readonly stored: (works: boolean) => void
  ) {}

  put(kept: Kept, pixels?: Blob): void {
    const photo = photoOf(kept);
    // The store answers a moment later, and the page may be read anew in that moment. Pixels the window has no room for.
    if (!pixels) tab.put(kept);
    this.#do(
      kept.id,
      async () => {
        if (pixels && photo) await store.putWithPixels(kept, photo, pixels);
        else await store.put(kept);
        tab.drop(kept.id);
      },
      () => {
        tab.put(kept);
        if (pixels && photo) holdPixels(photo, pixels);
      }
    );
  }
  /** What this window kept by itself over a reload, because the store did not: it tries the store again. */
  again(): Kept[] {
    const list = tab.all().filter((k) => !this.#unstored.has(k.id) && !this.#dropped.has(k.id));
    for (const kept of list) this.put(kept);
    return list;
  }
  drop(kept: Kept): void {
    const photo = photoOf(kept);
    this.#dropped.add(kept.id);
    tab.drop(kept.id);
    this.#do(kept.id, async () => {
      await store.drop(kept.id);
      if (photo) await forgetHere(photo);
    });
  }
  #do(id: string, work: () => Promise<void>, failed: () => void = () => {}): void {
    this.#unstored.add(id);
    work().then(
      () => {
        this.#unstored.delete(id);
        if (this.#unstored.size === 0) this.stored(true);
      },
      () => {
        // Gone in any case, it need not be stored.
        if (this.#dropped.has(id)) this.#unstored.delete(id);
        else {
          failed();
          this.stored(false);
        }
      }
    );
  }

  /**
   * What another window has kept comes in, and what it has sent goes.
   * @param there as it stands in the store
   * @param stays whether one is left here all the same: somebody waits for its answer
   */
  merge(items: readonly Kept[], there: readonly Kept[], stays: (kept: Kept) => boolean): Kept[] {
    const known = new Set(items.map((k) => k.id));
    const stored = new Set(there.map((k) => k.id));
    return [
      ...items.filter((k) => stored.has(k.id) || this.#unstored.has(k.id) || stays(k)),
      ...there.filter((k) => !known.has(k.id) && !this.#dropped.has(k.id))
    ].sort(inOrder);
  }
}
