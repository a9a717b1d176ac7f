import type { Role } from './team/team';

/**
 * What is known of a kind of command beside the shape of its body. A noun says it of each of its own in its `commands.ts`; `command/rules`
 * has them all.
 */
export interface CommandRule {
  /** Who may send it. Riders: about machines that they ride; what a write touches says which. */
  who: readonly Role[];
  /** What it is called where it is listed: its noun, and what became of it. */
  words: string;
  /**
   * It may wait on a device for a signal: it says what happened, and nobody has to be asked before the hand goes on. Without it: it plans,
   * sets up or strikes out, wants the book as it stands, and is refused without a signal.
   */
  waits?: Waits;
  /** Bytes of its body at most, where it holds many rows. */
  mostBytes?: number;
}
interface Waits {
  /**
   * What it belongs with, for a page that shows what waits as if it were in the book; commands of one place are carried out in the order
   * they were written. Without it: it stands by itself.
   * @param of the text of a field of its body
   */
  place?: (of: (field: string) => string) => string;
  /** It begins its place: what is written there rests on it. */
  begins?: true;
  /** It ends its place: it is not carried out while something written there before was refused. */
  ends?: true;
}
/** One for each body. */
export type Rules<B> = { readonly [K in keyof B]: CommandRule };

export const visitPlace = (visitId: string): string => `visit ${visitId}`;
export const roundPlace = (list: string, machineId: string): string => `round ${list} ${machineId}`;
export const valvesPlace = (headId: string): string => `valves ${headId}`;
export const chainPlace = (machineId: string): string => `chain ${machineId}`;
