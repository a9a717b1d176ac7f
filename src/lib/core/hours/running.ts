import type { Centihours } from './hours';

/**
 * An hour meter on a machine. Meters follow one another; the one fitted last is the one being read.
 * Times are milliseconds since 1970 so that they compare without a calendar.
 */
export interface Meter {
  id: string;
  fittedAt: number;
  /** What it showed when it was fitted. */
  firstValue: Centihours;
  /** When it came off or was reset; null while it is the one in use. */
  removedAt: number | null;
  /** What it showed then; null when nobody could read it any more. */
  lastValue: Centihours | null;
}

/**
 * One point in the book. Either what the meter showed (`value`), or hours ridden that no meter counted (`ridden`): a dead
 * meter, or none. Exactly one of the two is set.
 */
export interface Reading {
  id: string;
  meterId: string;
  at: number;
  value: Centihours | null;
  ridden: Centihours | null;
  /** Struck out: stays in the book, counts for nothing. */
  struck: boolean;
}

/** A moment at which the running total became what it then was: a reading, or a meter that was closed. */
export interface RunningStep {
  at: number;
  total: Centihours;
  estimated: boolean;
  /** The reading that brought it; null where a meter was closed. */
  readingId: string | null;
}
