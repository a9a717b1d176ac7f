import { showDay, type Day } from '../time/day';

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
  /** When that is expected; null: nobody said. */
  expectedOn: Day | null;
  /** Its event has come. */
  come: boolean;
}

type Waits = Pick<Reminder, 'waitsFor' | 'part' | 'expectedOn' | 'come'>;

/** Where an event stands, in words: `waits for a part to arrive (adapter, expected 4 Dec)`, `the next outing has come`. */
export function eventInWords(r: Waits): string {
  if (r.come) return `${r.waitsFor} has come`;
  const which = [r.part, r.expectedOn && `expected ${showDay(r.expectedOn, r.expectedOn)}`]
    .filter(Boolean)
    .join(', ');
  return `waits for ${which ? `${r.waitsFor} (${which})` : r.waitsFor}`;
}

/** The same of a reminder by itself, which is to be done once its event has come: `now: the next outing has come`. */
export const waitsInWords = (r: Waits): string => `${r.come ? 'now: ' : ''}${eventInWords(r)}`;
