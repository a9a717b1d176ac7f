/** Where figures come from while somebody sits over one manual: named once, and kept on the device until the window is shut. */
export interface Sitting {
  source: string;
  edition: string;
  confidence: string;
}
const KEY = 'ht_sitting';

export const sitting = $state<Sitting>({ source: '', edition: '', confidence: 'printed' });

/** Takes up what this window has named before. */
export function resumeSitting(): void {
  try {
    const kept = JSON.parse(sessionStorage.getItem(KEY) ?? '{}') as Partial<Record<keyof Sitting, unknown>>;
    for (const k of ['source', 'edition', 'confidence'] as const)
      if (typeof kept[k] === 'string' && kept[k]) sitting[k] = kept[k];
  } catch {
    // Private windows keep nothing; it is named again.
  }
}
export function keepSitting(): void {
  try {
    sessionStorage.setItem(KEY, JSON.stringify(sitting));
  } catch {
    // As above.
  }
}
