import type { Centihours } from './hours';
import { JUDGED_BY } from '../judged/by';

/** How a person may settle a doubt. */
export type Settlement = 'reading is right' | 'earlier one was wrong' | 'meter was replaced';

/** What is odd about a reading someone is about to write down. The words stand in {@link doubtInWords}. */
export type Doubt = {
  /** What the person may say to that. Empty: it cannot be true and must be written again. */
  settlements: readonly Settlement[];
} & (
  | { kind: 'lower than the last'; last: Centihours; value: Centihours }
  | { kind: 'higher than the next'; next: Centihours; value: Centihours }
  | { kind: 'ahead of the clock' }
  /** `elapsed`: hours gone by. */
  | { kind: 'more than the clock'; used: Centihours; elapsed: number }
  /** `would`: the figure that would fit. */
  | { kind: 'unit slip'; slip: 'decimal sign' | 'minutes'; would: Centihours }
  | { kind: 'unusual jump'; used: Centihours; perWeek: Centihours }
);
export type DoubtKind = Doubt['kind'];

export interface ReadingContext {
  /** The reading before this moment on this meter that is not struck out: what it showed and when (ms). */
  last: { value: Centihours; at: number } | null;
  /** The one after it, where this reading is written down late. */
  next?: { value: Centihours; at: number } | null;
  /** Its rate of use, hundredths of an hour a day and the spread of that; null: too little history. */
  rate: { perDay: number; spreadPerRootDay: number } | null;
  now: number;
  /** Only the day is known, not the hour: the clock is then given a whole day's grace. */
  dayOnly?: boolean;
}

const MS_PER_HOUR = 3_600_000;
/** A device clock may run a little ahead of the server's. */
const CLOCK_SLACK_MS = 10 * 60_000;
/** A meter rounds to a tenth, and is read a while after the engine stopped. */
const CLOCK_SLACK_CENTIHOURS = 20;
/** Times the busiest usual use before a jump is worth a question, and below how many hours it never is. */
const { jumpTimes, jumpFrom } = JUDGED_BY.hours;

const ANY: readonly Settlement[] = ['reading is right', 'earlier one was wrong', 'meter was replaced'];
const NONE: readonly Settlement[] = [];

/**
 * Whether a reading of the meter wants questioning before it is taken (handbook, Hours): lower than the last, ahead of the
 * clock, more hours than have gone by, a ten-fold slip or minutes for hours, or a jump far past the usual rate of use.
 *
 * @param value what is claimed the meter shows
 * @param at when it was read, ms since 1970
 * @returns the doubts, the gravest first; empty when there is nothing to ask
 */
export function questionReading(value: Centihours, at: number, context: ReadingContext): Doubt[] {
  const { last, next, rate, now } = context;
  const doubts: Doubt[] = [];
  if (at > now + CLOCK_SLACK_MS) doubts.push({ kind: 'ahead of the clock', settlements: NONE });
  if (next && value > next.value)
    doubts.push({ kind: 'higher than the next', next: next.value, value, settlements: NONE });
  if (!last || at < last.at) return doubts;

  const used = value - last.value;
  const elapsed = (at - last.at) / MS_PER_HOUR + (context.dayOnly ? 24 : 0);
  const days = elapsed / 24;
  if (used < 0) {
    const settlements: Settlement[] = ['earlier one was wrong', 'meter was replaced'];
    doubts.push({ kind: 'lower than the last', last: last.value, value, settlements });
    return doubts;
  }
  const overClock = used > elapsed * 100 + CLOCK_SLACK_CENTIHOURS;
  const expected =
    rate && rate.perDay > 0
      ? rate.perDay * days + 3 * rate.spreadPerRootDay * Math.sqrt(Math.max(days, 1))
      : null;
  const jump = used > jumpFrom.is && expected !== null && used > jumpTimes.is * expected;

  const slip = overClock || jump ? slipOf(value, last.value, elapsed) : null;
  if (slip) doubts.push({ kind: 'unit slip', ...slip, settlements: ANY });
  if (overClock) doubts.push({ kind: 'more than the clock', used, elapsed, settlements: ANY });
  else if (jump)
    doubts.push({ kind: 'unusual jump', used, perWeek: (rate?.perDay ?? 0) * 7, settlements: ANY });
  return doubts;
}

const SLIPS = [
  [10, 'decimal sign'],
  [100, 'decimal sign'],
  [60, 'minutes']
] as const;

/** The slip that would make the figure fit: the decimal sign left out, minutes for hours. */
function slipOf(
  value: Centihours,
  last: Centihours,
  elapsedHours: number
): { slip: 'decimal sign' | 'minutes'; would: Centihours } | null {
  const ceiling = last + Math.max(elapsedHours * 100, CLOCK_SLACK_CENTIHOURS);
  for (const [by, slip] of SLIPS) {
    const would = Math.round(value / by);
    if (would >= last && would <= ceiling) return { slip, would };
  }
  return null;
}
