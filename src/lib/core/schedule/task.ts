import type { Centihours } from '../hours/hours';
import type { RateOfUse } from '../forecast/rate';
import type { Sensitivity, Strain } from '../outing/outing';
import type { Day } from '../time/day';

/**
 * What a trigger counts. Amounts are hundredths of an hour for hours, hundredths of a kilometre for distance, whole days,
 * outings, races, or times another task was done.
 */
export const MEASURES = ['hours', 'distance', 'days', 'outings', 'races', 'times'] as const;
export type Measure = (typeof MEASURES)[number];
/** What is counted as it happens, by machine or component; days go by themselves, times belong to another task. */
export const COUNTERS = ['hours', 'distance', 'outings', 'races'] as const;
export type Counter = (typeof COUNTERS)[number];
export type Counters = Record<Counter, number | null>;

export const ANCHORINGS = ['from done', 'from due'] as const;
export type Anchoring = (typeof ANCHORINGS)[number];
export const AGEINGS = ['by the meter', 'by the riding'] as const;
export type Ageing = (typeof AGEINGS)[number];

/** One condition under which a task falls due, as the book gives it. */
export interface Trigger {
  id: string;
  measure: Measure;
  /** `times`: the task whose doings are counted. */
  of: { id: string; name: string } | null;
  /** The book's interval: due when this much has been counted. */
  interval: number;
  /** Up to this much it is still tolerated; past it the machine should not go out. Null where the book gives none. */
  limit: number | null;
  /** After new or a rebuild, while the task has not been done since. Null: the same as every other time. */
  firstInterval: number | null;
  firstLimit: number | null;
  /** Shorter than the book's, by a proposal somebody accepted; null: the book's own. */
  shortenedTo: number | null;
}

/** A trigger with its count: how much has gone by since it was last done, and where that falls due. */
export interface Counting extends Trigger {
  /** The interval and limit of the book in force: the first ones, or the usual. */
  book: number;
  bookLimit: number | null;
  /** True while the first interval holds. */
  first: boolean;
  /** The amount since the last time at which it is due, by shortening and anchoring: never more than `book`. Null: unknown. */
  due: number | null;
  /** Counted since it was last done; null when unknown, and for days, which go by themselves. */
  used: number | null;
  /** The same with every hour weighted by the riding; null when it ages by the meter. Never less than `used`. */
  aged: number | null;
  /** What was seen when it was last done wants it again within so much: sooner than the book's. Null: nothing did. */
  within: number | null;
  /** Its count began after it was last done, with an odometer that was added since: it is counted from there. */
  late: boolean;
}

/** A symptom or incident that calls a task now. */
export interface Call {
  id: string;
  kind: 'symptom' | 'incident';
  what: string;
  words: string;
  day: Day;
}

/** From where a task's count starts. */
export interface CountedFrom {
  /** `new` and `rebuild`: not done since then, so the first interval holds. */
  since: 'new' | 'rebuild' | 'done';
  /** The owner's hours then; null when nobody knows. */
  hours: Centihours | null;
  day: Day;
}

/** A piece of maintenance that comes round again, on one machine or on a component fitted to it. */
export interface Task {
  id: string;
  name: string;
  /** The job template that leads through it at the bench; null where it is simply written down as done. */
  job: string | null;
  /** The component it belongs to; null: the machine itself. */
  part: { id: string; name: string } | null;
  triggers: Counting[];
  /** Null when nobody knows, and then its state is unknown. */
  counted: CountedFrom | null;
  ageing: Ageing;
  anchoring: Anchoring;
  /** The count is restarted by a new part only. */
  perPart: boolean;
  sensitivity: Sensitivity;
  /** Hours since it was last done under each strain; what weighting is worked out from. */
  strained: Partial<Record<Strain, Centihours>>;
  calls: Call[];
}

/** An outing that is planned, with the hours it is expected to use up on this machine. */
export interface PlannedOuting {
  id: string;
  name: string;
  kind: string;
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
  /** Hundredths of a kilometre per hour; null when not learned. */
  speed: number | null;
  /** Hundredths of an hour an outing; null when not learned. */
  perOuting: Centihours | null;
}

/** A task as somebody wrote it, without its counts. */
export interface SavedTask {
  name: string;
  job: string | null;
  note: string;
  triggers: Trigger[];
  /** Null: as the team's house rule says. */
  ageing: Ageing | null;
  anchoring: Anchoring | null;
  sensitivity: Sensitivity;
  perPart: boolean;
  restartsOnRebuild: boolean;
  answers: string[];
}
