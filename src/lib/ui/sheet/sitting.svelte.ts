import { keep, kept, texts } from '../base/kept';

/**
 * Where figures come from while somebody sits over the manual of one machine: named once, and kept until the window is shut. The
 * next machine has its own: a figure must not be put down to the manual of another by a press of Tab.
 */
export interface Sitting {
  source: string;
  edition: string;
  confidence: string;
}
const nobody = (): Sitting => ({ source: '', edition: '', confidence: 'printed' });
const nameOf = (machineId: string) => `ht_sitting_${machineId}`;

export const sitting = $state<Sitting>(nobody());
let at = '';

/** Takes up what this window has named for a machine; what was named for another is put by. */
export function sitOver(machineId: string): void {
  if (at === machineId) return;
  at = machineId;
  Object.assign(sitting, nobody(), texts(kept('window', nameOf(machineId))));
}
export function keepSitting(): void {
  if (at) keep('window', nameOf(at), sitting);
}
