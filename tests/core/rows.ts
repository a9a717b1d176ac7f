import type { BookMeter, BookOuting } from '../../src/lib/core/book/steps';
import type { Reading } from '../../src/lib/core/hours/running';

export const DAY = 86_400_000;
// Rows of a book as its loader gives them: of meter `m`, their moments in days from the first.
export const meter = (id: string, more: Partial<BookMeter> = {}): BookMeter => ({
  id,
  counts: 'hours',
  fittedAt: 0,
  firstValue: 0,
  removedAt: null,
  lastValue: null,
  dead: [],
  ...more
});
export const reading = (
  id: string,
  day: number,
  value: number | null,
  more: Partial<Reading> = {}
): Reading => ({
  id,
  meterId: 'm',
  at: day * DAY,
  value,
  ridden: value === null ? 100 : null,
  struck: false,
  ...more
});
export const outing = (id: string, day: number, more: Partial<BookOuting> = {}): BookOuting => ({
  id,
  at: day * DAY,
  kind: 'ride',
  eventId: null,
  distance: null,
  strains: [],
  ...more
});
