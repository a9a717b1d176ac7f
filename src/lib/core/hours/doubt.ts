import { showHours, type Centihours } from './hours';

/** What is odd about a reading someone is about to write down. */
export type DoubtKind =
  | 'lower than the last'
  | 'higher than the next'
  | 'ahead of the clock'
  | 'more than the clock'
  | 'unit slip'
  | 'unusual jump';

/** How a person may settle a doubt. */
export type Settlement = 'reading is right' | 'earlier one was wrong' | 'meter was replaced';

export interface Doubt {
  kind: DoubtKind;
  /** One line: what is odd, with the figures. */
  message: string;
  /** What the person may say to that. Empty: it cannot be true and must be written again. */
  settlements: Settlement[];
}

export interface ReadingContext {
  /** The reading before this moment on this meter that is not struck out: what it showed and when (ms). */
  last: { value: Centihours; at: number } | null;
  /** The one after it, where this reading is written down late. */
  next?: { value: Centihours; at: number } | null;
  /** Usual use, when there is enough history. */
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
/** Times the busiest usual use before a jump is worth a question. */
const JUMP_FACTOR = 3;
/** Below this many hours a jump is never questioned: one long day. */
const JUMP_FLOOR: Centihours = 800;

/**
 * Whether a reading of the meter wants questioning before it is taken (handbook, Hours): lower than the last, ahead of the
 * clock, more hours than have gone by, a ten-fold slip or minutes for hours, or a jump far past the usual rate of use.
 *
 * @param value what is claimed the meter shows
 * @param at when it was read, ms since 1970
 * @returns the doubts, the gravest first; empty when there is nothing to ask
 */
export function questionReading(value: Centihours, at: number, context: ReadingContext): Doubt[] {
  const { last, rate, now } = context;
  const doubts: Doubt[] = [];
  if (at > now + CLOCK_SLACK_MS) {
    doubts.push({
      kind: 'ahead of the clock',
      message: 'That moment has not come yet. Put in when the meter was read.',
      settlements: []
    });
  }
  if (context.next && value > context.next.value) {
    doubts.push({
      kind: 'higher than the next',
      message: `A later reading shows ${showHours(context.next.value)} h; before it there cannot have been ${showHours(value)} h.`,
      settlements: []
    });
  }
  if (!last || at < last.at) return doubts;

  const used = value - last.value;
  const elapsed = (at - last.at) / MS_PER_HOUR + (context.dayOnly ? 24 : 0);
  const days = elapsed / 24;
  if (used < 0) {
    doubts.push({
      kind: 'lower than the last',
      message: `The last reading was ${showHours(last.value)} h; ${showHours(value)} h is lower.`,
      settlements: ['earlier one was wrong', 'meter was replaced']
    });
    return doubts;
  }
  const overClock = used > elapsed * 100 + CLOCK_SLACK_CENTIHOURS;
  const expected = rate
    ? rate.perDay * days + 3 * rate.spreadPerRootDay * Math.sqrt(Math.max(days, 1))
    : null;
  const jump = used > JUMP_FLOOR && expected !== null && used > JUMP_FACTOR * expected;

  const slip = overClock || jump ? slipOf(value, last.value, elapsed) : null;
  if (slip) {
    doubts.push({
      kind: 'unit slip',
      message: slip,
      settlements: ['reading is right', 'earlier one was wrong', 'meter was replaced']
    });
  }
  if (overClock) {
    doubts.push({
      kind: 'more than the clock',
      message: `${showHours(used)} h since the last reading, but only ${elapsed < 48 ? `${showHours(elapsed * 100)} h have` : `${Math.floor(days)} days have`} gone by.`,
      settlements: ['reading is right', 'earlier one was wrong', 'meter was replaced']
    });
  } else if (jump) {
    doubts.push({
      kind: 'unusual jump',
      message: `${showHours(used)} h since the last reading; this machine usually does about ${showHours((rate?.perDay ?? 0) * 7)} h a week.`,
      settlements: ['reading is right', 'earlier one was wrong', 'meter was replaced']
    });
  }
  return doubts;
}

/** Names the slip that would make the figure fit: the decimal sign left out, minutes for hours. */
function slipOf(value: Centihours, last: Centihours, elapsedHours: number): string | null {
  const ceiling = last + Math.max(elapsedHours * 100, CLOCK_SLACK_CENTIHOURS);
  const tries: [number, string][] = [
    [10, 'Was the decimal sign left out'],
    [100, 'Was the decimal sign left out'],
    [60, 'Are those minutes']
  ];
  for (const [by, question] of tries) {
    const fixed = Math.round(value / by);
    if (fixed >= last && fixed <= ceiling) return `${question}? ${showHours(fixed)} h would fit.`;
  }
  return null;
}
