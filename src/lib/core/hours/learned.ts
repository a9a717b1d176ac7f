import { showHours, type Centihours } from './hours';
import { median } from '../statistics/robust';
import { JUDGED_BY } from '../judged/by';

/** One outing of the past, as far as it is known. Distances are hundredths of a kilometre. */
export interface PastOuting {
  hours: Centihours | null;
  distance: number | null;
  race: boolean;
}

/** A machine's own pace, learned from its history; null where too few outings say. */
export interface Learned {
  /** Hundredths of a kilometre per hour. */
  speed: number | null;
  /** Hundredths of an hour a race. */
  perRace: Centihours | null;
  /** Hundredths of an hour an outing of any kind. */
  perOuting: Centihours | null;
}

export const NOTHING_LEARNED: Learned = { speed: null, perRace: null, perOuting: null };
export const ESTIMATES = ['time ridden', 'distance', 'hours per race', 'a usual outing'] as const;
export type EstimatedFrom = (typeof ESTIMATES)[number];

/** With fewer than three there is no telling a habit from chance. */
const LEAST = 3;
const middle = (values: number[]) => (values.length < LEAST ? null : Math.round(median(values)));

/** Learns a machine's pace: medians, so that one odd day does not bend them. Estimates must not be among the outings. */
export function learn(outings: readonly PastOuting[]): Learned {
  const known = outings.filter((o): o is PastOuting & { hours: number } => o.hours !== null && o.hours > 0);
  return {
    speed: middle(known.flatMap((o) => (o.distance ? [o.distance / (o.hours / 100)] : []))),
    perRace: middle(known.filter((o) => o.race).map((o) => o.hours)),
    perOuting: middle(known.map((o) => o.hours))
  };
}

export interface Estimate {
  hours: Centihours;
  from: EstimatedFrom;
  /** The sum in words. */
  words: string;
}

/** Distance in words: `34 km`, `12.5 km`. Hundredths of a kilometre. */
export function showKm(d: number): string {
  // Tenths say nothing of a long way.
  return `${Math.abs(d) >= 10_000 ? Math.round(d / 100) : Math.round(d / 10) / 10} km`;
}

/**
 * Hours of an outing nobody read a meter after: from its distance and the machine's own speed, else from its usual race,
 * else from its usual outing.
 * @returns null when nothing is learned yet
 */
export function estimateHours(
  outing: { distance: number | null; race: boolean },
  learned: Learned
): Estimate | null {
  if (outing.distance && learned.speed) {
    const hours = Math.round((outing.distance / learned.speed) * 100);
    return {
      hours,
      from: 'distance',
      words: `about ${showHours(Math.round(hours / 10) * 10)} h: ${showKm(outing.distance)} at its usual ${showKm(learned.speed)}/h`
    };
  }
  if (outing.race && learned.perRace)
    return {
      hours: learned.perRace,
      from: 'hours per race',
      words: `about ${showHours(learned.perRace)} h: its usual race`
    };
  if (!outing.race && learned.perOuting)
    return {
      hours: learned.perOuting,
      from: 'a usual outing',
      words: `about ${showHours(learned.perOuting)} h: its usual outing`
    };
  return null;
}

/** Times its usual pace, either way, that are worth a question. */
const ODD_PACE = JUDGED_BY.hours.oddPace.is;

/** A distance that does not fit the hours it was ridden in. */
export interface OddPace {
  /** Hundredths of a kilometre. */
  distance: number;
  hours: Centihours;
  /** Hundredths of a kilometre per hour; `usual` null: faster than any bike or quad. */
  pace: number;
  usual: number | null;
}
/** Faster than any bike or quad: hundredths of a kilometre an hour. */
const FASTEST = JUDGED_BY.hours.fastest.is;

/** What does not fit about a distance and the hours it was ridden in; null when it fits or nobody can say. */
export function oddPace(
  hours: Centihours | null,
  distance: number | null,
  { speed }: Pick<Learned, 'speed'>
): OddPace | null {
  if (!hours || !distance) return null;
  const pace = distance / (hours / 100);
  if (pace > FASTEST) return { distance, hours, pace, usual: null };
  return speed && (pace > speed * ODD_PACE || pace < speed / ODD_PACE)
    ? { distance, hours, pace, usual: speed }
    : null;
}
