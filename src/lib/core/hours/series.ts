/**
 * A count that goes on over time, known at some moments: running hours, distance, outings, hours ridden in mud. Between two
 * moments it stands still; what is added comes with the moment that brings it. Sorted by time (ms since 1970).
 */
export interface Series {
  at: number[];
  total: number[];
}

/** A machine or component in one place: what the place counts while it is there, it counts too. */
export interface Fitting {
  host: Series;
  from: number;
  /** When it came off; null while it is there. */
  to: number | null;
}

/** Index of the last moment at or before `t`; -1 when all lie after it. */
function lastBefore(at: readonly number[], t: number): number {
  let lo = 0;
  let hi = at.length;
  while (lo < hi) {
    const mid = (lo + hi) >>> 1;
    if (at[mid]! <= t) lo = mid + 1;
    else hi = mid;
  }
  return lo - 1;
}

/**
 * The count at a moment. Before the first moment it is what stood there first: nothing is known of earlier use.
 * @returns null when nothing was ever counted
 */
export function totalAt(series: Series, t: number): number | null {
  if (series.at.length === 0) return null;
  return series.total[Math.max(0, lastBefore(series.at, t))]!;
}

/** Whether the book reaches back to a moment. */
export function reaches(series: Series, t: number): boolean {
  return series.at.length > 0 && series.at[0]! <= t;
}

/**
 * The count of a component that was fitted here and there: what it brought along, and what every place counted while it was
 * fitted there (handbook, section 2). A reading at the very moment of a swap belongs to what comes off.
 *
 * @param brought what it had counted before its first fitting
 * @param fittings in any order; they must not overlap
 * @param from where its book begins, when it has never been fitted
 * @throws RangeError when two fittings overlap
 */
export function fittedSeries(brought: number, fittings: readonly Fitting[], from: number): Series {
  const order = [...fittings].sort((a, b) => a.from - b.from);
  const at: number[] = [Math.min(from, order[0]?.from ?? from)];
  const total: number[] = [brought];
  let base = brought;
  let end = -Infinity;
  for (const fitting of order) {
    if (fitting.from < end) throw new RangeError('two fittings of one component overlap');
    end = fitting.to ?? Infinity;
    const { host } = fitting;
    const start = totalAt(host, fitting.from) ?? 0;
    for (let i = lastBefore(host.at, fitting.from) + 1; i < host.at.length && host.at[i]! <= end; i++) {
      at.push(host.at[i]!);
      // Before the host's first moment nothing is known, so its first point is where the count starts.
      total.push(base + host.total[i]! - start);
    }
    if (fitting.to !== null) base += (totalAt(host, fitting.to) ?? start) - start;
  }
  return { at, total };
}
