import { convert } from '../quantity/quantity';
import { dayOf, type Day } from '../time/day';
import { JUDGED_BY } from '../judged/by';

/** A point of a track: when, and where. */
export interface Point {
  /** Milliseconds since 1970. */
  at: number;
  /** Degrees. */
  lat: number;
  lon: number;
}

/**
 * What counts as riding. Slower than a walk it stands, whatever the receiver makes of it; longer between two points, it was off or
 * under a roof; faster than any bike, the receiver jumped.
 */
export const RULE = {
  /** m/s */
  standsUnder: JUDGED_BY.track.standsUnder.is / 3.6,
  /** s */
  longestGap: JUDGED_BY.track.longestGap.is,
  /** m/s */
  jumpsOver: JUDGED_BY.track.jumpsOver.is / 3.6,
  /** s: standing for longer is a stop, and named. */
  stopFrom: 60
} as const;
export const RULE_WORDS =
  'Counted is what moved: under 3 km/h it stands, more than 2 minutes between two points it was off, and over 216 km/h the receiver jumped. The engine may have run while it stood: a reading of the meter says better.';

export interface Ride {
  day: Day;
  /** Milliseconds. */
  from: number;
  to: number;
  /** s */
  moving: number;
  /** m */
  distance: number;
  /** How often it stood for a minute or more, and how long it did not move in all, s. */
  stops: number;
  standing: number;
  /** Pieces left out because time or place leapt. */
  leaps: number;
}

/** Mean radius of the earth, m (IUGG). */
const EARTH = 6_371_008.8;
const rad = (degrees: number) => (degrees * Math.PI) / 180;

/** Metres between two points over the ground, by the haversine formula: true to half of one percent anywhere. */
export function metresBetween(a: Point, b: Point): number {
  const h =
    Math.sin(rad(b.lat - a.lat) / 2) ** 2 +
    Math.cos(rad(a.lat)) * Math.cos(rad(b.lat)) * Math.sin(rad(b.lon - a.lon) / 2) ** 2;
  return 2 * EARTH * Math.asin(Math.min(1, Math.sqrt(h)));
}

/**
 * What was ridden by a track.
 *
 * @param segments points in the order they were recorded; between segments nothing was
 * @param timeZone of the team: the day is that of its first point there
 * @returns null where there are no two points
 */
export function rideOf(segments: readonly (readonly Point[])[], timeZone: string): Ride | null {
  const all = segments.flat();
  if (all.length < 2) return null;
  let [moving, distance, stops, leaps, still] = [0, 0, 0, 0, 0];
  const stood = () => {
    if (still >= RULE.stopFrom) stops += 1;
    still = 0;
  };
  for (const points of segments) {
    for (const [i, b] of points.entries()) {
      const a = points[i - 1];
      if (!a) continue;
      const seconds = (b.at - a.at) / 1000;
      const metres = metresBetween(a, b);
      if (seconds <= 0 || metres / seconds > RULE.jumpsOver) {
        // Twice the same point is no leap.
        if (seconds !== 0 || metres > 0) leaps += 1;
        continue;
      }
      if (seconds > RULE.longestGap) {
        still += seconds;
        continue;
      }
      if (metres / seconds < RULE.standsUnder) {
        still += seconds;
        continue;
      }
      stood();
      moving += seconds;
      distance += metres;
    }
    stood();
  }
  const from = all.reduce((least, p) => Math.min(least, p.at), Infinity);
  const to = all.reduce((most, p) => Math.max(most, p.at), -Infinity);
  return {
    day: dayOf(new Date(from), timeZone),
    from,
    to,
    moving,
    distance,
    stops,
    standing: Math.max(0, (to - from) / 1000 - moving),
    leaps
  };
}

/** What a ride comes to, as a person would type it: hours that moved, with two decimals, and the distance in one. */
export function rideFigures(
  { moving, distance }: Pick<Ride, 'moving' | 'distance'>,
  units: 'metric' | 'imperial'
): { hours: number; typed: string; distance: string } {
  const hours = moving / 3600;
  const unit = units === 'metric' ? 'km' : 'mi';
  return {
    hours,
    typed: `+${hours.toFixed(2)}`,
    distance: `${convert(distance, 'm', unit).toFixed(1)} ${unit}`
  };
}

/** A machine that somebody most likely rode: theirs, the one they last rode; else the one that was ridden last. */
export function likelyMachine(
  riderId: string | null,
  machines: readonly { id: string; riderId: string | null }[],
  lately: readonly { riderId: string | null; machineId: string }[]
): string | null {
  const theirs = machines.filter((m) => riderId !== null && m.riderId === riderId);
  const ridden = lately.find((l) => riderId !== null && l.riderId === riderId);
  if (ridden && (theirs.length !== 1 || theirs[0]!.id === ridden.machineId)) return ridden.machineId;
  return theirs[0]?.id ?? lately[0]?.machineId ?? null;
}
