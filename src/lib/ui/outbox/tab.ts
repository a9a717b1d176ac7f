import type { Kept } from '../offline/store';

/** Of this window only; it is gone with it, and there after a reload. */
const KEY = 'hour-trail unstored';

function read(): Kept[] {
  try {
    return JSON.parse(sessionStorage.getItem(KEY) ?? '[]') as Kept[];
  } catch {
    return [];
  }
}
function write(list: readonly Kept[]): void {
  try {
    if (list.length === 0) sessionStorage.removeItem(KEY);
    else sessionStorage.setItem(KEY, JSON.stringify(list));
  } catch {
    // Full as well, or shut off: the page says that it has to stay open, and the browser asks before it goes.
  }
}

/**
 * What the store of this device does not have yet, or did not take: kept by the window itself, at once, in a few megabytes apart from
 * it. A reload finds it again; closing the window does not.
 */
export const tab = {
  all: read,
  put: (kept: Kept): void => write([...read().filter((k) => k.id !== kept.id), kept]),
  drop(id: string): void {
    const list = read();
    if (list.some((k) => k.id === id)) write(list.filter((k) => k.id !== id));
  }
};
