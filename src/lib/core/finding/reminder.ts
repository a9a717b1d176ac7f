/** What a reminder waits for (handbook, section 3: after-events). The next outing raises it by itself, the others a person. */
export const WAITS_FOR = [
  'the next outing',
  'a part to arrive',
  'a tool to arrive',
  'a second person',
  'it stands on its wheels'
] as const;
export type WaitsFor = (typeof WAITS_FOR)[number];

/** Something to be done when an event comes, on no date. */
export interface Reminder {
  id: string;
  /** What is to be done then. */
  words: string;
  waitsFor: WaitsFor;
  /** Which part or tool; empty where it is neither. */
  part: string;
  /** Its event has come. */
  come: boolean;
}

/** Where a reminder stands, in words: `waits for a part to arrive (adapter)`, `now: the next outing has come`. */
export function waitsInWords(r: Pick<Reminder, 'waitsFor' | 'part' | 'come'>): string {
  if (r.come) return `now: ${r.waitsFor} has come`;
  return `waits for ${r.part ? `${r.waitsFor} (${r.part})` : r.waitsFor}`;
}
