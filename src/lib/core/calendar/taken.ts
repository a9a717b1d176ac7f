import { dayNumber, type Day } from '../time/day';

/** An event as a calendar file has it, once for each time it takes place. */
export interface FileEvent {
  /** Its own name in that file, the same each time it is read. */
  uid: string;
  name: string;
  /** First and last day, both inside, as the team’s wall clock has them. */
  firstDay: Day;
  lastDay: Day;
}

/** What taking it in would do. */
export const VERDICTS = ['new', 'planned already', 'over', 'longer than 31 days'] as const;
export type Verdict = (typeof VERDICTS)[number];

/** The most days an outing may take; longer ones are planned by parts. */
const MOST_DAYS = 31;

/**
 * What would become of an event of a file.
 *
 * @param planned whether it was taken in before
 */
export function verdictOf(e: Pick<FileEvent, 'firstDay' | 'lastDay'>, today: Day, planned: boolean): Verdict {
  if (planned) return 'planned already';
  if (e.lastDay < today) return 'over';
  return dayNumber(e.lastDay) - dayNumber(e.firstDay) >= MOST_DAYS ? 'longer than 31 days' : 'new';
}

const RACE =
  /\b(race|races|racing|round \d|heat|hare|enduro|moto|cross|gp|cup|series|championship|scramble|rally|sprint)/i;
const PRACTICE = /\b(practice|training|test|tests|testing|track day|school)\b/i;
/** What it probably is, by its name; whoever takes it in may say otherwise. */
export function likelyKind(name: string): 'race' | 'practice' | 'day out' {
  if (PRACTICE.test(name)) return 'practice';
  return RACE.test(name) ? 'race' : 'day out';
}
