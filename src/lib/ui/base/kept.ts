/**
 * What this device keeps for a person beside the book: a choice, or what was typed and not yet sent. Where nothing can be kept (a
 * private window, a full disk), or what was kept is rubbish, it is simply asked again.
 */
export type Place = 'window' | 'device';
const storage = (place: Place): Storage => (place === 'window' ? sessionStorage : localStorage);

/** What was kept under a name; null where nothing was. */
export function kept(place: Place, name: string): unknown {
  try {
    return JSON.parse(storage(place).getItem(name) ?? 'null');
  } catch {
    return null;
  }
}
export function keep(place: Place, name: string, value: unknown): void {
  try {
    storage(place).setItem(name, JSON.stringify(value));
  } catch {
    // It is asked again.
  }
}
export function forget(place: Place, name: string): void {
  try {
    storage(place).removeItem(name);
  } catch {
    // There was nothing to forget.
  }
}

/** Of what was kept, the texts: anything else under a name is left out. */
export function texts(value: unknown): Record<string, string> {
  return typeof value === 'object' && value !== null
    ? Object.fromEntries(Object.entries(value).filter((e): e is [string, string] => typeof e[1] === 'string'))
    : {};
}
