import { JUDGED_BY } from '../judged/by';

/**
 * By how much a chain has grown, percent: measured from pin to pin over a number of pitches, pulled straight.
 * Source: handbook, section 9.
 * @param measured mm
 * @param pitch new, mm
 */
export const elongation = (measured: number, pitch: number, pitches: number): number =>
  ((measured - pitches * pitch) / (pitches * pitch)) * 100;

/** As long as so many pitches may be at most, mm. @param limit percent */
export const longest = (pitch: number, pitches: number, limit: number): number =>
  pitches * pitch * (1 + limit / 100);

/** More than this no chain has grown. Percent */
export const MOST_ELONGATION = JUDGED_BY.chain.mostGrown.is;
/** A chain is not shorter than new by more than what a rule reads. Percent */
export const LEAST_ELONGATION = -1;
/** Over fewer a rule reads nothing of it. */
export const FEWEST_PITCHES = 5;

/**
 * A length that may be, and is rather a pitch too many than a worn chain: asked about, since a miscount is a whole pitch.
 * @returns the question; null: nothing to ask
 */
export function maybeMiscounted(measured: number, pitch: number, pitches: number): string | null {
  const over = (measured - pitches * pitch) / pitch;
  if (over < JUDGED_BY.chain.miscounted.is) return null;
  const pct = elongation(measured, pitch, pitches);
  return `Over ${pitches} pitches that is ${pct.toFixed(1)} % longer than new; over ${pitches + 1} it would be ${elongation(measured, pitch, pitches + 1).toFixed(1)} %. Count the pitches, from pin to pin, once more.`;
}

/** Why a length over so many pitches cannot be; null: it can. */
export function oddLength(measured: number, pitch: number, pitches: number): string | null {
  const pct = elongation(measured, pitch, pitches);
  const about = Math.round(measured / pitch);
  const mm = (n: number) => `${Math.round(n * 10) / 10} mm`;
  if (pct > MOST_ELONGATION || pct < LEAST_ELONGATION)
    return `${pitches} pitches of ${pitch} mm are ${mm(pitches * pitch)} new; ${mm(measured)} are about ${about} pitches. Count the pitches, from pin to pin, once more.`;
  return null;
}
