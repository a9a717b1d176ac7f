import type { Centihours } from '../hours/hours';
import { outsidePlanned, WINDOW_DAYS, type DayPoint, type UsedBy } from './history';
import { seasonOf, type Season } from './season';

/**
 * How a machine uses up hours between planned events. UsedBy and riding are told apart: it stands, then it is ridden, and
 * what is ridden comes in lumps.
 */
export interface RateOfUse {
  /** Hundredths of an hour per calendar day, over the window; 0 for a machine that only goes where it was planned to go. */
  perDay: number;
  /** Spread of a day's use: hundredths per square root of a day, so that spread over T days is this times √T. */
  spreadPerRootDay: number;
  /** Days of history it rests on. */
  days: number;
  /** How many times it was ridden in them. */
  rides: number;
  /** Hundredths of an hour that come at once, a long ride counting by its length. */
  lump: Centihours;
  /** Hours of the year before by the calendar, where they went by the season; null: they did not, or nobody knows. */
  season: Season | null;
}

/** Less than four weeks of history, or fewer than four readings, says nothing about a week. */
const LEAST_DAYS = 28;
const LEAST_POINTS = 4;
/** Ridden on fewer than one day in three, two days running are one weekend and not two chances. Ours, by trial. */
const WEEKEND_BELOW = 1 / 3;
/** So many rides of pure chance are mixed in with those that were seen: a handful may look steadier than it is. Ours, by trial. */
const CHANCE_RIDES = 0.5;

/**
 * Rate of use from recent history: hours used per day over the window, in what lumps, and the spread about that.
 *
 * Method: a renewal process with rewards. What was added from one reading to the next, outside planned events, was ridden
 * by the day of the later one; a weekend is one ride. The rate r is hours by days. A ride of h hours that came g days after
 * the one before strays h − r·g from it, and those squares, by days, are the variance of a day (W. L. Smith, "Regenerative
 * stochastic processes", 1955), with half a ride of pure chance mixed in.
 *
 * @param points running hours by day, in any order
 * @param today day number of today
 * @returns null when there is too little history to say, or the machine stood still
 */
export function rateOfUse(points: readonly DayPoint[], today: number): RateOfUse | null {
  const order = [...points].filter((p) => p.day <= today).sort((a, b) => a.day - b.day || a.total - b.total);
  const first = order[0];
  if (!first) return null;
  const start = Math.max(first.day, today - WINDOW_DAYS);
  const days = today - start;
  const inWindow = order.filter((p) => p.day >= start);
  if (days < LEAST_DAYS || inWindow.length < LEAST_POINTS) return null;

  const before = order.findLast((p) => p.day < start) ?? first;
  const rides = ridesOf(outsidePlanned(before), inWindow.map(outsidePlanned), days);
  const hours = rides.reduce((sum, r) => sum + r.hours, 0);
  if (hours === 0) {
    // Not even at planned events: it stands, and nothing says when it will go.
    if (order.at(-1)!.total <= before.total) return null;
    return { perDay: 0, spreadPerRootDay: 0, days, rides: 0, lump: 0, season: null };
  }
  const perDay = hours / days;
  const lump = rides.reduce((sum, r) => sum + r.hours ** 2, 0) / hours;
  const seen = variancePerDay(rides, perDay, { start, today });
  // Rides that come by pure chance (Poisson) vary by a lump for every hour.
  const variance = (seen * rides.length + perDay * lump * CHANCE_RIDES) / (rides.length + CHANCE_RIDES);
  return {
    perDay,
    spreadPerRootDay: Math.sqrt(variance),
    days,
    rides: rides.length,
    lump,
    season: seasonOf(order.map(outsidePlanned), today, { hours, lump, variance })
  };
}

/** What was ridden at once: the last day of it, and its hours. */
interface Ride {
  day: number;
  hours: Centihours;
}

function ridesOf(before: UsedBy, points: readonly UsedBy[], days: number): Ride[] {
  const rides: Ride[] = [];
  let last = before;
  for (const point of points) {
    if (point.total > last.total) rides.push({ day: point.day, hours: point.total - last.total });
    last = point;
  }
  if (rides.length > days * WEEKEND_BELOW) return rides;
  const weekends: Ride[] = [];
  for (let i = 0; i < rides.length; i++) {
    const [ride, next] = [rides[i]!, rides[i + 1]];
    const two = next && next.day - ride.day === 1;
    weekends.push(two ? { day: next.day, hours: ride.hours + next.hours } : ride);
    if (two) i++;
  }
  return weekends;
}

/** Variance of a day's use, from how far each ride strayed from the rate over the time since the one before. */
function variancePerDay(
  rides: readonly Ride[],
  perDay: number,
  { start, today }: { start: number; today: number }
): number {
  let squares = 0;
  let last = start;
  for (const ride of rides) {
    squares += (ride.hours - perDay * (ride.day - last)) ** 2;
    last = ride.day;
  }
  // UsedBy longer than usual since the last one is a chance too.
  const usual = (perDay * (today - start)) / rides.length;
  squares += Math.max(0, perDay * (today - last) - usual) ** 2;
  return (squares * rides.length) / Math.max(1, rides.length - 1) / (today - start);
}
