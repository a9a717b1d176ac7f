import type { UnitName } from '../quantity/units';
import type { Span } from './clearance';
import { showUm } from './limits';
import { predictedSpan } from './shim';

/** A valve as it was shimmed: what was found, what came out, what went in. All µm. */
export interface Shimmed {
  id: string;
  found: Span;
  fitted: number;
  shim: number;
}

/** Why a clearance may be another than was predicted. */
export type Cause =
  /** The shim meant for another valve would leave just that. */
  | { what: 'in the wrong place'; shim: number; of: string }
  /** A shim thicker by so much (thinner: below nothing) would: its stamp may be misread. µm */
  | { what: 'another size'; by: number }
  /** There is less than there should be: dirt under the shim or the bucket, or a cap that is not down. */
  | { what: 'not seated' };

/**
 * What the clearance as left says of what was done: within what was predicted; or below or above it, at least so far (µm; 0: the two
 * only touch), with what may have caused it.
 */
export type Proof = { ok: true } | { ok: false; less: boolean; off: number; causes: Cause[] };

/** No stamp is misread by more sizes than these. */
const MISREAD = 8;

const meet = (a: Span, b: Span): boolean =>
  (b.closed ? a.from <= b.to : a.from < b.to) && (a.closed ? b.from <= a.to : b.from < a.to);

/**
 * Holds a clearance as left against what was predicted; where they do not meet, says what may be the cause, the likeliest first.
 *
 * @param asLeft as measured after two full turns by hand
 * @param others what else was shimmed at the same time
 * @param step of the series the shims are made in, µm
 */
export function proofOf(asLeft: Span, valve: Shimmed, others: readonly Shimmed[], step: number): Proof {
  const leaves = (shim: number) => meet(asLeft, predictedSpan(valve.found, valve.fitted, shim));
  if (leaves(valve.shim)) return { ok: true };
  const should = predictedSpan(valve.found, valve.fitted, valve.shim);
  // One step off, the two touch at an end: which way is told by where it begins.
  const less = asLeft.from < should.from;
  const off = less ? should.from - asLeft.to : asLeft.from - should.to;
  const causes: Cause[] = others
    .filter((o) => o.id !== valve.id && o.shim !== valve.shim && leaves(o.shim))
    .map((o) => ({ what: 'in the wrong place', shim: o.shim, of: o.id }));
  // A thicker shim leaves less.
  const way = less ? step : -step;
  for (let n = 1; n <= MISREAD; n++)
    if (leaves(valve.shim + n * way)) {
      causes.push({ what: 'another size', by: n * way });
      break;
    }
  if (less) causes.push({ what: 'not seated' });
  return { ok: false, less, off, causes };
}

const VERDICTS: Readonly<Record<string, string>> = {
  in: 'In its limits, but',
  tight: 'Too tight, and',
  loose: 'Too loose, and'
};
/** How a clearance as left stands to its limits and to what was predicted, in a sentence. */
export const proofInWords = (
  { less, off }: Exclude<Proof, { ok: true }>,
  verdict: string,
  unit: UnitName
): string =>
  `${VERDICTS[verdict] ?? 'It is'} ${off === 0 ? 'just' : showUm(off, unit)} ${less ? 'less' : 'more'} than the shim should have left.`;
