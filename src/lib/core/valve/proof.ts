import type { Span } from './clearance';
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

/** What the clearance as left says of what was done: within what was predicted, or how far out, with what may have caused it. */
export type Proof = { ok: true } | { ok: false; off: number; causes: Cause[] };

/** No stamp is misread by more sizes than these. */
const MISREAD = 8;

const meet = (a: Span, b: Span): boolean =>
  (b.closed ? a.from <= b.to : a.from < b.to) && (a.closed ? b.from <= a.to : b.from < a.to);
/** How far one lies from the other where they do not meet: below nothing where it is less. */
const apart = (is: Span, should: Span): number =>
  is.from >= should.to ? is.from - should.to : is.to - should.from;

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
  const off = apart(asLeft, predictedSpan(valve.found, valve.fitted, valve.shim));
  const causes: Cause[] = others
    .filter((o) => o.id !== valve.id && o.shim !== valve.shim && leaves(o.shim))
    .map((o) => ({ what: 'in the wrong place', shim: o.shim, of: o.id }));
  // A thicker shim leaves less.
  const way = off < 0 ? step : -step;
  for (let n = 1; n <= MISREAD; n++)
    if (leaves(valve.shim + n * way)) {
      causes.push({ what: 'another size', by: n * way });
      break;
    }
  if (off < 0) causes.push({ what: 'not seated' });
  return { ok: false, off, causes };
}
