import type { Centihours } from '../hours/hours';
import type { RateOfUse } from '../hours/rate';
import type { Day } from '../time/day';

/** What a trigger counts. Amounts are hundredths of an hour for hours, whole days for days. */
export type Measure = 'hours' | 'days';

/** One condition under which a task falls due, counted from when it was last done. */
export interface Trigger {
  id: string;
  measure: Measure;
  /** The book's interval: due when this much has been counted. */
  interval: number;
  /** Up to this much it is still tolerated; past it the machine should not go out. Null where the book gives none. */
  limit: number | null;
  /** After new or a rebuild, while the task has never been done. Null: the same as every other time. */
  firstInterval: number | null;
  firstLimit: number | null;
}

/** A piece of maintenance that comes round again, on one machine. */
export interface Task {
  id: string;
  name: string;
  /** The job template that leads through it at the bench; null where it is simply written down as done. */
  job: string | null;
  triggers: Trigger[];
  /** From where its count starts; null when nobody knows, and then its state is unknown. */
  counted: CountedFrom | null;
}

export interface CountedFrom {
  /** `new`: never done yet, counted from when the machine was new, with the first interval. */
  since: 'new' | 'done';
  /** Running hours then; null when only the day is known. */
  hours: Centihours | null;
  day: Day;
}

/** An outing that is planned, with the hours it is expected to use up on this machine. */
export interface PlannedOuting {
  id: string;
  name: string;
  firstDay: Day;
  lastDay: Day;
  hours: Centihours;
}

/** Where a machine stands today: all that a task's state depends on besides the task. */
export interface MachineNow {
  today: Day;
  /** Running hours; null when unknown. */
  total: Centihours | null;
  rate: RateOfUse | null;
  /** Planned outings that are not over, the next one first. */
  planned: PlannedOuting[];
}
