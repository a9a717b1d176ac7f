import { dayNumber, type Day } from '../time/day';
import type { Air } from './air';

/**
 * A stand-in for a weather service: the air of an invented valley, north of the middle of the earth, by the day of the year.
 * It knows a cold January, a warm July and the swing of a day, and no more; the mechanic's own figures take its place.
 * @param from the first day
 * @param days how many, from 1
 * @returns the coldest night and the warmest day among them, whole °C
 */
export function stationAir(from: Day, days: number): Air {
  let low = Infinity;
  let high = -Infinity;
  for (let k = 0; k < days; k++) {
    const n = dayNumber(from) + k;
    // 1970-01-01 is day 0; the coldest day is about the twentieth of January.
    const mean = 9.5 - 8.5 * Math.cos(((n - 19) / 365.2425) * 2 * Math.PI);
    // Fronts that pass: two waves that do not meet twice in a year.
    const front = 2.5 * Math.sin(n / 3.7) + 1.5 * Math.sin(n / 11.3);
    low = Math.min(low, mean + front - 4.5);
    high = Math.max(high, mean + front + 5);
  }
  return { from: Math.round(low), to: Math.round(high) };
}
