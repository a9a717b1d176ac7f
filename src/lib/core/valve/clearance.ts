/**
 * The clearance of a valve as it is measured, in whole micrometres, and what it says against the limits.
 * Source: the trade; a feeler blade that passes bounds it from below, one that does not from above.
 */

/** What the manual prints for one side of the head, both ends allowed. 0 < lo <= hi. */
export interface Limits {
  /** µm */
  lo: number;
  /** µm */
  hi: number;
}

/** As measured. All µm. */
export type Measured =
  /** The thickest blade that goes, and the thinnest that does not; null: none was tried. */
  | { by: 'blades'; goes: number | null; stops: number | null }
  /** One figure, as a practised hand says it. */
  | { by: 'reading'; at: number }
  /** A dial that gives two. */
  | { by: 'dial'; from: number; to: number };

/** Where the clearance lies. */
export interface Span {
  /** It is at least this. */
  from: number;
  /** It is less than this, or, where closed, at most this. Infinity: nobody knows. */
  to: number;
  closed: boolean;
}

export function spanOf(m: Measured): Span {
  if (m.by === 'reading') return { from: m.at, to: m.at, closed: true };
  if (m.by === 'dial') return { from: m.from, to: m.to, closed: true };
  return { from: m.goes ?? 0, to: m.stops ?? Number.POSITIVE_INFINITY, closed: false };
}

export type Verdict = 'in' | 'tight' | 'loose' | 'undecided';

/** In only where all of it is inside, out only where all of it is outside. */
export function verdict(span: Span, { lo, hi }: Limits): Verdict {
  if (span.closed ? span.to < lo : span.to <= lo) return 'tight';
  if (span.from > hi) return 'loose';
  // One figure that is the limit itself is as likely just past it: the house rule decides.
  if (span.closed && span.from === span.to && (span.from === lo || span.from === hi)) return 'undecided';
  return span.from >= lo && span.to <= hi ? 'in' : 'undecided';
}

/** What sums reckon with: the blade that goes, or by house rule the middle of the bracket. µm; null where it is not known. */
export function forSums(m: Measured, by: 'goes' | 'middle of the bracket'): number | null {
  if (m.by === 'reading') return m.at;
  const [low, high] = m.by === 'dial' ? [m.from, m.to] : [m.goes, m.stops];
  if (low === null) return null;
  return by === 'goes' || high === null ? low : Math.round((low + high) / 2);
}

/** Why something measured cannot be so. */
export type Impossible =
  | { what: 'upside down' }
  /** µm */
  | { what: 'out of reach'; most: number };

/** No valve of an engine that runs has more: µm. */
export const MOST_CLEARANCE = 1500;

/** @returns null where it can be */
export function impossible(m: Measured): Impossible | null {
  const { from, to, closed } = spanOf(m);
  // Nobody tried what does not go: there is no upper end to be wrong.
  const most = Number.isFinite(to) ? Math.max(from, to) : from;
  if (from < 0 || to < 0 || most > MOST_CLEARANCE) return { what: 'out of reach', most: MOST_CLEARANCE };
  return (closed ? from > to : from >= to) ? { what: 'upside down' } : null;
}
