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

type Waits = Pick<Reminder, 'waitsFor' | 'part' | 'come'>;

/** Where an event stands, in words: `waits for a part to arrive (adapter)`, `the next outing has come`. */
export function eventInWords(r: Waits): string {
  if (r.come) return `${r.waitsFor} has come`;
  return `waits for ${r.part ? `${r.waitsFor} (${r.part})` : r.waitsFor}`;
}

/** The same of a reminder by itself, which is to be done once its event has come: `now: the next outing has come`. */
export const waitsInWords = (r: Waits): string => `${r.come ? 'now: ' : ''}${eventInWords(r)}`;
