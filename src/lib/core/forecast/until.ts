import type { Centihours } from '../hours/hours';
import type { RateOfUse } from './rate';
import { seasonAt } from './season';

/** A planned event as the forecast takes it: the days from today on which it lies, and the hours it will use. */
export interface PlannedUse {
  from: number;
  to: number;
  hours: Centihours;
}

/** One in ten either way: the range holds eight times out of ten. The normal deviate of nine in ten. */
const Z_90 = 1.2816;
/** Nine in ten of Student's t, by degrees of freedom from 1: a rate told from few rides is known less well. */
const T_90 = [
  3.078, 1.886, 1.638, 1.533, 1.476, 1.44, 1.415, 1.397, 1.383, 1.372, 1.363, 1.356, 1.35, 1.345, 1.341
];
/** A planned weekend uses what was planned, give or take a fifth. Ours, by trial. */
const EVENT_SPREAD = 0.2;
/** No season is like the one before: give or take a seventh. Ours, by trial. */
const SEASON_SPREAD = 0.15;
/** One ride in seven is read with the next one only, and is under way already. Ours, by trial. */
const UNREAD_RIDES = 0.15;
/** Nobody plans a season further ahead; past it no date is named. */
export const FORECAST_DAYS = 3 * 365;

/** Hundredths of an hour that will likely be used in so many days, planned events apart. */
export const usedIn = (days: number, rate: RateOfUse): Centihours =>
  rate.season ? seasonAt(rate.season, days) : rate.perDay * days;

/**
 * When so many hours will have been used: the range of days that holds eight times out of ten.
 *
 * Method: use over T days is taken for gamma distributed, since it is never below nought and its long tail is above. Its mean
 * is the rate times T, or the season's, with the planned events that lie within. Its variance is that of whole rides, half of
 * one still missing or half of one too many at today and at the day it falls due (lump²/12, twice); of chance, s²·T; of a rate
 * known from D days only, s²·T²/D; widened as Student's t for few rides; of the season; and of each event. Nine in ten of it
 * are found by Wilson and Hilferty's cube root ("The distribution of chi-square", 1931). A day is whole: it is asked at
 * its middle. The early end is the first day on which one in ten has reached the hours, the late end that of nine in ten.
 *
 * @param hoursLeft hundredths of an hour still to go; at or below zero answers today
 * @param planned events from today on
 * @returns whole days from today, early and late; `late` is Infinity when it may take more than three years
 */
export function daysUntil(
  hoursLeft: Centihours,
  rate: RateOfUse,
  planned: readonly PlannedUse[] = []
): { early: number; late: number } {
  if (hoursLeft <= 0) return { early: 0, late: 0 };
  const fewRides = T_90[Math.min(T_90.length, Math.max(1, rate.rides - 1)) - 1]! / Z_90;
  /** What nine in ten (z above nought) or one in ten stay below, after t days; of the events, those begun by that day. */
  const used = (t: number, day: number, z: number): Centihours => {
    const usual = usedIn(t, rate);
    // In a season it is the days as they are ridden now that count, not those of the calendar.
    const days = rate.perDay > 0 ? usual / rate.perDay : 0;
    let mean = usual + UNREAD_RIDES * rate.lump;
    let variance = (rate.lump ** 2 / 6) * Math.min(1, usual / Math.max(1, rate.lump));
    variance += rate.spreadPerRootDay ** 2 * (days + days ** 2 / rate.days);
    if (rate.season) variance += (SEASON_SPREAD * usual) ** 2;
    variance *= fewRides ** 2;
    for (const p of planned) {
      if (p.from > day) continue;
      const share = Math.min(1, (day - p.from + 1) / (p.to - p.from + 1));
      mean += p.hours * share;
      variance += (EVENT_SPREAD * p.hours * share) ** 2;
    }
    return gammaQuantile(mean, variance, z);
  };
  let day = 0;
  while (day < FORECAST_DAYS && used(Math.max(0, day - 0.5), day, Z_90) < hoursLeft) day++;
  const early = day;
  while (day < FORECAST_DAYS && used(day + 0.5, day, -Z_90) < hoursLeft) day++;
  return { early, late: day < FORECAST_DAYS ? day : Infinity };
}

/** Wilson and Hilferty: the cube root of a gamma distributed quantity is nearly normal. */
function gammaQuantile(mean: number, variance: number, z: number): number {
  if (mean <= 0 || variance <= 0) return Math.max(0, mean);
  const shape = mean ** 2 / variance;
  return mean * Math.max(0, 1 - 1 / (9 * shape) + z / (3 * Math.sqrt(shape))) ** 3;
}
