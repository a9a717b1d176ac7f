import { LISTS, type List } from '$lib/core/round/check';

/** Every page asks whether a round was left with something unsent; reading and sending it is loaded only where one was. */

/** What it is kept by on the device. */
export const nameOf = (list: List, machineId: string) => `round ${list} ${machineId}`;
const NAME = /^round (\w+) ([0-9a-f-]{36})$/;

/** The rounds something waits of on this device. */
export function roundsLeft(): { list: List; machineId: string }[] {
  try {
    return Array.from({ length: localStorage.length }, (_, i) =>
      NAME.exec(localStorage.key(i) ?? '')
    ).flatMap((m) => (m && LISTS.includes(m[1] as List) ? [{ list: m[1] as List, machineId: m[2]! }] : []));
  } catch {
    return [];
  }
}
