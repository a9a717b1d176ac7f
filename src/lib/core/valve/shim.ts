import type { Span } from './clearance';

/** Shims: thicknesses in whole µm, as stamped, as made, as measured. */

/** A series of sizes as it is made: from the thinnest to the thickest in even steps. µm */
export interface Series {
  thinnest: number;
  thickest: number;
  step: number;
}

/** All sizes of a series, thinnest first. */
export function sizesOf({ thinnest, thickest, step }: Series): number[] {
  return Array.from({ length: Math.floor((thickest - thinnest) / step) + 1 }, (_, i) => thinnest + i * step);
}

/**
 * The thickness a stamp means: stamps are in hundredths of a millimetre and round what is made in finer steps, so 232 in a
 * series of 25 µm is 2.325 mm. The nearest size that is made; of two as near, the thinner.
 *
 * @param hundredths as stamped
 * @param step of the series, µm
 * @returns µm
 */
export function stamped(hundredths: number, step: number): number {
  const um = hundredths * 10;
  const below = Math.floor(um / step) * step;
  return um - below <= below + step - um ? below : below + step;
}

/** More than this between the stamp and the micrometer is a finding. µm */
export const STAMP_AND_MICROMETER = 10;

/** A shim as it is known. */
export interface Shim {
  /** Decoded, µm; null: worn off or never read. */
  stamp: number | null;
  /** By micrometer, µm; null: not measured. */
  measured: number | null;
}

/** What sums reckon with: the micrometer beats the stamp. */
export const thickness = ({ stamp, measured }: Shim): number | null => measured ?? stamp;

/** Stamp and micrometer are too far apart for one shim. */
export const disagree = ({ stamp, measured }: Shim): boolean =>
  stamp !== null && measured !== null && Math.abs(stamp - measured) > STAMP_AND_MICROMETER;

/**
 * The clearance a valve will have with another shim: a thicker one takes it up.
 * @param clearance as found with the fitted one, µm
 */
export const predicted = (clearance: number, fitted: number, shim: number): number =>
  clearance + fitted - shim;

/** The same for all that is known of a clearance: as wide as the bracket it was found in. */
export const predictedSpan = (found: Span, fitted: number, shim: number): Span => ({
  from: found.from + fitted - shim,
  to: found.to + fitted - shim,
  closed: found.closed
});

/** What the sizes have to be for a clearance inside its limits, and for the one that is aimed at. All µm. */
export const wanted = (v: { measured: number; shim: number; lo: number; hi: number; target: number }) => ({
  thinnest: predicted(v.measured, v.shim, v.hi),
  thickest: predicted(v.measured, v.shim, v.lo),
  best: predicted(v.measured, v.shim, v.target)
});
